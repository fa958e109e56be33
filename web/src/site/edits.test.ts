import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { NoAnswer, Refusal } from '../api/client'
import { useEdits, type PendingEdit } from './edits'

const kept = new Map<string, string>()
const answers: (() => Response | Promise<Response>)[] = []
const sent: { path: string; revision: string | null; key: string | null; maker: string | null }[] = []
const ok = (body: unknown) => () => new Response(JSON.stringify(body), { status: 200 })
const problem = (status: number, detail: string) => () => new Response(JSON.stringify({ detail }), { status })
const away = () => Promise.reject(new TypeError('connection refused'))

const edit = (label: string, revision = 1, siteId = 7): PendingEdit => ({ siteId, label, method: 'POST', path: `/api/${label}`, key: `key-${label}`, revision })

beforeEach(() => {
  vi.useFakeTimers()
  setActivePinia(createPinia())
  kept.clear()
  answers.length = 0
  sent.length = 0
  vi.stubGlobal('sessionStorage', {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => kept.set(k, v),
    removeItem: (k: string) => kept.delete(k),
  })
  vi.stubGlobal('fetch', (path: string, init: RequestInit) => {
    sent.push({
      path,
      revision: new Headers(init.headers).get('If-Match'),
      key: new Headers(init.headers).get('Idempotency-Key'),
      maker: new Headers(init.headers).get('Hausbau-Maker'),
    })
    return Promise.resolve().then(() => answers.shift()!())
  })
})
afterEach(() => vi.useRealTimers())

/** Site 7 is open. */
function attached() {
  const edits = useEdits()
  const caughtUp = vi.fn(async () => {})
  const refused = vi.fn()
  edits.attach({ shown: (siteId) => (siteId === 7 ? 6 : undefined), catchUp: caughtUp }, refused)
  return { edits, caughtUp, refused }
}

describe('edits on their way to the server', () => {
  it('go one after the other, each with the revision that its maker saw, all under one name', async () => {
    const { edits } = attached()
    answers.push(ok('first'), ok('second'))
    const both = Promise.all([edits.make(edit('a', 4)), edits.make(edit('b', 4))])
    await vi.runAllTimersAsync()
    expect(await both).toEqual(['first', 'second'])
    expect(sent.map((s) => s.revision)).toEqual(['"4"', '"4"'])
    expect(sent[0]!.maker).toBeTruthy()
    expect(sent[1]!.maker).toBe(sent[0]!.maker)
  })

  it('of a site that was left go out as they were made, and nothing of it is shown in the one that is open now', async () => {
    const { edits, caughtUp } = attached()
    answers.push(ok('first'), ok('second'))
    const both = Promise.all([edits.make(edit('left', 31, 8)), edits.make(edit('open', 2))])
    await vi.runAllTimersAsync()
    expect(await both).toEqual(['first', 'second'])
    expect(sent.map((s) => [s.path, s.revision])).toEqual([
      ['/api/left', '"31"'],
      ['/api/open', '"2"'],
    ])
    expect(caughtUp).toHaveBeenCalledTimes(1)
  })

  it('are kept while nobody answers, and go out when somebody does', async () => {
    const { edits } = attached()
    answers.push(away, away, ok('at last'))
    const made = edits.make(edit('a'))
    await vi.advanceTimersByTimeAsync(100)
    expect(edits.away).toBe(true)
    expect(edits.count).toBe(1)
    expect(JSON.parse(kept.get('hausbau.kept-edits')!)).toHaveLength(1)
    await vi.advanceTimersByTimeAsync(4000)
    expect(await made).toBe('at last')
    expect(edits.away).toBe(false)
    expect(kept.has('hausbau.kept-edits')).toBe(false)
  })

  it('are sent again under the same word, so that none is made twice', async () => {
    const { edits } = attached()
    // It arrived, but its answer was lost; sent again, the server says that it is made already.
    answers.push(away, () => new Response(null, { status: 208 }))
    const made = edits.make(edit('a'))
    await vi.advanceTimersByTimeAsync(4000)
    expect(await made).toBeUndefined()
    expect(sent.map((s) => s.revision)).toEqual(['"1"', '"1"'])
    expect(sent[0]!.key).toBeTruthy()
    expect(sent[1]!.key).toBe(sent[0]!.key)
  })

  it('are made even if what follows cannot be looked at', async () => {
    const { edits, caughtUp } = attached()
    caughtUp.mockRejectedValueOnce(new NoAnswer('gone'))
    answers.push(ok('first'), ok('second'))
    expect(await edits.make(edit('a'))).toBe('first')
    const second = edits.make(edit('b'))
    await vi.runAllTimersAsync()
    expect(await second).toBe('second')
    expect(caughtUp).toHaveBeenCalledTimes(2)
  })

  it('say why when what they touch was changed meanwhile', async () => {
    const { edits, refused } = attached()
    answers.push(problem(412, 'changed meanwhile'))
    const made = edits.make(edit('a')).catch((e: unknown) => e)
    await vi.runAllTimersAsync()
    expect(await made).toBeInstanceOf(Refusal)
    expect(refused).toHaveBeenCalledWith('a', 'changed meanwhile')
  })

  it('are dropped when refused, with the reason, and the next goes on', async () => {
    const { edits } = attached()
    answers.push(problem(400, 'A door wider than its wall.'), ok('second'))
    const first = edits.make(edit('a')).catch((e: Error) => e.message)
    const second = edits.make(edit('b'))
    await vi.runAllTimersAsync()
    expect(await first).toBe('A door wider than its wall.')
    expect(await second).toBe('second')
    expect(edits.count).toBe(0)
  })

  it('are taken up after a reload, those of the open site alone, and the others stay kept', async () => {
    kept.set('hausbau.kept-edits', JSON.stringify([edit('mine', 3), edit('other', 5, 8)]))
    const { edits } = attached()
    answers.push(ok('done'))
    edits.takeUp(7)
    await vi.runAllTimersAsync()
    expect(sent).toEqual([{ path: '/api/mine', revision: '"3"', key: 'key-mine', maker: expect.any(String) }])
    expect(JSON.parse(kept.get('hausbau.kept-edits')!)).toEqual([edit('other', 5, 8)])
  })
})

import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { fileName, useTaking } from './taking'

let asked: string[]
let answer: (init: RequestInit) => Promise<Response>
const kept = vi.fn()

beforeEach(() => {
  asked = []
  kept.mockReset()
  vi.useFakeTimers()
  vi.stubGlobal('fetch', (path: string, init: RequestInit = {}) => {
    asked.push(`${init.method ?? 'GET'} ${path.replace(/[0-9a-f-]{36}/, 'TOKEN')}`)
    if (path.startsWith('/api/under-way'))
      return Promise.resolve(new Response(init.method === 'DELETE' ? null : '{"share":0.25}', { status: init.method === 'DELETE' ? 204 : 200 }))
    return answer(init)
  })
  vi.stubGlobal('document', { createElement: () => ({ click: kept }) })
  URL.createObjectURL = () => 'blob:made'
})
afterEach(() => vi.useRealTimers())

describe('files that take long', () => {
  it('says how far one is, keeps it under its name, and takes no second one meanwhile', async () => {
    let done!: (r: Response) => void
    answer = () => new Promise((resolve) => (done = resolve))
    const { taking, take } = useTaking()
    const whole = take('scene.glb', '/api/sites/1/handover/scene.glb')
    void take('scene.glb', '/api/sites/1/handover/scene.glb')
    await vi.advanceTimersByTimeAsync(450)
    expect(taking.value).toEqual({ name: 'scene.glb', share: 0.25 })
    done(new Response('file', { headers: { 'content-disposition': `attachment; filename*=UTF-8''Otter%20Baths.glb` } }))
    await whole
    expect(kept).toHaveBeenCalledOnce()
    expect(taking.value).toBeUndefined()
    expect(asked).toEqual(['GET /api/sites/1/handover/scene.glb?token=TOKEN', 'GET /api/under-way/TOKEN'])
    await vi.advanceTimersByTimeAsync(2000)
    expect(asked).toHaveLength(2)
  })

  it('is called off here and at the server, and that is no fault', async () => {
    answer = ({ signal }) => new Promise((_, reject) => signal!.addEventListener('abort', () => reject(new DOMException('aborted', 'AbortError'))))
    const { taking, fault, take, cancel } = useTaking()
    const whole = take('pieces.zip', '/pieces.zip?details=true')
    cancel()
    await whole
    expect(asked).toEqual(['GET /pieces.zip?details=true&token=TOKEN', 'DELETE /api/under-way/TOKEN'])
    expect([taking.value, fault.value]).toEqual([undefined, ''])
    expect(kept).not.toHaveBeenCalled()
  })

  it('says why there is none', async () => {
    answer = () => Promise.resolve(new Response('{"detail":"There is no such site."}', { status: 404 }))
    const { fault, take } = useTaking()
    await take('scene.glb', '/scene.glb')
    expect(fault.value).toBe('There is no such site.')
    answer = () => Promise.reject(new TypeError('failed'))
    await take('scene.glb', '/scene.glb')
    expect(fault.value).toBe('The server does not answer.')
  })

  it('reads names as they are sent', () => {
    expect(fileName('attachment; filename="plan.svg"')).toBe('plan.svg')
    expect(fileName(`attachment; filename="=?UTF-8?Q?B=C3=A4der?="; filename*=UTF-8''B%C3%A4der.glb`)).toBe('Bäder.glb')
    expect(fileName(null)).toBeUndefined()
  })
})

import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { SheetView, SiteView } from '../api/client'
import { useSite } from '../site/site'
import { stubServer } from '../test/stubServer'
import { useBoard } from './board'
import { useUploads } from './uploads'

vi.mock('ant-design-vue', () => ({ message: { error: vi.fn(), warning: vi.fn() } }))

/** What the browser would send, answered by hand. */
class FakeRequest {
  static sent: FakeRequest[] = []
  status = 0
  responseText = ''
  url = ''
  upload: { onprogress?: (e: { loaded: number; total: number }) => void; onload?: () => void } = {}
  onload?: () => void
  onerror?: () => void
  onabort?: () => void
  open(_: string, url: string) {
    this.url = url
  }
  setRequestHeader() {}
  send() {
    FakeRequest.sent.push(this)
  }
  abort() {
    this.onabort?.()
  }
  answer(status: number, body: unknown) {
    this.status = status
    this.responseText = JSON.stringify(body)
    this.onload?.()
  }
}

const file = (name: string, size = 10) => ({ name, size }) as File

beforeEach(() => {
  FakeRequest.sent = []
  vi.stubGlobal('XMLHttpRequest', FakeRequest)
  stubServer((_, path) => (path.includes('/news') ? { site: { id: 1, revision: 4 }, changed: [], removed: [] } : []))
  setActivePinia(createPinia())
  useSite().site = { id: 1, revision: 4 } as SiteView
  useBoard().sheet = { mostBytes: 100, items: [], planes: [], tags: [], marks: [] } as unknown as SheetView
})

describe('pictures on their way to the board', () => {
  it('go one after the other, named without their ending, each beside the one before', async () => {
    const { add, uploads, busy } = useUploads()
    add([file('wall one.png'), file('b.jpeg')], 0, 0)
    await vi.waitFor(() => expect(FakeRequest.sent).toHaveLength(1))
    expect(FakeRequest.sent[0]!.url).toBe('/api/sites/1/board/pictures?name=wall%20one&x=0&y=0')
    FakeRequest.sent[0]!.upload.onprogress!({ loaded: 3, total: 10 })
    expect(uploads.value[0]!.share).toBeCloseTo(0.3)
    FakeRequest.sent[0]!.answer(201, {})
    await vi.waitFor(() => expect(FakeRequest.sent).toHaveLength(2))
    expect(FakeRequest.sent[1]!.url).toContain('x=520')
    FakeRequest.sent[1]!.answer(201, {})
    await vi.waitFor(() => expect(busy.value).toBe(false))
    expect(uploads.value).toHaveLength(0)
  })

  it('stay listed with the reason when refused', async () => {
    const { add, uploads } = useUploads()
    add([file('list.txt')], 0, 0)
    await vi.waitFor(() => expect(FakeRequest.sent).toHaveLength(1))
    FakeRequest.sent[0]!.answer(400, { detail: 'This is no picture.' })
    await vi.waitFor(() => expect(uploads.value[0]).toMatchObject({ state: 'refused', why: 'This is no picture.' }))
  })

  it('are not sent at all when larger than is taken', async () => {
    const { add, uploads } = useUploads()
    add([file('huge.png', 101)], 0, 0)
    await vi.waitFor(() => expect(uploads.value[0]?.state).toBe('refused'))
    expect(FakeRequest.sent).toHaveLength(0)
  })

  it('can be cancelled, the waiting ones too', async () => {
    const { add, cancel, dismiss, uploads } = useUploads()
    add([file('a.png'), file('b.png'), file('c.png')], 0, 0)
    await vi.waitFor(() => expect(FakeRequest.sent).toHaveLength(1))
    cancel()
    await vi.waitFor(() => expect(uploads.value.map((u) => u.why)).toEqual(['Cancelled.', 'Cancelled.', 'Cancelled.']))
    expect(FakeRequest.sent).toHaveLength(1)
    dismiss()
    expect(uploads.value).toHaveLength(0)
  })
})

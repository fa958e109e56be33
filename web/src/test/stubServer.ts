import { vi } from 'vitest'

/** A server that answers by path, in tests; what was asked is kept in order. */
export function stubServer(answer: (method: string, path: string, body: unknown) => unknown) {
  const asked: { method: string; path: string; body: unknown }[] = []
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
    const body: unknown = typeof init?.body === 'string' ? JSON.parse(init.body) : undefined
    const method = init?.method ?? 'GET'
    asked.push({ method, path, body })
    const made = answer(method, path, body)
    if (made instanceof Response) return Promise.resolve(made)
    return Promise.resolve(made === undefined ? new Response(null, { status: 204 }) : new Response(JSON.stringify(made), { status: 200 }))
  })
  return asked
}

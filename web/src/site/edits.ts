import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { NoAnswer, Refusal, send } from '../api/client'

/** One edit on its way to the server. */
export interface PendingEdit {
  siteId: number
  label: string
  method: string
  path: string
  body?: unknown
  /** The revision it was first sent against: sent again, it must not be made twice. */
  revision?: number
}

const KEPT = 'hausbau.kept-edits'
const RETRY_MS = 1500

interface Waiting {
  edit: PendingEdit
  resolve: (value: unknown) => void
  reject: (reason: unknown) => void
}

/**
 * Sends edits one after the other. While the server does not answer, it keeps them (over a reload too) and tries
 * again; an edit that the server refuses is dropped, and whoever made it is told why.
 */
export const useEdits = defineStore('edits', () => {
  const waiting = ref<Waiting[]>([])
  const away = ref(false)
  const count = computed(() => waiting.value.length)
  let running = false
  let hooks = { revision: () => 0, catchUp: async () => {} }
  let onRefused = (_label: string, _why: string) => {}

  /** @param h tells the revision that is shown, and fetches what has changed since */
  function attach(h: typeof hooks, refused: typeof onRefused) {
    hooks = h
    onRefused = refused
  }

  function keep() {
    const edits = waiting.value.map((w) => w.edit)
    if (edits.length) sessionStorage.setItem(KEPT, JSON.stringify(edits))
    else sessionStorage.removeItem(KEPT)
  }

  /** Takes up the edits that a reload interrupted. */
  function takeUp(siteId: number) {
    const kept = JSON.parse(sessionStorage.getItem(KEPT) ?? '[]') as PendingEdit[]
    for (const edit of kept.filter((e) => e.siteId === siteId)) {
      make(edit).catch(() => {})
    }
  }

  function make<T>(edit: PendingEdit): Promise<T> {
    return new Promise<T>((resolve, reject) => {
      waiting.value.push({ edit, resolve: resolve as (value: unknown) => void, reject })
      keep()
      void run()
    })
  }

  async function run() {
    if (running) return
    running = true
    while (waiting.value.length) {
      const next = waiting.value[0]!
      try {
        await attempt(next)
        away.value = false
        waiting.value.shift()
        keep()
      } catch {
        away.value = true
        await new Promise((r) => setTimeout(r, RETRY_MS))
      }
    }
    running = false
  }

  /** Throws only when no answer came. */
  async function attempt(next: Waiting) {
    const again = next.edit.revision !== undefined
    try {
      next.edit.revision ??= hooks.revision()
      keep()
      const result = await send(next.edit.method, next.edit.path, next.edit.body, next.edit.revision)
      await hooks.catchUp()
      next.resolve(result)
    } catch (e) {
      if (e instanceof NoAnswer) throw e
      if (e instanceof Refusal && e.status === 412) {
        await hooks.catchUp()
        onRefused(next.edit.label, again
          ? 'The site has moved on since it was first sent, perhaps by this very edit. Look at the set as it stands now.'
          : e.message)
      }
      next.reject(e)
    }
  }

  return { count, away, attach, takeUp, make }
})

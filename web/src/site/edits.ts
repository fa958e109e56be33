import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { NoAnswer, Refusal, sendEdit, type NewsView } from '../api/client'

/** One edit on its way to the server. */
export interface PendingEdit {
  siteId: number
  label: string
  method: string
  path: string
  body?: unknown
  /** Its own word: sent again under it, it is not made twice. */
  key: string
  /** The revision that its maker saw. */
  revision: number
}

const KEPT = 'hausbau.kept-edits'
const RETRY_MS = 1500

/** The site that is open. */
interface Hooks {
  /** The revision that is shown of a site, if it is the one that is open. */
  shown: (siteId: number) => number | undefined
  /** Shows what has changed since the revision that was shown; without it, fetches it first. */
  catchUp: (news?: NewsView) => Promise<void>
}

interface Waiting {
  edit: PendingEdit
  /** Whether it went out before, though no answer came. */
  sent: boolean
  resolve: (value: unknown) => void
  reject: (reason: unknown) => void
}

const kept = (): PendingEdit[] => JSON.parse(sessionStorage.getItem(KEPT) ?? '[]') as PendingEdit[]

/**
 * Sends edits one after the other, of whatever site, each with the revision that its maker saw: what they did themselves since
 * is no reason for the server to refuse it. While the server does not answer, it keeps them (over a reload too) and tries
 * again; an edit that the server refuses is dropped, and whoever made it is told why.
 */
export const useEdits = defineStore('edits', () => {
  const waiting = ref<Waiting[]>([])
  const away = ref(false)
  const count = computed(() => waiting.value.length)
  let running = false
  let hooks: Hooks = { shown: () => undefined, catchUp: async () => {} }
  let onRefused = (_label: string, _why: string) => {}

  function attach(h: Hooks, refused: typeof onRefused) {
    hooks = h
    onRefused = refused
  }

  /** Keeps what waits, beside what was kept for sites that are not open. */
  function keep() {
    const own = waiting.value.map((w) => w.edit)
    const open = new Set([...own.map((e) => e.siteId), ...taken])
    const all = [...kept().filter((e) => !open.has(e.siteId)), ...own]
    if (all.length) sessionStorage.setItem(KEPT, JSON.stringify(all))
    else sessionStorage.removeItem(KEPT)
  }

  /** Sites whose kept edits have been taken up. */
  const taken = new Set<number>()

  /** Takes up the edits that a reload interrupted. */
  function takeUp(siteId: number) {
    const own = kept().filter((e) => e.siteId === siteId)
    if (taken.has(siteId)) return
    taken.add(siteId)
    for (const edit of own) enqueue(edit, true).catch(() => {})
  }

  const make = <T>(edit: Omit<PendingEdit, 'key'>): Promise<T> => {
    taken.add(edit.siteId)
    return enqueue<T>({ ...edit, key: crypto.randomUUID() })
  }

  function enqueue<T>(edit: PendingEdit, wasKept = false): Promise<T> {
    return new Promise<T>((resolve, reject) => {
      waiting.value.push({ edit, sent: wasKept, resolve: resolve as (value: unknown) => void, reject })
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
    idle.splice(0).forEach((heard) => heard())
  }

  const idle: (() => void)[] = []

  /** Once nothing waits. */
  const whenIdle = () => (waiting.value.length ? new Promise<void>((heard) => idle.push(heard)) : Promise.resolve())

  /** Shows what has been made, if its site is open still. */
  async function show(edit: PendingEdit, news?: NewsView) {
    if (hooks.shown(edit.siteId) !== undefined) await hooks.catchUp(news).catch(() => {})
  }

  /** Throws only when no answer came. */
  async function attempt(next: Waiting) {
    const again = next.sent
    const { method, path, body, revision, key, siteId } = next.edit
    try {
      next.sent = true
      const { made, news } = await sendEdit(method, path, body, { revision, key, since: hooks.shown(siteId) })
      // It is made, whatever becomes of looking at it.
      await show(next.edit, news)
      next.resolve(made ?? undefined)
    } catch (e) {
      if (e instanceof NoAnswer) throw e
      if (e instanceof Refusal && e.status === 412) {
        await show(next.edit)
        onRefused(next.edit.label, again ? 'What it touches was changed while the server was away. Look at the set as it stands now.' : e.message)
      }
      next.reject(e)
    }
  }

  return { count, away, attach, takeUp, make, whenIdle }
})

import { Modal } from 'ant-design-vue'
import { ref } from 'vue'
import { NoAnswer, send } from '../api/client'
import { useSite } from '../site/site'
import { counted } from '../measure/format'

/** What an edit of the massing does to what stands, in pieces. */
interface Effect {
  placed: number
  removed: number
  /** Changed by a hand, and their place gone. */
  lost: number
  /** What becomes of the kit, where that was asked. */
  kit?: KitEffect | null
}

/** Kinds and placements as they are and as they would be; the fewest kinds only where they are known. */
export interface KitEffect {
  kindsBefore: number
  kinds: number
  placementsBefore: number
  placements: number
  fewestBefore: number | null
  fewest: number | null
}

/** An edit that could be asked for. */
export interface EditRequest {
  label: string
  method: string
  path: string
  body?: unknown
}

const count = (n: number, what: string) => `${counted(n, 'piece')} ${what}`

/** In words; empty where nothing that stands is touched. */
export function wordsOf(e: Effect): string {
  return [e.placed && count(e.placed, 'placed'), e.removed && count(e.removed, 'taken away'), e.lost && `${e.lost} changed by hand without a place`]
    .filter(Boolean)
    .join(', ')
}

const fromTo = (before: number, after: number) => (before === after ? `${after}` : `${before} → ${after}`)

/** What becomes of the kit, in short lines: what stands, and the fewest kinds there could be. */
export const kitWords = (k: KitEffect) => [
  `${fromTo(k.kindsBefore, k.kinds)} kinds`,
  `${fromTo(k.placementsBefore, k.placements)} pieces`,
  ...(k.fewest === null ? [] : [`at the fewest ${k.fewestBefore === null ? k.fewest : fromTo(k.fewestBefore, k.fewest)} kinds`]),
]

/** What the last edit did. */
const did = ref('')

/** Edits of the massing that say beforehand what they would strand, and afterwards what they did. */
export function useForeseen() {
  const site = useSite()

  async function make<T = void>(label: string, method: string, path: string, body?: unknown): Promise<T | undefined> {
    const would = site.site?.kit ? await asked(method, path, body) : undefined
    if (would?.lost && !(await agreed(label, would))) return undefined
    const made = await site.make<T>(label, method, path, body)
    did.value = would ? wordsOf(would) : ''
    return made
  }

  /** Nothing is known while the server does not answer; the edit itself is kept then. */
  async function asked(method: string, path: string, body: unknown): Promise<Effect | undefined> {
    try {
      return await send<Effect>(method, `/api/sites/${site.site!.id}${path}?trial=true`, body)
    } catch (e) {
      if (e instanceof NoAnswer) return undefined
      throw e
    }
  }

  return { make, did }
}

const agreed = (label: string, would: Effect) =>
  new Promise<boolean>((resolve) => {
    Modal.confirm({
      title: `${label}?`,
      content: `${wordsOf(would)}. What hands changed stays where it stands, and the survey lists it.`,
      okText: label,
      onOk: () => resolve(true),
      onCancel: () => resolve(false),
    })
  })

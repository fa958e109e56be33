import type { OpeningView } from '../api/client'
import type { Written } from './chains'

/** What a length typed into a chain asks for. */
export type Ask = { path: string; method: 'POST' | 'PATCH'; body: Record<string, number> }

/**
 * A whole chain is its wall's length; a part of it is how wide an opening is, how far it lies from the left where it follows that part, or how far from the
 * right where it comes before it. Nothing where the part lies between nothing.
 */
export function asked(w: Written, mm: number, openings: OpeningView[]): Ask | undefined {
  const own = openings.filter((o) => o.roomId === w.roomId && o.edge === w.edge)
  if (w.fromMm === 0 && w.toMm === w.wholeMm) return { method: 'POST', path: `/rooms/${w.roomId}/edges/${w.edge}/length`, body: { lengthMm: mm } }
  const is = own.find((o) => o.atMm === w.fromMm && o.atMm + o.widthMm === w.toMm)
  if (is) return { method: 'PATCH', path: `/openings/${is.id}`, body: { widthMm: mm } }
  const follows = own.find((o) => o.atMm === w.toMm)
  if (follows) return { method: 'PATCH', path: `/openings/${follows.id}`, body: { atMm: w.fromMm + mm } }
  const before = own.find((o) => o.atMm + o.widthMm === w.fromMm)
  return before && { method: 'PATCH', path: `/openings/${before.id}`, body: { fromRightMm: mm } }
}

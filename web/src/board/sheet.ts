import type { ItemView } from '../api/client'

/** How the board's sheet lies in the window: the sheet's point under the window's middle, and its scale. */
export interface View {
  x: number
  y: number
  scale: number
}

export interface Rect {
  x0: number
  y0: number
  x1: number
  y1: number
}

export const LEAST_SCALE = 0.02
export const MOST_SCALE = 12

/** Closer or farther by a factor, the sheet's point (x, y) staying where it is. */
export function zoomed(view: View, factor: number, x: number, y: number): View {
  const scale = Math.min(MOST_SCALE, Math.max(LEAST_SCALE, view.scale * factor))
  const kept = view.scale / scale
  return { x: x + (view.x - x) * kept, y: y + (view.y - y) * kept, scale }
}

/** The upright rectangle around an item, however it is turned. */
export function boundsOf(i: Pick<ItemView, 'x' | 'y' | 'width' | 'height' | 'turn'>): Rect {
  const [c, s] = [Math.abs(Math.cos((i.turn * Math.PI) / 180)), Math.abs(Math.sin((i.turn * Math.PI) / 180))]
  const [w, h] = [(i.width * c + i.height * s) / 2, (i.width * s + i.height * c) / 2]
  return { x0: i.x - w, y0: i.y - h, x1: i.x + w, y1: i.y + h }
}

export const around = (rects: Rect[]): Rect | undefined =>
  rects.length
    ? {
        x0: Math.min(...rects.map((r) => r.x0)),
        y0: Math.min(...rects.map((r) => r.y0)),
        x1: Math.max(...rects.map((r) => r.x1)),
        y1: Math.max(...rects.map((r) => r.y1)),
      }
    : undefined

export function fitted(rect: Rect, width: number, height: number): View {
  const scale = Math.min(2, (width - 80) / Math.max(1, rect.x1 - rect.x0), (height - 80) / Math.max(1, rect.y1 - rect.y0))
  return { x: (rect.x0 + rect.x1) / 2, y: (rect.y0 + rect.y1) / 2, scale: Math.max(LEAST_SCALE, scale) }
}

export const meets = (a: Rect, b: Rect) => a.x0 < b.x1 && b.x0 < a.x1 && a.y0 < b.y1 && b.y0 < a.y1

/** A point of the sheet in an item's own frame: from −½ to ½ of its width and height, as it is shown. */
export function within(i: ItemView, x: number, y: number): { x: number; y: number } {
  const angle = (-i.turn * Math.PI) / 180
  const [dx, dy] = [x - i.x, y - i.y]
  const own = { x: (dx * Math.cos(angle) - dy * Math.sin(angle)) / i.width, y: (dx * Math.sin(angle) + dy * Math.cos(angle)) / i.height }
  return { x: i.flipped ? -own.x : own.x, y: own.y }
}

/** The item cut down to a box drawn over it, in its own frame; the rest stays where it is seen. */
export function cropped(
  i: ItemView,
  a: { x: number; y: number },
  b: { x: number; y: number },
): Pick<ItemView, 'x' | 'y' | 'width' | 'height' | 'crop'> | undefined {
  const inside = (v: number) => Math.min(0.5, Math.max(-0.5, v))
  const [l, r] = [inside(Math.min(a.x, b.x)), inside(Math.max(a.x, b.x))]
  const [t, d] = [inside(Math.min(a.y, b.y)), inside(Math.max(a.y, b.y))]
  if (r - l < 0.02 || d - t < 0.02) return undefined
  const [cl, ct, cr, cb] = i.crop as [number, number, number, number]
  const crop = [cl + (l + 0.5) * (cr - cl), ct + (t + 0.5) * (cb - ct), cl + (r + 0.5) * (cr - cl), ct + (d + 0.5) * (cb - ct)]
  return { ...moved(i, ((l + r) / 2) * i.width, ((t + d) / 2) * i.height), width: i.width * (r - l), height: i.height * (d - t), crop }
}

/** The whole picture again, what was seen of it staying where it is. */
export function uncropped(i: ItemView): Pick<ItemView, 'x' | 'y' | 'width' | 'height' | 'crop'> {
  const [l, t, r, b] = i.crop as [number, number, number, number]
  const [width, height] = [i.width / (r - l), i.height / (b - t)]
  return { ...moved(i, (0.5 - (l + r) / 2) * width, (0.5 - (t + b) / 2) * height), width, height, crop: [0, 0, 1, 1] }
}

/** An item's middle, moved within its own frame: turned, and flipped, as it lies. */
function moved(i: ItemView, x: number, y: number): { x: number; y: number } {
  const angle = (i.turn * Math.PI) / 180
  const own = i.flipped ? -x : x
  return { x: i.x + own * Math.cos(angle) - y * Math.sin(angle), y: i.y + own * Math.sin(angle) + y * Math.cos(angle) }
}

import type { BoxMm } from '../api/client'

/** Where the sheet lies under the window: pixels per millimetre, and the pixel of the site's origin. */
export interface Lie {
  scale: number
  x: number
  y: number
}

export const toPixel = (lie: Lie, x: number, y: number): [number, number] => [lie.x + x * lie.scale, lie.y - y * lie.scale]
export const toSiteMm = (lie: Lie, px: number, py: number): [number, number] => [(px - lie.x) / lie.scale, (lie.y - py) / lie.scale]

/** The lie that shows a box whole, with a margin for its dimensions. */
export function fitted(box: BoxMm, width: number, height: number, margin = 76): Lie {
  const w = Math.max(500, box.max.x - box.min.x)
  const h = Math.max(500, box.max.y - box.min.y)
  // A narrow window keeps half of itself for the drawing.
  const free = (size: number) => Math.max(size - 2 * margin, size / 2, 1)
  const scale = Math.min(free(width) / w, free(height) / h, 0.5)
  return { scale, x: width / 2 - ((box.min.x + box.max.x) / 2) * scale, y: height / 2 + ((box.min.y + box.max.y) / 2) * scale }
}

/** A drawing is moved aside only where it keeps at least this share of its scale. */
const LEAST_BESIDE = 0.8

/** The same where the lower right corner is covered: beside that, if it is hardly smaller there. */
export function fittedBeside(box: BoxMm, width: number, height: number, covered: { width: number; height: number } | undefined, margin = 76): Lie {
  const whole = fitted(box, width, height, margin)
  if (!covered) return whole
  const [right, bottom] = toPixel(whole, box.max.x, box.min.y)
  if (right + margin / 2 < width - covered.width || bottom + margin / 2 < height - covered.height) return whole
  const beside = fitted(box, width - covered.width, height, margin)
  return beside.scale >= LEAST_BESIDE * whole.scale ? beside : whole
}

/** Magnifies about a pixel, between 1 : 100 000 and 4 pixels a millimetre. */
export function magnified(lie: Lie, factor: number, px: number, py: number): Lie {
  const scale = Math.min(4, Math.max(1e-5, lie.scale * factor))
  const f = scale / lie.scale
  return { scale, x: px - (px - lie.x) * f, y: py - (py - lie.y) * f }
}

/** The pitch of the lines that can be told apart: the step, or five, ten, fifty … of it. */
export function gridPitch(stepMm: number, scale: number, leastPixels = 7): number {
  for (let i = 0; ; i++) {
    const pitch = stepMm * 10 ** Math.floor(i / 2) * (i % 2 ? 5 : 1)
    if (pitch * scale >= leastPixels) return pitch
  }
}

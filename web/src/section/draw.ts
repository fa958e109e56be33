import type { LevelView, SectionView, Unit } from '../api/client'
import { format, formatBare } from '../measure/format'
import { text } from '../plan/lettering'
import { toPixel, type Lie } from '../plan/sheet'
import { ink, mono, paper, sans, sheet, SMALL, softInk, verdigris } from '../styles/theme'

/** What a section is drawn from: plain data. */
export interface SectionDrawing {
  section: SectionView
  levels: LevelView[]
  lie: Lie
  width: number
  height: number
  unit: Unit
  /** Where the figure stands along the line, and at which height; absent where it stands beside it. */
  figure?: { x: number; z: number }
}

type Loops = SectionView['cut']

/** The cut filled, behind it what is seen, the farther the fainter; heights at the left, widths below, levels at the right. */
export function drawSection(c: CanvasRenderingContext2D, d: SectionDrawing) {
  c.fillStyle = paper
  c.fillRect(0, 0, d.width, d.height)
  for (const r of d.section.rooms) {
    const [x, y] = toPixel(d.lie, r.box.x0, r.box.y1)
    c.fillStyle = sheet
    c.fillRect(x, y, (r.box.x1 - r.box.x0) * d.lie.scale, (r.box.y1 - r.box.y0) * d.lie.scale)
  }
  // From the farthest to the nearest: nearer lines lie over farther ones.
  for (const face of [...d.section.beyond].reverse()) {
    path(c, d.lie, face.loops)
    c.fillStyle = 'rgba(34,48,60,.035)'
    c.fill('evenodd')
    c.strokeStyle = face.distanceMm > 6000 ? 'rgba(34,48,60,.3)' : face.distanceMm > 2500 ? 'rgba(34,48,60,.5)' : 'rgba(34,48,60,.75)'
    c.lineWidth = 1
    c.stroke()
  }
  path(c, d.lie, d.section.cut)
  c.fillStyle = ink
  c.fill('evenodd')
  drawFigure(c, d)
  drawNames(c, d)
  drawLevels(c, d)
  drawHeights(c, d)
  drawWidths(c, d)
}

function path(c: CanvasRenderingContext2D, lie: Lie, loops: Loops) {
  c.beginPath()
  for (const loop of loops) {
    loop.forEach(({ x, y }, i) => (i ? c.lineTo(...toPixel(lie, x, y)) : c.moveTo(...toPixel(lie, x, y))))
    c.closePath()
  }
}

function drawFigure(c: CanvasRenderingContext2D, d: SectionDrawing) {
  if (!d.figure) return
  const [x, y] = toPixel(d.lie, d.figure.x, d.figure.z)
  const s = d.lie.scale
  c.fillStyle = verdigris
  c.beginPath()
  c.arc(x, y - 1690 * s, 110 * s, 0, 2 * Math.PI)
  c.fill()
  c.fillRect(x - 200 * s, y - 1550 * s, 400 * s, 750 * s)
  c.fillRect(x - 150 * s, y - 820 * s, 120 * s, 820 * s)
  c.fillRect(x + 30 * s, y - 820 * s, 120 * s, 820 * s)
}

function drawNames(c: CanvasRenderingContext2D, d: SectionDrawing) {
  for (const r of d.section.rooms) {
    const [x, y] = toPixel(d.lie, (r.box.x0 + r.box.x1) / 2, (r.box.y0 + r.box.y1) / 2)
    c.font = `600 13px ${sans}`
    const w = Math.max(c.measureText(r.name).width, 70)
    if (w + 8 > (r.box.x1 - r.box.x0) * d.lie.scale || (r.box.y1 - r.box.y0) * d.lie.scale < 40) continue
    text(c, r.name, x, y - 8, `600 13px ${sans}`, ink, sheet)
    text(c, `${format(r.heightMm, d.unit)} high`, x, y + 9, `${SMALL}px ${mono}`, softInk, sheet)
  }
}

/** A mark and the height of every level's floor. */
function drawLevels(c: CanvasRenderingContext2D, d: SectionDrawing) {
  const e = d.section.extent
  c.strokeStyle = verdigris
  c.lineWidth = 1
  for (const l of d.levels) {
    if (l.floorMm < e.y0 - 1 || l.floorMm > e.y1 + 1) continue
    const [x, y] = toPixel(d.lie, e.x1, l.floorMm)
    c.beginPath()
    c.moveTo(x + 6, y)
    c.lineTo(x + 66, y)
    c.moveTo(x + 14, y - 7)
    c.lineTo(x + 20, y)
    c.lineTo(x + 26, y - 7)
    c.stroke()
    c.textAlign = 'left'
    c.font = `${SMALL}px ${sans}`
    c.fillStyle = ink
    c.fillText(l.name, x + 30, y - 12)
    c.font = `${SMALL}px ${mono}`
    c.fillText(format(l.floorMm, d.unit), x + 30, y + 9)
  }
}

function drawHeights(c: CanvasRenderingContext2D, d: SectionDrawing) {
  const x = toPixel(d.lie, d.section.extent.x0, 0)[0] - 26
  const ticks = d.section.heightsMm.map((h) => toPixel(d.lie, 0, h)[1])
  chain(
    c,
    ticks,
    (y) => [x, y],
    (i) => formatBare(d.section.heightsMm[i + 1]! - d.section.heightsMm[i]!, d.unit),
    true,
  )
}

function drawWidths(c: CanvasRenderingContext2D, d: SectionDrawing) {
  const y = toPixel(d.lie, 0, d.section.extent.y0)[1] + 24
  const ticks = d.section.widthsMm.map((w) => toPixel(d.lie, w, 0)[0])
  chain(
    c,
    ticks,
    (x) => [x, y],
    (i) => formatBare(d.section.widthsMm[i + 1]! - d.section.widthsMm[i]!, d.unit),
    false,
  )
}

function chain(c: CanvasRenderingContext2D, ticks: number[], at: (t: number) => [number, number], words: (i: number) => string, upright: boolean) {
  if (ticks.length < 2) return
  c.strokeStyle = softInk
  c.lineWidth = 1
  c.beginPath()
  c.moveTo(...at(ticks[0]!))
  c.lineTo(...at(ticks.at(-1)!))
  for (const t of ticks) {
    const [x, y] = at(t)
    c.moveTo(x - 3, y + 3)
    c.lineTo(x + 3, y - 3)
  }
  c.stroke()
  c.font = `${SMALL}px ${mono}`
  for (let i = 0; i + 1 < ticks.length; i++) {
    const size = Math.abs(ticks[i + 1]! - ticks[i]!)
    const w = c.measureText(words(i)).width
    if (w + 4 > size) continue
    const [x, y] = at((ticks[i]! + ticks[i + 1]!) / 2)
    c.save()
    c.translate(x, y)
    if (upright) c.rotate(-Math.PI / 2)
    c.fillStyle = paper
    c.fillRect(-w / 2 - 2, -7, w + 4, 14)
    text(c, words(i), 0, 0, `${SMALL}px ${mono}`, ink)
    c.restore()
  }
}

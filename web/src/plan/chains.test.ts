import { describe, expect, it } from 'vitest'
import type { MassingView } from '../api/client'
import { drawChains } from './chains'
import { Labels } from './labels'
import type { Plan } from './plan'

/** A sheet that remembers what was written on it; a letter is seven pixels wide. */
function paper() {
  const words: { text: string; y: number }[] = []
  let y = 0
  const c = {
    font: '',
    fillStyle: '',
    strokeStyle: '',
    lineWidth: 0,
    textAlign: '',
    textBaseline: '',
    measureText: (t: string) => ({ width: 7 * t.length }),
    fillText: (text: string, _x: number, at: number) => words.push({ text, y: y + at }),
    translate: (_x: number, to: number) => (y = to),
    restore: () => (y = 0),
    save() {},
    rotate() {},
    beginPath() {},
    moveTo() {},
    lineTo() {},
    stroke() {},
    fillRect() {},
  }
  return { c: c as unknown as CanvasRenderingContext2D, words }
}

const chain = (ticksMm: number[]) => ({
  roomId: 1,
  side: 'NORTH',
  fromMm: { x: 0, y: 4000, z: 0 },
  toMm: { x: ticksMm[ticksMm.length - 1]!, y: 4000, z: 0 },
  ticksMm,
})
const plan = (ticksMm: number[], scale: number) =>
  ({ lie: { scale, x: 100, y: 300 }, wallMm: 200, unit: 'METRE', massing: { rooms: [], chains: [chain(ticksMm)] } as unknown as MassingView }) as Plan

describe('dimension chains', () => {
  it('a wall with nothing in it has its whole length alone', () => {
    const { c, words } = paper()
    drawChains(c, plan([0, 5000], 0.05), new Labels())
    expect(words.map((w) => w.text)).toEqual(['5'])
  })

  it('a wall with a door has its parts on one line and the whole on the next', () => {
    const { c, words } = paper()
    drawChains(c, plan([0, 2000, 3200, 5000], 0.05), new Labels())
    expect(words.map((w) => w.text)).toEqual(['2', '1.2', '1.8', '5'])
    const [first, , , whole] = words
    // The whole stands 20 pixels farther out, which is up on a north wall.
    expect(first!.y - whole!.y).toBe(20)
  })

  it('what has no room on the line stands beside it', () => {
    const { c, words } = paper()
    drawChains(c, plan([0, 2000, 2500, 5000], 0.05), new Labels())
    // 0.5 m is 25 pixels: its three letters need 29.
    const narrow = words.find((w) => w.text === '0.5')!
    const wide = words.find((w) => w.text === '2.5')!
    expect(wide.y - narrow.y).toBe(10)
  })

  it('what has no room at all is left to the whole length', () => {
    const { c, words } = paper()
    drawChains(c, plan([0, 2000, 2050, 5000], 0.02), new Labels())
    expect(words.map((w) => w.text)).not.toContain('0.05')
    expect(words.map((w) => w.text)).toContain('5')
  })
})

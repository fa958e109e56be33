import { describe, expect, it } from 'vitest'
import { exact, minus, onStep, plus, um, written } from './length'

/** Exact decimals from whole numbers of ten thousandths, by BigInt: shares nothing with what it judges. */
const decimal = (n: number, tenThousandths: number) => {
  const all = BigInt(n) * BigInt(tenThousandths)
  return Number(`${all < 0n ? '-' : ''}${(all < 0n ? -all : all) / 10000n}.${String((all < 0n ? -all : all) % 10000n).padStart(4, '0')}`)
}

// An inch, a foot, a sixteenth of a foot (exactly 19.05 mm, by the international foot of 1959), and a step of no unit.
const STEPS: [number, number][] = [
  [25.4, 254_000],
  [304.8, 3_048_000],
  [19.05, 190_500],
  [33.3, 333_000],
]

describe.each(STEPS)('on a step of %d mm', (step, tenThousandths) => {
  it('every multiple is the exact decimal', () => {
    for (let n = -1000; n <= 1000; n++) {
      expect(onStep(decimal(n, tenThousandths) + step * 0.4, step)).toBe(decimal(n, tenThousandths))
      expect(JSON.stringify(onStep(n * step, step))).toMatch(/^-?\d+(\.\d{1,3})?$/)
    }
  })

  it('differences and sums of places on it are on it', () => {
    for (let n = 1; n < 200; n++) {
      const [a, b] = [decimal(n, tenThousandths), decimal(7 * n, tenThousandths)]
      expect(minus({ x: b, y: a, z: 0 }, { x: a, y: b, z: 0 })).toEqual({ x: decimal(6 * n, tenThousandths), y: -decimal(6 * n, tenThousandths), z: 0 })
      expect(plus({ x: a, y: 0, z: 0 }, { x: b, y: 0, z: 0 }).x).toBe(decimal(8 * n, tenThousandths))
    }
  })
})

it('half of all differences of tenths of a millimetre are not exact as plain numbers, and all are here', () => {
  const places = Array.from({ length: 100 }, (_, n) => n / 10)
  const off = places.filter((p) => !/^-?\d+(\.\d{1,3})?$/.test(JSON.stringify(10.3 - p)))
  expect(off.length).toBeGreaterThan(20)
  for (const p of places) expect(JSON.stringify(exact(10.3 - p))).toMatch(/^-?\d+(\.\d{1,3})?$/)
})

it('a length is whole micrometres', () => expect(um(0.0005)).toBe(1))

it('what is sent is exact below fields of lengths, and nothing else is touched', () => {
  expect(written({ atMm: { x: 3 * 25.4, y: 0.1 + 0.2 }, pathMm: [{ x: 7 * 19.05 }], freeDegrees: 0.1 + 0.2, name: 'a', none: null })).toEqual({
    atMm: { x: 76.2, y: 0.3 },
    pathMm: [{ x: 133.35 }],
    freeDegrees: 0.1 + 0.2,
    name: 'a',
    none: null,
  })
})

import { describe, expect, it } from 'vitest'
import { cellsOf, MOST_IN_CELL } from './lampCells'

const lamp = (x: number, y: number, z: number, reachM: number, g = 1) => ({ at: { x, y, z }, reachM, candela: { r: 1, g, b: 1 } })

/** The lamps of the cube that holds a place. */
function at(cells: ReturnType<typeof cellsOf>, x: number, y: number, z: number) {
  const [a, b, c] = [x, y, z].map((v, k) => Math.floor((v - cells.from[k]!) / cells.cell)) as [number, number, number]
  const i = (c * cells.size[1] + b) * cells.size[0] + a
  return [...cells.list.subarray(cells.cells[2 * i]!, cells.cells[2 * i]! + cells.cells[2 * i + 1]!)]
}

describe('lamps in cubes of space', () => {
  it('has every lamp in all cubes that it reaches, and hardly in others', () => {
    const lamps = [lamp(0, 0, 2, 3), lamp(10, 0, 2, 4), lamp(3, 4, 0, 2)]
    const cells = cellsOf(lamps)
    for (let x = -2.9; x < 14; x += 0.7)
      for (let y = -3.9; y < 6; y += 0.9)
        for (let z = -1.9; z < 5; z += 0.8) {
          const found = at(cells, x, y, z)
          lamps.forEach((l, i) => {
            const far = Math.hypot(l.at.x - x, l.at.y - y, l.at.z - z)
            if (far < l.reachM) expect(found).toContain(i)
            if (far > l.reachM + cells.cell * Math.sqrt(3)) expect(found).not.toContain(i)
          })
        }
  })

  it('keeps the brightest where there are too many', () => {
    const cells = cellsOf(Array.from({ length: 50 }, (_, i) => lamp(0, 0, 0, 1, i)))
    const found = at(cells, 0.1, 0.1, 0.1)
    expect(found).toHaveLength(MOST_IN_CELL)
    expect(Math.min(...found)).toBe(50 - MOST_IN_CELL)
  })

  it('takes larger cubes where a site is large', () => {
    const cells = cellsOf(Array.from({ length: 600 }, (_, i) => lamp((i % 30) * 12, Math.floor(i / 30) * 12, 3, 8)))
    expect(cells.cells.length / 2).toBeLessThanOrEqual(40_000)
    expect(at(cells, 0.5, 0.5, 3)).toContain(0)
  })
})

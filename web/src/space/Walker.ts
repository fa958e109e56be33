import type { BoxMm, VecMm } from '../api/client'

/** Width and height of the figure, and its eyes over the floor; millimetres. */
const HALF = 200
const HEIGHT = 1800
export const EYES = 1640
/** What a person steps up without climbing. */
const STEP = 250
/** What stands lower than this does not stop a leg: it is stepped on, if it is no higher than a step. */
const KNEE = 500
/** Boxes are found by squares of this size. */
const SQUARE = 2000
const FALL_MM_PER_S = 5000

/** Someone of the figure's size walking among boxes: stopped by walls, climbing steps, falling onto what is below. Plain numbers, millimetres. */
export class Walker {
  private readonly squares = new Map<string, BoxMm[]>()

  constructor(
    boxes: Iterable<BoxMm>,
    public at: VecMm,
  ) {
    for (const b of boxes) {
      for (let i = Math.floor((b.min.x - HALF) / SQUARE); i <= Math.floor((b.max.x + HALF) / SQUARE); i++) {
        for (let j = Math.floor((b.min.y - HALF) / SQUARE); j <= Math.floor((b.max.y + HALF) / SQUARE); j++) {
          const key = `${i} ${j}`
          const known = this.squares.get(key)
          if (known) known.push(b)
          else this.squares.set(key, [b])
        }
      }
    }
  }

  private near(x: number, y: number): BoxMm[] {
    return this.squares.get(`${Math.floor(x / SQUARE)} ${Math.floor(y / SQUARE)}`) ?? []
  }

  /** Whether one can stand there, at this height or a step higher. */
  private isFree(x: number, y: number, z: number): boolean {
    for (const b of this.near(x, y)) {
      if (b.min.x >= x + HALF || b.max.x <= x - HALF || b.min.y >= y + HALF || b.max.y <= y - HALF) continue
      if (b.min.z < z + HEIGHT && b.max.z > z + KNEE) return false
      // Right under the middle nothing may be too high to step on.
      if (x > b.min.x && x < b.max.x && y > b.min.y && y < b.max.y && b.min.z < z + KNEE && b.max.z > z + STEP) return false
    }
    return true
  }

  /** The highest surface not more than a step above a height; the ground at 0 where there is none, if that lies below. */
  floorUnder(x: number, y: number, z: number): number {
    let floor = z >= 0 ? 0 : -Infinity
    for (const b of this.near(x, y)) {
      if (x >= b.min.x && x <= b.max.x && y >= b.min.y && y <= b.max.y && b.max.z <= z + STEP) floor = Math.max(floor, b.max.z)
    }
    return floor
  }

  /** Goes that far, along a wall if it cannot go through it, and falls or climbs as the floor does. */
  go(dx: number, dy: number, seconds: number) {
    // In short steps, so that nothing is jumped over.
    const parts = Math.max(1, Math.ceil(Math.hypot(dx, dy) / 100))
    for (let i = 0; i < parts; i++) {
      const { x, y, z } = this.at
      if (this.isFree(x + dx / parts, y, z)) this.at = { ...this.at, x: x + dx / parts }
      if (this.isFree(this.at.x, y + dy / parts, z)) this.at = { ...this.at, y: y + dy / parts }
      const floor = this.floorUnder(this.at.x, this.at.y, this.at.z)
      if (floor >= this.at.z) this.at = { ...this.at, z: floor }
    }
    const floor = this.floorUnder(this.at.x, this.at.y, this.at.z)
    if (Number.isFinite(floor) && floor < this.at.z) this.at = { ...this.at, z: Math.max(floor, this.at.z - FALL_MM_PER_S * seconds) }
  }
}

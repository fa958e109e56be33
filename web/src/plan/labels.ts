interface Rectangle {
  x0: number
  y0: number
  x1: number
  y1: number
}

/** What is written on a drawing, of which no word may lie on another or on what is drawn dark; pixels. Each is tested against all before it. */
export class Labels {
  private readonly taken: Rectangle[] = []

  /** Takes the place of a word about a point, unless something lies there. @returns whether it was free */
  take(x: number, y: number, width: number, height: number): boolean {
    const r = about(x, y, width, height)
    if (!this.isFree(r)) return false
    this.taken.push(r)
    return true
  }

  /** Takes a place, whatever lies there. */
  occupy(x: number, y: number, width: number, height: number) {
    this.taken.push(about(x, y, width, height))
  }

  private isFree = (r: Rectangle) => !this.taken.some((t) => t.x0 < r.x1 && t.x1 > r.x0 && t.y0 < r.y1 && t.y1 > r.y0)
}

const about = (x: number, y: number, width: number, height: number): Rectangle => ({
  x0: x - width / 2,
  y0: y - height / 2,
  x1: x + width / 2,
  y1: y + height / 2,
})

/** Writes a word centred on a point; with a halo of the ground it stays legible over a drawing. */
export function text(c: CanvasRenderingContext2D, words: string, x: number, y: number, font: string, style: string, halo?: string) {
  c.font = font
  c.textAlign = 'center'
  c.textBaseline = 'middle'
  if (halo) {
    c.strokeStyle = halo
    c.lineWidth = 4
    c.lineJoin = 'round'
    c.strokeText(words, x, y)
  }
  c.fillStyle = style
  c.fillText(words, x, y)
}

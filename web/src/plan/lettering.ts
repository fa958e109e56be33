/** Writes a word centred on a point. */
export function text(c: CanvasRenderingContext2D, words: string, x: number, y: number, font: string, style: string) {
  c.font = font
  c.fillStyle = style
  c.textAlign = 'center'
  c.textBaseline = 'middle'
  c.fillText(words, x, y)
}

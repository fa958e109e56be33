import type { LightView } from '../api/client'

/** As a screen shows an amount of light, with the curve of sRGB (IEC 61966-2-1). */
const shown = (v: number) => {
  const c = Math.min(1, Math.max(0, v))
  return Math.round(255 * (c <= 0.0031308 ? 12.92 * c : 1.055 * c ** (1 / 2.4) - 0.055))
}

/** A colour that is brighter than the screen keeps its hue. */
export function css({ r, g, b }: { r: number; g: number; b: number }) {
  const most = Math.max(1, r, g, b)
  return `rgb(${shown(r / most)} ${shown(g / most)} ${shown(b / most)})`
}

/** The sky from the zenith down, as a strip of colours, and the ground below it. */
export function strip(light: LightView): string {
  const row = (up: number) => {
    const from = up * light.domeAround * 3
    const sum = [0, 0, 0]
    for (let i = 0; i < light.domeAround * 3; i++) sum[i % 3]! += light.dome[from + i]! / light.domeAround
    return css({ r: sum[0]!, g: sum[1]!, b: sum[2]! })
  }
  if (light.even) return 'linear-gradient(#ffffff, #efece4)'
  const [top, middle, low] = [light.domeUp - 1, Math.floor(light.domeUp / 3), 0]
  return `linear-gradient(${row(top)}, ${row(middle)} 45%, ${row(low)} 70%, ${css(light.ground)} 70%)`
}

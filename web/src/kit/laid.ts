import type { FaceView, LaidView } from '../api/client'

/** What advice is about. */
export interface Pointed {
  rooms: readonly number[]
  openings: readonly number[]
}

/** Whether a run has to do with it: of its room, or with its opening. */
export const isAbout = (at: Pointed | undefined, face: FaceView) =>
  !!at && (at.rooms.includes(face.roomId) || face.holes.some((h) => at.openings.includes(h.openingId)))

/** A box in the site, millimetres. */
export interface Block {
  min: [number, number, number]
  max: [number, number, number]
}

/** A box given along a run, outward and up, in the site. */
export function blockOf(face: FaceView, from: number, to: number, foot: number, top: number): Block {
  const { x, y, z } = face.startMm
  const turned = (along: number, out: number): [number, number] =>
    (
      [
        [along, out],
        [-out, along],
        [-along, -out],
        [out, -along],
      ] as [number, number][]
    )[face.quarterTurns]!
  const [a, b] = [turned(from, 0), turned(to, face.thicknessMm)]
  return { min: [x + Math.min(a[0], b[0]), y + Math.min(a[1], b[1]), z + foot], max: [x + Math.max(a[0], b[0]), y + Math.max(a[1], b[1]), z + top] }
}

/** What a piece fills: all of it, or what its opening leaves. */
export function blocksOf(face: FaceView, i: LaidView): Block[] {
  const [from, to, foot, top] = [i.atMm, i.atMm + i.lengthMm, i.upMm, i.upMm + i.heightMm]
  const hole = face.holes.find((h) => i.piece !== 'wall' && h.atMm >= from && h.atMm + h.widthMm <= to)
  if (!hole) return [blockOf(face, from, to, foot, top)]
  const [left, right, sill, head] = [hole.atMm, hole.atMm + hole.widthMm, Math.max(foot, hole.sillMm), Math.min(top, hole.sillMm + hole.heightMm)]
  return [
    [from, left, foot, top],
    [right, to, foot, top],
    [left, right, foot, sill],
    [left, right, head, top],
  ]
    .filter(([a, b, c, d]) => a! < b! && c! < d!)
    .map(([a, b, c, d]) => blockOf(face, a!, b!, c!, d!))
}

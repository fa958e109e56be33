import { Group, LineBasicMaterial, LineSegments, Matrix4, Mesh, MeshBasicMaterial, Object3D, Vector3 } from 'three'
import type { VecMm } from '../api/client'
import type { Pose } from '../site/pose'
import { verdigris } from '../styles/theme'
import { turned } from './Batches'
import type { Shape } from '../shapes/geometry'

/** A piece where it would come to stand. */
export type Ghost = Pose & { pieceId: number; mirrored: boolean }

/** Of more than this the first are drawn. */
const MOST = 300

/** Pieces that are held, drawn where they would come to stand. Their geometries belong to the shapes. */
export class Ghosts {
  readonly group = new Group()
  private readonly fill = new MeshBasicMaterial({ color: verdigris, transparent: true, opacity: 0.35, depthWrite: false })
  private readonly line = new LineBasicMaterial({ color: verdigris })

  constructor() {
    this.group.matrixAutoUpdate = false
  }

  show(ghosts: readonly Ghost[], shapeOf: (pieceId: number) => Shape | undefined) {
    this.group.clear()
    this.group.matrix.identity()
    for (const ghost of ghosts.slice(0, MOST)) {
      const shape = shapeOf(ghost.pieceId)
      if (shape) this.group.add(this.one(ghost, ghost.mirrored ? shape.mirrored : shape))
    }
  }

  private one(pose: Pose, { parts, edges }: Pick<Shape, 'parts' | 'edges'>) {
    const holder = new Object3D()
    holder.matrixAutoUpdate = false
    holder.matrix.copy(matrixOf(pose))
    for (const part of parts) holder.add(new Mesh(part.geometry, this.fill))
    holder.add(new LineSegments(edges, this.line))
    return holder
  }

  /** Moves and turns all of them as one body, from where they were shown. */
  carry(byMm: VecMm, degrees: number, aboutMm: VecMm) {
    const about = metres(aboutMm)
    this.group.matrix
      .makeTranslation(about.clone().add(metres(byMm)))
      .multiply(new Matrix4().makeRotationZ((degrees * Math.PI) / 180))
      .multiply(new Matrix4().makeTranslation(about.negate()))
    this.group.matrixWorldNeedsUpdate = true
  }

  dispose() {
    this.fill.dispose()
    this.line.dispose()
  }
}

const metres = (v: VecMm) => new Vector3(v.x / 1000, v.y / 1000, v.z / 1000)

const matrixOf = (p: Pose) => {
  const scale = p.scale ?? 1
  return new Matrix4().compose(
    metres(p.atMm),
    turned(p.quarterTurns * 90 + p.freeDegrees, p.tiltDegrees ?? 0, p.rollDegrees ?? 0),
    new Vector3(scale, scale, scale),
  )
}

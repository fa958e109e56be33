import { BoxGeometry, BufferGeometry, EdgesGeometry, Group, LineBasicMaterial, LineSegments, Mesh, type Material, type Plane } from 'three'
import { mergeGeometries } from 'three/addons/utils/BufferGeometryUtils.js'
import type { BoxMm } from '../api/client'
import { ink } from '../styles/theme'

/** The massing as plain paper blocks, for as long as no kit builds it. Two draw calls, however many blocks. */
export class BlockOut {
  readonly group = new Group()
  private shown: readonly BoxMm[] = []
  private readonly lines: LineBasicMaterial

  constructor(
    private readonly paper: Material,
    cuts: Plane[],
  ) {
    this.lines = new LineBasicMaterial({ color: ink, transparent: true, opacity: 0.34, depthWrite: false, clippingPlanes: cuts })
  }

  /** @returns whether it shows other blocks than before */
  show(boxes: readonly BoxMm[]): boolean {
    if (boxes === this.shown || (boxes.length === 0 && this.shown.length === 0)) return false
    this.shown = boxes
    this.clear()
    if (boxes.length) {
      const blocks = boxes.map(block)
      const mesh = new Mesh(mergeGeometries(blocks), this.paper)
      mesh.castShadow = mesh.receiveShadow = true
      this.group.add(mesh)
      this.group.add(new LineSegments(mergeGeometries(blocks.map((b) => new EdgesGeometry(b))), this.lines))
    }
    return true
  }

  private clear() {
    for (const child of this.group.children) (child as Mesh<BufferGeometry>).geometry.dispose()
    this.group.clear()
  }

  dispose() {
    this.clear()
    this.lines.dispose()
  }
}

function block(b: BoxMm): BoxGeometry {
  const size = [b.max.x - b.min.x, b.max.y - b.min.y, b.max.z - b.min.z].map((mm) => mm / 1000) as [number, number, number]
  const box = new BoxGeometry(...size)
  box.translate((b.min.x + b.max.x) / 2000, (b.min.y + b.max.y) / 2000, (b.min.z + b.max.z) / 2000)
  return box
}

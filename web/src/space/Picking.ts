import { Box3, BufferAttribute, BufferGeometry, DoubleSide, Matrix4, Ray, Vector3 } from 'three'
import { INTERSECTED, MeshBVH, NOT_INTERSECTED } from 'three-mesh-bvh'
import type { Batch, Batches } from './Batches'

interface Entry {
  batch: Batch
  index: number
}

export interface Hit extends Entry {
  at: Vector3
}

/**
 * What a ray meets first: a bounding-volume hierarchy over the boxes of all standing pieces, and one over each piece's own
 * triangles. The upper one is a hierarchy over triangles too, one spanning each box; it is made anew when the set has
 * changed and something is picked.
 */
export class Picking {
  private entries: Entry[] = []
  private tree?: MeshBVH
  private readonly own = new WeakMap<BufferGeometry, MeshBVH>()

  constructor(private readonly batches: Batches) {}

  /** The set has changed. */
  forget() {
    this.tree = undefined
  }

  private build() {
    this.entries = []
    const corners: number[] = []
    const matrix = new Matrix4()
    const box = new Box3()
    for (const batch of this.batches.all()) {
      if (!batch.visible) continue
      const extent = new Box3()
      for (const part of batch.parts) {
        part.geometry.computeBoundingBox()
        extent.union(part.geometry.boundingBox!)
      }
      for (let i = 0; i < batch.size; i++) {
        if (!batch.isWhole(i)) continue
        box.copy(extent).applyMatrix4(batch.matrix(i, matrix))
        this.entries.push({ batch, index: i })
        corners.push(box.min.x, box.min.y, box.min.z, box.max.x, box.max.y, box.max.z, box.min.x, box.max.y, box.min.z)
      }
    }
    const geometry = new BufferGeometry()
    geometry.setAttribute('position', new BufferAttribute(new Float32Array(corners), 3))
    this.tree = this.entries.length ? new MeshBVH(geometry, { indirect: true }) : undefined
  }

  /**
   * @param highest nothing above this height counts, metres
   * @param counts  what else does not count
   */
  first(ray: Ray, highest: number, counts: (entry: Entry) => boolean = () => true): Hit | undefined {
    if (!this.tree) this.build()
    let best: { distance: number; hit: Hit } | undefined
    const box = new Box3()
    const point = new Vector3()
    this.tree?.shapecast({
      intersectsBounds: (bounds) => {
        const at = ray.intersectBox(bounds, point)
        return at && !(best && at.distanceTo(ray.origin) > best.distance && !bounds.containsPoint(ray.origin)) ? INTERSECTED : NOT_INTERSECTED
      },
      intersectsTriangle: (triangle, i) => {
        box.setFromPoints([triangle.a, triangle.b, triangle.c])
        if (!ray.intersectsBox(box)) return false
        const entry = this.entries[i]!
        if (!counts(entry)) return false
        const hit = this.intersect(ray, entry, highest)
        if (hit && (!best || hit.distance < best.distance)) best = { distance: hit.distance, hit: { ...entry, at: hit.at } }
        return false
      },
    })
    return best?.hit
  }

  private intersect(ray: Ray, { batch, index }: Entry, highest: number) {
    const matrix = batch.matrix(index, new Matrix4())
    const local = ray.clone().applyMatrix4(matrix.clone().invert())
    let best: { distance: number; at: Vector3 } | undefined
    for (const part of batch.parts) {
      let tree = this.own.get(part.geometry)
      if (!tree) {
        tree = new MeshBVH(part.geometry, { indirect: true })
        this.own.set(part.geometry, tree)
      }
      for (const hit of tree.raycast(local, DoubleSide)) {
        const at = hit.point.clone().applyMatrix4(matrix)
        const distance = at.distanceTo(ray.origin)
        if (at.z <= highest && (!best || distance < best.distance)) best = { distance, at }
      }
    }
    return best
  }
}

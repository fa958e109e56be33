import { BufferAttribute, BufferGeometry, Group, Line, LineBasicMaterial, LineSegments, Points, PointsMaterial, type Vector3Tuple } from 'three'
import type { BoxMm, VecMm } from '../api/client'
import { verdigris } from '../styles/theme'

/** What is drawn in Space of a repeat that is laid or worked on. */
export interface LayingMarks {
  /** What the copies would take. */
  boxes: BoxMm[]
  way: VecMm[]
  handles: VecMm[]
}

/** More would be a grey cloud. */
const MOST_BOXES = 3000
const HANDLE_PX = 10
const EDGES = [0, 1, 1, 3, 3, 2, 2, 0, 4, 5, 5, 7, 7, 6, 6, 4, 0, 4, 1, 5, 2, 6, 3, 7]

const geometryOf = (points: Vector3Tuple[]) => new BufferGeometry().setAttribute('position', new BufferAttribute(new Float32Array(points.flat()), 3))
const metres = (v: VecMm): Vector3Tuple => [v.x / 1000, v.y / 1000, v.z / 1000]

function edgesOf({ min, max }: BoxMm): Vector3Tuple[] {
  return EDGES.map((corner) => metres({ x: corner & 1 ? max.x : min.x, y: corner & 2 ? max.y : min.y, z: corner & 4 ? max.z : min.z }))
}

export class LayingGroup {
  readonly group = new Group()
  private readonly line = new LineBasicMaterial({ color: verdigris, depthTest: false, transparent: true })
  private readonly handle = new PointsMaterial({ color: verdigris, size: HANDLE_PX, sizeAttenuation: false, depthTest: false, transparent: true })

  show({ boxes, way, handles }: LayingMarks) {
    for (const old of this.group.children) (old as Line).geometry.dispose()
    this.group.clear()
    if (boxes.length) this.group.add(new LineSegments(geometryOf(boxes.slice(0, MOST_BOXES).flatMap(edgesOf)), this.line))
    if (way.length > 1) this.group.add(new Line(geometryOf(way.map(metres)), this.line))
    if (handles.length) this.group.add(new Points(geometryOf(handles.map(metres)), this.handle))
  }
}

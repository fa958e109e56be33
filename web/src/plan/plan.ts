import type {
  BoxMm,
  FindingView,
  FlowView,
  MassingView,
  OutlineView,
  PieceView,
  PlacementView,
  PreviewView,
  RoomView,
  MassView,
  StairView,
  Unit,
  VecMm,
} from '../api/client'
import type { Edge, Point } from '../site/edges'
import type { Body } from '../massing/hand'
import type { LayingMarks } from './repeats'
import type { SectionLine } from '../table/line'
import type { Lie } from './sheet'

/** What the plan is drawn from: plain data. */
export interface Plan {
  lie: Lie
  width: number
  height: number
  /** Whether it is drawn so small that nothing is written on it. */
  small: boolean
  stepMm: number
  wallMm: number
  unit: Unit
  massing: MassingView
  /** The floor of the level that is drawn. */
  floorMm: number
  /** Stairs that begin on the level or come up to it. */
  stairs: StairView[]
  chosenStair?: number
  solids: MassView[]
  chosenSolid?: number
  guards: BoxMm[]
  /** Rooms above the cut that hang over the level. */
  above: RoomView[]
  /** A body that is dragged. */
  body?: { body: Body; by: Point }
  /** Sizes that are typed while ground is drawn. */
  typed: string
  /** The run that is chosen. */
  run?: BoxMm
  /** Outlines that are being brought in. */
  coming: OutlineView[]
  /** Where one gets to, while that is shown. */
  flow?: FlowView
  /** Where the section is cut. */
  section?: SectionLine
  /** A line that is being drawn, from its start to the pointer. */
  line?: VecMm[]
  /** Walls of the level below. */
  below: BoxMm[]
  /** What can be seen; with the chunks out of sight left out. */
  placements: PlacementView[]
  /** Whether it is drawn faintly. */
  isGhost: (id: string) => boolean
  /** Scatters, with their names; without the one that is worked on. */
  scatters: ReadonlyMap<number, string>
  /** The piece that holds the ghost along an axis. */
  holder: (id: string) => PlacementView | undefined
  pieceById: Map<number, PieceView>
  selection: ReadonlySet<string>
  ghost?: { piece: PieceView; stance: PreviewView }
  finding?: FindingView
  /** Stretches of wall that nothing closes. */
  gaps: BoxMm[]
  /** A rectangle that is being drawn. */
  room?: { x0: number; y0: number; x1: number; y1: number; cuts: boolean }
  /** The room that is being worked on, where rooms are. */
  chosen?: RoomView
  /** An opening that is held, and how far it is dragged. */
  opening?: { box: BoxMm; by: Point }
  /** A corner of it that is held, and how far it is dragged. */
  corner?: { edge: Edge; by: Point }
  /** An edge of it that is held, and how far it is dragged. */
  edge?: { edge: Edge; byMm: number }
  /** A repeat that is laid or worked on. */
  laying?: LayingMarks
  figureMm: { x: number; y: number }
}

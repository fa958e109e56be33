import type { BoxMm, FindingView, MassingView, PieceView, PlacementView, PreviewView, Unit } from '../api/client'
import type { Lie } from './sheet'

/** What the plan is drawn from: plain data. */
export interface Plan {
  lie: Lie
  width: number
  height: number
  stepMm: number
  wallMm: number
  unit: Unit
  massing: MassingView
  /** What can be seen; with the chunks out of sight left out. */
  placements: PlacementView[]
  /** The piece that holds the ghost along an axis. */
  holder: (id: string) => PlacementView | undefined
  pieceById: Map<number, PieceView>
  selection: ReadonlySet<string>
  ghost?: { piece: PieceView; stance: PreviewView }
  finding?: FindingView
  /** Stretches of wall that nothing closes. */
  gaps: BoxMm[]
  room?: { x0: number; y0: number; x1: number; y1: number }
  figureMm: { x: number; y: number }
}

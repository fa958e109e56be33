import type { FindingView, MassingView, PieceView, PlacementView, PreviewView, Unit } from '../api/client'
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
  placements: Iterable<PlacementView>
  pieceById: Map<number, PieceView>
  selection: Set<number>
  ghost?: { piece: PieceView; stance: PreviewView }
  finding?: FindingView
  room?: { x0: number; y0: number; x1: number; y1: number }
  figureMm: { x: number; y: number }
}

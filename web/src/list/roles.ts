import type { PieceView } from '../api/client'

const NAMES: Record<PieceView['role'], string> = {
  WALL: 'wall',
  DOOR: 'door',
  WINDOW: 'window',
  PASSAGE: 'passage',
  POST: 'post',
  FLOOR: 'floor',
  CEILING: 'ceiling',
  STAIR: 'stairs',
  GUARD: 'guard',
  MOULDING: 'moulding',
  SOLID: 'solid',
  PILLAR: 'pillar',
  PROP: 'prop',
}
/** What a piece is for, as a choice. */
export const ROLES = (Object.keys(NAMES) as PieceView['role'][]).map((value) => ({ value, label: NAMES[value] }))
export const roleName = (role: PieceView['role']) => NAMES[role]

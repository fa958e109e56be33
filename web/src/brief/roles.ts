import type { PieceView } from '../api/client'

const NAMES: Record<PieceView['role'], string> = {
  WALL: 'wall', DOOR: 'door', WINDOW: 'window', POST: 'post', FLOOR: 'floor', CEILING: 'ceiling', PILLAR: 'pillar', PROP: 'prop',
}
/** What a piece is for, as a choice. */
export const ROLES = (Object.keys(NAMES) as PieceView['role'][]).map((value) => ({ value, label: NAMES[value] }))
export const roleName = (role: PieceView['role']) => NAMES[role]
const PREFIXES: Record<PieceView['role'], string> = {
  WALL: 'WAL', DOOR: 'DOR', WINDOW: 'WIN', POST: 'POS', FLOOR: 'FLR', CEILING: 'CEI', PILLAR: 'PIL', PROP: 'PRP',
}
/** A code to begin from; a person may type another. */
export const suggestedCode = (role: PieceView['role'], name: string, widthMm: number) =>
  `${PREFIXES[role]}-${role === 'PROP' ? (name.toUpperCase().match(/[\p{L}\p{N}]+$/u)?.[0] ?? 'THING') : Math.round(widthMm)}`

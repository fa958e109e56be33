import type { PartWords } from '../api/client'

/** What the forms of parts are called. */
export const FORMS: Record<NonNullable<PartWords['form']>, string> = {
  BLOCK: 'block',
  PANEL: 'panel with openings',
  PRISM: 'prism',
  TURNED: 'turned',
  PUSHED: 'pushed profile',
  STEPS: 'steps',
  SLOPED: 'sloped',
  BARS: 'bars',
  LETTERS: 'lettering',
  BROUGHT: 'mesh',
}
export const PIVOTS = [
  { value: 'BASE_CENTRE', label: 'middle of the base' },
  { value: 'BASE_CORNER', label: 'corner of the base' },
  { value: 'TOP_CENTRE', label: 'middle of the top' },
  { value: 'TOP_CORNER', label: 'corner of the top' },
  { value: 'FACE_START', label: 'start of the face' },
] as const
export const USERS = { MASSING: 'by the massing', HAND: 'by hand', REPEAT: 'in repeats', ASSEMBLY: 'in assemblies', TWIN: 'as twins' } as const

/** What profiles are called. */
export const PROFILES: Record<NonNullable<PartWords['profile']>['kind'], string> = {
  BAR: 'bar',
  I: 'I',
  U: 'U',
  L: 'angle L',
  T: 'T',
  HOLLOW: 'hollow',
  ROUND: 'round',
  TUBE: 'tube',
  HALF_ROUND: 'half-round',
  SKIRTING: 'skirting',
  CORNICE: 'cornice',
  KERB: 'kerb',
  HANDRAIL: 'handrail',
  DRAWN: 'drawn',
}

/** What a unit of a file may be, in millimetres. */
export const UNITS = [
  { value: 1000, label: 'a metre' },
  { value: 10, label: 'a centimetre' },
  { value: 1, label: 'a millimetre' },
  { value: 25.4, label: 'an inch' },
  { value: 304.8, label: 'a foot' },
]
export const UPS = [
  { value: 'Y', label: 'its Y axis' },
  { value: 'Z', label: 'its Z axis' },
] as const
/** What can be set right about a mesh without asking how. */
export const FIXES = [
  { value: 'WELD', label: 'Weld what nearly meets', says: 'Corners nearer than 0.1 mm become one; faces that are there twice or have no area go' },
  { value: 'OUTWARD', label: 'Turn faces outward', says: 'So that none is seen through' },
  { value: 'FIT', label: 'Stretch it', says: 'Each direction by itself' },
] as const

/** How lamps shine. */
export const LAMPS = { POINT: 'to all sides', SPOT: 'in a cone', LINE: 'along a tube', PANEL: 'from a panel' } as const

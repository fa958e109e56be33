/** Micrometres in each unit; for feet and inches, in a foot. Reading typed lengths is the server's; this only writes. */
const MICROMETRES = { METRE: 1e6, CENTIMETRE: 1e4, MILLIMETRE: 1e3, FEET_AND_INCHES: 304_800, ENGINE_UNIT: 19_050 }
export type Unit = keyof typeof MICROMETRES
export const SYMBOLS: Record<Unit, string> = { METRE: 'm', CENTIMETRE: 'cm', MILLIMETRE: 'mm', FEET_AND_INCHES: 'ft', ENGINE_UNIT: 'u' }
export const UNIT_NAMES: Record<Unit, string> = {
  METRE: 'metres',
  CENTIMETRE: 'centimetres',
  MILLIMETRE: 'millimetres',
  FEET_AND_INCHES: 'feet and inches',
  ENGINE_UNIT: 'sixteenths of a foot',
}
const INCH = 25_400

function decimals(micrometres: number, perUnit: number): string {
  // Exact in integers up to the sixth place: doubles alone would round some lengths the wrong way.
  const millionths = (BigInt(micrometres) * 2_000_000n + BigInt(perUnit)) / (2n * BigInt(perUnit))
  const whole = millionths / 1_000_000n
  const rest = (millionths % 1_000_000n).toString().padStart(6, '0').replace(/0+$/, '')
  return rest ? `${whole}.${rest}` : `${whole}`
}

function inches(micrometres: number): string {
  const sixteenths = Math.round((micrometres * 16) / INCH)
  if (Math.floor((sixteenths * INCH + 8) / 16) !== micrometres) return decimals(micrometres, INCH)
  const whole = Math.floor(sixteenths / 16)
  const part = sixteenths % 16
  if (part === 0) return `${whole}`
  const by = part & -part
  return `${whole ? `${whole} ` : ''}${part / by}/${16 / by}`
}

/** Writes a length, given in millimetres, in the unit, with its symbol. */
export function format(mm: number, unit: Unit): string {
  const micrometres = Math.round(Math.abs(mm) * 1000)
  const sign = mm < 0 && micrometres > 0 ? '-' : ''
  if (unit !== 'FEET_AND_INCHES') return `${sign}${decimals(micrometres, MICROMETRES[unit])} ${SYMBOLS[unit]}`
  const feet = Math.floor(micrometres / MICROMETRES.FEET_AND_INCHES)
  const inch = inches(micrometres - feet * MICROMETRES.FEET_AND_INCHES)
  if (feet === 0) return `${sign}${inch}"`
  return `${sign}${feet}'${inch === '0' ? '' : ` ${inch}"`}`
}

/** The same without the symbol where it goes without saying, for dimension chains. */
export function formatBare(mm: number, unit: Unit): string {
  return unit === 'FEET_AND_INCHES' ? format(mm, unit) : format(mm, unit).replace(/ \S+$/, '')
}

export function formatBytes(bytes: number): string {
  if (bytes < 1024) return `${bytes} B`
  if (bytes < 1024 * 1024) return `${(bytes / 1024).toFixed(1)} KiB`
  return `${(bytes / 1024 / 1024).toFixed(1)} MiB`
}

/** Groups of three, thin-spaced. */
export const formatCount = (n: number) => n.toString().replace(/\B(?=(\d{3})+$)/g, '\u2009')

/** A number with its word in the singular or the plural: `counted(1, 'piece')` is *1 piece*. @param many the plural, where it is not the word with an s */
export const counted = (n: number, one: string, many = `${one}s`) => `${formatCount(n)} ${n === 1 ? one : many}`

import type { CoatWords } from '../api/client'

/** How materials are structured. */
export const GRAINS = [
  { value: 'PLAIN', label: 'plain' },
  { value: 'PLASTER', label: 'plaster' },
  { value: 'TILES', label: 'tiles' },
  { value: 'BOARDS', label: 'boards' },
  { value: 'STONE', label: 'stone' },
  { value: 'TERRAZZO', label: 'terrazzo' },
  { value: 'METAL', label: 'metal' },
  { value: 'GLASS', label: 'glass, opal' },
  { value: 'PICTURES', label: 'pictures of your own' },
] as const satisfies readonly { value: NonNullable<CoatWords['grain']>; label: string }[]

export const BONDS = [
  { value: 'STACKED', label: 'not at all' },
  { value: 'HALF', label: 'by half' },
  { value: 'THIRD', label: 'by a third' },
] as const

/** What the second colour is of. */
export const SECOND: Record<NonNullable<CoatWords['grain']>, string> = {
  PLAIN: 'Second colour',
  PLASTER: 'Shade',
  TILES: 'Joints',
  BOARDS: 'Streaks',
  STONE: 'Veins',
  TERRAZZO: 'Chips',
  METAL: 'Rust',
  GLASS: 'Cloud',
  PICTURES: 'Second colour',
}

/** What is one number of every finish. */
export const NUMBERS = [
  { key: 'roughness', label: 'Roughness, %' },
  { key: 'metallic', label: 'Metallic, %' },
  { key: 'variation', label: 'Variation, %' },
  { key: 'wear', label: 'Wear, %' },
] as const

/** What a picture of one's own tells of a finish. */
export const LAYERS = [
  { value: 'COLOUR', label: 'Colour', says: 'Base colour' },
  { value: 'NORMAL', label: 'Normal', says: 'Directions, green up' },
  { value: 'ROUGHNESS', label: 'Roughness', says: 'Grey, or in the green channel; times the number below' },
  { value: 'METALLIC', label: 'Metallic', says: 'Grey, or in the blue channel; times the number below' },
  { value: 'OCCLUSION', label: 'Occlusion', says: 'Grey, or in the red channel' },
  { value: 'OPACITY', label: 'Opacity', says: 'Grey: white is there, black is cut out' },
] as const

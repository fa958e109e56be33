// Written by core's ChunkLayoutTest. After a change: cp core/target/layout.ts web/src/site/layout.ts

/** How the columns of a row tell its place. */
export const PLACE = {
  HAND: 0,
  OPENING: 1,
  RUN: 2,
  POST: 6,
  FLOOR: 7,
  CEILING: 8,
  EDGE: 9,
  BETWEEN: 10,
  STAIRS: 11,
  GUARD: 12,
  SOLID: 13,
  REPEAT: 14,
  USE: 15,
  TWIN: 16,
  TIER: 17,
  BETWEEN_TIER: 18,
  MOULDING: 19,
} as const

/** Flags of a row's pose, above its quarter turns. */
export const POSE = {
  MIRRORED: 4,
  FREE: 8,
  DEPARTED: 16,
  LOST: 32,
} as const

/** How many bits parts of a column take. */
export const BITS = {
  EDGE_BITS: 10,
  UP_BITS: 16,
  LENGTH_BITS: 36,
} as const

/** The head of a chunk, and how many ids of hands a block has. */
export const CHUNK = {
  HEAD: 24,
  IDS: 1024,
  MAGIC: 843203400,
} as const

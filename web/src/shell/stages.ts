/** The stages that are built, with the key that opens each; a key keeps its stage when others come between. */
export const STAGES = [
  { name: 'brief', title: 'Brief', key: '1' },
  { name: 'massing', title: 'Massing', key: '2' },
  { name: 'kit', title: 'Kit', key: '3' },
  { name: 'build', title: 'Build', key: '4' },
  { name: 'survey', title: 'Survey', key: '6' },
  { name: 'handover', title: 'Handover', key: '7' },
] as const

export type StageName = (typeof STAGES)[number]['name']

/** What keys and pointer do beside the commands, as the sheet on `?` lists them. */
export const GESTURES: { keys: string[]; does: string }[] = [
  { keys: ['←', '→', '↑', '↓'], does: 'nudge by one step; with Shift by a tenth' },
  { keys: ['Page Up', 'Page Down'], does: 'raise and lower' },
  { keys: ['Enter'], does: 'set down' },
  { keys: ['Esc'], does: 'put back; let go of the selection; stop walking' },
  { keys: ['click again'], does: 'select what lies beneath' },
  { keys: ['right click', 'long press', 'Menu'], does: 'what can be done here' },
  { keys: ['right drag'], does: 'orbit in Space; move the sheet in Plan' },
  { keys: ['middle drag', 'Space + drag'], does: 'pan' },
  { keys: ['wheel'], does: 'go toward the pointer' },
]

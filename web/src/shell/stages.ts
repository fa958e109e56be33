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

/** The keys, as the sheet on `?` lists them. */
export const KEYS: { keys: string[]; does: string }[] = [
  { keys: ['1', '2', '3', '4', '6', '7'], does: 'Brief, Massing, Kit, Build, Survey, Handover' },
  { keys: ['←', '→', '↑', '↓'], does: 'nudge by one step; with Shift by a tenth' },
  { keys: ['Page Up', 'Page Down'], does: 'raise and lower' },
  { keys: [',', '.'], does: 'quarter turn left and right' },
  { keys: ['/'], does: 'mirror' },
  { keys: ['J'], does: 'plumb: drop to what is under it' },
  { keys: ['N'], does: 'again: repeat the last placing, or move by the same offset' },
  { keys: ['Y'], does: 'pick up the selection' },
  { keys: ['Enter'], does: 'set down' },
  { keys: ['Esc'], does: 'put back; let go of the selection' },
  { keys: ['Delete'], does: 'take away' },
  { keys: ['K'], does: 'cutaway' },
  { keys: ['H'], does: 'show the whole set' },
  { keys: ['L'], does: 'look at the selection' },
  { keys: ['Ctrl Z'], does: 'undo; with Shift redo' },
  { keys: ['Ctrl C', 'Ctrl V'], does: 'copy and set the copy down' },
  { keys: ['Ctrl D'], does: 'copy in place, one step on' },
  { keys: ['right drag'], does: 'orbit in Space; move the sheet in Plan' },
  { keys: ['middle drag', 'Space + drag'], does: 'pan' },
  { keys: ['wheel'], does: 'go toward the pointer' },
  { keys: ['P'], does: 'pieces in paper, or in their finishes' },
  { keys: ['X'], does: 'swap the large view and the small one' },
  { keys: ['T'], does: 'fold the Ticket away, or open it' },
  { keys: ['W'], does: 'walk from where the Figure stands, in the whole window; Esc ends' },
  { keys: ['?'], does: 'this sheet' },
]

import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useStrutting } from '../placing/strutting'
import { usePlacing } from '../placing/placing'
import { useAssembling } from '../repeat/assembling'
import { useLaying } from '../repeat/laying'
import { LABELS, type What } from '../repeat/rules'
import { canBeTwinned, useTwinning } from '../repeat/twinning'
import { tell, useSite } from '../site/site'
import { useArrangement } from '../table/arrangement'
import { useGuide } from '../table/guide'
import { useTable, type Drawing } from '../table/table'
import { useChoosing, type By } from '../ticket/choosing'
import { useMeter } from '../light/meter'
import { useMoods } from '../light/moods'
import { useSeeing } from '../ticket/seeing'

export type Group = 'Go to' | 'Selection' | 'Select' | 'See' | 'Light' | 'Place and repeat' | 'Massing' | 'Site'

/** One thing that the application does, by whatever it is asked for: a key, the line that finds, the menu at the pointer. */
export interface Command {
  name: string
  group: Group
  /** Other words by which it is looked for. */
  words?: string
  /** The key that does it, as the keyboard says it; with `ctrl` while Ctrl or Cmd is held. */
  key?: string
  ctrl?: boolean
  shift?: boolean
  /** What it is done to, where that is not the selection. */
  of?: 'room'
  /** Whether it can be done now. */
  can: () => boolean
  run: () => unknown
}

/** The pages of those stages that have several. */
const PAGES = [
  { at: 'brief/intent', name: 'Intent', words: 'budget mood words' },
  { at: 'brief/board', name: 'Board', words: 'pictures references' },
  { at: 'brief/takeoff', name: 'Takeoff', words: 'measure count perspective' },
  { at: 'brief/list', name: 'Piece list', words: 'checklist' },
  { at: 'brief/divide', name: 'Divide a length', words: 'bays pitch' },
  { at: 'kit/plan', name: 'Kit plan', words: 'kinds options advice step' },
  { at: 'kit/workshop', name: 'Workshop', words: 'make a piece parts patterns bring in obj glb' },
  { at: 'kit/mouldings', name: 'Mouldings', words: 'skirting cornice rail' },
  { at: 'kit/sheets', name: 'Sheets', words: 'materials finishes colourways textures' },
]

/** All that can be done, in one list: keys, the line that finds and the menu at the pointer are three ways to it. */
export const useCommands = defineStore('commands', () => {
  const site = useSite()
  const router = useRouter()
  const placing = usePlacing()
  const laying = useLaying()
  const table = useTable()
  const views = useArrangement()
  const strutting = useStrutting()
  const twinning = useTwinning()
  const assembling = useAssembling()
  const seeing = useSeeing()
  const moods = useMoods()
  const meter = useMeter()
  const { choose } = useChoosing()
  const guide = useGuide()
  /** What opens over the page. */
  const keysSheet = ref(false)
  const settingUp = ref(false)
  const finding = ref(false)
  const introduced = useLocalStorage<string[]>('hausbau.introduced', [])

  /** In turn: asked for faster than the server answers, they give what they would give at leisure. */
  const inTurn = (work: () => unknown) =>
    void site
      .inTurn(async () => {
        await work()
      })
      .catch(tell)
  const take = (work: () => unknown) => void placing.taking(work).catch(tell)
  const go = (to: string) => router.push(`/sites/${site.site!.id}/${to}`)
  const always = () => true
  const isSelected = () => site.selection.size > 0
  const isAtHand = () => !!placing.held || isSelected()
  const hasRoom = () => !!table.selectedRoom

  /** Of what is selected, once those asked for before are done. */
  const onSelection = (work: () => unknown) => () => inTurn(() => (site.selection.size ? work() : undefined))
  const turn = (quarters: number) => () =>
    inTurn(() => {
      if (placing.held) placing.turn(quarters)
      else if (site.selection.size) return site.arrange('Turn', { quarterTurns: quarters })
      return undefined
    })
  const mirror = () =>
    inTurn(() => {
      if (placing.held) placing.mirror()
      else if (site.selection.size) return site.arrange('Mirror', { mirror: true })
      return undefined
    })
  async function draw(what: Drawing) {
    await go('massing')
    table.drawn = 'plan'
    views.show('plan')
    table.drawing = what
  }
  const atTable = (stage: string) => (views.isAtTable ? undefined : go(stage))
  async function walk() {
    await atTable('build')
    table.walking = true
  }
  async function see(work: () => void) {
    await atTable('build')
    work()
  }
  async function repeat(what: What) {
    await go('build')
    laying.begin(what)
  }
  const select = (by: By) => () => void site.selecting(() => choose(by)).catch(tell)
  const roomEdit = (label: string, method: string, path: string, body?: unknown) => () =>
    inTurn(() => site.make(label, method, `/rooms/${table.selectedRoom!.id}${path}`, body))

  const all = computed<Command[]>(() => [
    ...[
      { at: 'brief', name: 'Brief', key: '1' },
      { at: 'massing', name: 'Massing', key: '2' },
      { at: 'kit', name: 'Kit', key: '3' },
      { at: 'build', name: 'Build', key: '4' },
      { at: 'survey', name: 'Survey', key: '6', words: 'check findings' },
      { at: 'handover', name: 'Handover', key: '7', words: 'export download glb obj' },
    ].map(({ at, name, key, words }): Command => ({ name, group: 'Go to', words, key, can: always, run: () => go(at) })),
    ...PAGES.map(({ at, name, words }): Command => ({ name, group: 'Go to', words, can: always, run: () => go(at) })),
    { name: 'All sites', group: 'Go to', words: 'start home close', can: always, run: () => router.push('/') },

    { name: 'Quarter turn left', group: 'Selection', words: 'rotate', key: ',', can: isAtHand, run: turn(1) },
    { name: 'Quarter turn right', group: 'Selection', words: 'rotate', key: '.', can: isAtHand, run: turn(-1) },
    { name: 'Mirror', group: 'Selection', words: 'flip', key: '/', can: isAtHand, run: mirror },
    { name: 'Plumb', group: 'Selection', words: 'drop to what is under it', key: 'j', can: isSelected, run: onSelection(() => site.plumb()) },
    { name: 'Pick up', group: 'Selection', words: 'move', key: 'y', can: isSelected, run: () => take(() => placing.pickUp()) },
    { name: 'Copy', group: 'Selection', key: 'c', ctrl: true, can: isSelected, run: () => inTurn(() => placing.copyToClipboard()) },
    { name: 'Set a copy down', group: 'Selection', words: 'paste', key: 'v', ctrl: true, can: always, run: () => take(() => placing.paste()) },
    {
      name: 'Copy in place, one step on',
      group: 'Selection',
      words: 'duplicate',
      key: 'd',
      ctrl: true,
      can: isSelected,
      run: onSelection(() => placing.copyBy({ x: site.site!.stepMm, y: 0, z: 0 })),
    },
    {
      name: 'Again',
      group: 'Selection',
      words: 'repeat the last placing, or move by the same offset',
      key: 'n',
      can: always,
      run: () => inTurn(() => placing.repeat()),
    },
    { name: 'Take away', group: 'Selection', words: 'delete remove', key: 'Delete', can: isSelected, run: onSelection(() => site.takeAway()) },
    { name: 'Show alone', group: 'Selection', words: 'isolate', can: isSelected, run: () => seeing.showAlone([...site.selection]) },
    { name: 'Ghost', group: 'Selection', words: 'faint', can: isSelected, run: () => seeing.ghost([...site.selection]) },
    { name: 'Hide', group: 'Selection', can: isSelected, run: () => seeing.hide([...site.selection]) },
    {
      name: 'Save as an assembly',
      group: 'Selection',
      words: 'group',
      can: () => assembling.canSave && !assembling.open,
      run: () => inTurn(() => assembling.save()),
    },
    {
      name: 'Twin across the room’s middle, left for right',
      group: 'Selection',
      words: 'mirror symmetry',
      can: () => [...site.selection].some(canBeTwinned),
      run: () => inTurn(() => twinning.make(true)),
    },
    {
      name: 'Twin across the room’s middle, near for far',
      group: 'Selection',
      words: 'mirror symmetry',
      can: () => [...site.selection].some(canBeTwinned),
      run: () => inTurn(() => twinning.make(false)),
    },

    { name: 'Select all of this piece', group: 'Select', can: isSelected, run: select('piece') },
    { name: 'Select all of its role', group: 'Select', can: isSelected, run: select('role') },
    { name: 'Select all in its room', group: 'Select', can: isSelected, run: select('room') },
    { name: 'Select all of its repeat or assembly', group: 'Select', can: isSelected, run: select('repeat') },
    { name: 'Select all on this level', group: 'Select', can: always, run: select('level') },
    { name: 'Select everything else', group: 'Select', words: 'invert', can: isSelected, run: select('others') },
    { name: 'Select nothing', group: 'Select', words: 'let go deselect', can: isSelected, run: () => site.select([]) },

    { name: 'Cutaway', group: 'See', words: 'cut open section', key: 'k', can: always, run: () => (table.cutaway = !table.cutaway) },
    { name: 'Show the whole set', group: 'See', words: 'fit frame all', key: 'h', can: always, run: () => see(() => table.look('all')) },
    { name: 'Look at the selection', group: 'See', words: 'frame zoom', key: 'l', can: isSelected, run: () => table.look('selection') },
    { name: 'Show all that is hidden', group: 'See', words: 'unhide', can: () => seeing.isVeiled, run: () => seeing.showAll() },
    { name: 'Ceilings', group: 'See', can: always, run: () => see(() => (table.ceilings = !table.ceilings)) },
    { name: 'Heavy pieces as boxes', group: 'See', words: 'simple', can: always, run: () => see(() => (seeing.boxes = !seeing.areBoxes)) },
    { name: 'Repetition', group: 'See', words: 'what looks alike', can: always, run: () => see(() => (seeing.repetition = !seeing.repetition)) },
    { name: 'All levels', group: 'See', can: always, run: () => see(() => (table.shownLevels = 'all')) },
    { name: 'This level alone', group: 'See', can: always, run: () => see(() => (table.shownLevels = 'one')) },
    { name: 'Levels up to this one', group: 'See', can: always, run: () => see(() => (table.shownLevels = 'below')) },
    { name: 'Plan large', group: 'See', can: always, run: () => see(() => views.enlarge('plan')) },
    { name: 'Space large', group: 'See', words: '3d', can: always, run: () => see(() => views.enlarge('space')) },
    {
      name: 'Swap the large view and the small one',
      group: 'See',
      key: 'x',
      can: () => views.isAtTable,
      run: () => views.enlarge(views.large === 'plan' ? 'space' : 'plan'),
    },
    { name: 'One view alone', group: 'See', can: always, run: () => see(() => views.put('away')) },
    { name: 'The other view small in the corner', group: 'See', can: always, run: () => see(() => views.put('corner')) },
    { name: 'Both views side by side', group: 'See', words: 'split', can: always, run: () => see(() => views.put('beside')) },
    {
      name: 'Fold the Ticket',
      group: 'See',
      words: 'panel sidebar',
      key: 't',
      can: () => views.isAtTable,
      run: () => (views.ticketFolded = !views.ticketFolded),
    },
    { name: 'Fold the Line-up', group: 'See', words: 'palette', can: always, run: () => (views.lineUpFolded = !views.lineUpFolded) },
    { name: 'Walk', group: 'See', words: 'first person eye height', key: 'w', can: always, run: walk },
    { name: 'Cut a section', group: 'See', words: 'line', can: always, run: () => draw('section') },

    { name: 'Paper or finished', group: 'Light', words: 'textures materials look', key: 'p', can: always, run: () => (seeing.finished = !seeing.finished) },
    { name: 'Next mood', group: 'Light', words: 'sun daylight shadow sky night overcast', can: always, run: () => see(() => void moods.next()) },
    { name: 'Meter', group: 'Light', words: 'measure luminance spot', can: () => meter.isMood, run: () => see(() => (meter.measures = !meter.measures)) },
    {
      name: 'False colour',
      group: 'Light',
      words: 'exposure brightness',
      key: 'b',
      can: () => meter.isMood,
      run: () => see(() => (meter.falseColour = !meter.falseColour)),
    },
    { name: 'Grading', group: 'Light', words: 'contrast saturation', key: 'g', can: () => meter.isMood, run: () => see(() => (meter.graded = !meter.graded)) },
    { name: 'Checker', group: 'Light', words: 'squares texel density', can: always, run: () => see(() => insteadOfFinishes('checker')) },
    { name: 'Density', group: 'Light', words: 'texel pixels per metre', can: always, run: () => see(() => insteadOfFinishes('density')) },

    ...(Object.keys(LABELS) as What[]).map((what): Command => ({
      name: LABELS[what],
      group: 'Place and repeat',
      words: 'repeat array',
      can: () => laying.canBegin,
      run: () => repeat(what),
    })),
    { name: 'Strut between two points', group: 'Place and repeat', words: 'beam pipe', can: always, run: () => see(() => (strutting.active = true)) },
    { name: 'Snapping', group: 'Place and repeat', words: 'grid free', can: always, run: () => (placing.snaps = !placing.snaps) },

    { name: 'Draw a room', group: 'Massing', words: 'add new', can: always, run: () => draw('room') },
    { name: 'Add ground to the room', group: 'Massing', words: 'extend', of: 'room', can: hasRoom, run: () => draw('join') },
    { name: 'Cut ground from the room', group: 'Massing', words: 'notch', of: 'room', can: hasRoom, run: () => draw('cut') },
    { name: 'Draw stairs', group: 'Massing', words: 'ramp add', of: 'room', can: hasRoom, run: () => draw('stair') },
    { name: 'Draw a solid', group: 'Massing', words: 'block mass add', of: 'room', can: hasRoom, run: () => draw('solid') },
    {
      name: 'Add a door',
      group: 'Massing',
      words: 'opening',
      of: 'room',
      can: hasRoom,
      run: roomEdit('Add an opening', 'POST', '/openings/usual', { kind: 'DOOR' }),
    },
    {
      name: 'Add a window',
      group: 'Massing',
      words: 'opening',
      of: 'room',
      can: hasRoom,
      run: roomEdit('Add an opening', 'POST', '/openings/usual', { kind: 'WINDOW' }),
    },
    {
      name: 'Add a passage',
      group: 'Massing',
      words: 'opening',
      of: 'room',
      can: hasRoom,
      run: roomEdit('Add an opening', 'POST', '/openings/usual', { kind: 'PASSAGE' }),
    },
    {
      name: 'Turn the room',
      group: 'Massing',
      words: 'rotate',
      of: 'room',
      can: hasRoom,
      run: roomEdit('Turn the room', 'POST', '/arrange', { quarterTurns: 1 }),
    },
    {
      name: 'Mirror the room',
      group: 'Massing',
      words: 'flip',
      of: 'room',
      can: hasRoom,
      run: roomEdit('Mirror the room', 'POST', '/arrange', { mirror: true }),
    },
    { name: 'Remove the room', group: 'Massing', words: 'delete', of: 'room', can: hasRoom, run: roomEdit('Remove the room', 'DELETE', '') },
    { name: 'Add a level', group: 'Massing', words: 'storey floor', can: always, run: () => inTurn(() => site.make('Add a level', 'POST', '/levels', {})) },
    {
      name: 'Copy the level up',
      group: 'Massing',
      words: 'storey floor',
      can: () => table.rooms.length > 0,
      run: () => inTurn(() => site.make('Copy the level', 'POST', `/levels/${table.level?.id ?? 0}/copies`)),
    },
    { name: 'Flow from the Figure', group: 'Massing', words: 'reach circulation', can: always, run: () => see(() => (table.flow = !table.flow)) },

    { name: 'Undo', group: 'Site', words: 'take back', key: 'z', ctrl: true, can: () => !!site.site?.undo, run: () => inTurn(() => site.undo()) },
    { name: 'Redo', group: 'Site', key: 'z', ctrl: true, shift: true, can: () => !!site.site?.redo, run: () => inTurn(() => site.redo()) },
    {
      name: 'Site settings',
      group: 'Site',
      words: 'set up unit step wall thickness storey height tiles corners pixels name',
      can: always,
      run: () => (settingUp.value = true),
    },
    { name: 'Keys', group: 'Site', words: 'shortcuts help', key: '?', can: always, run: () => (keysSheet.value = !keysSheet.value) },
    { name: 'Show me round', group: 'Site', words: 'guide walk begin help first', can: always, run: guide.start },
    { name: 'What this stage is for', group: 'Site', words: 'help introduction guide next', can: always, run: introduce },
    { name: 'Find and do', group: 'Site', words: 'search command', key: 'f', can: always, run: () => (finding.value = true) },
  ])

  /** Says once more what the stage is for. */
  function introduce() {
    introduced.value = introduced.value.filter((stage) => stage !== views.stage)
  }
  function insteadOfFinishes(what: 'checker' | 'density') {
    seeing.finished = true
    seeing.instead = seeing.instead === what ? undefined : what
  }

  /** The command that a key does. */
  function ofKey(e: KeyboardEvent): Command | undefined {
    const ctrl = e.ctrlKey || e.metaKey
    const key = e.key.length === 1 ? e.key.toLowerCase() : e.key === 'Backspace' ? 'Delete' : e.key
    return all.value.find((c) => c.key === key && !!c.ctrl === ctrl && (!ctrl || !!c.shift === e.shiftKey))
  }

  return { all, ofKey, keysSheet, settingUp, finding }
})

/** A command's key, as it is printed on the keyboard. */
export const keyName = ({ key, ctrl, shift }: Pick<Command, 'key' | 'ctrl' | 'shift'>) =>
  key ? `${ctrl ? 'Ctrl ' : ''}${shift ? 'Shift ' : ''}${key.length === 1 ? key.toUpperCase() : key}` : ''

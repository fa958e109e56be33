import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { send, type PlacementView, type PreviewView, type VecMm } from '../api/client'
import { minus, onStep, plus, pointOnStep } from '../measure/length'
import { tell, useSite } from '../site/site'

/** What the hand holds: a piece or an assembly to set down, or placements picked up. */
type Held =
  | { kind: 'piece'; pieceId: number; quarterTurns: number; mirrored: boolean }
  | { kind: 'assembly'; assemblyId: number; quarterTurns: number; mirrored: boolean }
  | { kind: 'placements'; ids: string[]; first: PlacementView; copy: boolean }

/** A pointer is no finer than this. */
const FINEST_MM = 0.1
const zero: VecMm = { x: 0, y: 0, z: 0 }

/**
 * Placing by hand. The server says where a held piece would come to stand (the ghost) and what holds it there; this
 * only remembers what is held and where it was pointed at.
 */
export const usePlacing = defineStore('placing', () => {
  const site = useSite()
  const held = shallowRef<Held>()
  const ghost = shallowRef<PreviewView>()
  const snaps = ref(true)
  /** What is fixed or hangs keeps these wherever it is pointed; without a height it is as high as it is pointed at. */
  const heightMm = ref<number>()
  const offMm = ref(0)
  watch([heightMm, offMm], () => held.value && point(pointed))
  const clipboard = shallowRef<string[]>([])
  /** How much that takes something into the hand waits for its turn. */
  const coming = ref(0)
  /** Whether the hand holds something, or will when what waits is done: a click or Enter meanwhile is for that. */
  const holds = computed(() => !!held.value || coming.value > 0)
  /** What `N` does next: the same piece at this offset, or the selection moved or copied by it. */
  const again = shallowRef<{ kind: 'place'; pieceId: number; last: PlacementView; by: VecMm } | { kind: 'move' | 'copy'; by: VecMm }>()
  let pointed: VecMm = zero
  /** Where an assembly that is held would come to stand. */
  const spot = shallowRef<VecMm>()
  let answering: Promise<void> | undefined
  let asked = false

  const heldPieceId = computed(() =>
    held.value?.kind === 'piece' ? held.value.pieceId : held.value?.kind === 'placements' ? held.value.first.pieceId : undefined,
  )

  /** Does something, once its turn has come, that takes a thing into the hand. */
  async function taking(work: () => unknown) {
    coming.value++
    try {
      await site.inTurn(work)
    } finally {
      coming.value--
    }
  }

  function take(pieceId: number, at?: VecMm) {
    site.select([])
    if (held.value?.kind !== 'piece' || held.value.pieceId !== pieceId) forgetOffset()
    held.value = { kind: 'piece', pieceId, quarterTurns: 0, mirrored: false }
    point(at ?? startingPlace())
  }

  function takeAssembly(assemblyId: number, at?: VecMm) {
    site.select([])
    held.value = { kind: 'assembly', assemblyId, quarterTurns: 0, mirrored: false }
    point(at ?? startingPlace())
  }

  /** A height and a distance are kept for the piece that they were typed for. */
  function forgetOffset() {
    heightMm.value = undefined
    offMm.value = 0
  }

  /** In the first room's middle, where a piece taken with the keyboard begins. */
  function startingPlace(): VecMm {
    const room = site.massing.rooms[0]
    return room ? { x: room.cornerMm.x + room.widthMm / 2, y: room.cornerMm.y + room.depthMm / 2, z: room.cornerMm.z } : zero
  }

  function pickUp(copy = false) {
    const first = site.selected[0]
    if (!first) return
    forgetOffset()
    held.value = { kind: 'placements', ids: site.selected.map((p) => p.id), first, copy }
    point(first.atMm)
  }

  function putBack() {
    held.value = undefined
    ghost.value = undefined
    spot.value = undefined
  }

  /** Points the held thing at a place; the ghost follows as fast as answers come. */
  function point(at: VecMm) {
    pointed = at
    if (held.value?.kind === 'assembly') {
      spot.value = snapped(at)
      return
    }
    if (answering) {
      asked = true
      return
    }
    answering = ask().finally(() => {
      answering = undefined
      if (asked) point(pointed)
    })
  }

  async function ask() {
    const h = held.value
    asked = false
    if (!h || h.kind === 'assembly' || !site.site) return
    try {
      const answer = await stanceOf(h)
      if (held.value === h) ghost.value = answer
    } catch (e) {
      if (held.value === h) tell(e)
    }
  }

  /** Where what is held would come to stand if it were set down where it is pointed at. */
  function stanceOf(h: Exclude<Held, { kind: 'assembly' }>): Promise<PreviewView> {
    const stance =
      h.kind === 'piece'
        ? { pieceId: h.pieceId, quarterTurns: h.quarterTurns, mirrored: h.mirrored }
        : { pieceId: h.first.pieceId, quarterTurns: h.first.quarterTurns, mirrored: h.first.mirrored, freeDegrees: h.first.freeDegrees }
    return send<PreviewView>('POST', `/api/sites/${site.site!.id}/placements/preview`, {
      place: { ...stance, ...kept(), atMm: whole(pointed), snap: snaps.value },
      without: h.kind === 'placements' && !h.copy ? h.ids : [],
    })
  }

  const kept = () => ({ heightMm: heightMm.value, offMm: offMm.value })

  /** To a tenth of a millimetre: a pointer is no finer than that. */
  const whole = (v: VecMm): VecMm => ({ x: onStep(v.x, FINEST_MM), y: onStep(v.y, FINEST_MM), z: onStep(v.z, FINEST_MM) })

  /** From where the ghost stands: one nudge after the other, however fast they come. */
  async function nudge(by: VecMm) {
    await settled()
    if (held.value?.kind === 'assembly') return point(plus(pointed, by))
    point(plus(ghost.value?.atMm ?? pointed, by))
    await settled()
  }

  /** Until the ghost stands where it is pointed at. */
  async function settled() {
    while (answering) await answering
  }

  function turn(quarters: number) {
    if (!held.value || held.value.kind === 'placements') return
    held.value = { ...held.value, quarterTurns: (held.value.quarterTurns + quarters + 4) % 4 }
    point(pointed)
  }

  function mirror() {
    if (!held.value || held.value.kind === 'placements') return
    held.value = { ...held.value, mirrored: !held.value.mirrored }
    point(pointed)
  }

  /** Sets down what is held, at the place pointed at last; a piece stays in the hand for the next. */
  async function setDown(at?: VecMm) {
    const h = held.value
    if (!h) return
    if (at) pointed = at
    if (h.kind === 'assembly') await setDownAssembly(h, whole(pointed))
    else if (h.kind === 'piece') await setDownPiece(h, whole(pointed))
    else await setDownPlacements(h)
  }

  async function setDownPiece(h: Extract<Held, { kind: 'piece' }>, atMm: VecMm) {
    const code = site.pieceById.get(h.pieceId)?.code ?? 'a piece'
    const placed = await site.make<PlacementView | undefined>(`Set down ${code}`, 'POST', '/placements', {
      pieceId: h.pieceId,
      atMm,
      quarterTurns: h.quarterTurns,
      mirrored: h.mirrored,
      snap: snaps.value,
      ...kept(),
    })
    if (!placed) return
    remember(placed)
    site.select([placed.id])
  }

  async function setDownAssembly(h: Extract<Held, { kind: 'assembly' }>, atMm: VecMm) {
    const { assemblyId, quarterTurns, mirrored } = h
    await site.make('Set down an assembly', 'POST', `/assemblies/${assemblyId}/uses`, { atMm, quarterTurns, mirrored, snap: snaps.value })
  }

  /** The server takes it to the step; this only shows where that will be. */
  const snapped = (v: VecMm): VecMm => ({ ...pointOnStep(v, snaps.value ? (site.site?.stepMm ?? 1) : FINEST_MM), z: v.z })

  function remember(placed: PlacementView) {
    const before = again.value
    const size = site.pieceById.get(placed.pieceId)?.sizeMm.x ?? 0
    const by =
      before?.kind === 'place' && before.pieceId === placed.pieceId
        ? minus(placed.atMm, before.last.atMm)
        : { x: placed.quarterTurns % 2 ? 0 : size, y: placed.quarterTurns % 2 ? size : 0, z: 0 }
    again.value = { kind: 'place', pieceId: placed.pieceId, last: placed, by }
  }

  async function setDownPlacements(h: Extract<Held, { kind: 'placements' }>) {
    const to = await stanceOf(h)
    const by = minus(to.atMm, h.first.atMm)
    putBack()
    site.select(h.ids)
    // What clings turns to the face that it is set down at.
    const piece = site.pieceById.get(h.first.pieceId)
    const clings = h.ids.length === 1 && !h.copy && !!piece && piece.trait.held !== 'STANDS'
    if (clings) await site.setValues(h.ids, { xMm: to.atMm.x, yMm: to.atMm.y, zMm: to.atMm.z, quarterTurns: to.quarterTurns })
    else await (h.copy ? copyBy(by) : moveBy(by))
  }

  async function moveBy(byMm: VecMm) {
    await site.arrange('Move', { byMm })
    again.value = { kind: 'move', by: byMm }
  }

  async function copyBy(byMm: VecMm) {
    await site.copy(byMm)
    again.value = { kind: 'copy', by: byMm }
  }

  /** Once more: places the same piece by the same offset, or moves or copies the selection by it. */
  async function repeat() {
    const a = again.value
    if (!a) return
    if (a.kind !== 'place') {
      if (!site.selection.size) return
      return a.kind === 'move' ? site.arrange('Move', { byMm: a.by }) : site.copy(a.by)
    }
    const { last } = a
    const placed = await site.make<PlacementView | undefined>('Set down again', 'POST', '/placements', {
      pieceId: a.pieceId,
      atMm: plus(last.atMm, a.by),
      quarterTurns: last.quarterTurns,
      mirrored: last.mirrored,
      freeDegrees: last.freeDegrees,
      snap: !last.free,
      ...kept(),
    })
    if (!placed) return
    again.value = { ...a, last: placed }
    site.select([placed.id])
  }

  function copyToClipboard() {
    clipboard.value = [...site.selection]
  }

  function paste() {
    const there = clipboard.value.filter((id) => site.placements.has(id))
    if (!there.length) return
    site.select(there)
    pickUp(true)
  }

  return {
    held,
    holds,
    taking,
    ghost,
    spot,
    takeAssembly,
    snaps,
    heightMm,
    offMm,
    heldPieceId,
    again,
    take,
    pickUp,
    putBack,
    point,
    nudge,
    turn,
    mirror,
    setDown,
    moveBy,
    copyBy,
    repeat,
    copyToClipboard,
    paste,
  }
})

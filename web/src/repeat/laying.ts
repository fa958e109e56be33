import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { Refusal, send, type FollowingView, type RepeatPreview, type RepeatView, type RuleWords } from '../api/client'
import { usePlacing } from '../placing/placing'
import type { Point } from '../site/edges'
import { pointOnStep } from '../measure/length'
import { tell, useSite } from '../site/site'
import { useTable } from '../table/table'
import { brushedWith, DRAWN, dragged, groundBetween, handles, heightOf, laid, stroked, USUAL, usualPoints, type Handle, type Laid, type What } from './rules'

/** What is repeated: a piece from the line-up, or what stands. */
type Subject = { pieceIds: number[] } | { placementIds: string[] } | { assemblyId: number }

/** Beside a path it gets thinner over this distance until another is typed. */
const USUAL_FADE_MM = 1000
/** How near to a handle a hand must be to take it. */
export const HANDLE_REACH_PX = 9

/**
 * Laying repeats: what is about to be repeated, the points drawn so far, and where the server says the copies would stand; and the
 * repeat that is worked on.
 */
export const useLaying = defineStore('laying', () => {
  const site = useSite()
  const table = useTable()
  const placing = usePlacing()
  const what = ref<What>()
  const subject = shallowRef<Subject>()
  /** Where the drag began and is, or the points clicked so far and the pointer. */
  const points = shallowRef<Point[]>([])
  const preview = shallowRef<RepeatPreview>()
  const fault = ref('')
  const chosenId = ref<number>()
  const chosen = computed(() => site.repeats.find((r) => r.id === chosenId.value))
  const grips = computed(() => (chosen.value && !what.value ? handles(chosen.value.rule) : []))
  /** A handle that is held, and the rule as it would be. */
  const held = shallowRef<{ handle: Handle; rule: RuleWords }>()
  /** What a drag does to the scatter that is worked on: it brushes, rubs out, or keeps ground free. */
  const tool = ref<'' | 'brush' | 'rub' | 'free' | 'path'>('')
  const brush = ref({ radiusMm: 1000, strength: 40 })
  /** The touches of the stroke that is made. */
  const stroke = shallowRef<NonNullable<RuleWords['brushedMm']>>([])
  /** The corners of ground that is to stay free. */
  const freeing = shallowRef<Point[]>([])
  /** Whether a value should be typed at once. */
  const fresh = ref(false)
  const floor = ref(0)
  let asking = false
  let again: Laid | undefined

  const mode = computed(() => (what.value ? DRAWN[what.value] : undefined))
  const canBegin = computed(() => placing.held?.kind === 'piece' || placing.held?.kind === 'assembly' || site.selection.size > 0)

  /** What is selected is worked on then. */
  watch(
    () => site.selection.size,
    (size) => size && (chosenId.value = undefined),
  )

  /** Begins with the piece in the hand, else with what is selected. */
  function begin(of: What) {
    if (what.value === of) return stop()
    const held = placing.held
    subject.value =
      held?.kind === 'piece'
        ? { pieceIds: [held.pieceId] }
        : held?.kind === 'assembly'
          ? { assemblyId: held.assemblyId }
          : { placementIds: [...site.selection] }
    placing.putBack()
    stop()
    what.value = of
    chosenId.value = undefined
  }

  function stop() {
    tool.value = ''
    stroke.value = []
    freeing.value = []
    what.value = undefined
    points.value = []
    preview.value = undefined
    fault.value = ''
    held.value = undefined
  }

  const onStep = (p: Point): Point => pointOnStep(p, site.site!.stepMm)

  function press(at: Point, z: number) {
    floor.value = z
    const p = onStep(at)
    if (mode.value === 'way') points.value = [...points.value.slice(0, -1), p, p]
    else points.value = [p, p]
    show()
  }

  /** The pointer is elsewhere, pressed or not. */
  function point(at: Point) {
    if (!points.value.length) return
    points.value = [...points.value.slice(0, -1), onStep(at)]
    show()
  }

  const drawn = () => what.value && laid(what.value, points.value, floor.value, site.site!.stepMm, table.rooms, USUAL[what.value])

  /** Lays it in the middle of the room that is worked on, to be corrected by typing. */
  function layUsual() {
    const room = table.room
    if (!what.value || !room) return
    floor.value = room.cornerMm.z
    const usual = usualPoints(what.value, room, site.site!.stepMm)
    points.value = mode.value === 'way' ? [...usual, usual[1]!] : usual
    return finish()
  }

  /** Lays a trail round the outline of the room that is worked on. */
  async function layOutline() {
    const room = table.room
    const of = subject.value
    if (!room || !of) return
    const at = { x: room.cornerMm.x, y: room.cornerMm.y, z: room.cornerMm.z }
    const rule: RuleWords = { what: 'TRAIL', pathMm: [at, { ...at, x: at.x + room.widthMm }], pace: 'SIDE_BY_SIDE', rest: 'BOTH_ENDS', byStretch: true }
    stop()
    await lay(of, { rule, following: { roomId: room.id, hold: 'OUTLINE' } })
  }

  /** Lays a trail up stairs. */
  async function layUpStairs(stair: number) {
    const of = subject.value
    const foot = site.massing.stairs.find((s) => s.id === stair)?.footMm
    if (!of || !foot) return
    const rule: RuleWords = {
      what: 'TRAIL',
      pathMm: [foot, { ...foot, x: foot.x + 1 }],
      pace: 'SIDE_BY_SIDE',
      rest: 'BOTH_ENDS',
      byStretch: true,
      sloped: true,
    }
    stop()
    await lay(of, { rule, following: { roomId: stair, hold: 'STAIR' } })
  }

  /** Lets go of a drag; a way goes on until it is finished. */
  function release() {
    if (mode.value !== 'way') void finish()
  }

  async function finish() {
    const ready = drawn()
    const of = subject.value
    if (!ready || !of) return
    // The last point of a way is the pointer.
    if (ready.rule.pathMm) ready.rule.pathMm = ready.rule.pathMm.slice(0, -1).filter((p, i, all) => !i || p.x !== all[i - 1]!.x || p.y !== all[i - 1]!.y)
    stop()
    await lay(of, ready)
  }

  async function lay(of: Subject, ready: Laid) {
    await site
      .inTurn(async () => {
        const made = await site.make<RepeatView>('Lay a repeat', 'POST', '/repeats', { ...of, ...ready })
        if (!made) return
        site.select([])
        chosenId.value = made.id
        fresh.value = true
      })
      .catch(tell)
  }

  /** Asks where the copies would stand, one request after another. */
  function show(rule?: Laid) {
    const of =
      chosen.value && (held.value || stroke.value.length)
        ? chosen.value.assemblyId
          ? { assemblyId: chosen.value.assemblyId, insteadOfId: chosen.value.id }
          : { pieceIds: chosen.value.pieceIds, insteadOfId: chosen.value.id }
        : subject.value
    const ready = rule ?? drawn()
    if (!ready || !of) return
    if (asking) {
      again = ready
      return
    }
    asking = true
    void send<RepeatPreview>('POST', `/api/sites/${site.site!.id}/repeats/preview`, { ...of, ...ready })
      .then(
        (found) => {
          if (what.value || held.value || stroke.value.length) preview.value = found
          fault.value = ''
        },
        (e) => {
          preview.value = undefined
          fault.value = e instanceof Refusal ? e.message : ''
        },
      )
      .finally(() => {
        asking = false
        const next = again
        again = undefined
        if (next) show(next)
      })
  }

  const strength = () => (tool.value === 'rub' ? -brush.value.strength : brush.value.strength)

  /** @returns whether the tool is at work now */
  function beginTool(at: Point): boolean {
    if (!tool.value || !chosen.value) return false
    if (tool.value === 'free' || tool.value === 'path') freeing.value = [onStep(at), onStep(at)]
    else goOn(at)
    return true
  }

  function goOn(at: Point) {
    const next = stroked(stroke.value, at, brush.value.radiusMm, strength())
    if (next === stroke.value) return
    stroke.value = next
    show({ rule: { ...chosen.value!.rule, ...brushedWith(chosen.value!.rule, next, isOnWall()) } })
  }

  function goOnWithTool(at: Point): boolean {
    if (freeing.value.length) freeing.value = [freeing.value[0]!, onStep(at)]
    else if (stroke.value.length) goOn(at)
    else return false
    return true
  }

  function endTool(): boolean {
    const [touches, ground, of, made] = [stroke.value, freeing.value, chosen.value, tool.value]
    stroke.value = []
    freeing.value = []
    preview.value = undefined
    if (!of || (!touches.length && !ground.length)) return false
    const path = made === 'path' && ground.length > 1 && (ground[0]!.x !== ground[1]!.x || ground[0]!.y !== ground[1]!.y)
    const free = made === 'free' && ground.length > 1 && ground[0]!.x !== ground[1]!.x && ground[0]!.y !== ground[1]!.y
    // Reckoned from the rule as it is once its turn has come, so that no stroke undoes the one before it.
    const now = () => site.repeats.find((r) => r.id === of.id)?.rule ?? of.rule
    if (path) {
      const ends = ground.map((p) => ({ ...p, z: heightOf(of.rule) }))
      void site.inTurn(() => tell_(change({ rule: { pathMm: [...(now().pathMm ?? []), ...ends], fadePathMm: now().fadePathMm || USUAL_FADE_MM } })))
    } else if (touches.length) void site.inTurn(() => tell_(change({ rule: brushedWith(now(), touches, isOnWall()) })))
    else if (free) void site.inTurn(() => tell_(change({ rule: { keepOutMm: [...(now().keepOutMm ?? []), groundBetween(ground[0]!, ground[1]!)] } })))
    return true
  }

  const handleAt = (at: Point, scale: number) => grips.value.find((h) => Math.hypot(h.x - at.x, h.y - at.y) * scale <= HANDLE_REACH_PX)

  /** @returns whether a handle is held now */
  const grab = (at: Point, scale: number) => hold(handleAt(at, scale))

  /** Where the repeat that is worked on, or the drag, lies. */
  const height = computed(() => (chosen.value && !what.value ? heightOf(chosen.value.rule) : floor.value))

  function hold(handle: Handle | undefined): boolean {
    if (!handle) return false
    held.value = { handle, rule: {} }
    return true
  }

  function drag(at: Point): boolean {
    if (!held.value || !chosen.value) return false
    const to = onStep(at)
    const rule = dragged(chosen.value.rule, held.value.handle.key, to, site.site!.stepMm)
    held.value = { handle: { ...held.value.handle, ...to }, rule }
    show({ rule: { ...chosen.value.rule, ...rule } })
    return true
  }

  function drop(): boolean {
    const h = held.value
    held.value = undefined
    preview.value = undefined
    if (!h) return false
    if (Object.keys(h.rule).length) void site.inTurn(() => tell_(change({ rule: h.rule, ...(isOnWall() ? { followsNothing: true } : {}) })))
    return true
  }

  /** A course whose end is dragged no longer takes the whole of its wall. */
  const isOnWall = () => chosen.value?.following?.hold !== undefined && chosen.value.following.hold !== 'ROOM'
  const tell_ = (work: Promise<unknown>) => work.catch(tell)

  async function change(told: {
    name?: string
    rule?: RuleWords
    following?: FollowingView
    followsNothing?: boolean
    pieceIds?: number[]
    across?: number
    deep?: number
  }) {
    if (chosen.value) await site.make('Change a repeat', 'PATCH', `/repeats/${chosen.value.id}`, told)
  }

  async function takeAway() {
    const id = chosenId.value
    if (id === undefined) return
    chosenId.value = undefined
    await site.make('Take away a repeat', 'DELETE', `/repeats/${id}`)
  }

  async function dissolve() {
    const id = chosenId.value
    if (id === undefined) return
    chosenId.value = undefined
    const places = await site.make<string[] | undefined>('Dissolve a repeat', 'POST', `/repeats/${id}/dissolve`)
    if (places) site.select(places)
  }

  function choose(id: number | undefined) {
    stop()
    if (id !== undefined) site.select([])
    chosenId.value = id
  }

  return {
    what,
    mode,
    points,
    preview,
    fault,
    chosen,
    grips,
    held,
    fresh,
    tool,
    brush,
    stroke,
    freeing,
    beginTool,
    goOnWithTool,
    endTool,
    canBegin,
    begin,
    stop,
    press,
    point,
    release,
    layUsual,
    layOutline,
    layUpStairs,
    finish,
    handleAt,
    height,
    hold,
    grab,
    drag,
    drop,
    change,
    takeAway,
    dissolve,
    choose,
  }
})

/** The repeat that a place belongs to. */
export const repeatOf = (place: string): number | undefined => (place.startsWith('repeat.') ? Number(place.split('.')[1]) : undefined)

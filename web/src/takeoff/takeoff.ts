import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { get, Refusal, send, type GridView, type ItemView, type MeasuredView, type PlaneView } from '../api/client'
import { tell, useSite } from '../site/site'
import { useBoard } from '../board/board'

export type Tool = 'look' | 'perspective' | 'flat' | 'measure' | 'mark'
export type Quantity = 'LENGTH' | 'WIDTH' | 'HEIGHT' | 'RECTANGLE' | 'ANGLE' | 'AREA'
export type Shape = 'POINT' | 'LINE' | 'RECTANGLE' | 'POLYGON'
export interface Point {
  x: number
  y: number
}
/** A plane as it is being picked: kept once it is saved. */
export interface Draft {
  id?: number
  kind: 'FLAT' | 'PERSPECTIVE'
  name: string
  points: Point[]
  widthMm: number
  heightMm: number
  pickErrorPx: number
}
export interface Reading {
  quantity: Quantity
  points: Point[]
  planeId: number
  /** One value, or a rectangle's width and height. */
  values: MeasuredView[]
}

/** How many picks end a figure by themselves; an area or an outline ends with Enter or on its first point. */
export const PICKS: Record<Quantity | Shape, number> = { LENGTH: 2, WIDTH: 2, HEIGHT: 2, ANGLE: 3, AREA: 0, POINT: 1, LINE: 2, RECTANGLE: 2, POLYGON: 0 }
export const flat = (points: Point[]) => points.flatMap((p) => [p.x, p.y])
export const paired = (numbers: number[]): Point[] => numbers.flatMap((x, i) => (i % 2 ? [] : [{ x, y: numbers[i + 1]! }]))

/** The work on one picture: what is picked, and what becomes of it. The server measures; this only remembers. */
export function useTakeoff(picture: Ref<ItemView | undefined>) {
  const site = useSite()
  const board = useBoard()
  const tool = ref<Tool>('look')
  const quantity = ref<Quantity>('LENGTH')
  const shape = ref<Shape>('RECTANGLE')
  const picks = shallowRef<Point[]>([])
  const draft = ref<Draft>()
  const grid = shallowRef<GridView>()
  const fault = ref('')
  const readings = shallowRef<Reading[]>([])
  const planeId = ref<number>()
  const tagId = ref<number>()
  const finish = ref('')
  const chosenMark = ref<number>()

  const planes = computed(() => (board.sheet?.planes ?? []).filter((p) => p.pictureId === picture.value?.id))
  const marks = computed(() => (board.sheet?.marks ?? []).filter((m) => m.pictureId === picture.value?.id))
  const tags = computed(() => board.sheet?.tags ?? [])
  const plane = computed(() => planes.value.find((p) => p.id === planeId.value) ?? planes.value[0])
  const tag = computed(() => tags.value.find((t) => t.id === tagId.value) ?? tags.value[0])

  watch(
    () => picture.value?.id,
    () => {
      picks.value = []
      readings.value = []
      draft.value = undefined
      planeId.value = undefined
      chosenMark.value = undefined
      tool.value = 'look'
    },
  )
  watch(tool, () => {
    picks.value = []
    fault.value = ''
    if (tool.value !== 'perspective' && tool.value !== 'flat') draft.value = undefined
  })

  const calibration = (d: Draft) => ({
    kind: d.kind,
    points: flat(d.points),
    widthMm: d.widthMm,
    heightMm: d.kind === 'FLAT' ? undefined : d.heightMm,
    pickErrorPx: d.pickErrorPx,
  })

  let asking = false
  let again = false
  /** The grid follows the corners as fast as answers come. */
  async function askGrid() {
    const d = draft.value ?? (plane.value && draftOf(plane.value))
    if (!d || !picture.value) {
      grid.value = undefined
      return
    }
    if (asking) {
      again = true
      return
    }
    asking = true
    again = false
    try {
      grid.value = await send<GridView>('POST', `${board.base}/planes/grid`, {
        pixelsX: picture.value.pixelsX,
        pixelsY: picture.value.pixelsY,
        calibration: calibration(d),
      })
      fault.value = ''
    } catch (e) {
      grid.value = undefined
      fault.value = e instanceof Refusal ? e.message : 'The server does not answer.'
    } finally {
      asking = false
      if (again) void askGrid()
    }
  }
  watch([draft, plane], () => void askGrid(), { deep: true, immediate: true })

  function draftOf(p: PlaneView): Draft {
    return { id: p.id, kind: p.kind, name: p.name, points: paired(p.points), widthMm: p.widthMm, heightMm: p.heightMm, pickErrorPx: p.pickErrorPx }
  }
  function edit(p: PlaneView) {
    tool.value = p.kind === 'FLAT' ? 'flat' : 'perspective'
    draft.value = draftOf(p)
  }

  /** One pick on the picture, with whatever tool is in the hand. */
  async function pick(at: Point) {
    fault.value = ''
    const closes = picks.value.length > 2 && Math.hypot(at.x - picks.value[0]!.x, at.y - picks.value[0]!.y) < 8
    if (closes && (tool.value === 'measure' || tool.value === 'mark')) return finishOutline()
    picks.value = [...picks.value, at]
    if (tool.value === 'perspective' || tool.value === 'flat') {
      const wanted = tool.value === 'flat' ? 2 : 4
      if (picks.value.length === wanted) {
        draft.value = {
          kind: tool.value === 'flat' ? 'FLAT' : 'PERSPECTIVE',
          name: `plane ${planes.value.length + 1}`,
          points: picks.value,
          widthMm: 1000,
          heightMm: 1000,
          pickErrorPx: 1,
        }
        picks.value = []
      }
    } else if (picks.value.length === PICKS[tool.value === 'measure' ? quantity.value : shape.value]) await finishFigure()
  }

  async function finishOutline() {
    if (picks.value.length > 2) await finishFigure()
  }

  async function finishFigure() {
    const points = picks.value
    picks.value = []
    try {
      if (tool.value === 'measure') await measure(points)
      else if (tool.value === 'mark') await mark(points)
    } catch (e) {
      if (e instanceof Refusal) fault.value = e.message
      else tell(e)
    }
  }

  async function measure(points: Point[]) {
    if (!plane.value) {
      fault.value = 'Calibrate the picture first: pick a plane of known size.'
      return
    }
    const on = plane.value.id
    const asked = quantity.value === 'RECTANGLE' ? (['WIDTH', 'HEIGHT'] as const) : [quantity.value]
    const values = await Promise.all(
      asked.map((q) => send<MeasuredView>('POST', `${board.base}/measurements`, { planeId: on, quantity: q, points: flat(points) })),
    )
    readings.value = [{ quantity: quantity.value, points, planeId: on, values }, ...readings.value].slice(0, 12)
  }

  async function mark(points: Point[]) {
    if (!tag.value) {
      fault.value = 'Make a tag first: one for each kind of thing that repeats.'
      return
    }
    const made = await board.make<{ id: number }>(`Mark ${tag.value.letter}`, 'POST', '/marks', {
      pictureId: picture.value!.id,
      planeId: plane.value?.id,
      tagId: tag.value.id,
      kind: shape.value,
      points: flat(points),
      finish: finish.value,
    })
    await board.fetchAll()
    chosenMark.value = made.id
  }

  /** The same again, with one click. */
  async function stamp(at: Point) {
    const like = marks.value.find((m) => m.id === chosenMark.value)
    if (!like) return
    try {
      const made = await board.make<{ id: number }>('Mark again', 'POST', `/marks/${like.id}/again`, at)
      await board.fetchAll()
      chosenMark.value = made.id
    } catch (e) {
      tell(e)
    }
  }

  /** Whether the draft is on its way to be kept: it is no longer changed by hand then. */
  const keeping = ref(false)
  async function saveDraft() {
    keeping.value = true
    try {
      await site.inTurn(keepDraft)
    } finally {
      keeping.value = false
    }
  }

  async function keepDraft() {
    const d = draft.value!
    try {
      const body = { name: d.name, calibration: calibration(d) }
      const kept = d.id
        ? await board.make<PlaneView>('Change the plane', 'PUT', `/planes/${d.id}`, body)
        : await board.make<PlaneView>('Calibrate', 'POST', '/planes', { ...body, pictureId: picture.value!.id })
      await board.fetchAll()
      draft.value = undefined
      planeId.value = kept.id
      tool.value = 'measure'
    } catch (e) {
      if (e instanceof Refusal) fault.value = e.message
      else tell(e)
    }
  }

  const proposals = () => get<import('../api/client').ProposalView[]>(`${board.base}/proposals`)

  /** A measured value with what it may be off by: one standard deviation. */
  function say(m: MeasuredView, of: Quantity = 'LENGTH'): string {
    const round = (v: number, to: number) => Math.round(v / to) * to
    if (of === 'ANGLE') return `${m.value.toFixed(1)}° ± ${m.deviation.toFixed(1)}°`
    if (of === 'AREA') return `${(m.value / 1e6).toFixed(3)} m² ± ${(m.deviation / 1e6).toFixed(3)}`
    const to = m.deviation < 1 ? 0.1 : 1
    return `${site.show(round(m.value, to))} ± ${site.show(round(m.deviation, to))}`
  }

  return {
    tool,
    quantity,
    shape,
    picks,
    draft,
    grid,
    fault,
    readings,
    planeId,
    tagId,
    finish,
    chosenMark,
    planes,
    marks,
    tags,
    plane,
    tag,
    edit,
    pick,
    finishOutline,
    stamp,
    saveDraft,
    keeping,
    proposals,
    say,
  }
}

export type Takeoff = ReturnType<typeof useTakeoff>

<script setup lang="ts">
import { Color } from 'three'
import { useEventListener, useResizeObserver } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useCarrying } from '../placing/carrying'
import { useHandling } from '../placing/handling'
import { usePlacing } from '../placing/placing'
import { useStrutting } from '../placing/strutting'
import { isIn } from '../site/edges'
import { bodiesOf, extentOf, extentOfPlacements } from '../site/extent'
import { placementOf } from '../site/standing'
import { meshUrl, tell, useSite, wornUrls } from '../site/site'
import { useDensities } from './densities'
import { useAssembling } from '../repeat/assembling'
import { HANDLE_REACH_PX, useLaying } from '../repeat/laying'
import { useRepetition } from '../ticket/repetition'
import { useLit } from './lit'
import { useMeter } from '../light/meter'
import { useMoods } from '../light/moods'
import { useColourways } from '../sheets/colourways'
import { useSeeing } from '../ticket/seeing'
import { useMenuGesture } from '../table/menuGesture'
import { usePicking } from '../table/picking'
import { useTable } from '../table/table'
import type { BoxMm, VecMm } from '../api/client'
import Handles from './Handles.vue'
import { EYES } from './Walker'
import { SpaceScene } from './SpaceScene'
import { useWalk } from './walk'

const site = useSite()
const densities = useDensities()
const placing = usePlacing()
const table = useTable()
const seeing = useSeeing()
const colourways = useColourways()
const strutting = useStrutting()
const laying = useLaying()
const assembling = useAssembling()
const picking = usePicking()
const carrying = useCarrying()
const handling = useHandling()
/** @param handles whether what is selected has handles here */
const props = defineProps<{ handles: boolean }>()
/** So many that lie behind one another are offered. */
const MOST_BENEATH = 8
const holder = ref<HTMLElement>()
const band = ref<{ x0: number; y0: number; x1: number; y1: number }>()
const drawn = ref({ calls: 0, triangles: 0, instances: 0, view: '', look: 'paper', coats: '', worn: 0 })
let scene: SpaceScene | undefined
let framed = 0

const blocks = computed(() => {
  const m = site.massing
  return [...m.walls, ...m.over, ...m.floors, ...m.solids.map((s) => s.boxMm), ...m.stairs.flatMap((s) => s.bodiesMm), ...m.guards]
})

/** What levels leave of the set: nothing above the next floor, nothing below the slab under this one. */
const levels = computed(() => {
  const level = table.level
  if (!level || table.shownLevels === 'all') return {}
  const rooms = site.massing.rooms.filter((r) => r.levelId === level.id)
  const low = Math.min(level.floorMm, ...rooms.map((r) => r.cornerMm.z)) - (site.site?.wallMm ?? 0) - 1
  return { top: level.floorMm + level.storeyMm, low: table.shownLevels === 'one' ? low : undefined }
})
const hidden = computed(() => new Set(table.ceilings ? [] : site.pieces.filter((p) => p.role === 'CEILING').map((p) => p.id)))
const moods = useMoods()
const meter = useMeter()
const lit = useLit()
/** Toward what casts shadows. */
const sun = computed(() => moods.light?.beams[0]?.toward)
const repetition = useRepetition()
const wear = computed(() => {
  const { all, dealt } = site.looks
  const colours = seeing.repetition && repetition.found ? (id: number, tint: string) => new Color(repetition.colourOf(id, tint)) : undefined
  return dealt.length || colours ? { looks: new Map(dealt.map((d) => [d.chunk, d.looks])), all, colours } : undefined
})

/** What stops someone walking, and what they walk on: the massing, and whatever hands set down. */
function* obstacles(): Generator<BoxMm> {
  yield* blocks.value
  for (const c of site.placements.chunks.values()) {
    if (!c.name.startsWith('hands.')) continue
    for (let i = 0; i < c.count; i++) yield* bodiesOf(placementOf(c, i), site.pieceById)
  }
}
/** The bearing of the middle of the room that someone stands in, degrees. */
function towardMiddle(at: VecMm) {
  const room = site.massing.rooms
    .filter((r) => isIn(r, at) && r.cornerMm.z <= at.z + 1 && at.z < r.cornerMm.z + r.heightMm)
    .sort((a, b) => a.areaM2 - b.areaM2)[0]
  return room ? (Math.atan2(room.cornerMm.y + room.depthMm / 2 - at.y, room.cornerMm.x + room.widthMm / 2 - at.x) * 180) / Math.PI : 90
}
const walk = useWalk(
  obstacles,
  (view) => {
    scene?.walk(view)
    table.standFigure({ ...view.eye, z: view.eye.z - EYES })
  },
  () => {
    table.walking = false
    scene?.endWalk()
    const extent = extentOf(site)
    if (extent) scene?.look(extent, false)
  },
)
watch(
  () => table.walking,
  (on) => (on ? walk.start(table.figureMm, towardMiddle(table.figureMm)) : walk.stop()),
)

async function show() {
  if (!scene || !site.site) return
  const extent = extentOf(site)
  // Someone inside sees everything.
  const open = table.cutaway && !table.walking ? (table.level?.floorMm ?? 0) + table.cutMm : undefined
  const top = table.walking ? undefined : levels.value.top
  const cutMm = open === undefined ? top : top === undefined ? open : Math.min(open, top)
  await scene.show({
    pieces: site.pieces.map((p) => ({ id: p.id, url: meshUrl(site.site!.id, p), version: p.mesh, count: p.count, worn: wornUrls(site.site!.id, p) })),
    set: site.placements,
    blocks: site.site.kit ? [] : blocks.value,
    selection: site.selection,
    cutMm,
    lowMm: table.walking ? undefined : levels.value.low,
    hidden: hidden.value,
    look: seeing.look,
    wear: wear.value,
    finished: seeing.finished,
    coats: seeing.finished ? colourways.coats : undefined,
    instead: seeing.instead,
    against: densities.against,
    boxes: seeing.boxes,
    boxesBeyondMm: seeing.boxesBeyondMm,
    light: moods.light,
    field: lit.field,
    lamps: lit.lamps,
    graded: meter.graded,
    falseColour: meter.falseColour,
    sky: seeing.finished && (table.walking || !!(moods.light && !moods.light.even)),
    finding: site.finding?.placeMm,
    run: table.run?.box,
    extent,
    figureMm: table.figureMm,
  })
  seeing.areBoxes = scene.boxed
  if (extent && framed !== site.site.id) {
    framed = site.site.id
    // Whoever walks already looks from where they are.
    if (!table.walking) scene.look(extent, false)
  }
  showGhost()
}
/** A repeat that is laid or worked on. */
const marks = computed(() => {
  const at = (p: { x: number; y: number }) => ({ x: p.x, y: p.y, z: laying.height })
  return {
    boxes: laying.preview?.boxesMm ?? (assembling.ghost ? [assembling.ghost] : []),
    way: laying.what ? laying.points.map(at) : [],
    handles: (laying.held ? [laying.held.handle] : laying.grips).map(at),
  }
})
watch(marks, (m) => scene?.showLaying(m))

/** The handle of a repeat within a hand's reach of a pixel. */
function handleAt(x: number, y: number) {
  return laying.grips.find((h) => {
    const p = scene!.pixelOf({ x: h.x, y: h.y, z: laying.height })
    return Math.hypot(p.x - x, p.y - y) <= HANDLE_REACH_PX
  })
}
function showGhost() {
  const { held } = handling
  if (held) {
    scene?.showGhosts(held.placements)
    carryGhosts()
  } else scene?.showGhosts(placing.heldPieceId !== undefined && placing.ghost ? [{ pieceId: placing.heldPieceId, ...placing.ghost }] : [])
}
const carryGhosts = () => handling.held && scene?.carryGhosts(handling.moved.byMm, handling.degrees, handling.held.pivot)

let pending = false
function showSoon() {
  if (pending) return
  pending = true
  requestAnimationFrame(() => {
    pending = false
    void show().catch(tell)
  })
}

onMounted(() => {
  scene = new SpaceScene(holder.value!, (s) => {
    drawn.value = {
      calls: s.drawCalls,
      triangles: s.triangles,
      instances: s.instances,
      view: s.viewProjection.join(' '),
      look: s.isFinished ? 'finished' : 'paper',
      coats: s.coatsShown,
      worn: s.worn,
    }
  })
  showSoon()
})
onBeforeUnmount(() => scene?.dispose())
const size = ref({ width: 0, height: 0 })
useResizeObserver(holder, ([entry]) => {
  size.value = entry!.contentRect
  scene?.resize()
})
/** Handles keep out of the way of whatever else the hand does. */
const hasHandles = computed(
  () => props.handles && !table.walking && !placing.holds && !laying.what && !laying.tool && !laying.chosen && !strutting.active && !!handling.pivot,
)
const seen = {
  pixelOf: (at: VecMm) => scene!.pixelOf(at),
  onPlane: (x: number, y: number, zMm: number) => scene!.onPlane(x, y, zMm),
  onAxis: (x: number, y: number, through: VecMm, axis: VecMm) => scene!.onAxis(x, y, through, axis),
}

watch(
  () => [
    site.placements,
    site.pieces,
    site.massing,
    site.selection,
    site.finding,
    site.shapes,
    table.cutaway,
    table.cutMm,
    table.level,
    table.figureMm,
    table.run,
    levels.value,
    hidden.value,
    seeing.look,
    wear.value,
    seeing.boxes,
    seeing.boxesBeyondMm,
    seeing.finished,
    colourways.coats,
    seeing.instead,
    densities.against,
    moods.light,
    lit.field,
    lit.lamps,
    meter.graded,
    meter.falseColour,
    table.walking,
  ],
  showSoon,
  { deep: false },
)
watch(() => site.site?.revision, showSoon)
watch([() => placing.ghost, () => placing.held, () => handling.held], showGhost)
watch([() => handling.moved, () => handling.degrees], carryGhosts)
watch(
  () => table.asked.count,
  () => {
    const { at } = table.asked
    const box = typeof at === 'object' ? at : at === 'selection' ? (site.finding?.placeMm ?? extentOfPlacements(site, site.selected)) : extentOf(site)
    if (box) scene?.look(box, at !== 'all')
  },
)
watch(
  () => site.finding,
  (f) => f && scene?.look(f.placeMm, true),
)

const spaceDown = (e: KeyboardEvent) => e.key === ' ' && scene?.panWithLeft(true)
const spaceUp = (e: KeyboardEvent) => e.key === ' ' && scene?.panWithLeft(false)
useEventListener(window, 'keydown', spaceDown)
useEventListener(window, 'keyup', spaceUp)

function place(e: PointerEvent) {
  const r = holder.value!.getBoundingClientRect()
  return [e.clientX - r.left, e.clientY - r.top] as const
}

/** The height that a repeat is dragged at while it is laid. */
let dragZ = 0
/** What is laid against an upright piece is laid on the floor before it. */
const UPRIGHT = new Set(['WALL', 'DOOR', 'WINDOW', 'PASSAGE', 'POST', 'PILLAR'])
const isUpright = (id: string | undefined) => UPRIGHT.has(site.pieceById.get(site.placements.get(id ?? '')?.pieceId ?? 0)?.role ?? '')
/** The highest floor below a point, of the rooms that it lies in or at. */
const floorAt = (at: VecMm) => {
  const within = (from: number, size: number, v: number) => from - 1 <= v && v <= from + size + 1
  const floors = site.massing.rooms
    .filter((r) => within(r.cornerMm.x, r.widthMm, at.x) && within(r.cornerMm.y, r.depthMm, at.y) && r.cornerMm.z <= at.z + 1)
    .map((r) => r.cornerMm.z)
  return floors.length ? Math.max(...floors) : (table.level?.floorMm ?? 0)
}

let head: { x: number; y: number } | undefined

const menu = useMenuGesture((e) => scene?.pick(...place(e), table.takes) ?? {})

function down(e: PointerEvent) {
  if (!table.walking) menu.down(e)
  leave()
  if (walk.walking.value) {
    const [x, y] = place(e)
    head = { x, y }
    holder.value!.setPointerCapture(e.pointerId)
    return
  }
  if (e.button !== 0) return
  const [x, y] = place(e)
  if (laying.what) {
    const { id, atMm } = scene!.pick(x, y)
    if (!atMm) return
    dragZ = atMm.z
    laying.press(atMm, isUpright(id) ? floorAt(atMm) : Math.round(atMm.z))
    holder.value!.setPointerCapture(e.pointerId)
    return
  }
  if (!placing.holds && !laying.tool && laying.hold(handleAt(x, y))) {
    holder.value!.setPointerCapture(e.pointerId)
    return
  }
  const on = laying.tool ? scene!.pick(x, y).atMm : undefined
  if (on && laying.beginTool(on)) {
    holder.value!.setPointerCapture(e.pointerId)
    return
  }
  band.value = { x0: x, y0: y, x1: x, y1: y }
  if (!strutting.active) carrying.press(e, scene!.pick(x, y, table.takes).id)
  holder.value!.setPointerCapture(e.pointerId)
}

function move(e: PointerEvent) {
  menu.move(e)
  const [x, y] = place(e)
  if (meter.measures) meter.read(scene?.brightness(x, y))
  if (head) {
    walk.turn(x - head.x, y - head.y)
    head = { x, y }
  } else if (carrying.drag(e, landing(x, y))) {
    return
  } else if (laying.stroke.length || laying.freeing.length) {
    const on = scene!.pick(x, y).atMm
    if (on) laying.goOnWithTool(on)
  } else if (laying.held || (laying.what && laying.points.length)) {
    const on = scene!.onPlane(x, y, laying.held ? laying.height : dragZ)
    if (on && !laying.drag(on)) laying.point(on)
  } else if (band.value) band.value = { ...band.value, x1: x, y1: y }
  else if (placing.held && e.buttons === 0) {
    const at = scene!.pick(x, y).atMm
    if (at) placing.point(at)
  } else if (e.buttons === 0 && !laying.what && !laying.tool && !strutting.active) hover(e, x, y)
}

/** Says what a click would take, once a frame. */
function hover(e: PointerEvent, x: number, y: number) {
  cancelAnimationFrame(hovering)
  hovering = requestAnimationFrame(() => {
    const id = scene?.pick(x, y, table.takes).id
    picking.hovered = id === undefined ? undefined : { x: e.clientX, y: e.clientY, id }
  })
}
function leave() {
  cancelAnimationFrame(hovering)
  picking.hovered = undefined
  meter.read(undefined)
}
let hovering = 0
/** The surface under a pixel that what is carried would come to lie on: not its own. */
const landing = (x: number, y: number) => scene?.pick(x, y, (id) => !site.selection.has(id)).atMm

/**
 * After the keys that were pressed before it: what a click or a box picks is what stands once they are done, though no frame
 * has drawn it yet.
 */
const inTurn = (work: () => unknown) =>
  void site
    .inTurn(async () => {
      if (pending) await show().catch(tell)
      if (scene) await work()
    })
    .catch(tell)

function up(e: PointerEvent) {
  menu.up(e)
  head = undefined
  if (walk.walking.value) return
  if (carrying.letGo(landing(...place(e)))) {
    band.value = undefined
    return
  }
  if (laying.endTool() || laying.drop()) return
  if (laying.what && e.button === 0) return laying.release()
  const b = band.value
  band.value = undefined
  if (!b || e.button !== 0) return
  if (Math.hypot(b.x1 - b.x0, b.y1 - b.y0) > 4 && !placing.holds) {
    inTurn(() => {
      const ids = scene!.within(Math.min(b.x0, b.x1), Math.min(b.y0, b.y1), Math.max(b.x0, b.x1), Math.max(b.y0, b.y1)).filter(table.takes)
      site.select(e.shiftKey ? [...site.selection, ...ids] : ids)
    })
  } else if (strutting.active || placing.holds) {
    inTurn(() => {
      const { atMm } = scene!.pick(b.x1, b.y1)
      if (!strutting.active) return placing.setDown(atMm)
      return atMm && strutting.point(atMm)
    })
  } else {
    inTurn(() => picking.click(e.clientX, e.clientY, scene!.under(b.x1, b.y1, table.takes, MOST_BENEATH), e.shiftKey))
  }
}
</script>

<template>
  <div
    ref="holder"
    class="space"
    data-testid="space"
    role="img"
    aria-label="The set in three dimensions; the list in Build can do the same"
    :data-draw-calls="drawn.calls"
    :data-triangles="drawn.triangles"
    :data-instances="drawn.instances"
    :data-view="drawn.view"
    :data-look="drawn.look"
    :data-coats="drawn.coats"
    :data-worn="drawn.worn"
    :data-walking="table.walking"
    :data-sun="sun ? [sun.x, sun.y, sun.z].map((v) => v.toFixed(4)).join(' ') : ''"
    :data-bounced="lit.spacing"
    :data-lamps="lit.lamps?.emitters.length"
    :data-mood="moods.used?.name"
    @pointerdown="down"
    @pointermove="move"
    @pointerleave="leave"
    @pointerup="up"
    @contextmenu.prevent>
    <div
      v-if="band && !placing.holds"
      class="band"
      :style="{
        left: `${Math.min(band.x0, band.x1)}px`,
        top: `${Math.min(band.y0, band.y1)}px`,
        width: `${Math.abs(band.x1 - band.x0)}px`,
        height: `${Math.abs(band.y1 - band.y0)}px`,
      }" />
    <Handles v-if="hasHandles && drawn.view" :seen="seen" :view="drawn.view" :size="size" />
  </div>
</template>

<style scoped>
.space {
  position: absolute;
  inset: 0;
  overflow: hidden;
  touch-action: none;
}
.space :deep(canvas) {
  display: block;
}
.band {
  position: absolute;
  border: 1px dashed var(--plum);
  background: rgba(106, 61, 124, 0.08);
  pointer-events: none;
}
</style>

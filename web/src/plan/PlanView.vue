<script setup lang="ts">
import { useEventListener, useResizeObserver } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { BoxMm, GapView, PlacementView } from '../api/client'
import { edgeNear, isIn, isUpright, outward, type Edge, type Point } from '../massing/edges'
import { usePlacing } from '../build/placing'
import { boxOf, extentOf, extentOfPlacements, footprint } from '../site/extent'
import { tell, useSite } from '../site/site'
import { extentOfChunk, placementOf } from '../site/standing'
import { useTable } from '../table/table'
import { drawPlan } from './draw'
import { below, isSeen, onLevel } from './level'
import { fitted, magnified, toPixel, toSiteMm, type Lie } from './sheet'

const site = useSite()
const placing = usePlacing()
const table = useTable()
const holder = ref<HTMLElement>()
const canvas = ref<HTMLCanvasElement>()
const lie = ref<Lie>({ scale: 0.05, x: 80, y: 400 })
const props = defineProps<{ massing: boolean }>()
const room = ref<{ x0: number; y0: number; x1: number; y1: number }>()
/** The edge under the pointer, or held and dragged so far outward. */
const edge = ref<{ edge: Edge; byMm: number; held: boolean }>()
/** The opening under the pointer, or held and dragged along its wall. */
const opening = ref<{ gap: GapView; start?: Point; by: Point }>()
/** How near to an edge a hand must be to take it. */
const EDGE_REACH_PX = 7
const band = ref<{ x0: number; y0: number; x1: number; y1: number }>()
let pan: { x: number; y: number } | undefined
/** Until a hand moves the sheet, it is fitted anew whenever the window or the rooms change. */
let touched = false
let due = 0
let spaceHeld = false
let figureHeld = false

/** How far a hand may miss the figure's middle: half its width. */
const FIGURE_REACH_MM = 200

function size() {
  const parent = canvas.value!.parentElement!
  return { width: parent.clientWidth, height: parent.clientHeight }
}

function draw() {
  due = 0
  const c = canvas.value?.getContext('2d')
  if (!c || !site.site) return
  const { width, height } = size()
  const ratio = window.devicePixelRatio
  if (canvas.value!.width !== width * ratio || canvas.value!.height !== height * ratio) {
    canvas.value!.width = width * ratio
    canvas.value!.height = height * ratio
  }
  c.setTransform(ratio, 0, 0, ratio, 0, 0)
  const piece = placing.heldPieceId === undefined ? undefined : site.pieceById.get(placing.heldPieceId)
  drawPlan(c, {
    lie: lie.value,
    width,
    height,
    stepMm: site.site.stepMm,
    wallMm: site.site.wallMm,
    unit: site.unit,
    massing: onLevel(site.massing, table.level),
    floorMm: table.level?.floorMm ?? 0,
    below: below(site.massing, table.level),
    placements: inSight(width, height),
    holder: (id) => site.placements.get(id),
    pieceById: site.pieceById,
    selection: site.selection,
    ghost: piece && placing.ghost ? { piece, stance: placing.ghost } : undefined,
    finding: site.finding,
    room: room.value && { ...room.value, cuts: table.drawing === 'cut' },
    chosen: props.massing ? table.room : undefined,
    edge: props.massing ? edge.value : undefined,
    opening: props.massing && opening.value ? { box: opening.value.gap.box, by: opening.value.by } : undefined,
    figureMm: table.figureMm,
    gaps: site.survey.findings.filter((f) => f.kind === 'GAP').map((f) => f.placeMm),
  })
}
/** Tiles narrower than this are no more than grey. */
const LEAST_TILE_PX = 3

/** What lies within the sheet, chunk by chunk. */
function inSight(width: number, height: number): PlacementView[] {
  const [x0, y1] = toSiteMm(lie.value, 0, 0)
  const [x1, y0] = toSiteMm(lie.value, width, height)
  const seen: PlacementView[] = []
  for (const c of site.placements.chunks.values()) {
    const box = extentOfChunk(c, site.pieceById)
    if (box && (box.max.x < x0 || box.min.x > x1 || box.max.y < y0 || box.min.y > y1)) continue
    const widest = Math.max(...[...c.palette].map((id) => site.pieceById.get(id)?.sizeMm.x ?? 0))
    if (box && !isSeen(site.massing, table.level, box.min.z, box.max.z)) continue
    if (c.name.startsWith('tiles.') && widest * lie.value.scale < LEAST_TILE_PX) continue
    for (let i = 0; i < c.count; i++) {
      const p = placementOf(c, i)
      const own = site.pieceById.get(p.pieceId)?.boxMm
      if (!own || isSeen(site.massing, table.level, p.atMm.z + own.min.z, p.atMm.z + own.max.z)) seen.push(p)
    }
  }
  return seen
}
const drawSoon = () => (due ||= requestAnimationFrame(draw))

function frame(of: 'all' | 'selection') {
  const box =
    of === 'selection'
      ? (site.finding?.placeMm ?? extentOfPlacements(site, site.selected))
      : (extentOf(site) ?? { min: { x: 0, y: 0, z: 0 }, max: { x: 8000, y: 6000, z: 0 } })
  const { width, height } = size()
  if (!box || width === 0) return
  const whole = fitted(box, width, height)
  lie.value = of === 'selection' && whole.scale > 0.15 ? fitted(box, width, height, Math.min(width, height) * 0.36) : whole
}

watch(
  () => [
    lie.value,
    table.figureMm,
    site.placements,
    site.massing,
    site.pieces,
    site.selection,
    site.finding,
    placing.ghost,
    placing.held,
    room.value,
    edge.value,
    opening.value,
    table.room,
    table.level,
    props.massing,
    site.site,
  ],
  drawSoon,
)
watch(() => [site.site?.revision, site.survey], drawSoon)
watch(
  () => site.massing,
  () => !touched && !placing.held && frame('all'),
)
watch(
  () => site.site && site.pieces.length > 0,
  (there) => there && !touched && frame('all'),
)
watch(
  () => site.site?.id,
  () => (touched = false),
)
watch(
  () => table.asked.count,
  () => {
    touched = table.asked.at === 'selection'
    frame(table.asked.at)
  },
)
watch(
  () => site.finding,
  (f) => {
    if (!f) return
    touched = true
    frame('selection')
  },
)

const onKeyDown = (e: KeyboardEvent) => e.key === ' ' && (spaceHeld = true)
const onKeyUp = (e: KeyboardEvent) => e.key === ' ' && (spaceHeld = false)

useEventListener(window, 'keydown', onKeyDown)
useEventListener(window, 'keyup', onKeyUp)
useResizeObserver(holder, () => {
  if (!touched) frame('all')
  drawSoon()
})
onMounted(() => {
  void document.fonts.ready.then(drawSoon)
  drawSoon()
})
onBeforeUnmount(() => cancelAnimationFrame(due))

function place(e: PointerEvent | WheelEvent): [number, number] {
  const r = canvas.value!.getBoundingClientRect()
  return [e.clientX - r.left, e.clientY - r.top]
}

/** The floor drawn at a point of the sheet: where rooms lie over one another, the lowest, as the drawing shows it. */
function floorZ(x: number, y: number) {
  const under = table.rooms.filter((r) => isIn(r, { x, y }))
  return under.length ? Math.min(...under.map((r) => r.cornerMm.z)) : (table.level?.floorMm ?? 0)
}

function pointed(e: PointerEvent) {
  const [x, y] = toSiteMm(lie.value, ...place(e))
  return { x, y, z: floorZ(x, y) }
}

const nearFigure = (x: number, y: number) => Math.hypot(x - table.figureMm.x, y - table.figureMm.y) < FIGURE_REACH_MM

/** Shows a new room's corner on the step, where the server will take it. */
const onStep = (v: number) => Math.round(v / site.site!.stepMm) * site.site!.stepMm

function down(e: PointerEvent) {
  canvas.value!.setPointerCapture(e.pointerId)
  const [px, py] = place(e)
  if (e.button === 1 || e.button === 2 || (e.button === 0 && spaceHeld)) {
    pan = { x: px, y: py }
  } else if (e.button === 0 && table.drawing) {
    const [x, y] = toSiteMm(lie.value, px, py)
    room.value = { x0: onStep(x), y0: onStep(y), x1: onStep(x), y1: onStep(y) }
  } else if (e.button === 0 && opening.value) {
    const [x, y] = toSiteMm(lie.value, px, py)
    opening.value = { ...opening.value, start: { x, y } }
  } else if (e.button === 0 && edge.value) {
    edge.value = { ...edge.value, held: true }
  } else if (e.button === 0 && !placing.held && nearFigure(...toSiteMm(lie.value, px, py))) {
    figureHeld = true
  } else if (e.button === 0) {
    band.value = { x0: px, y0: py, x1: px, y1: py }
  }
}

function move(e: PointerEvent) {
  const [px, py] = place(e)
  if (pan) {
    touched = true
    lie.value = { ...lie.value, x: lie.value.x + px - pan.x, y: lie.value.y + py - pan.y }
    pan = { x: px, y: py }
  } else if (figureHeld) {
    const [x, y] = toSiteMm(lie.value, px, py)
    table.standFigure({ x, y, z: floorZ(x, y) })
  } else if (room.value) {
    const [x, y] = toSiteMm(lie.value, px, py)
    room.value = { ...room.value, x1: onStep(x), y1: onStep(y) }
  } else if (opening.value?.start) {
    const [x, y] = toSiteMm(lie.value, px, py)
    const { gap, start } = opening.value
    const lies = gap.side === 'NORTH' || gap.side === 'SOUTH'
    opening.value = { gap, start, by: lies ? { x: onStep(x - start.x), y: 0 } : { x: 0, y: onStep(y - start.y) } }
  } else if (edge.value?.held) {
    const [x, y] = toSiteMm(lie.value, px, py)
    edge.value = { ...edge.value, byMm: onStep(outward(edge.value.edge, { x, y })) }
  } else if (band.value) {
    band.value = { ...band.value, x1: px, y1: py }
  } else if (placing.held && e.buttons === 0) {
    placing.point(pointed(e))
  } else if (props.massing && e.buttons === 0) {
    const [x, y] = toSiteMm(lie.value, px, py)
    const reach = EDGE_REACH_PX / lie.value.scale
    const gap = table.drawing ? undefined : onLevel(site.massing, table.level).gaps.find((g) => isAt(g.box, x, y, reach))
    if (gap?.openingId !== opening.value?.gap.openingId) opening.value = gap && { gap, by: { x: 0, y: 0 } }
    const near = table.room && !table.drawing && !gap ? edgeNear(table.room, { x, y }, EDGE_REACH_PX / lie.value.scale) : undefined
    if (near?.edge !== edge.value?.edge.edge || near?.lengthMm !== edge.value?.edge.lengthMm) edge.value = near && { edge: near, byMm: 0, held: false }
  }
}

function up(e: PointerEvent) {
  pan = undefined
  figureHeld = false
  if (room.value) finishRoom()
  else if (opening.value?.start) finishOpening()
  else if (edge.value?.held) finishEdge()
  else if (band.value && e.button === 0) finishBand(e)
  band.value = undefined
}

const emit = defineEmits<{ ground: [from: Point, to: Point]; edge: [edge: number, outwardMm: number]; opening: [id: number, by: Point] }>()

const isAt = (b: BoxMm, x: number, y: number, reach: number) => x >= b.min.x - reach && x <= b.max.x + reach && y >= b.min.y - reach && y <= b.max.y + reach

function finishOpening() {
  const { gap, by } = opening.value!
  opening.value = undefined
  if (by.x !== 0 || by.y !== 0) emit('opening', gap.openingId, by)
}

function finishEdge() {
  const held = edge.value!
  edge.value = undefined
  if (held.byMm !== 0) emit('edge', held.edge.edge, held.byMm)
}

function finishRoom() {
  const r = room.value!
  room.value = undefined
  if (r.x0 !== r.x1 && r.y0 !== r.y1) {
    emit('ground', { x: r.x0, y: r.y0 }, { x: r.x1, y: r.y1 })
  }
}

function finishBand(e: PointerEvent) {
  const b = band.value!
  if (placing.held) {
    const at = pointed(e)
    void site.inTurn(() => placing.setDown(at)).catch(tell)
  } else if (Math.hypot(b.x1 - b.x0, b.y1 - b.y0) > 4) {
    const [x0, y0] = toSiteMm(lie.value, Math.min(b.x0, b.x1), Math.max(b.y0, b.y1))
    const [x1, y1] = toSiteMm(lie.value, Math.max(b.x0, b.x1), Math.min(b.y0, b.y1))
    const ids = shown()
      .filter((p) => {
        const box = boxOf(p, site.pieceById.get(p.pieceId)!)
        return box.min.x >= x0 && box.max.x <= x1 && box.min.y >= y0 && box.max.y <= y1
      })
      .map((p) => p.id)
      .filter(table.takes)
    site.select(e.shiftKey ? [...site.selection, ...ids] : ids)
  } else {
    const [x, y] = toSiteMm(lie.value, b.x1, b.y1)
    const inside = props.massing ? table.rooms.find((r) => isIn(r, { x, y })) : undefined
    if (inside) table.chosenRoom = inside.id
    const id = props.massing ? undefined : under(x, y)
    if (e.shiftKey && id !== undefined) site.toggle(id)
    else if (!e.shiftKey) site.select(id === undefined ? [] : [id])
  }
}

/** What the plan shows: all but ceilings. */
const shown = () => {
  const { width, height } = size()
  return inSight(width, height).filter((p) => site.pieceById.get(p.pieceId)?.role !== 'CEILING')
}

/** The topmost placement at a point. */
function under(x: number, y: number): string | undefined {
  let best: { id: string; top: number } | undefined
  for (const p of shown()) {
    const piece = site.pieceById.get(p.pieceId)!
    const top = p.atMm.z + piece.boxMm.max.z
    if ((!best || top >= best.top) && inside(footprint(p, piece, piece.boxMm), x, y)) best = { id: p.id, top }
  }
  return best?.id
}

function inside(corners: { x: number; y: number }[], x: number, y: number): boolean {
  const sides = corners.map((a, i) => {
    const b = corners[(i + 1) % corners.length]!
    return (b.x - a.x) * (y - a.y) - (b.y - a.y) * (x - a.x)
  })
  return sides.every((s) => s >= 0) || sides.every((s) => s <= 0)
}

function wheel(e: WheelEvent) {
  touched = true
  lie.value = magnified(lie.value, Math.exp(-e.deltaY * 0.0015), ...place(e))
}

const origin = computed(() => toPixel(lie.value, 0, 0))
</script>

<template>
  <div
    ref="holder"
    class="plan"
    :class="{ crosshair: table.drawing || placing.held, upright: edge && isUpright(edge.edge), lying: edge && !isUpright(edge.edge), moving: opening }">
    <canvas
      ref="canvas"
      data-testid="plan"
      role="img"
      aria-label="The plan; the list in Build can do the same"
      :data-scale="lie.scale"
      :data-origin="origin.join(' ')"
      :data-figure="[table.figureMm.x, table.figureMm.y, table.figureMm.z].join(' ')"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @wheel.prevent="wheel"
      @contextmenu.prevent />
    <div
      v-if="band && !placing.held"
      class="band"
      :style="{
        left: `${Math.min(band.x0, band.x1)}px`,
        top: `${Math.min(band.y0, band.y1)}px`,
        width: `${Math.abs(band.x1 - band.x0)}px`,
        height: `${Math.abs(band.y1 - band.y0)}px`,
      }" />
  </div>
</template>

<style scoped>
.plan {
  position: absolute;
  inset: 0;
  overflow: hidden;
  touch-action: none;
}
canvas {
  width: 100%;
  height: 100%;
  display: block;
}
.crosshair {
  cursor: crosshair;
}
.moving {
  cursor: move;
}
.upright {
  cursor: ew-resize;
}
.lying {
  cursor: ns-resize;
}
.band {
  position: absolute;
  border: 1px dashed var(--plum);
  background: rgba(106, 61, 124, 0.08);
  pointer-events: none;
}
</style>

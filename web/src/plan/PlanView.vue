<script setup lang="ts">
import { useEventListener, useResizeObserver } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { get, type BoxMm, type PlacementView } from '../api/client'
import { isIn, isUpright } from '../site/edges'
import { useBringIn, withOutlines } from '../massing/bringIn'
import { useFlow } from '../massing/flow'
import { useCarrying } from '../placing/carrying'
import { usePlacing } from '../placing/placing'
import { useStrutting } from '../placing/strutting'
import { useAssembling } from '../repeat/assembling'
import { useLaying } from '../repeat/laying'
import { useTwinning } from '../repeat/twinning'
import { groundBetween } from '../repeat/rules'
import { boxOf, extentOf, extentOfPlacements, footprint, heights } from '../site/extent'
import { tell, useSite } from '../site/site'
import { extentOfChunk, placementOf } from '../site/standing'
import { straight } from '../table/line'
import { useSeeing } from '../ticket/seeing'
import { useArrangement } from '../table/arrangement'
import { useMenuGesture } from '../table/menuGesture'
import { usePicking } from '../table/picking'
import { useTable } from '../table/table'
import { drawPlan } from './draw'
import { isDrawn, layerOf } from './pieces'
import ChainEntry from './ChainEntry.vue'
import KitForecast from './KitForecast.vue'
import type { Written } from './chains'
import { useHand, type Deed } from '../massing/hand'
import { above, below, guardsOn, isSeen, onLevel, solidsOn, stairsOn } from '../site/level'
import { asked } from './typed'
import { fitted, fittedBeside, magnified, toPixel, toSiteMm, type Lie } from './sheet'

const site = useSite()
const flow = useFlow()
const { drawn } = useBringIn()
const placing = usePlacing()
const table = useTable()
const laying = useLaying()
const twinning = useTwinning()
const seeing = useSeeing()
const strutting = useStrutting()
const picking = usePicking()
const views = useArrangement()
const carrying = useCarrying()
const assembling = useAssembling()
const holder = ref<HTMLElement>()
const canvas = ref<HTMLCanvasElement>()
const lie = ref<Lie>({ scale: 0.05, x: 80, y: 400 })
/** @param small whether it lies in the corner of the other view: shown whole, without dimensions */
const props = defineProps<{ massing: boolean; small: boolean }>()
const emit = defineEmits<{ deed: [deed: Deed] }>()
const band = ref<{ x0: number; y0: number; x1: number; y1: number }>()
let pan: { x: number; y: number } | undefined
/** Until a hand moves the sheet, it is fitted anew when the window changes. */
let touched = false
/** Where the sheet lay while it was large. */
let wasLarge: { lie: Lie; touched: boolean; width: number; height: number } | undefined
let due = 0
let written: Written[] = []
/** The length of a chain that is being typed. */
const typing = ref<Written>()
/** How near to a written length a hand must be to type it. */
const WORD_REACH_PX = 14
let spaceHeld = false
let figureHeld = false

const hand = useHand(
  () => ({
    massing: site.massing,
    level: table.level,
    room: table.selectedRoom,
    stair: table.stair,
    solid: table.solid,
    stepMm: site.site!.stepMm,
    wallMm: site.site!.wallMm,
    scale: lie.value.scale,
  }),
  (deed) => emit('deed', deed),
)
const { room, line, corner, edge, opening, body } = hand
/** Where the pointer is that drags something of the massing, pixels. */
const draggedTo = ref({ x: 0, y: 0 })

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
  written = drawPlan(c, {
    lie: lie.value,
    width,
    height,
    small: props.small,
    stepMm: site.site.stepMm,
    wallMm: site.site.wallMm,
    unit: site.unit,
    massing: onLevel(site.massing, table.level),
    floorMm: table.level?.floorMm ?? 0,
    below: below(site.massing, table.level),
    above: above(site.massing, table.level),
    stairs: stairsOn(site.massing, table.level),
    chosenStair: props.massing ? table.chosenStair : undefined,
    solids: solidsOn(site.massing, table.level),
    chosenSolid: props.massing ? table.chosenSolid : undefined,
    guards: guardsOn(site.massing, table.level),
    run: props.massing ? table.run?.box : undefined,
    coming: props.massing ? (drawn.value?.read.outlines ?? []) : [],
    flow: props.massing ? flow.value : undefined,
    section: table.section && straight(table.section),
    line: line.value && [line.value.from, line.value.to].map((q) => ({ ...q, z: 0 })),
    typed: hand.typed.value,
    body: props.massing && body.value ? body.value : undefined,
    placements: inSight(width, height),
    scatters: new Map(site.repeats.filter((r) => r.rule.what === 'SCATTER' && r.id !== laying.chosen?.id).map((r) => [r.id, r.name])),
    isGhost: (id) => seeing.look?.(id) === 'ghost',
    holder: (id) => site.placements.get(id),
    pieceById: site.pieceById,
    selection: site.selection,
    ghost: piece && placing.ghost ? { piece, stance: placing.ghost } : undefined,
    finding: site.finding,
    room: room.value && { ...room.value, cuts: table.drawing === 'cut' },
    chosen: props.massing && !table.stair && !table.solid ? table.selectedRoom : undefined,
    edge: props.massing ? edge.value : undefined,
    corner: props.massing ? corner.value : undefined,
    opening: props.massing && opening.value ? { box: opening.value.gap.box, by: opening.value.by } : undefined,
    laying: props.massing ? undefined : marks(),
    figureMm: table.figureMm,
    gaps: site.survey.findings.filter((f) => f.kind === 'GAP').map((f) => f.placeMm),
  })
}
/** What is drawn of a repeat: where its copies would stand, and what can be dragged of it. */
const marks = () => ({
  boxes: laying.preview?.boxesMm ?? (assembling.ghost ? [assembling.ghost] : []),
  way: laying.what ? laying.points : [],
  paths: [...(laying.chosen?.rule.what === 'SCATTER' ? pairs(laying.chosen.rule.pathMm ?? []) : []), ...(laying.tool === 'path' ? pairs(laying.freeing) : [])],
  handles: laying.held ? [laying.held.handle] : laying.grips,
  touches: laying.stroke.length ? laying.stroke : laying.tool === 'brush' || laying.tool === 'rub' ? (laying.chosen?.rule.brushedMm ?? []) : [],
  free: [
    ...(laying.chosen?.rule.keepOutMm ?? []),
    ...(laying.freeing.length && laying.tool === 'free' ? [groundBetween(laying.freeing[0]!, laying.freeing[1]!)] : []),
  ],
})
const SMALL_MARGIN_PX = 22
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
      const piece = site.pieceById.get(p.pieceId)
      const [low, high] = piece ? heights(p, piece) : [p.atMm.z, p.atMm.z]
      if (seeing.look?.(p.id) === 'gone') continue
      if (piece && isOverhead(piece.role, low)) continue
      if (!piece || isSeen(site.massing, table.level, low, high)) seen.push(p)
    }
  }
  return seen
}
/** A floor above the cut is one that is stood under. */
const isOverhead = (role: string, low: number) => role === 'FLOOR' && !!table.level && low >= table.level.floorMm + site.massing.cutMm
const drawSoon = () => (due ||= requestAnimationFrame(draw))

function frame(of: 'all' | 'selection' | BoxMm) {
  const box =
    typeof of === 'object'
      ? of
      : of === 'selection'
        ? (site.finding?.placeMm ?? extentOfPlacements(site, site.selected))
        : (withOutlines(extentOf(site), props.massing ? (drawn.value?.read.outlines ?? []) : []) ?? {
            min: { x: 0, y: 0, z: 0 },
            max: { x: 8000, y: 6000, z: 0 },
          })
  const { width, height } = size()
  if (!box || width === 0) return
  const whole = fittedBeside(box, width, height, views.coveredOf('plan', width, height), props.small ? SMALL_MARGIN_PX : undefined)
  lie.value = of !== 'all' && whole.scale > 0.15 ? fitted(box, width, height, Math.min(width, height) * 0.36) : whole
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
    seeing.look,
    laying.preview,
    assembling.ghost,
    laying.points,
    laying.stroke,
    laying.freeing,
    laying.tool,
    laying.chosen,
    laying.held,
    laying.grips,
    room.value,
    line.value,
    corner.value,
    table.section,
    flow.value,
    drawn.value,
    body.value,
    hand.typed.value,
    edge.value,
    opening.value,
    table.selectedRoom,
    table.chosenStair,
    table.chosenRun,
    table.chosenSolid,
    table.level,
    props.massing,
    site.site,
  ],
  drawSoon,
)
watch(() => [site.site?.revision, site.survey], drawSoon)
/** What comes first is framed where it lies out of the window; nothing else moves the sheet unasked. */
watch(
  [() => site.site?.id, () => !!extentOf(site)],
  ([id], [before]) => {
    if (id !== before) touched = false
    if (id !== before || !isWholeInWindow()) frame('all')
  },
  { flush: 'post' },
)
function isWholeInWindow() {
  const all = extentOf(site)
  if (!all || !canvas.value) return true
  const { width, height } = size()
  const [x0, y1] = toPixel(lie.value, all.min.x, all.min.y)
  const [x1, y0] = toPixel(lie.value, all.max.x, all.max.y)
  return x0 >= 0 && y0 >= 0 && x1 <= width && y1 <= height
}
watch(
  () => table.asked.count,
  () => {
    touched = table.asked.at !== 'all'
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

/** Points two by two. */
const pairs = <P,>(all: readonly P[]): [P, P][] => all.flatMap((p, i) => (i % 2 ? [[all[i - 1]!, p] as [P, P]] : []))

const onKeyDown = (e: KeyboardEvent) => {
  if (e.key === ' ') spaceHeld = true
  if (laying.mode === 'way' && e.key === 'Enter' && laying.points.length > 2) {
    void laying.finish()
    e.preventDefault()
    e.stopImmediatePropagation()
    return
  }
  if (!room.value) return
  // Sizes can be typed while ground is drawn: 6x4 and Enter.
  if (/^[\dA-Za-z.,'"/×*+ -]$/.test(e.key)) hand.typed.value += e.key
  else if (e.key === 'Backspace') hand.typed.value = hand.typed.value.slice(0, -1)
  else if (e.key === 'Enter' && hand.typed.value) void typedGround().catch(tell)
  else if (e.key === 'Escape') room.value = undefined
  else return
  e.preventDefault()
  e.stopImmediatePropagation()
}

/** Ground of the sizes that were typed, from where the drag began, the way that it went. */
async function typedGround() {
  const r = room.value!
  const words = hand.typed.value.split(/[x×*]/)
  room.value = undefined
  const sizes = await Promise.all(words.map((w) => get<{ mm: number }>(`/api/lengths?unit=${site.unit}&text=${encodeURIComponent(w)}`)))
  const [width, depth] = [sizes[0]!.mm, (sizes[1] ?? sizes[0])!.mm]
  emit('deed', { what: 'ground', from: { x: r.x0, y: r.y0 }, to: { x: r.x0 + (r.x1 < r.x0 ? -width : width), y: r.y0 + (r.y1 < r.y0 ? -depth : depth) } })
}
const onKeyUp = (e: KeyboardEvent) => e.key === ' ' && (spaceHeld = false)

useEventListener(window, 'keydown', onKeyDown, { capture: true })
useEventListener(window, 'keyup', onKeyUp)
let measured = { width: 0, height: 0, small: false }
/** Moved by a hand, the sheet keeps its middle in the middle; small it is shown whole, and large again it lies as it lay. */
useResizeObserver(holder, () => {
  const now = { ...size(), small: props.small }
  if (now.width === 0) return
  if (now.small && !measured.small) wasLarge = { lie: lie.value, touched, ...measured }
  const from = !now.small && measured.small ? wasLarge : { lie: lie.value, touched, ...measured }
  if (!now.small && from) touched = from.touched
  if (now.small || !touched || !from?.width) frame('all')
  else lie.value = { ...from.lie, x: from.lie.x + (now.width - from.width) / 2, y: from.lie.y + (now.height - from.height) / 2 }
  measured = now
  drawSoon()
})
onMounted(() => {
  table.inPlan = () => shown().map((p) => p.id)
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

const at = (px: number, py: number) => {
  const [x, y] = toSiteMm(lie.value, px, py)
  return { x, y }
}
const KIND = { '': '', room: 'ground', join: 'ground', cut: 'ground', solid: 'ground', stair: 'line', section: 'line' } as const

const menu = useMenuGesture((e) => ({ id: props.massing ? undefined : under(...toSiteMm(lie.value, ...place(e)))[0], atMm: pointed(e) }))

/** On an empty site a drag draws the first room, without further ado. */
const isEmpty = computed(() => props.massing && !props.small && !site.massing.rooms.length && !site.massing.solids.length)

function down(e: PointerEvent) {
  if (isEmpty.value && e.button === 0 && !table.drawing && !spaceHeld && !nearFigure(...toSiteMm(lie.value, ...place(e)))) table.drawing = 'room'
  menu.down(e)
  canvas.value!.setPointerCapture(e.pointerId)
  picking.hovered = undefined
  const [px, py] = place(e)
  if (e.button === 1 || e.button === 2 || (e.button === 0 && spaceHeld)) {
    pan = { x: px, y: py }
  } else if (e.button !== 0) {
    return
  } else if (!props.massing && laying.what) {
    laying.press(at(px, py), pointed(e).z)
  } else if (!props.massing && !placing.holds && laying.beginTool(at(px, py))) {
    return
  } else if (!props.massing && !placing.holds && laying.grab(at(px, py), lie.value.scale)) {
    return
  } else if (!table.drawing && !placing.holds && !edge.value && !corner.value && !opening.value && nearFigure(...toSiteMm(lie.value, px, py))) {
    figureHeld = true
  } else if (!props.massing && !table.drawing && carrying.press(e, under(...toSiteMm(lie.value, px, py))[0], at(px, py))) {
    return
  } else if (!((props.massing || table.drawing) && !placing.holds && hand.take(at(px, py), KIND[table.drawing]))) {
    band.value = { x0: px, y0: py, x1: px, y1: py }
  }
}

function move(e: PointerEvent) {
  menu.move(e)
  const [px, py] = place(e)
  if (pan) {
    touched = true
    lie.value = { ...lie.value, x: lie.value.x + px - pan.x, y: lie.value.y + py - pan.y }
    pan = { x: px, y: py }
  } else if (figureHeld) {
    const [x, y] = toSiteMm(lie.value, px, py)
    table.standFigure({ x, y, z: floorZ(x, y) })
  } else if (carrying.drag(e, pointed(e))) {
    return
  } else if (laying.goOnWithTool(at(px, py)) || laying.drag(at(px, py))) {
    return
  } else if (laying.what) {
    laying.point(at(px, py))
  } else if (hand.drag(at(px, py))) {
    draggedTo.value = { x: px, y: py }
  } else if (band.value) {
    band.value = { ...band.value, x1: px, y1: py }
  } else if (placing.held && e.buttons === 0) {
    placing.point(pointed(e))
  } else if (props.massing && e.buttons === 0) {
    hand.point(at(px, py), !!table.drawing)
  } else if (e.buttons === 0) hover(e)
}

/** Says what a click would take; nothing where a tool is in the hand. */
function hover(e: PointerEvent) {
  const isFree = !table.drawing && !strutting.active && !twinning.active && !laying.tool
  const id = isFree ? under(...toSiteMm(lie.value, ...place(e)))[0] : undefined
  picking.hovered = id === undefined ? undefined : { x: e.clientX, y: e.clientY, id }
}

function up(e: PointerEvent) {
  menu.up(e)
  const wasPan = pan
  const wasFigure = figureHeld
  pan = undefined
  figureHeld = false
  if (carrying.letGo(pointed(e))) return
  if (!wasPan && (laying.endTool() || laying.drop())) return
  if (!wasPan && !wasFigure && laying.what && e.button === 0) return laying.release()
  if (!wasPan && !wasFigure && !hand.letGo() && e.button === 0) {
    const [x1, y1] = place(e)
    finishBand(e, band.value ?? { x0: x1, y0: y1, x1, y1 })
  }
  band.value = undefined
}

/** After the keys that were pressed before it: what a click or a box picks is what stands once they are done. */
const inTurn = (work: () => void) => void site.inTurn(async () => work()).catch(tell)

function finishBand(e: PointerEvent, b: NonNullable<typeof band.value>) {
  if (strutting.active && !props.massing) {
    const where = pointed(e)
    void site.inTurn(() => strutting.point(where)).catch(tell)
    return
  }
  if (twinning.active && !props.massing) {
    const where = pointed(e)
    void site.inTurn(() => twinning.point(where)).catch(tell)
    return
  }
  if (placing.holds) {
    const where = pointed(e)
    void site.inTurn(() => placing.setDown(where)).catch(tell)
  } else if (Math.hypot(b.x1 - b.x0, b.y1 - b.y0) > 4) {
    const [x0, y0] = toSiteMm(lie.value, Math.min(b.x0, b.x1), Math.max(b.y0, b.y1))
    const [x1, y1] = toSiteMm(lie.value, Math.max(b.x0, b.x1), Math.min(b.y0, b.y1))
    inTurn(() => {
      const ids = shown()
        .filter((p) => {
          const box = boxOf(p, site.pieceById.get(p.pieceId)!)
          return box.min.x >= x0 && box.max.x <= x1 && box.min.y >= y0 && box.max.y <= y1
        })
        .map((p) => p.id)
        .filter(table.takes)
      site.select(e.shiftKey ? [...site.selection, ...ids] : ids)
    })
  } else {
    const [x, y] = toSiteMm(lie.value, b.x1, b.y1)
    const found = props.massing ? hand.bodyAt({ x, y }) : undefined
    if (found) table.choose('room' in found ? { room: found.room.id } : 'stair' in found ? { stair: found.stair.id } : { solid: found.solid.id })
    else if (props.massing && !writtenAt(b.x1, b.y1)) table.chooseNothing()
    inTurn(() => picking.click(e.clientX, e.clientY, props.massing ? [] : under(x, y), e.shiftKey))
  }
}

/** What the plan shows: all but ceilings. */
const shown = () => {
  const { width, height } = size()
  return inSight(width, height).filter((p) => site.pieceById.get(p.pieceId)?.role !== 'CEILING' && seeing.look?.(p.id) !== 'ghost')
}

/** The placements at a point, what is seen first: what stands before walls, walls before floors, and of each the topmost first. */
function under(x: number, y: number): string[] {
  const found: { id: string; layer: number; top: number }[] = []
  for (const p of shown().filter((s) => table.takes(s.id))) {
    const piece = site.pieceById.get(p.pieceId)!
    if (!isDrawn(piece, p) || !inside(footprint(p, piece, piece.boxMm), x, y)) continue
    found.push({ id: p.id, layer: layerOf(piece.role), top: heights(p, piece)[1] })
  }
  return found.sort((a, b) => b.layer - a.layer || b.top - a.top).map((f) => f.id)
}

function inside(corners: { x: number; y: number }[], x: number, y: number): boolean {
  const sides = corners.map((a, i) => {
    const b = corners[(i + 1) % corners.length]!
    return (b.x - a.x) * (y - a.y) - (b.y - a.y) * (x - a.x)
  })
  return sides.every((s) => s >= 0) || sides.every((s) => s <= 0)
}

/** The length that is written at a pixel and can be typed. */
const writtenAt = (x: number, y: number) => written.find((w) => Math.hypot(w.x - x, w.y - y) <= WORD_REACH_PX && asked(w, 0, site.massing.openings))

/** A double click on a written length lets it be typed. */
function write(e: MouseEvent) {
  if (!props.massing || table.drawing) return
  const r = canvas.value!.getBoundingClientRect()
  const [x, y] = [e.clientX - r.left, e.clientY - r.top]
  typing.value = writtenAt(x, y)
}

function wheel(e: WheelEvent) {
  typing.value = undefined

  touched = true
  lie.value = magnified(lie.value, Math.exp(-e.deltaY * 0.0015), ...place(e))
}

const origin = computed(() => toPixel(lie.value, 0, 0))
</script>

<template>
  <div
    ref="holder"
    class="plan"
    :class="{
      crosshair: isEmpty || table.drawing || placing.held || laying.what || laying.tool || strutting.active || twinning.active,
      upright: edge && isUpright(edge.edge),
      lying: edge && !isUpright(edge.edge),
      moving: opening || body || corner,
    }">
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
      @pointerleave="picking.hovered = undefined"
      @pointerup="up"
      @dblclick="write"
      @wheel.prevent="wheel"
      @contextmenu.prevent />
    <p v-if="isEmpty && !room" class="hint">Drag here to draw the first room</p>
    <KitForecast v-if="massing" :held="hand.held" :at="draggedTo" />
    <ChainEntry v-if="typing" :written="typing" @done="typing = undefined" />
    <div
      v-if="band && !placing.holds"
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
.hint {
  position: absolute;
  left: 0;
  right: 0;
  top: 34%;
  margin: 0;
  text-align: center;
  font-size: 1.125rem;
  color: var(--soft-ink);
  pointer-events: none;
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

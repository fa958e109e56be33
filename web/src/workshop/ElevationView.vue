<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import type { BoxMm, PieceView } from '../api/client'
import { useSite } from '../site/site'
import { useBench } from './bench'
import { cursorOf, dragged, drawnBlock, extentOfParts, LIES, sidesNear, union, type Line, type Sides } from '../parts/drawn'

/**
 * One elevation of the piece on the bench: its parts are taken hold of in it, moved by their middle, sized by their sides, and
 * new blocks are drawn. They come to lie at sides and middles of each other.
 */
const props = defineProps<{
  piece: PieceView
  from: keyof typeof LIES
  title: string
  picture?: string
  /** Pixels a millimetre. */
  scale: number
  /** Whether the next drag draws a block. */
  draws: boolean
}>()
const emit = defineEmits<{ drawn: [] }>()
const site = useSite()
const work = useBench()

/** So near, pixels, a side of something else is met. */
const REACH_PX = 6
/** A press this near to a side takes the side, pixels. */
const SIDE_PX = 5
/** Around the drawing, pixels: new parts may stand beyond it. */
const ROOM_PX = 2
const FINER = 10

const lie = computed(() => LIES[props.from])
/** Of what lies on the bench; the piece's own box may come a moment later. */
const whole = computed(() => extentOfParts(bench.value?.parts ?? []) ?? props.piece.boxMm)
const width = computed(() => (whole.value.max[lie.value.right] - whole.value.min[lie.value.right]) * props.scale)
const height = computed(() => (whole.value.max[lie.value.up] - whole.value.min[lie.value.up]) * props.scale)
const bench = computed(() => (work.bench?.id === props.piece.id ? work.bench : undefined))
/** Each part that is there, all its copies as one. */
const parts = computed(() => (bench.value?.parts ?? []).map((p) => union(p.extentsMm)))
const canBeChanged = computed(() => !!bench.value)
const step = computed(() => (site.site?.stepMm ?? 100) / FINER)

const px = (mm: number, from: number) => (mm - from) * props.scale
function rectangle(b: BoxMm) {
  const { right, up } = lie.value
  return {
    x: ROOM_PX + px(b.min[right], whole.value.min[right]),
    y: ROOM_PX + height.value - px(b.max[up], whole.value.min[up]),
    width: (b.max[right] - b.min[right]) * props.scale,
    height: (b.max[up] - b.min[up]) * props.scale,
  }
}
/** What is in front is taken first. */
const order = computed(() => {
  const { into } = lie.value
  const front = props.from === 'front' ? (b: BoxMm) => -b.min[into] : (b: BoxMm) => b.max[into]
  return parts.value
    .map((box, i) => ({ box, i }))
    .filter((p): p is { box: BoxMm; i: number } => !!p.box)
    .sort((a, b) => front(a.box) - front(b.box))
})

interface Drag {
  part: number | undefined
  sides?: Sides
  from: { x: number; y: number }
  box: BoxMm | undefined
  lines: Line[]
}
const drag = shallowRef<Drag>()

function place(e: PointerEvent) {
  const r = (e.currentTarget as SVGElement).ownerSVGElement?.getBoundingClientRect() ?? (e.currentTarget as SVGElement).getBoundingClientRect()
  return { x: e.clientX - r.left, y: e.clientY - r.top }
}
/** Millimetres of the piece's frame at a pixel. */
const mmAt = (p: { x: number; y: number }) => ({
  right: whole.value.min[lie.value.right] + (p.x - ROOM_PX) / props.scale,
  up: whole.value.min[lie.value.up] + (height.value + ROOM_PX - p.y) / props.scale,
})

/** Blocks and panels are sized by their sides; what is turned, tapered or copied is not. */
function canBeSized(i: number) {
  const w = bench.value?.parts[i]?.words
  return !!w?.sizeMm && (w.form === 'BLOCK' || w.form === 'PANEL') && !w.turn && bench.value!.parts[i]!.extentsMm.length === 1
}
function sidesAt(i: number, at: { x: number; y: number }): Sides | undefined {
  const box = parts.value[i]
  if (!box || i !== work.chosen || !canBeSized(i)) return undefined
  return sidesNear(rectangle(box), at, SIDE_PX)
}
const cursor = shallowRef('')
const hover = (i: number, e: PointerEvent) => (cursor.value = cursorOf(sidesAt(i, place(e))))

function press(i: number | undefined, e: PointerEvent) {
  if (e.button !== 0 || !canBeChanged.value) return
  if (i === undefined && !props.draws) return
  ;(e.currentTarget as SVGElement).setPointerCapture(e.pointerId)
  e.stopPropagation()
  const from = place(e)
  if (props.draws) {
    drag.value = { part: undefined, from, box: undefined, lines: [] }
    return
  }
  const sides = sidesAt(i!, from)
  // A side is one part's.
  if (sides) work.take(i!)
  if (e.ctrlKey || e.metaKey || e.shiftKey || !work.isTaken(i!)) work.take(i!, e.ctrlKey || e.metaKey || e.shiftKey)
  drag.value = { part: i, sides, from, box: undefined, lines: [] }
}

function move(e: PointerEvent) {
  const d = drag.value
  if (!d) return
  const at = place(e)
  if (!d.box && Math.hypot(at.x - d.from.x, at.y - d.from.y) < 3) return
  const others = [...parts.value.filter((b, i): b is BoxMm => !!b && i !== d.part), ...(d.part === undefined || parts.value.length > 1 ? [whole.value] : [])]
  const reach = REACH_PX / props.scale
  if (d.part === undefined) {
    const deep = parts.value[work.chosen] ?? whole.value
    const depth = { min: deep.min[lie.value.into], max: deep.max[lie.value.into] }
    drag.value = { ...d, box: drawnBlock(mmAt(d.from), mmAt(at), lie.value, depth, others, reach, step.value), lines: [] }
    return
  }
  const by = { right: (at.x - d.from.x) / props.scale, up: (d.from.y - at.y) / props.scale }
  drag.value = { ...d, ...dragged(parts.value[d.part]!, d.sides, by, lie.value, others, reach, step.value) }
}

const AXES = ['x', 'y', 'z'] as const
function release(e: PointerEvent) {
  const d = drag.value
  drag.value = undefined
  if (!d?.box) return
  const { box } = d
  const size = { x: box.max.x - box.min.x, y: box.max.y - box.min.y, z: box.max.z - box.min.z }
  if (d.part === undefined) {
    void work.addPart('BLOCK', { sizeMm: size, atMm: at(box), swatch: work.part?.swatch })
    emit('drawn')
    return
  }
  const was = parts.value[d.part]!
  const by = Object.fromEntries(AXES.map((a) => [a, box.min[a] - was.min[a]])) as Record<(typeof AXES)[number], number>
  const words = bench.value!.parts[d.part]!.words
  const moved = (w: typeof words) => ({ x: w.atMm!.x + by.x, y: w.atMm!.y + by.y, z: w.atMm!.z + by.z })
  if (e.altKey && !d.sides) void work.addPart(words.form, { ...words, atMm: moved(words) })
  else void work.changePart((w) => ({ atMm: moved(w), ...(d.sides ? { sizeMm: size } : {}) }), work.spot(d.part))
}
/** Where a part is told that takes this box: from the origin that the piece's parts are told from. */
function at({ min }: BoxMm) {
  const { x, y, z } = bench.value!.originMm
  return { x: min.x - x, y: min.y - y, z: min.z - z }
}

const said = computed(() => {
  const d = drag.value
  if (!d?.box) return undefined
  const { right, up } = lie.value
  const r = rectangle(d.box)
  const was = d.part === undefined ? undefined : parts.value[d.part]!
  const sized = d.part === undefined || d.sides
  const signed = (mm: number) => `${mm < 0 ? '−' : '+'}${site.show(Math.abs(mm))}`
  const words = sized
    ? `${site.show(d.box.max[right] - d.box.min[right])} × ${site.show(d.box.max[up] - d.box.min[up])}`
    : `${signed(d.box.min[right] - was!.min[right])}, ${signed(d.box.min[up] - was!.min[up])}`
  return { ...r, words }
})
const lines = computed(() =>
  (drag.value?.lines ?? []).map((l) => {
    const upright = l.axis === lie.value.right
    const v = upright ? ROOM_PX + px(l.atMm, whole.value.min[l.axis]) : ROOM_PX + height.value - px(l.atMm, whole.value.min[l.axis])
    return upright ? { x1: v, x2: v, y1: -20, y2: height.value + 24 } : { x1: -20, x2: width.value + 24, y1: v, y2: v }
  }),
)

/** Arrow keys move the chosen part by a finer step. */
function nudge(e: KeyboardEvent) {
  const way = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[e.key]
  if (!way || !work.part?.atMm) return
  e.preventDefault()
  e.stopPropagation()
  const { right, up } = lie.value
  void work.changePart((w) => ({ atMm: { ...w.atMm!, [right]: w.atMm![right] + way[0]! * step.value, [up]: w.atMm![up] + way[1]! * step.value } }))
}
</script>

<template>
  <figure>
    <div class="drawing">
      <div class="sheet" :style="{ width: `${Math.ceil(width) + 4}px`, height: `${Math.ceil(height) + 4}px` }">
        <img v-if="picture" :src="picture" :alt="`${piece.code}, ${title}`" :width="Math.ceil(width) + 4" :height="Math.ceil(height) + 4" />
        <svg
          tabindex="0"
          :data-from="from"
          :data-scale="scale"
          :data-least="`${whole.min[lie.right]} ${whole.max[lie.up]}`"
          role="application"
          :aria-label="`Parts, ${title}: arrow keys move the chosen one`"
          :class="{ draws }"
          @pointerdown="(e) => press(undefined, e)"
          @pointermove="move"
          @pointerup="release"
          @pointercancel="drag = undefined"
          @keydown="nudge">
          <rect v-if="draws" class="ground" x="-18" y="-24" :width="width + 40" :height="height + 72" />
          <rect
            v-for="p in order"
            :key="p.i"
            v-bind="rectangle(p.box)"
            class="part"
            :class="{ chosen: work.isTaken(p.i) }"
            :data-part="p.i"
            :style="draws ? {} : { cursor }"
            @pointermove="(e) => drag || hover(p.i, e)"
            @pointerdown="(e) => press(p.i, e)" />
          <rect v-if="parts[work.chosen] && !drag?.box" class="outline" v-bind="rectangle(parts[work.chosen]!)" />
          <rect v-if="said" class="outline" :x="said.x" :y="said.y" :width="said.width" :height="said.height" />
          <line v-for="(l, i) in lines" :key="i" v-bind="l" />
        </svg>
        <output v-if="said" class="chip figures" :style="{ left: `${said.x + said.width / 2}px`, top: `${said.y - 12}px` }">{{ said.words }}</output>
      </div>
      <span class="figures up">{{ site.show(whole.max[lie.up] - whole.min[lie.up]) }}</span>
    </div>
    <figcaption>
      <span class="figures wide" :style="{ width: `${Math.max(40, Math.ceil(width))}px` }">{{ site.show(whole.max[lie.right] - whole.min[lie.right]) }}</span>
      <span class="soft">{{ title }}</span>
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  display: grid;
  justify-items: start;
  gap: 4px;
}
.drawing {
  display: flex;
  align-items: stretch;
  gap: 6px;
}
.sheet {
  position: relative;
}
.up {
  writing-mode: vertical-rl;
  transform: rotate(180deg);
  text-align: center;
  border-right: 1px solid var(--ink);
  padding-right: 2px;
}
figcaption {
  display: grid;
  gap: 2px;
  font-size: var(--small);
}
.wide {
  text-align: center;
  border-top: 1px solid var(--ink);
  padding-top: 2px;
  white-space: nowrap;
}
img {
  display: block;
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  overflow: visible;
  touch-action: none;
}
svg:focus-visible {
  outline: 1px dashed var(--verdigris);
  outline-offset: 6px;
}
svg.draws {
  cursor: crosshair;
}
.ground {
  fill: transparent;
}
.part {
  fill: transparent;
}
.part.chosen {
  stroke: var(--plum);
}
.part:hover {
  fill: rgba(47, 127, 121, 0.14);
}
.draws .part {
  pointer-events: none;
}
.outline {
  fill: rgba(106, 61, 124, 0.12);
  stroke: var(--plum);
  stroke-width: 1.5;
  pointer-events: none;
}
line {
  stroke: var(--verdigris);
  stroke-dasharray: 5 3;
  pointer-events: none;
}
.chip {
  position: absolute;
  transform: translate(-50%, -50%);
  padding: 0 5px;
  background: var(--sheet);
  border: 1px solid var(--plum);
  color: var(--plum);
  font-size: var(--small);
  white-space: nowrap;
  pointer-events: none;
  z-index: 1;
}
</style>

<script setup lang="ts">
import { computed, ref } from 'vue'
import { onStep } from '../measure/length'

/**
 * A line that is drawn: points are dragged, a click on a stretch sets a new one there, Delete takes one out. Millimetres; up is up.
 */
const props = defineProps<{ points: readonly { x: number; y: number }[]; closed: boolean; stepMm: number; label: string; least: number }>()
const emit = defineEmits<{
  move: [at: number, to: { x: number; y: number }]
  nudge: [at: number, by: { x: number; y: number }]
  insert: [before: number, at: { x: number; y: number }]
  remove: [at: number]
}>()
const SIZE = 200
const svg = ref<SVGSVGElement>()
const held = ref<{ at: number; x: number; y: number }>()
const chosen = ref<number>()

const frame = computed(() => {
  const xs = props.points.map((p) => p.x)
  const ys = props.points.map((p) => p.y)
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const span = Math.max(x1 - x0, y1 - y0, 10) * 1.25
  return { x: (x0 + x1 - span) / 2, y: (y0 + y1 + span) / 2, mm: span / SIZE }
})
const shown = computed(() => props.points.map((p, i) => (held.value?.at === i ? held.value : p)))
const px = (p: { x: number; y: number }) => ({ x: (p.x - frame.value.x) / frame.value.mm, y: (frame.value.y - p.y) / frame.value.mm })
const path = computed(() => shown.value.map((p, i) => `${i ? 'L' : 'M'}${px(p).x} ${px(p).y}`).join(' ') + (props.closed ? ' Z' : ''))
const stretches = computed(() =>
  shown.value.flatMap((p, i) => {
    const next = shown.value[i + 1] ?? (props.closed ? shown.value[0] : undefined)
    return next ? [{ from: px(p), to: px(next), before: i + 1 }] : []
  }),
)

function mm(e: PointerEvent) {
  const box = svg.value!.getBoundingClientRect()
  return {
    x: onStep(frame.value.x + ((e.clientX - box.left) / box.width) * SIZE * frame.value.mm, props.stepMm),
    y: onStep(frame.value.y - ((e.clientY - box.top) / box.height) * SIZE * frame.value.mm, props.stepMm),
  }
}
function take(e: PointerEvent, at: number) {
  ;(e.currentTarget as Element).setPointerCapture(e.pointerId)
  chosen.value = at
  held.value = { at, ...props.points[at]! }
}
function drag(e: PointerEvent) {
  if (held.value) held.value = { at: held.value.at, ...mm(e) }
}
function drop() {
  const h = held.value
  held.value = undefined
  const was = h && props.points[h.at]
  if (h && was && (was.x !== h.x || was.y !== h.y)) emit('move', h.at, { x: h.x, y: h.y })
}
function remove() {
  if (chosen.value !== undefined && props.points.length > props.least) emit('remove', chosen.value)
  chosen.value = undefined
}
const ARROWS: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }
function key(e: KeyboardEvent, at: number) {
  const by = ARROWS[e.key]
  if (by) emit('nudge', at, { x: by[0] * props.stepMm, y: by[1] * props.stepMm })
  else if (e.key === 'Delete' || e.key === 'Backspace') remove()
  else return
  e.preventDefault()
  e.stopPropagation()
}
</script>

<template>
  <svg ref="svg" class="editor" :viewBox="`0 0 ${SIZE} ${SIZE}`" role="group" :aria-label="label">
    <path :d="path" :class="{ closed }" />
    <line
      v-for="s in stretches"
      :key="`s${s.before}`"
      class="stretch"
      :x1="s.from.x"
      :y1="s.from.y"
      :x2="s.to.x"
      :y2="s.to.y"
      @pointerdown="(e) => emit('insert', s.before, mm(e))" />
    <rect
      v-for="(p, i) in shown"
      :key="i"
      class="point"
      :class="{ chosen: chosen === i }"
      tabindex="0"
      role="button"
      :aria-label="`Point ${i + 1}`"
      :x="px(p).x - 4"
      :y="px(p).y - 4"
      width="8"
      height="8"
      @focus="chosen = i"
      @keydown="(e) => key(e, i)"
      @pointerdown="(e) => take(e, i)"
      @pointermove="drag"
      @pointerup="drop" />
  </svg>
</template>

<style scoped>
.editor {
  width: 100%;
  max-width: 260px;
  aspect-ratio: 1;
  justify-self: center;
  background: var(--sheet);
  border: 1px solid var(--hairline);
  touch-action: none;
}
path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.2;
}
path.closed {
  fill: rgba(34, 48, 60, 0.08);
}
.stretch {
  stroke: transparent;
  stroke-width: 9;
  cursor: copy;
}
.point {
  fill: var(--sheet);
  stroke: var(--verdigris);
  stroke-width: 1.4;
  cursor: move;
}
.point.chosen {
  fill: var(--plum);
  stroke: var(--plum);
}
</style>

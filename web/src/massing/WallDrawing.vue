<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, shallowRef, useTemplateRef } from 'vue'
import type { BoxMm, OpeningView, RoomView } from '../api/client'
import { cursorOf, dragged, LIES, sidesNear, type Line, type Sides } from '../parts/drawn'
import { edgesOf } from '../site/edges'
import { useSite } from '../site/site'

/** A wall seen from inside, with its openings: they are moved along it, and widened, raised and lowered by their sides. */
const props = defineProps<{ room: RoomView; edge: number; openings: OpeningView[]; chosen?: number }>()
const emit = defineEmits<{ choose: [id: number]; change: [opening: OpeningView, to: Partial<OpeningView>] }>()
const site = useSite()

const REACH_PX = 5
const SIDE_PX = 6
const MARGIN_PX = 3
/** A high wall is drawn no higher than this, pixels. */
const MOST_PX = 170

const holder = useTemplateRef<HTMLElement>('holder')
const { width } = useElementSize(holder)
const wall = computed(() => ({ length: edgesOf(props.room).find((e) => e.edge === props.edge)?.lengthMm ?? 1, height: props.room.heightMm }))
const scale = computed(() => Math.max(1e-4, Math.min((width.value - 2 * MARGIN_PX) / wall.value.length, MOST_PX / wall.value.height)))
const height = computed(() => wall.value.height * scale.value)

const boxOf = (o: OpeningView): BoxMm => ({ min: { x: o.atMm, y: 0, z: o.sillMm }, max: { x: o.atMm + o.widthMm, y: 1, z: o.sillMm + o.heightMm } })
const rectangle = (b: BoxMm) => ({
  x: MARGIN_PX + b.min.x * scale.value,
  y: MARGIN_PX + height.value - b.max.z * scale.value,
  width: (b.max.x - b.min.x) * scale.value,
  height: (b.max.z - b.min.z) * scale.value,
})

interface Drag {
  of: OpeningView
  sides?: Sides
  from: { x: number; y: number }
  box?: BoxMm
  lines: Line[]
}
const drag = shallowRef<Drag>()
function place(e: PointerEvent) {
  const r = (e.currentTarget as SVGElement).closest('svg')!.getBoundingClientRect()
  return { x: e.clientX - r.left, y: e.clientY - r.top }
}
/** What stands on the floor has no sill to be moved. */
const stands = (o: OpeningView) => o.kind !== 'WINDOW'
function sidesAt(o: OpeningView, at: { x: number; y: number }): Sides | undefined {
  const sides = sidesNear(rectangle(boxOf(o)), at, SIDE_PX)
  if (!sides || !stands(o) || sides.up !== -1) return sides
  return sides.right ? { ...sides, up: 0 } : undefined
}
const cursor = shallowRef('move')
const hover = (o: OpeningView, e: PointerEvent) => (cursor.value = cursorOf(sidesAt(o, place(e))))

function press(o: OpeningView, e: PointerEvent) {
  if (e.button !== 0) return
  ;(e.currentTarget as SVGElement).closest('svg')!.setPointerCapture(e.pointerId)
  const from = place(e)
  drag.value = { of: o, sides: sidesAt(o, from), from, lines: [] }
  emit('choose', o.id)
}
function move(e: PointerEvent) {
  const d = drag.value
  if (!d) return
  const at = place(e)
  if (!d.box && Math.hypot(at.x - d.from.x, at.y - d.from.y) < 3) return
  const by = { right: (at.x - d.from.x) / scale.value, up: stands(d.of) && !d.sides ? 0 : (d.from.y - at.y) / scale.value }
  const others = [
    ...props.openings.filter((o) => o.id !== d.of.id).map(boxOf),
    { min: { x: 0, y: 0, z: 0 }, max: { x: wall.value.length, y: 1, z: wall.value.height } },
  ]
  const to = dragged(boxOf(d.of), d.sides, by, LIES.front, others, REACH_PX / scale.value, site.site?.stepMm ?? 100)
  if (stands(d.of) && !d.sides) to.box = { min: { ...to.box.min, z: 0 }, max: { ...to.box.max, z: d.of.heightMm } }
  drag.value = { ...d, ...to }
}
function release() {
  const d = drag.value
  drag.value = undefined
  if (!d?.box) return
  const { min, max } = d.box
  emit('change', d.of, { atMm: min.x, widthMm: max.x - min.x, heightMm: max.z - min.z, ...(stands(d.of) ? {} : { sillMm: min.z }) })
}
const shown = computed(() => drag.value?.box && rectangle(drag.value.box))
const said = computed(() => {
  const b = drag.value?.box
  return (
    b &&
    `${site.show(b.min.x)} · ${site.show(b.max.x - b.min.x)} × ${site.show(b.max.z - b.min.z)}${stands(drag.value!.of) ? '' : ` · sill ${site.show(b.min.z)}`}`
  )
})
const lines = computed(() =>
  (drag.value?.lines ?? []).map((l) => {
    const v = l.axis === 'x' ? MARGIN_PX + l.atMm * scale.value : MARGIN_PX + height.value - l.atMm * scale.value
    return l.axis === 'x' ? { x1: v, x2: v, y1: 0, y2: height.value + 2 * MARGIN_PX } : { x1: 0, x2: width.value, y1: v, y2: v }
  }),
)
</script>

<template>
  <div ref="holder" class="wall">
    <svg
      role="img"
      :aria-label="`The wall from inside; its openings can be dragged. The fields beside it do the same.`"
      :height="height + 2 * MARGIN_PX"
      data-testid="wall-drawing"
      :data-scale="scale"
      @pointermove="move"
      @pointerup="release"
      @pointercancel="drag = undefined">
      <rect class="face" :x="MARGIN_PX" :y="MARGIN_PX" :width="wall.length * scale" :height="height" />
      <rect
        v-for="o in openings"
        :key="o.id"
        v-bind="rectangle(boxOf(o))"
        class="hole"
        :class="{ chosen: o.id === chosen, dragged: drag?.box && drag.of.id === o.id }"
        :style="{ cursor }"
        @pointermove="(e) => drag || hover(o, e)"
        @pointerdown="(e) => press(o, e)" />
      <rect v-if="shown" v-bind="shown" class="hole chosen" />
      <line v-for="(l, i) in lines" :key="i" v-bind="l" />
    </svg>
    <output v-if="said" class="figures soft">{{ said }}</output>
  </div>
</template>

<style scoped>
.wall {
  min-height: 20px;
}
svg {
  display: block;
  width: 100%;
  touch-action: none;
}
.face {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.hole {
  fill: var(--sheet);
  stroke: var(--ink);
}
.hole.chosen {
  stroke: var(--plum);
  stroke-width: 2;
}
.hole.dragged {
  opacity: 0.35;
}
line {
  stroke: var(--verdigris);
  stroke-dasharray: 4 3;
}
</style>

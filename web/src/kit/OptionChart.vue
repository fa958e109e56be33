<script setup lang="ts">
import { computed } from 'vue'
import type { SitePlanView } from '../api/client'
import { vOneStop } from '../parts/oneStop'
import { counted } from '../measure/format'

/** The options as kinds against placements: down and to the left is better, so every step to the right must earn itself. */
const props = defineProps<{ plan: SitePlanView; chosen: number }>()
defineEmits<{ choose: [index: number] }>()

const W = 420
const H = 210
const LEFT = 56
const BASE = 172
const most = computed(() => Math.max(...props.plan.options.map((o) => o.placements)))
const height = (n: number) => (n / (most.value * 1.12)) * (BASE - 18)
/** Two or three round numbers up the axis. */
const ticks = computed(() => {
  const rough = most.value / 3
  const unit = 10 ** Math.floor(Math.log10(Math.max(1, rough)))
  const pitch = [1, 2, 5, 10].map((f) => f * unit).find((f) => f >= rough) ?? unit
  return [1, 2, 3].map((i) => i * pitch).filter((t) => t <= most.value)
})
const fewest = computed(() => props.plan.options[0]!.kinds)
const pitch = computed(() => (W - LEFT - 56) / Math.max(1, props.plan.options.at(-1)!.kinds - fewest.value))
/** Numbers stand where they do not run into one another: at the ends, and at what is chosen. */
const isNumbered = (i: number) => pitch.value > 40 || i === 0 || i === props.plan.options.length - 1 || i === props.chosen
const points = computed(() =>
  props.plan.options.map((o, i) => ({ i, o, numbered: isNumbered(i), x: LEFT + 26 + (o.kinds - fewest.value) * pitch.value, y: BASE - height(o.placements) })),
)
const isProven = computed(() => props.plan.options.every((o) => o.proven))
</script>

<template>
  <svg v-one-stop :viewBox="`0 0 ${W} ${H}`" class="chart" role="group" aria-label="Options: kinds against placements">
    <line :x1="LEFT" :y1="BASE" :x2="W - 8" :y2="BASE" class="axis" />
    <line :x1="LEFT" y1="8" :x2="LEFT" :y2="BASE" class="axis" />
    <g v-for="t in ticks" :key="t">
      <line :x1="LEFT - 4" :y1="BASE - height(t)" :x2="W - 8" :y2="BASE - height(t)" class="drop" />
      <text :x="LEFT - 8" :y="BASE - height(t) + 4" class="number" text-anchor="end">{{ t }}</text>
    </g>
    <text :x="LEFT - 8" y="10" class="label" text-anchor="end">pieces</text>
    <text :x="W - 8" :y="BASE + 34" class="label" text-anchor="end">kinds of piece{{ isProven ? ', all proven' : '' }}</text>
    <polyline :points="points.map((p) => `${p.x},${p.y}`).join(' ')" class="line" />
    <g
      v-for="p in points"
      :key="p.i"
      class="point"
      :class="{ chosen: p.i === chosen }"
      role="button"
      tabindex="0"
      :aria-pressed="p.i === chosen"
      :aria-label="`${counted(p.o.kinds, 'kind')}, ${counted(p.o.placements, 'piece')}, ${p.o.proven ? 'proven' : 'not proven'}`"
      @click="$emit('choose', p.i)"
      @keydown.enter="$emit('choose', p.i)"
      @keydown.space.prevent="$emit('choose', p.i)">
      <line :x1="p.x" :y1="p.y" :x2="p.x" :y2="BASE" class="drop" />
      <rect :x="p.x - Math.min(22, pitch / 2)" y="0" :width="Math.min(44, pitch)" :height="BASE + 22" fill="transparent" />
      <circle v-if="p.o.proven" :cx="p.x" :cy="p.y" :r="pitch > 30 ? 7 : 5" />
      <path v-else :d="`M${p.x} ${p.y - 8} L${p.x + 8} ${p.y} L${p.x} ${p.y + 8} L${p.x - 8} ${p.y} Z`" />
      <template v-if="p.numbered">
        <text :x="p.x" :y="p.y - 13" class="number" text-anchor="middle">{{ p.o.placements }}</text>
        <text :x="p.x" :y="BASE + 17" class="number" text-anchor="middle">{{ p.o.kinds }}</text>
      </template>
    </g>
  </svg>
</template>

<style scoped>
.chart {
  flex: none;
  width: 100%;
  max-width: 460px;
  display: block;
}
.axis {
  stroke: var(--ink);
}
.drop {
  stroke: var(--hairline);
  stroke-dasharray: 2 3;
}
.line {
  fill: none;
  stroke: var(--soft-ink);
}
.label {
  font: var(--small) var(--sans);
  fill: var(--soft-ink);
}
.number {
  font: var(--small) var(--mono);
  fill: var(--ink);
}
.point {
  cursor: pointer;
}
.point circle,
.point path {
  fill: var(--sheet);
  stroke: var(--verdigris);
  stroke-width: 2;
}
.point.chosen circle,
.point.chosen path {
  fill: var(--verdigris);
}
</style>

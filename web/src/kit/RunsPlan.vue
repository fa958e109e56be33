<script setup lang="ts">
import { computed } from 'vue'
import type { SitePlanView, Unit } from '../api/client'
import { counted, formatBare } from '../measure/format'
import { fillOf } from './hatches'
import { kindOf, type Kinds } from './kinds'
import { blockOf, isAbout, type Pointed } from './laid'

/** One floor's walls from above: the lowest tier of every run, each kind in its hatch. */
const props = defineProps<{ plan: SitePlanView; option: number; kinds: Kinds; floorMm: number; unit: Unit; pointed?: Pointed }>()

const pieces = computed(() =>
  props.plan.layouts[props.option]!.flatMap((run, n) => {
    const face = props.plan.faces[n]!
    if (face.startMm.z !== props.floorMm) return []
    return run.pieces
      .filter((i) => i.upMm === 0)
      .map((i) => ({ ...blockOf(face, i.atMm, i.atMm + i.lengthMm, 0, i.heightMm), item: i, key: `${n} ${i.atMm}`, along: face.quarterTurns % 2 === 0, face }))
  }),
)
const posts = computed(() => props.plan.postsMm.filter((p) => p.min.z === props.floorMm))
const extent = computed(() => {
  const all = pieces.value
  const [x0, y0] = [Math.min(...all.map((b) => b.min[0])), Math.min(...all.map((b) => b.min[1]))]
  const [x1, y1] = [Math.max(...all.map((b) => b.max[0])), Math.max(...all.map((b) => b.max[1]))]
  return { x: x0, y: y0, width: x1 - x0, height: y1 - y0 }
})
const margin = computed(() => Math.max(extent.value.width, extent.value.height) * 0.04)
const em = computed(() => Math.max(extent.value.width, extent.value.height) / 58)
const label = (i: (typeof pieces.value)[0]) => {
  const text = formatBare(i.item.lengthMm, props.unit)
  return i.item.piece === 'wall' && i.item.lengthMm > text.length * em.value * 0.62 ? text : ''
}
</script>

<template>
  <div v-if="pieces.length" class="sheet">
    <svg
      class="plan"
      :viewBox="`${extent.x - margin} ${-extent.y - extent.height - margin} ${extent.width + 2 * margin} ${extent.height + 2 * margin}`"
      role="img"
      :aria-label="`${counted(pieces.length, 'piece')} from above`">
      <rect v-for="p in posts" :key="`${p.min.x} ${p.min.y}`" :x="p.min.x" :y="-p.max.y" :width="p.max.x - p.min.x" :height="p.max.y - p.min.y" class="post" />
      <g v-for="p in pieces" :key="p.key">
        <rect
          :x="p.min[0]"
          :y="-p.max[1]"
          :width="p.max[0] - p.min[0]"
          :height="p.max[1] - p.min[1]"
          :fill="fillOf(p.item.piece === 'wall' ? kinds.get(kindOf(p.item)) : undefined)"
          class="piece"
          :class="{ opening: p.item.piece !== 'wall', pointed: isAbout(pointed, p.face) }" />
        <text
          v-if="label(p)"
          :font-size="em"
          class="size"
          :transform="`translate(${(p.min[0] + p.max[0]) / 2} ${-(p.min[1] + p.max[1]) / 2}) rotate(${p.along ? 0 : -90}) translate(0 ${-em * 0.9})`">
          {{ label(p) }}
        </text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.sheet {
  flex: 1;
  min-height: 320px;
  position: relative;
  background: var(--sheet);
}
.plan {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.piece {
  stroke: var(--ink);
  stroke-width: 1.2px;
  vector-effect: non-scaling-stroke;
}
.opening {
  stroke-dasharray: 3 3;
}
.pointed {
  stroke: var(--verdigris);
  stroke-width: 3px;
}
.post {
  fill: var(--ink);
}
.size {
  text-anchor: middle;
  fill: var(--ink);
  font-family: var(--mono);
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import type { BoxMm } from '../api/client'

/** Several bodies as boxes, seen at an angle as pieces are in lists; beside a name: to those who hear, it says nothing of its own. */
const props = withDefaults(defineProps<{ boxes: readonly BoxMm[]; size?: number }>(), { size: 32 })

/** Toward the viewer: from the south-west and above. */
const COS = Math.cos(Math.PI / 6)
const seen = (x: number, y: number, z: number) => ({ x: (x - y) * COS, y: -(x + y) / 2 - z })

const faces = computed(() => {
  const all = [...props.boxes].sort((a, b) => b.min.y + b.min.x - a.min.y - a.min.x || a.min.z - b.min.z)
  const quads = all.flatMap(({ min, max }) => [
    // South, west and top, as far as they are seen.
    { shade: 0.86, at: [seen(min.x, min.y, min.z), seen(max.x, min.y, min.z), seen(max.x, min.y, max.z), seen(min.x, min.y, max.z)] },
    { shade: 0.78, at: [seen(min.x, min.y, min.z), seen(min.x, max.y, min.z), seen(min.x, max.y, max.z), seen(min.x, min.y, max.z)] },
    { shade: 0.95, at: [seen(min.x, min.y, max.z), seen(max.x, min.y, max.z), seen(max.x, max.y, max.z), seen(min.x, max.y, max.z)] },
  ])
  const xs = quads.flatMap((q) => q.at.map((p) => p.x))
  const ys = quads.flatMap((q) => q.at.map((p) => p.y))
  const [x0, y0] = [Math.min(...xs), Math.min(...ys)]
  const whole = Math.max(Math.max(...xs) - x0, Math.max(...ys) - y0, 1)
  const scale = (props.size - 2) / whole
  return quads.map((q) => ({
    points: q.at.map((p) => `${(1 + (p.x - x0) * scale).toFixed(1)},${(1 + (p.y - y0) * scale).toFixed(1)}`).join(' '),
    fill: `rgb(${[243, 240, 232].map((c) => Math.round(c * q.shade)).join()})`,
  }))
})
</script>

<template>
  <svg :width="size" :height="size" aria-hidden="true"><polygon v-for="(f, i) in faces" :key="i" :points="f.points" :fill="f.fill" /></svg>
</template>

<style scoped>
svg {
  flex: none;
}
polygon {
  stroke: var(--ink);
  stroke-width: 0.6;
}
</style>

<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'
import { ink, paper, verdigris } from '../styles/theme'
import type { Point } from './takeoff'

/** The pixels around a point, eight times as large, with a cross on the point itself. */
const props = defineProps<{ source: string; at: Point }>()
const SIDE = 168
const TIMES = 8
const canvas = ref<HTMLCanvasElement>()
const image = new Image()

function draw() {
  const c = canvas.value?.getContext('2d')
  if (!c) return
  c.imageSmoothingEnabled = false
  c.fillStyle = paper
  c.fillRect(0, 0, SIDE, SIDE)
  const part = SIDE / TIMES
  if (image.complete && image.naturalWidth) c.drawImage(image, props.at.x - part / 2, props.at.y - part / 2, part, part, 0, 0, SIDE, SIDE)
  const middle = SIDE / 2
  for (const [style, width] of [
    [paper, 3],
    [verdigris, 1],
  ] as const) {
    c.strokeStyle = style
    c.lineWidth = width
    c.beginPath()
    c.moveTo(middle, 0)
    c.lineTo(middle, SIDE)
    c.moveTo(0, middle)
    c.lineTo(SIDE, middle)
    c.stroke()
  }
  c.strokeStyle = ink
  c.lineWidth = 2
  c.strokeRect(1, 1, SIDE - 2, SIDE - 2)
}
image.onload = draw
watch(
  () => props.source,
  (s) => (image.src = s),
  { immediate: true },
)
watch(() => props.at, draw)
onMounted(draw)
</script>

<template>
  <canvas ref="canvas" class="loupe" :width="SIDE" :height="SIDE" aria-hidden="true" data-testid="loupe" />
</template>

<style scoped>
.loupe {
  position: absolute;
  left: 12px;
  bottom: 12px;
  pointer-events: none;
}
</style>

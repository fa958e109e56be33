<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { tell } from '../site/site'
import type { CoatLook } from '../space/Coats'
import { loadShape, type Part } from '../shapes/geometry'
import { boundsOf, edgesOn } from './uvs'

/** Where a piece's faces lie on the sheet of a swatch: the picture laid again and again, and their outlines on it. */
const props = defineProps<{ urls: readonly string[]; coats: readonly CoatLook[] | undefined; label: string }>()
const canvas = ref<HTMLCanvasElement>()
const parts = shallowRef<Part[]>([])
const swatch = ref('')
const swatches = computed(() => [...new Set(parts.value.map((p) => p.swatch))])
const picture = shallowRef<HTMLImageElement>()
/** Sheets a pixel, and which place of the sheet lies in the middle. */
const sight = ref({ x: 0.5, y: 0.5, scale: 0.002 })
const lines = computed(() => parts.value.filter((p) => p.swatch === swatch.value).map((p) => edgesOn(p.geometry)))
const count = computed(() => parts.value.filter((p) => p.swatch === swatch.value).reduce((n, p) => n + p.geometry.getIndex()!.count / 3, 0))

watch(
  () => props.urls.join(),
  async () => {
    const asked = props.urls.join()
    try {
      const shapes = await Promise.all(props.urls.map((u) => loadShape(u)))
      if (asked === props.urls.join()) parts.value = shapes.flatMap((s) => s.parts)
    } catch (e) {
      tell(e)
    }
  },
  { immediate: true },
)
watch(swatches, (all) => all.includes(swatch.value) || (swatch.value = all[0] ?? ''))
const url = computed(() => props.coats?.find((c) => c.swatch === swatch.value)?.url('COLOUR'))
watch(
  url,
  (at) => {
    picture.value = undefined
    if (!at) return
    const image = new Image()
    image.onload = () => at === url.value && (picture.value = image)
    image.src = at
  },
  { immediate: true },
)
/** All of it. */
function frame() {
  const host = canvas.value?.parentElement
  const box = boundsOf(lines.value)
  if (!host || !box) return
  const wide = Math.max(box.x1 - box.x0, 0.05) * 1.15
  const high = Math.max(box.y1 - box.y0, 0.05) * 1.15
  sight.value = { x: (box.x0 + box.x1) / 2, y: (box.y0 + box.y1) / 2, scale: Math.max(wide / host.clientWidth, high / host.clientHeight) }
}
watch([lines, () => canvas.value], frame)

function draw() {
  const c = canvas.value
  const host = c?.parentElement
  if (!c || !host) return
  const ratio = window.devicePixelRatio
  c.width = host.clientWidth * ratio
  c.height = host.clientHeight * ratio
  const pen = c.getContext('2d')!
  pen.scale(ratio, ratio)
  const { x, y, scale } = sight.value
  const px = (u: number) => (u - x) / scale + host.clientWidth / 2
  const py = (v: number) => (v - y) / scale + host.clientHeight / 2
  const side = 1 / scale
  const first = { u: Math.floor(x - (host.clientWidth / 2) * scale), v: Math.floor(y - (host.clientHeight / 2) * scale) }
  for (let u = first.u; px(u) < host.clientWidth; u++)
    for (let v = first.v; py(v) < host.clientHeight; v++) {
      if (picture.value) pen.drawImage(picture.value, px(u), py(v), side, side)
      pen.strokeStyle = 'rgba(34, 48, 60, 0.5)'
      pen.lineWidth = 1
      pen.setLineDash([4, 4])
      pen.strokeRect(px(u), py(v), side, side)
    }
  pen.setLineDash([])
  // Light under dark, so that it is seen on any picture.
  for (const [style, width] of [
    ['rgba(255, 255, 255, 0.75)', 3],
    ['#6a3d7c', 1.2],
  ] as const) {
    pen.strokeStyle = style
    pen.lineWidth = width
    pen.beginPath()
    for (const all of lines.value)
      for (let i = 0; i < all.length; i += 4) {
        pen.moveTo(px(all[i]!), py(all[i + 1]!))
        pen.lineTo(px(all[i + 2]!), py(all[i + 3]!))
      }
    pen.stroke()
  }
}
watch([sight, lines, picture], () => requestAnimationFrame(draw))
onMounted(draw)
useResizeObserver(
  computed(() => canvas.value?.parentElement),
  () => draw(),
)
function zoom(e: WheelEvent) {
  const { offsetX, offsetY } = e
  const host = canvas.value!.parentElement!
  const by = Math.exp(e.deltaY / 400)
  const s = sight.value
  const dx = offsetX - host.clientWidth / 2
  const dy = offsetY - host.clientHeight / 2
  sight.value = { x: s.x + dx * s.scale * (1 - by), y: s.y + dy * s.scale * (1 - by), scale: Math.min(0.1, Math.max(1e-5, s.scale * by)) }
}
function drag(e: PointerEvent) {
  if (!(e.buttons & 1)) return
  const s = sight.value
  sight.value = { ...s, x: s.x - e.movementX * s.scale, y: s.y - e.movementY * s.scale }
}
const nudge = (x: number, y: number) =>
  (sight.value = { ...sight.value, x: sight.value.x + x * 40 * sight.value.scale, y: sight.value.y + y * 40 * sight.value.scale })
const ARROWS: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }
function key(e: KeyboardEvent) {
  const by = ARROWS[e.key]
  if (!by) return
  e.preventDefault()
  e.stopPropagation()
  nudge(...by)
}
</script>

<template>
  <div class="sheet">
    <div class="names" role="group" aria-label="Swatches of the piece">
      <button v-for="s in swatches" :key="s" type="button" class="plain" :class="{ on: s === swatch }" :aria-pressed="s === swatch" @click="swatch = s">
        {{ s }}
      </button>
      <button type="button" class="plain" @click="frame">All of it</button>
    </div>
    <div class="canvas" tabindex="0" role="group" :aria-label="`${label}: the sheet can be dragged, and moved by the arrow keys`" @keydown="key">
      <canvas
        ref="canvas"
        role="img"
        :aria-label="`How ${label} lies on the sheet of ${swatch}`"
        data-testid="sheet-view"
        :data-faces="count"
        :data-picture="picture ? 'there' : ''"
        @wheel.prevent="zoom"
        @pointermove="drag" />
    </div>
  </div>
</template>

<style scoped>
.sheet {
  position: absolute;
  inset: 0;
  z-index: 1;
  display: flex;
  flex-direction: column;
  background: var(--paper);
}
.names {
  display: flex;
  gap: 14px;
  padding: 4px 14px;
}
.names .on {
  border-bottom: 2px solid var(--verdigris);
  font-weight: 600;
}
.names :last-child {
  margin-left: auto;
}
.canvas {
  flex: 1;
  min-height: 0;
  position: relative;
  overflow: hidden;
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  cursor: grab;
}
</style>

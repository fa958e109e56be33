<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'
import { onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { get, type SectionView } from '../api/client'
import { latest } from '../api/latest'
import { fittedBeside, magnified, type Lie } from '../plan/sheet'
import { tell, useSite } from '../site/site'
import { useArrangement } from '../table/arrangement'
import { useTable } from '../table/table'
import { drawSection } from './draw'
import { beside, query } from '../table/line'

const site = useSite()
const table = useTable()
const views = useArrangement()
const canvas = ref<HTMLCanvasElement>()
const section = shallowRef<SectionView>()
const lie = ref<Lie>({ scale: 0.05, x: 80, y: 400 })
let due = 0
let pan: { x: number; y: number } | undefined
let framed = ''
const ask = latest()

/** Cut anew after every edit; of several answers the last asked for is drawn. */
async function fetchSection() {
  if (!table.section || !site.site) return
  const found = await ask(get<SectionView>(`/api/sites/${site.site.id}/section?${query(table.section)}`))
  if (!found) return
  section.value = found
  if (framed !== query(table.section)) frame()
}
watch(
  () => [table.section, site.site?.revision],
  () => void fetchSection().catch(tell),
  { immediate: true },
)

function frame() {
  const s = section.value
  const parent = canvas.value?.parentElement
  if (!s || !parent?.clientWidth || !table.section) return
  framed = query(table.section)
  const e = s.extent
  const { clientWidth: width, clientHeight: height } = parent
  lie.value = fittedBeside({ min: { x: e.x0, y: e.y0, z: 0 }, max: { x: e.x1, y: e.y1, z: 0 } }, width, height, views.coveredOf('plan', width, height), 96)
}

function draw() {
  due = 0
  const c = canvas.value?.getContext('2d')
  if (!c || !section.value || !table.section) return
  const { clientWidth: width, clientHeight: height } = canvas.value!.parentElement!
  const ratio = window.devicePixelRatio
  if (canvas.value!.width !== width * ratio || canvas.value!.height !== height * ratio) {
    canvas.value!.width = width * ratio
    canvas.value!.height = height * ratio
  }
  c.setTransform(ratio, 0, 0, ratio, 0, 0)
  const figure = beside(table.section, table.figureMm)
  drawSection(c, { section: section.value, levels: site.massing.levels, lie: lie.value, width, height, unit: site.unit, figure })
}
const drawSoon = () => (due ||= requestAnimationFrame(draw))
watch(() => [section.value, lie.value, table.figureMm], drawSoon)
useResizeObserver(
  () => canvas.value?.parentElement,
  () => {
    frame()
    drawSoon()
  },
)
onMounted(() => void document.fonts.ready.then(drawSoon))
onBeforeUnmount(() => cancelAnimationFrame(due))

const place = (e: PointerEvent | WheelEvent): [number, number] => {
  const r = canvas.value!.getBoundingClientRect()
  return [e.clientX - r.left, e.clientY - r.top]
}
function down(e: PointerEvent) {
  canvas.value!.setPointerCapture(e.pointerId)
  const [x, y] = place(e)
  pan = { x, y }
}
function move(e: PointerEvent) {
  if (!pan) return
  const [x, y] = place(e)
  lie.value = { ...lie.value, x: lie.value.x + x - pan.x, y: lie.value.y + y - pan.y }
  pan = { x, y }
}
const wheel = (e: WheelEvent) => (lie.value = magnified(lie.value, Math.exp(-e.deltaY * 0.0015), ...place(e)))
</script>

<template>
  <div class="section">
    <canvas
      ref="canvas"
      data-testid="section"
      role="img"
      :aria-label="section ? `The section, through ${section.rooms.map((r) => r.name).join(', ')}` : 'The section'"
      :data-rooms="section?.rooms.length"
      :data-heights="section?.heightsMm.join(' ')"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="pan = undefined"
      @wheel.prevent="wheel"
      @contextmenu.prevent />
  </div>
</template>

<style scoped>
.section {
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
</style>

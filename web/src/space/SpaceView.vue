<script setup lang="ts">
import { useEventListener, useResizeObserver } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { usePlacing } from '../build/placing'
import { extentOf, extentOfPlacements } from '../site/extent'
import { tell, useSite } from '../site/site'
import { useTable } from '../table/table'
import { SpaceScene } from './SpaceScene'

const site = useSite()
const placing = usePlacing()
const table = useTable()
const holder = ref<HTMLElement>()
const band = ref<{ x0: number; y0: number; x1: number; y1: number }>()
const drawn = ref({ calls: 0, triangles: 0, instances: 0, view: '' })
let scene: SpaceScene | undefined
let framed = 0

const blocks = computed(() => [...site.massing.walls, ...site.massing.over, ...site.massing.floors])

async function show() {
  if (!scene || !site.site) return
  const extent = extentOf(site)
  const cutMm = table.cutaway ? (table.level?.floorMm ?? 0) + table.cutMm : undefined
  await scene.show({
    pieces: site.pieces.map((p) => ({
      id: p.id,
      url: `/api/sites/${site.site!.id}/pieces/${p.id}/mesh.glb`,
      version: JSON.stringify([p.code, p.sizeMm, p.boxMm, p.solidsMm, site.site!.pixelsPerMetre]),
    })),
    set: site.placements,
    blocks: site.site.kit ? [] : blocks.value,
    selection: site.selection,
    cutMm,
    finding: site.finding?.placeMm,
    extent,
    figureMm: table.figureMm,
  })
  if (extent && framed !== site.site.id) {
    framed = site.site.id
    scene.look(extent, false)
  }
  showGhost()
}
const showGhost = () => scene?.showGhost(placing.heldPieceId, placing.ghost)

let pending = false
function showSoon() {
  if (pending) return
  pending = true
  requestAnimationFrame(() => {
    pending = false
    void show().catch(tell)
  })
}

onMounted(() => {
  scene = new SpaceScene(holder.value!, (s) => {
    drawn.value = { calls: s.drawCalls, triangles: s.triangles, instances: s.instances, view: s.viewProjection.join(' ') }
  })
  showSoon()
})
onBeforeUnmount(() => scene?.dispose())
useResizeObserver(holder, () => scene?.resize())

watch(
  () => [site.placements, site.pieces, site.massing, site.selection, site.finding, site.shapes, table.cutaway, table.cutMm, table.level, table.figureMm],
  showSoon,
  { deep: false },
)
watch(() => site.site?.revision, showSoon)
watch(() => [placing.ghost, placing.held], showGhost)
watch(
  () => table.asked.count,
  () => {
    const box = table.asked.at === 'selection' ? (site.finding?.placeMm ?? extentOfPlacements(site, site.selected)) : extentOf(site)
    if (box) scene?.look(box, table.asked.at === 'selection')
  },
)
watch(
  () => site.finding,
  (f) => f && scene?.look(f.placeMm, true),
)

const spaceDown = (e: KeyboardEvent) => e.key === ' ' && scene?.panWithLeft(true)
const spaceUp = (e: KeyboardEvent) => e.key === ' ' && scene?.panWithLeft(false)
useEventListener(window, 'keydown', spaceDown)
useEventListener(window, 'keyup', spaceUp)

function place(e: PointerEvent) {
  const r = holder.value!.getBoundingClientRect()
  return [e.clientX - r.left, e.clientY - r.top] as const
}

function down(e: PointerEvent) {
  if (e.button !== 0) return
  const [x, y] = place(e)
  band.value = { x0: x, y0: y, x1: x, y1: y }
  holder.value!.setPointerCapture(e.pointerId)
}

function move(e: PointerEvent) {
  const [x, y] = place(e)
  if (band.value) band.value = { ...band.value, x1: x, y1: y }
  else if (placing.held && e.buttons === 0) {
    const at = scene!.pick(x, y).atMm
    if (at) placing.point(at)
  }
}

function up(e: PointerEvent) {
  const b = band.value
  band.value = undefined
  if (!b || e.button !== 0) return
  if (Math.hypot(b.x1 - b.x0, b.y1 - b.y0) > 4 && !placing.held) {
    const ids = scene!.within(Math.min(b.x0, b.x1), Math.min(b.y0, b.y1), Math.max(b.x0, b.x1), Math.max(b.y0, b.y1)).filter(table.takes)
    site.select(e.shiftKey ? [...site.selection, ...ids] : ids)
    return
  }
  const { id, atMm } = scene!.pick(b.x1, b.y1)
  if (placing.held) {
    void site.inTurn(() => placing.setDown(atMm)).catch(tell)
  } else if (id === undefined) {
    if (!e.shiftKey) site.select([])
  } else if (e.shiftKey) {
    site.toggle(id)
  } else {
    site.select([id])
  }
}
</script>

<template>
  <div
    ref="holder"
    class="space"
    data-testid="space"
    role="img"
    aria-label="The set in three dimensions; the list in Build can do the same"
    :data-draw-calls="drawn.calls"
    :data-triangles="drawn.triangles"
    :data-instances="drawn.instances"
    :data-view="drawn.view"
    @pointerdown="down"
    @pointermove="move"
    @pointerup="up"
    @contextmenu.prevent>
    <div
      v-if="band && !placing.held"
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
.space {
  position: absolute;
  inset: 0;
  overflow: hidden;
  touch-action: none;
}
.space :deep(canvas) {
  display: block;
}
.band {
  position: absolute;
  border: 1px dashed var(--plum);
  background: rgba(106, 61, 124, 0.08);
  pointer-events: none;
}
</style>

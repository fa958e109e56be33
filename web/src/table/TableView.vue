<script setup lang="ts">
import { computed, ref } from 'vue'
import { usePlacing } from '../build/placing'
import type { Point } from '../massing/edges'
import Choice from '../parts/Choice.vue'
import LengthField from '../parts/LengthField.vue'
import PlanView from '../plan/PlanView.vue'
import { useSite } from '../site/site'
import SpaceView from '../space/SpaceView.vue'
import { useTable } from './table'

defineProps<{ massing: boolean }>()
defineEmits<{ ground: [from: Point, to: Point]; edge: [edge: number, outwardMm: number]; opening: [id: number, by: Point] }>()
const site = useSite()
const placing = usePlacing()
const table = useTable()
const whole = ref<HTMLElement>()

function drag(e: PointerEvent) {
  if (!(e.buttons & 1)) return
  const r = whole.value!.getBoundingClientRect()
  const share = (e.clientX - r.left) / r.width
  table.share = share < 0.12 ? 0 : share > 0.88 ? 1 : share
}

function nudge(e: KeyboardEvent) {
  const by = { ArrowLeft: -0.05, ArrowRight: 0.05 }[e.key]
  if (by === undefined) return
  e.preventDefault()
  e.stopPropagation()
  table.share = Math.min(1, Math.max(0, table.share + by))
}

const picks = computed(() => [
  { value: '', label: 'box takes all' },
  { value: 'STANDING', label: 'all but floors' },
  ...[...new Set(site.pieces.map((p) => p.role))].map((r) => ({ value: r as string, label: `${r.toLowerCase()}s only` })),
])

const KINDS = { GRID: 'on the step', FLOOR: 'on the floor', EDGE: 'to the edge of', SURFACE: 'on top of' }

/** What holds the ghost, in words. */
const holds = computed(() =>
  placing.ghost?.holds.map((h) => {
    const piece = h.placementId ? site.pieceById.get(site.placements.get(h.placementId)?.pieceId ?? 0) : undefined
    return { axis: h.axis, words: `${KINDS[h.kind]}${piece ? ` ${piece.code}` : ''}`, edge: h.kind === 'EDGE' || h.kind === 'SURFACE' }
  }),
)
</script>

<template>
  <div ref="whole" class="table">
    <div v-show="table.share > 0" class="half" :style="{ flex: `${table.share} 1 0` }">
      <PlanView
        :massing="massing"
        @ground="(from, to) => $emit('ground', from, to)"
        @edge="(edge, by) => $emit('edge', edge, by)"
        @opening="(id, by) => $emit('opening', id, by)" />
      <span class="title caps">Plan</span>
    </div>
    <div
      class="divider"
      role="separator"
      aria-label="Width of Plan"
      aria-orientation="vertical"
      tabindex="0"
      :aria-valuenow="Math.round(table.share * 100)"
      aria-valuemin="0"
      aria-valuemax="100"
      @pointerdown="(e) => (e.target as HTMLElement).setPointerCapture(e.pointerId)"
      @pointermove="drag"
      @dblclick="table.share = 0.5"
      @keydown="nudge" />
    <div v-show="table.share < 1" class="half" :style="{ flex: `${1 - table.share} 1 0` }">
      <SpaceView />
      <span class="title caps">Space</span>
      <div class="tools">
        <span class="picks"><Choice :value="table.picks" :options="picks" label="What a box selects" @change="(p) => (table.picks = p)" /></span>
        <span v-if="table.cutaway" class="height"><LengthField label="cut at" :mm="table.cutMm" @change="(mm) => (table.cutMm = mm)" /></span>
        <button type="button" class="tool" :aria-pressed="table.cutaway" title="Cutaway (K)" @click="table.cutaway = !table.cutaway">Cutaway</button>
        <button type="button" class="tool" title="Show the whole set (H)" @click="table.look('all')">Show the whole set</button>
      </div>
    </div>
    <div v-if="placing.held" class="hold" role="status" data-testid="hold">
      <template v-if="placing.ghost">
        <span class="figures">{{ site.show(placing.ghost.atMm.x) }}, {{ site.show(placing.ghost.atMm.y) }}, {{ site.show(placing.ghost.atMm.z) }}</span>
        <span v-for="h in holds" :key="h.axis" :class="{ edge: h.edge }">{{ h.axis }} {{ h.words }}</span>
        <span v-if="!holds?.length" class="soft">free: nothing snaps</span>
      </template>
      <span class="soft">click or Enter sets down · Esc puts back</span>
    </div>
  </div>
</template>

<style scoped>
.table {
  position: relative;
  display: flex;
  flex: 1;
  min-height: 0;
  min-width: 0;
}
.half {
  position: relative;
  min-width: 0;
}
.title {
  position: absolute;
  left: 12px;
  top: 8px;
  pointer-events: none;
}
.divider {
  width: 7px;
  cursor: col-resize;
  background: var(--paper);
  border-left: 1px solid var(--hairline);
  border-right: 1px solid var(--hairline);
  touch-action: none;
}
.divider:hover {
  background: var(--hairline);
}
.tools {
  align-items: center;
  position: absolute;
  left: 12px;
  right: 8px;
  top: 30px;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  pointer-events: none;
}
.tools > * {
  pointer-events: auto;
}
.picks {
  width: 112px;
}
.height {
  width: 90px;
}
.height :deep(label.field) {
  flex-direction: row;
  align-items: center;
  gap: 6px;
}
.height :deep(label.field > span:first-child) {
  flex: none;
}
.height :deep(input) {
  flex: 1;
  width: 0;
}
.tool {
  font: 13px var(--sans);
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--hairline);
  padding: 2px 8px;
  white-space: nowrap;
  cursor: pointer;
}
.tool[aria-pressed='true'] {
  background: var(--verdigris);
  border-color: var(--verdigris);
  color: #fff;
}
.hold {
  position: absolute;
  left: 50%;
  bottom: 10px;
  transform: translateX(-50%);
  display: flex;
  gap: 14px;
  white-space: nowrap;
  background: var(--sheet);
  border: 1px solid var(--verdigris);
  padding: 4px 12px;
  font-size: 13px;
  pointer-events: none;
}
.edge {
  color: var(--verdigris);
  font-weight: 600;
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import { useArrangement, type Other } from '../table/arrangement'
import { useTable } from '../table/table'
import LightGroup from './LightGroup.vue'
import PickGroup from './PickGroup.vue'
import SeeGroup from './SeeGroup.vue'

/** The one line over the Table: which view is large, what is seen, in what light, what a click takes. */
defineProps<{ massing: boolean }>()
const table = useTable()
const views = useArrangement()

const isBeside = computed(() => views.other === 'beside')
const isLarge = (view: 'plan' | 'section' | 'space') =>
  view === 'space' ? views.large === 'space' && !isBeside.value : (views.large === 'plan' || isBeside.value) && table.drawn === view

function showPlan() {
  table.drawn = 'plan'
  table.drawing = ''
  views.enlarge('plan')
}
/** The section that there is; without one, or where it is shown already, a line for a new one is drawn on the plan. */
function showSection() {
  const isShown = table.drawn === 'section' && (views.large === 'plan' || isBeside.value)
  views.enlarge('plan')
  if (table.section && !isShown) table.drawn = 'section'
  else {
    table.drawn = 'plan'
    table.drawing = table.drawing === 'section' ? '' : 'section'
  }
}
function drawRoom() {
  const isDrawing = table.drawing === 'room'
  if (!isDrawing) showPlan()
  table.drawing = isDrawing ? '' : 'room'
}
/** The keys that walk must not press the button again. */
function walk(e: MouseEvent) {
  table.walking = true
  ;(e.currentTarget as HTMLElement).blur()
}

const OTHERS: { value: Other; label: string; drawn: string }[] = [
  { value: 'away', label: 'One view alone', drawn: 'M1 1h16v12H1z' },
  { value: 'corner', label: 'The other small in the corner', drawn: 'M1 1h16v12H1zM10 7.5h7M10 7.5V13' },
  { value: 'beside', label: 'Both side by side', drawn: 'M1 1h16v12H1zM9 1v12' },
]
</script>

<template>
  <div class="line" :class="{ beside: isBeside }">
    <div class="which" :style="isBeside ? { flex: `0 0 ${views.share * 100}%` } : {}">
      <span class="joined" role="group" aria-label="The large view">
        <button type="button" class="tool" :aria-pressed="isLarge('plan')" @click="showPlan">Plan</button>
        <button
          type="button"
          class="tool"
          :aria-pressed="isLarge('section')"
          :title="table.section ? 'The section; again, to draw another line' : 'Draw a line on the plan; the section looks to its left'"
          @click="showSection">
          {{ table.drawing === 'section' ? 'Drag a line …' : 'Section' }}
        </button>
        <button v-if="!isBeside" type="button" class="tool" :aria-pressed="isLarge('space')" @click="views.enlarge('space')">Space</button>
      </span>
    </div>
    <SeeGroup />
    <LightGroup />
    <PickGroup v-if="!massing" />
    <button
      v-else-if="table.rooms.length"
      type="button"
      class="tool"
      title="Drag a rectangle on the plan; its size can be typed meanwhile: 6 x 4"
      :aria-pressed="table.drawing === 'room'"
      @click="drawRoom">
      {{ table.drawing === 'room' ? 'Drag on the plan …' : 'Draw a room' }}
    </button>
    <button type="button" class="tool" title="Walk from where the Figure stands, in the whole window (W)" @click="walk">Walk</button>
    <span class="joined end" role="group" aria-label="The other view">
      <button
        v-for="o in OTHERS"
        :key="o.value"
        type="button"
        class="tool icon"
        :aria-pressed="views.other === o.value"
        :aria-label="o.label"
        :title="o.label"
        @click="views.put(o.value)">
        <svg width="18" height="14" aria-hidden="true"><path :d="o.drawn" fill="none" stroke="currentColor" stroke-width="1.3" /></svg>
      </button>
    </span>
  </div>
</template>

<style scoped>
.line {
  position: absolute;
  left: 8px;
  right: 8px;
  top: 6px;
  z-index: 5;
  display: flex;
  align-items: center;
  gap: 6px;
  pointer-events: none;
}
.line.beside {
  left: 0;
}
/* A small window, or a large zoom. */
@media (max-width: 1000px) {
  .line {
    flex-wrap: wrap;
    row-gap: 4px;
  }
}
.line > * {
  pointer-events: auto;
}
.which {
  display: flex;
  align-items: center;
  gap: 6px;
}
.line.beside .which {
  padding-left: 8px;
  pointer-events: none;
}
.line.beside .which > * {
  pointer-events: auto;
}
.joined {
  display: flex;
}
.joined > :deep(button + button) {
  border-left: 0;
}
.end {
  margin-left: auto;
}
.line :deep(.tool) {
  font: inherit;
  font-size: var(--small);
  line-height: 20px;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--hairline);
  padding: 1px 8px;
  white-space: nowrap;
  cursor: pointer;
}
.line :deep(.tool[aria-pressed='true']) {
  background: var(--verdigris);
  border-color: var(--verdigris);
  color: #fff;
}
.line :deep(.tool[aria-expanded='true']) {
  border-color: var(--ink);
}
.line :deep(.icon) {
  display: grid;
  place-items: center;
  height: 24px;
  padding: 0 5px;
}
.line :deep(.pair) {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
}
.line :deep(.pair label.field) {
  flex: 1;
  flex-direction: row;
  align-items: center;
  gap: 6px;
}
.line :deep(.pair label.field > span:first-child) {
  flex: none;
}
</style>

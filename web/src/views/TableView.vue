<script setup lang="ts">
import { computed, ref } from 'vue'
import { usePlacing } from '../placing/placing'
import Choice from '../parts/Choice.vue'
import LengthField from '../parts/LengthField.vue'
import { keepFlow } from '../massing/flow'
import type { Deed } from '../massing/hand'
import PlanView from '../plan/PlanView.vue'
import { useSite } from '../site/site'
import SectionView from '../section/SectionView.vue'
import DensityLegend from '../space/DensityLegend.vue'
import SpaceView from '../space/SpaceView.vue'
import { useColourways } from '../sheets/colourways'
import { useSeeing } from '../ticket/seeing'
import { useTable } from '../table/table'

defineProps<{ massing: boolean }>()
defineEmits<{ deed: [deed: Deed] }>()
const site = useSite()
keepFlow()
const placing = usePlacing()
const table = useTable()
const seeing = useSeeing()
const colourways = useColourways()
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
  { value: '', label: 'hand takes all' },
  { value: 'STANDING', label: 'all but floors' },
  ...[...new Set(site.pieces.map((p) => p.role))].map((r) => ({ value: r as string, label: `${r.toLowerCase()}s only` })),
])

const LEVELS = [
  { value: 'all', label: 'all levels' },
  { value: 'one', label: 'this level' },
  { value: 'below', label: 'up to this level' },
] as const
const shine = (change: Partial<typeof table.sun>) => (table.sun = { ...table.sun, ...change })
const valueOf = (e: Event) => Number((e.target as HTMLInputElement).value)
const clock = computed(() => `${Math.floor(table.sun.hour)}:${String(Math.round((table.sun.hour % 1) * 60)).padStart(2, '0')}`)
/** The keys that walk must not press the button again. */
function walkOn(e: MouseEvent) {
  table.walking = !table.walking
  ;(e.currentTarget as HTMLElement).blur()
}

const KINDS = { GRID: 'on the step', FLOOR: 'on the floor', EDGE: 'to the edge of', SURFACE: 'on top of', FACE: 'at the face of', UNDERSIDE: 'under' }

const ALONE: Partial<typeof KINDS> = { FACE: 'at the wall', UNDERSIDE: 'under the ceiling' }

/** What holds the ghost, in words. */
const holds = computed(() =>
  placing.ghost?.holds.map((h) => {
    const piece = h.placementId ? site.pieceById.get(site.placements.get(h.placementId)?.pieceId ?? 0) : undefined
    return { axis: h.axis, words: piece ? `${KINDS[h.kind]} ${piece.code}` : (ALONE[h.kind] ?? KINDS[h.kind]), edge: h.kind === 'EDGE' || h.kind === 'SURFACE' }
  }),
)
</script>

<template>
  <div ref="whole" class="table">
    <div v-show="table.share > 0" class="half" :style="{ flex: `${table.share} 1 0` }">
      <PlanView v-show="table.drawn === 'plan'" :massing="massing" @deed="(deed) => $emit('deed', deed)" />
      <SectionView v-if="table.section && table.drawn === 'section'" />
      <span class="title caps">{{ table.drawn === 'section' ? 'Section' : 'Plan' }}</span>
      <div class="tools left">
        <button
          v-if="table.drawn === 'plan'"
          type="button"
          class="tool"
          :aria-pressed="table.drawing === 'section'"
          title="Draw a line on the plan; the section looks to its left"
          @click="table.drawing = table.drawing === 'section' ? '' : 'section'">
          {{ table.drawing === 'section' ? 'Drag a line …' : table.section ? 'Another section' : 'Section' }}
        </button>
        <button v-if="table.section" type="button" class="tool" @click="table.drawn = table.drawn === 'plan' ? 'section' : 'plan'">
          {{ table.drawn === 'plan' ? 'Show the section' : 'Show the plan' }}
        </button>
      </div>
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
      <DensityLegend v-if="seeing.finished && seeing.instead === 'density'" />
      <span class="title caps">Space</span>
      <p v-if="table.walking" class="walking" role="status">Arrow keys walk, dragging looks round, Esc ends.</p>
      <div class="tools">
        <span class="picks"><Choice :value="table.picks" :options="picks" label="What a hand selects" @change="(p) => (table.picks = p)" /></span>
        <span v-if="table.cutaway" class="height"><LengthField label="cut at" :mm="table.cutMm" @change="(mm) => (table.cutMm = mm)" /></span>
        <button type="button" class="tool" :aria-pressed="table.cutaway" title="Cutaway (K)" @click="table.cutaway = !table.cutaway">Cutaway</button>
        <span class="picks"
          ><Choice :value="table.shownLevels" :options="LEVELS" label="Levels that Space shows" @change="(l) => (table.shownLevels = l)"
        /></span>
        <button type="button" class="tool" :aria-pressed="table.ceilings" @click="table.ceilings = !table.ceilings">Ceilings</button>
        <button
          type="button"
          class="tool"
          title="Pieces of many triangles as plain boxes"
          :aria-pressed="seeing.areBoxes"
          @click="seeing.boxes = !seeing.areBoxes">
          Boxes
        </button>
        <button
          type="button"
          class="tool"
          title="What looks alike has one colour"
          :aria-pressed="seeing.repetition"
          @click="seeing.repetition = !seeing.repetition">
          Repetition
        </button>
        <button
          type="button"
          class="tool"
          title="In their finishes, or in paper (P)"
          :aria-pressed="seeing.finished"
          @click="seeing.finished = !seeing.finished">
          Finished
        </button>
        <button
          v-if="seeing.finished"
          type="button"
          class="tool"
          title="Squares of 64 pixels in place of finishes"
          :aria-pressed="seeing.instead === 'checker'"
          @click="seeing.instead = seeing.instead === 'checker' ? undefined : 'checker'">
          Checker
        </button>
        <button
          v-if="seeing.finished"
          type="button"
          class="tool"
          title="How finely pictures lie, in place of finishes"
          :aria-pressed="seeing.instead === 'density'"
          @click="seeing.instead = seeing.instead === 'density' ? undefined : 'density'">
          Density
        </button>
        <span v-if="seeing.finished && colourways.all.length > 1" class="picks"
          ><Choice
            :value="colourways.used?.id"
            :options="colourways.all.map((c) => ({ value: c.id, label: c.name }))"
            label="Colourway"
            @change="(id) => void colourways.use(id)"
        /></span>
        <button type="button" class="tool" :aria-pressed="table.sun.on" @click="table.sun = { ...table.sun, on: !table.sun.on }">Sun</button>
        <span v-if="table.sun.on" class="sun">
          <label
            >hour
            <input
              type="range"
              min="0"
              max="24"
              step="0.25"
              :value="table.sun.hour"
              aria-label="Hour of the day"
              @input="(e) => shine({ hour: valueOf(e) })" /><span class="figures">{{ clock }}</span></label
          >
          <label
            >north
            <input
              type="range"
              min="-180"
              max="180"
              step="5"
              :value="table.sun.north"
              aria-label="Bearing of north"
              @input="(e) => shine({ north: valueOf(e) })" /><span class="figures">{{ table.sun.north }}°</span></label
          >
        </span>
        <button type="button" class="tool" :aria-pressed="table.walking" title="Walk from where the Figure stands" @click="walkOn">
          {{ table.walking ? 'Stop walking' : 'Walk' }}
        </button>
        <button type="button" class="tool" title="Show the whole set (H)" aria-label="Show the whole set" @click="table.look('all')">Whole set</button>
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
  overflow: hidden;
  min-width: 0;
}
.title {
  position: absolute;
  left: 12px;
  top: 8px;
  padding: 0 4px;
  background: var(--paper);
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
.tools.left {
  right: auto;
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
  background: var(--paper);
  padding-left: 4px;
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
.sun {
  display: flex;
  gap: 10px;
  font-size: 13px;
  background: var(--sheet);
  border: 1px solid var(--hairline);
  padding: 2px 8px;
}
.sun label {
  display: flex;
  align-items: center;
  gap: 4px;
}
.sun input {
  width: 84px;
  accent-color: var(--verdigris);
}
.walking {
  position: absolute;
  left: 50%;
  bottom: 12px;
  transform: translateX(-50%);
  margin: 0;
  padding: 4px 12px;
  background: var(--sheet);
  border: 1px solid var(--hairline);
  white-space: nowrap;
  pointer-events: none;
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

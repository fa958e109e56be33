<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { usePlacing } from '../placing/placing'
import { keepFlow } from '../massing/flow'
import type { Deed } from '../massing/hand'
import PlanView from '../plan/PlanView.vue'
import { useSite } from '../site/site'
import SectionView from '../section/SectionView.vue'
import { useMeter } from '../light/meter'
import MeterLegend from '../light/MeterLegend.vue'
import DensityLegend from '../space/DensityLegend.vue'
import SpaceView from '../space/SpaceView.vue'
import { cornerOf, useArrangement, type View } from '../table/arrangement'
import { useTable } from '../table/table'
import { useSeeing } from '../ticket/seeing'
import PickedHere from './PickedHere.vue'
import ViewLine from './ViewLine.vue'

defineProps<{ massing: boolean }>()
defineEmits<{ deed: [deed: Deed] }>()
const site = useSite()
keepFlow()
const placing = usePlacing()
const table = useTable()
const views = useArrangement()
const meter = useMeter()
const seeing = useSeeing()
const whole = ref<HTMLElement>()

function drag(e: PointerEvent) {
  if (!(e.buttons & 1)) return
  const r = whole.value!.getBoundingClientRect()
  views.part((e.clientX - r.left) / r.width)
}

function nudge(e: KeyboardEvent) {
  const by = { ArrowLeft: -0.05, ArrowRight: 0.05 }[e.key]
  if (by === undefined) return
  e.preventDefault()
  e.stopPropagation()
  views.part(views.share + by)
}

const { width, height } = useElementSize(whole)
const corner = computed(() => cornerOf(width.value, height.value))
/** Where a view stands: over all of the Table, in its corner, or in its part of it. */
function stance(view: View) {
  if (views.other === 'beside')
    return view === 'plan' ? { left: '0', right: `${(1 - views.share) * 100}%` } : { left: `calc(${views.share * 100}% + 7px)`, right: '0' }
  return isSmall(view) ? { width: `${corner.value.width}px`, height: `${corner.value.height}px` } : {}
}
const isSmall = (view: View) => views.other === 'corner' && views.large !== view
const smallName = computed(() => (views.large === 'plan' ? 'Space' : table.drawn === 'section' ? 'Section' : 'Plan'))

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
    <div v-show="views.isShown('plan')" class="view" :class="{ small: isSmall('plan') }" :style="stance('plan')">
      <PlanView v-show="table.drawn === 'plan'" :massing="massing" :small="isSmall('plan')" @deed="(deed) => $emit('deed', deed)" />
      <SectionView v-if="table.section && table.drawn === 'section'" />
    </div>
    <div
      v-if="views.other === 'beside'"
      class="divider"
      role="separator"
      aria-label="Width of Plan"
      aria-orientation="vertical"
      tabindex="0"
      :style="{ left: `${views.share * 100}%` }"
      :aria-valuenow="Math.round(views.share * 100)"
      aria-valuemin="0"
      aria-valuemax="100"
      @pointerdown="(e) => (e.target as HTMLElement).setPointerCapture(e.pointerId)"
      @pointermove="drag"
      @dblclick="views.part(0.5)"
      @keydown="nudge" />
    <div v-show="views.isShown('space')" class="view" :class="{ small: isSmall('space') }" :style="stance('space')">
      <SpaceView :handles="!massing && !isSmall('space')" />
      <DensityLegend v-if="seeing.finished && seeing.instead === 'density'" />
      <MeterLegend v-else-if="meter.isMood && (meter.measures || meter.falseColour)" />
    </div>
    <button
      v-if="views.other === 'corner'"
      type="button"
      class="enlarge"
      :style="{ bottom: `${corner.height - 13}px` }"
      :title="`Make ${smallName} the large view (X)`"
      :aria-label="`Make ${smallName} the large view`"
      @click="views.enlarge(views.large === 'plan' ? 'space' : 'plan')">
      {{ smallName }} <span aria-hidden="true">⤢</span>
    </button>
    <PickedHere v-if="!massing && !table.walking" />
    <ViewLine v-if="!table.walking" :massing="massing" />
    <p v-else class="said walking" role="status">
      Arrow keys walk, dragging looks round, Esc ends. <button type="button" class="plain stop" @click="table.walking = false">Stop walking</button>
    </p>
    <div v-if="placing.held" class="said hold" role="status" data-testid="hold">
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
  flex: 1;
  min-height: 0;
  min-width: 0;
  overflow: hidden;
}
.view {
  position: absolute;
  top: 0;
  bottom: 0;
  left: 0;
  right: 0;
  overflow: hidden;
}
.view.small {
  left: auto;
  right: 10px;
  top: auto;
  bottom: 10px;
  z-index: 2;
  background: var(--paper);
  border: 1px solid var(--ink);
}
.enlarge {
  position: absolute;
  right: 11px;
  z-index: 3;
  border: 0;
  border-left: 1px solid var(--hairline);
  border-bottom: 1px solid var(--hairline);
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-size: var(--small);
  line-height: 21px;
  height: 22px;
  padding: 0 8px;
  cursor: pointer;
}
.divider {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 7px;
  z-index: 1;
  cursor: col-resize;
  background: var(--paper);
  border-left: 1px solid var(--hairline);
  border-right: 1px solid var(--hairline);
  touch-action: none;
}
.divider:hover {
  background: var(--hairline);
}
.said {
  position: absolute;
  left: 50%;
  bottom: 12px;
  transform: translateX(-50%);
  z-index: 4;
  margin: 0;
  padding: 4px 12px;
  background: var(--sheet);
  border: 1px solid var(--hairline);
  white-space: nowrap;
  font-size: var(--small);
}
.stop {
  margin-left: 10px;
  color: #1d5c57;
  text-decoration: underline;
}
.hold {
  display: flex;
  gap: 14px;
  border-color: var(--verdigris);
  pointer-events: none;
}
.edge {
  color: var(--verdigris);
  font-weight: 600;
}
</style>

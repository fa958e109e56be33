<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed, onUnmounted } from 'vue'
import type { RoomView } from '../api/client'
import LengthField from '../parts/LengthField.vue'
import { useAttempt } from '../site/attempt'
import { useForeseen } from './foreseen'
import { FIGURE_OUTLINE } from '../parts/figure'
import { formatBare } from '../measure/format'
import { useSite } from '../site/site'
import { useTable } from '../table/table'

/** The stretches of wall of a room: listed, and the chosen one shown in elevation and on the Table. */
const props = defineProps<{ room: RoomView }>()
const site = useSite()
const table = useTable()
const runs = computed(() => site.massing.runs.filter((r) => r.roomId === props.room.id))
const chosen = computed(() => runs.value.find((r) => r.id === table.chosenRun))
onUnmounted(() => (table.chosenRun = undefined))
/** What the wall behind the run's edge is told to be; nothing where as the site's. */
const own = computed(() => props.room.outlineMm.flat().find((c) => c.edge === chosen.value?.edge)?.wallMm ?? undefined)
const { make } = useForeseen()
const { refusal, attempt } = useAttempt()
const thicken = (wallMm?: number) => attempt(() => make('Thickness of a wall', 'PUT', `/rooms/${props.room.id}/edges/${chosen.value!.edge}/wall`, { wallMm }))
/** Beside the run, for the Figure. */
const ASIDE_MM = 700
</script>

<template>
  <section aria-label="Runs">
    <div class="row spread">
      <h3>Runs</h3>
      <span class="soft figures">{{ runs.length }}</span>
    </div>
    <ul>
      <li v-for="r in runs" :key="r.id">
        <button type="button" class="plain" :aria-pressed="r.id === table.chosenRun" @click="table.chosenRun = r.id === table.chosenRun ? undefined : r.id">
          {{ r.name.slice(room.name.length + 2) }}
        </button>
        <span class="figures soft">{{ formatBare(r.lengthMm, site.unit) }} × {{ formatBare(r.heightMm, site.unit) }}</span>
      </li>
    </ul>
    <div v-if="chosen" class="row thickness">
      <LengthField label="Wall on this side" :error="refusal?.message" :mm="own ?? site.site!.wallMm" @change="thicken" />
      <Button v-if="own" size="small" @click="thicken()">As the site’s</Button>
      <span v-else class="soft">as the site’s</span>
    </div>
    <svg
      v-if="chosen"
      data-testid="run"
      role="img"
      :aria-label="`${chosen.name} in elevation, ${site.show(chosen.lengthMm)} long, ${chosen.openings.length} openings`"
      :viewBox="`${-ASIDE_MM} ${-Math.max(1900, chosen.heightMm) - 60} ${chosen.lengthMm + ASIDE_MM + 60} ${Math.max(1900, chosen.heightMm) + 120}`">
      <rect x="0" :y="-chosen.heightMm" :width="chosen.lengthMm" :height="chosen.heightMm" class="wall" />
      <rect v-for="o in chosen.openings" :key="o.fromMm" :x="o.fromMm" :y="-o.sillMm - o.heightMm" :width="o.widthMm" :height="o.heightMm" class="hole" />
      <g :transform="`scale(1 -1) translate(${-ASIDE_MM / 2} 0)`">
        <path :d="FIGURE_OUTLINE" class="figure" />
        <circle cx="0" cy="1660" r="140" class="figure" />
      </g>
      <line :x1="-ASIDE_MM" y1="0" :x2="chosen.lengthMm + 60" y2="0" class="ground" />
    </svg>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 6px;
}
.thickness {
  align-items: flex-end;
}
.thickness label {
  width: 120px;
}
button[aria-pressed='true'] {
  font-weight: 600;
  box-shadow: 0 2px var(--verdigris);
}
svg {
  max-height: 150px;
  background: var(--paper);
}
.wall {
  fill: var(--sheet);
  stroke: var(--ink);
  vector-effect: non-scaling-stroke;
}
.hole {
  fill: var(--paper);
  stroke: var(--ink);
  vector-effect: non-scaling-stroke;
}
.figure {
  fill: var(--verdigris);
}
.ground {
  stroke: var(--ink);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
</style>

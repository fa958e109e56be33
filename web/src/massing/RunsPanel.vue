<script setup lang="ts">
import { computed } from 'vue'
import type { RoomView } from '../api/client'
import { FIGURE_OUTLINE } from '../space/figure'
import { useSite } from '../site/site'
import { useTable } from '../table/table'

/** The stretches of wall of a room: listed, and the chosen one shown in elevation and on the Table. */
const props = defineProps<{ room: RoomView }>()
const site = useSite()
const table = useTable()
const runs = computed(() => site.massing.runs.filter((r) => r.roomId === props.room.id))
const chosen = computed(() => runs.value.find((r) => r.id === table.chosenRun))
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
        <span class="figures soft">{{ site.show(r.lengthMm) }} × {{ site.show(r.heightMm) }}</span>
      </li>
    </ul>
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
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2px 14px;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 6px;
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

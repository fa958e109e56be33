<script setup lang="ts">
import { computed } from 'vue'
import type { SiteOptionView, Unit } from '../api/client'
import { formatBare } from '../measure/format'
import { roleName } from '../list/roles'
import { FIGURE_OUTLINE } from '../parts/figure'
import { fillOf } from './hatches'
import { kindOf, type Kinds } from './kinds'

/** What would be modelled, in elevation, all to one scale on one ground line beside the figure. */
const props = defineProps<{ option: SiteOptionView; kinds: Kinds; unit: Unit }>()
const STANDING = new Set<SiteOptionView['pieces'][0]['role']>(['WALL', 'POST', 'DOOR', 'WINDOW', 'PASSAGE'])
const pieces = computed(() => props.option.pieces.filter((p) => STANDING.has(p.role)))
const FIGURE_MM = 1800
const tallest = computed(() => Math.max(FIGURE_MM, ...pieces.value.map((p) => p.heightMm)))
/** Pixels a millimetre. */
const scale = computed(() => Math.min(0.04, 150 / tallest.value))
const fill = (p: (typeof pieces.value)[0]) => (p.role === 'WALL' ? fillOf(props.kinds.get(kindOf(p))) : fillOf(undefined))
</script>

<template>
  <div class="pieces" role="list" aria-label="What would be modelled, in elevation">
    <figure class="piece" aria-hidden="true">
      <svg :width="560 * scale" :height="tallest * scale" :viewBox="`-280 ${-tallest} 560 ${tallest}`">
        <g transform="scale(1 -1)">
          <path :d="FIGURE_OUTLINE" fill="#2F7F79" />
          <circle cx="0" cy="1660" r="140" fill="#2F7F79" />
        </g>
      </svg>
      <figcaption class="soft">Figure</figcaption>
    </figure>
    <figure v-for="(p, n) in pieces" :key="n" class="piece" role="listitem">
      <svg
        :width="Math.max(p.lengthMm * scale, 2)"
        :height="tallest * scale"
        :viewBox="`0 ${-tallest} ${p.lengthMm} ${tallest}`"
        role="img"
        :aria-label="roleName(p.role)">
        <rect x="0" :y="-p.heightMm" :width="p.lengthMm" :height="p.heightMm" :fill="fill(p)" class="edge" />
      </svg>
      <figcaption>
        <span>{{ roleName(p.role) }}</span>
        <span class="figures">{{ formatBare(p.lengthMm, unit) }} × {{ formatBare(p.heightMm, unit) }}</span>
        <span class="figures soft">× {{ p.count }}</span>
      </figcaption>
    </figure>
  </div>
</template>

<style scoped>
.pieces {
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 16px 18px;
}
.piece {
  margin: 0;
  display: flex;
  flex-direction: column;
  gap: 3px;
}
svg {
  border-bottom: 1.5px solid var(--ink);
  overflow: visible;
}
figcaption {
  display: flex;
  flex-direction: column;
  font-size: var(--small);
  line-height: 1.3;
}
.edge {
  stroke: var(--ink);
  stroke-width: 1.2px;
  vector-effect: non-scaling-stroke;
}
</style>

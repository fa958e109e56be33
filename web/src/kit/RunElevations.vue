<script setup lang="ts">
import { computed } from 'vue'
import type { FaceView, RunView, Unit } from '../api/client'
import { formatBare } from '../measure/format'
import { FIGURE_OUTLINE } from '../space/figure'

/** The runs laid out in elevation, seen from inside the room, all to one scale. */
const props = defineProps<{
  runs: RunView[]
  kindsMm: number[]
  /** Of each run, its height and the openings in it. */
  faces: FaceView[]
  unit: Unit
}>()

const lengthOf = (r: RunView) => r.sequence.reduce((end, i) => Math.max(end, i.atMm + i.lengthMm), 0)
const longest = computed(() => Math.max(1000, ...props.runs.map(lengthOf)))
/** Paper greys, one a kind, so that a kind is seen again; its length is written on it too. */
const shade = (mm: number) => ['#FBFAF6', '#E9E3D5', '#D3CBB8', '#BDB4A0', '#F3EEE2', '#DED7C6', '#C8BFAC', '#EFE9DB'][props.kindsMm.indexOf(mm)] ?? '#fff'
/** A low run is drawn with the whole figure beside it. */
const tall = (n: number) => Math.max(1800, props.faces[n]!.heightMm)
const wallItems = (r: RunView) => r.sequence.filter((i) => i.piece === 'wall')
</script>

<template>
  <ol class="runs">
    <li v-for="(r, n) in runs" :key="r.name">
      <div class="row spread">
        <span>{{ r.name }}</span><span class="figures soft">{{ formatBare(lengthOf(r), unit) }} · {{ wallItems(r).length }} pieces</span>
      </div>
      <svg
        :viewBox="`-720 ${-tall(n) - 60} ${longest + 780} ${tall(n) + 90}`"
        role="img"
        :aria-label="`${r.name}: ${r.sequence.map((i) => `${i.piece} ${formatBare(i.lengthMm, unit)}`).join(', ')}`">
        <g v-for="i in r.sequence" :key="i.atMm">
          <rect
            :x="i.atMm"
            :y="-faces[n]!.heightMm"
            :width="i.lengthMm"
            :height="faces[n]!.heightMm"
            :fill="i.piece === 'wall' ? shade(i.lengthMm) : '#F4F1EA'"
            class="panel-edge" />
          <text
            v-if="i.piece === 'wall' && i.lengthMm > longest * 0.04"
            :x="i.atMm + i.lengthMm / 2"
            :y="-faces[n]!.heightMm / 2"
            :font-size="longest * 0.027"
            class="size">
            {{ formatBare(i.lengthMm, unit) }}
          </text>
        </g>
        <rect v-for="d in faces[n]!.holes" :key="d.atMm" :x="d.atMm" :y="-d.sillMm - d.heightMm" :width="d.widthMm" :height="d.heightMm" class="hole" />
        <g transform="scale(1 -1) translate(-420 0)">
          <path :d="FIGURE_OUTLINE" fill="#2F7F79" />
          <circle cx="0" cy="1660" r="140" fill="#2F7F79" />
        </g>
        <line x1="-720" y1="0" :x2="longest + 60" y2="0" class="ground" />
      </svg>
    </li>
  </ol>
</template>

<style scoped>
.runs {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(330px, 1fr));
  gap: 14px 22px;
}
svg {
  width: 100%;
  display: block;
}
.panel-edge {
  stroke: var(--ink);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
.hole {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.2;
  vector-effect: non-scaling-stroke;
}
.ground {
  stroke: var(--ink);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.size {
  font-family: var(--mono);
  fill: var(--ink);
  text-anchor: middle;
  dominant-baseline: middle;
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import type { FaceView, LaidRunView, LaidView, Unit } from '../api/client'
import { counted, formatBare } from '../measure/format'
import { FIGURE_OUTLINE } from '../parts/figure'
import { fillOf } from './hatches'
import { kindOf, type Kinds } from './kinds'
import { isAbout, type Pointed } from './laid'

/** The runs laid out in elevation, seen from inside the room, all to one scale. */
const props = defineProps<{
  runs: LaidRunView[]
  /** The kinds of wall piece there are, so that a kind is drawn alike wherever it is. */
  kinds: Kinds
  /** Of each run, its height and the openings in it. */
  faces: FaceView[]
  unit: Unit
  /** What advice is about: its runs are marked. */
  pointed?: Pointed
}>()

const lengthOf = (r: LaidRunView) => r.pieces.reduce((end, i) => Math.max(end, i.atMm + i.lengthMm), 0)
const longest = computed(() => Math.max(1000, ...props.runs.map(lengthOf)))
const kindFill = (i: LaidView) => fillOf(i.piece === 'wall' ? props.kinds.get(kindOf(i)) : undefined)
/** A low run is drawn with the whole figure beside it. */
const tall = (n: number) => Math.max(1800, props.faces[n]!.heightMm)
const sizeOf = (i: LaidView) => `${formatBare(i.lengthMm, props.unit)} × ${formatBare(i.heightMm, props.unit)}`
/** Its size where there is room for it, else its length, else nothing. */
const label = (i: LaidView) => {
  const em = longest.value * 0.024
  if (i.piece !== 'wall' || i.heightMm < em * 1.4) return ''
  if (i.lengthMm > sizeOf(i).length * em * 0.62) return sizeOf(i)
  const short = formatBare(i.lengthMm, props.unit)
  return i.lengthMm > short.length * em * 0.62 ? short : ''
}
</script>

<template>
  <ol class="runs">
    <li v-for="(r, n) in runs" :key="r.name" :class="{ pointed: isAbout(pointed, faces[n]!) }">
      <div class="row spread">
        <span>{{ r.name }}</span><span class="figures soft"
          >{{ formatBare(lengthOf(r), unit) }} × {{ formatBare(faces[n]!.heightMm, unit) }} · {{ counted(r.pieces.length, 'piece') }}</span
        >
      </div>
      <svg
        :viewBox="`-720 ${-tall(n) - 60} ${longest + 780} ${tall(n) + 90}`"
        role="img"
        :aria-label="`${r.name}: ${r.pieces.map((i) => `${i.piece} ${sizeOf(i)}`).join(', ')}`">
        <g v-for="i in r.pieces" :key="`${i.atMm} ${i.upMm}`">
          <rect :x="i.atMm" :y="-i.upMm - i.heightMm" :width="i.lengthMm" :height="i.heightMm" :fill="kindFill(i)" class="panel-edge" />
          <text v-if="label(i)" :x="i.atMm + i.lengthMm / 2" :y="-i.upMm - i.heightMm / 2" :font-size="longest * 0.024" class="size">
            {{ label(i) }}
          </text>
        </g>
        <rect
          v-for="d in faces[n]!.holes"
          :key="d.atMm"
          :x="d.atMm"
          :y="-d.sillMm - d.heightMm"
          :width="d.widthMm"
          :height="d.heightMm"
          class="hole"
          :class="{ pointed: pointed?.openings.includes(d.openingId) }" />
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
li.pointed {
  outline: 2px solid var(--verdigris);
  outline-offset: 4px;
}
.hole.pointed {
  fill: rgba(47, 127, 121, 0.35);
}
li svg {
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
  stroke: var(--sheet);
  stroke-width: 3px;
  paint-order: stroke;
  vector-effect: non-scaling-stroke;
  text-anchor: middle;
  dominant-baseline: middle;
}
</style>

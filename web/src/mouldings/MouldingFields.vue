<script setup lang="ts">
import { computed } from 'vue'
import type { MouldingView, ProfileView } from '../api/client'
import Choice from '../parts/Choice.vue'
import LengthField from '../parts/LengthField.vue'
import MaterialChoice from '../sheets/MaterialChoice.vue'
import { PROFILES } from '../workshop/words'
import { useMouldings } from './mouldings'

/** How a moulding is made and where it lies. */
const props = defineProps<{ moulding: MouldingView; library: readonly ProfileView[] }>()
const mouldings = useMouldings()
const words = computed(() => props.moulding.words)
const profiles = computed(() => props.library.map((v) => ({ value: v.section.kind, label: PROFILES[v.section.kind] })))
const AT = [
  { value: 'FLOOR', label: 'at the floor' },
  { value: 'CEILING', label: 'under the ceiling' },
  { value: 'HEIGHT', label: 'at a height' },
] as const
const change = (told: Parameters<typeof mouldings.change>[1]) => void mouldings.change(props.moulding.id, told)
const size = (told: Partial<MouldingView['words']['profile']>) => change((w) => ({ profile: { ...w.profile, ...told } }))
const take = (kind: ProfileView['section']['kind']) => change(() => ({ profile: props.library.find((v) => v.section.kind === kind)!.section }))
const own = computed(() => props.library.find((v) => v.section.kind === words.value.profile.kind))
/** The section, to scale: the library's outline stretched to the sizes that are typed, the wall at its left. */
const section = computed(() => {
  const { widthMm = 0, heightMm = 0 } = words.value.profile
  const of = own.value?.section
  if (!own.value || !of?.widthMm || !of.heightMm || !widthMm || !heightMm) return undefined
  const [x, y] = [widthMm / of.widthMm, heightMm / of.heightMm]
  const d = own.value.ringsMm.map((ring) => ring.map((p, i) => `${i ? 'L' : 'M'}${p[0]! * x} ${-p[1]! * y}`).join(' ') + ' Z').join(' ')
  const span = Math.max(widthMm, heightMm)
  const edge = span * 0.12
  return { d, heightMm, edge, box: `${-edge} ${-heightMm - edge} ${span + 2 * edge} ${heightMm + 2 * edge}` }
})
/** A metre above the floor, where it is moved off floor and ceiling. */
const lie = (at: MouldingView['words']['at']) => change((w) => ({ at, aboveMm: at === 'HEIGHT' ? w.aboveMm || 1000 : 0 }))
const hasRadius = computed(() => words.value.profile.radiusMm !== undefined && ['BAR', 'SKIRTING', 'KERB', 'HOLLOW'].includes(words.value.profile.kind))
</script>

<template>
  <svg
    v-if="section"
    class="section"
    :viewBox="section.box"
    role="img"
    :aria-label="`Section of the profile, ${words.profile.widthMm} by ${words.profile.heightMm} mm`">
    <line :x1="0" :x2="0" :y1="section.edge" :y2="-section.heightMm - section.edge" />
    <path :d="section.d" fill-rule="evenodd" />
  </svg>
  <div class="fields">
    <label class="field"
      ><span>Profile</span><Choice label="Profile" :value="words.profile.kind" :options="profiles" placeholder="drawn" @change="take"
    /></label>
    <label class="field"><span>Made of</span><MaterialChoice label="Made of" :value="words.swatch" @change="(swatch) => change(() => ({ swatch }))" /></label>
  </div>
  <div v-if="words.profile.kind !== 'DRAWN'" class="fields three">
    <LengthField label="Stands out" :mm="words.profile.widthMm" @change="(mm) => size({ widthMm: mm })" />
    <LengthField label="High" :mm="words.profile.heightMm" @change="(mm) => size({ heightMm: mm })" />
    <LengthField label="Corner piece" aria="Length of a corner piece" :mm="words.legMm" @change="(mm) => change(() => ({ legMm: mm }))" />
  </div>
  <div class="fields">
    <LengthField v-if="hasRadius" label="Rounded by" :mm="words.profile.radiusMm" @change="(mm) => size({ radiusMm: mm })" />
    <label class="field"><span>Lies</span><Choice label="Lies" :value="words.at" :options="AT" @change="lie" /></label>
    <LengthField v-if="words.at === 'HEIGHT'" label="Above the floor" :mm="words.aboveMm" @change="(mm) => change(() => ({ aboveMm: mm }))" />
  </div>
</template>

<style scoped>
.section {
  height: 96px;
  width: 100%;
  border: 1px solid var(--hairline);
  background: var(--sheet);
}
path {
  fill: #d9d4c7;
  stroke: var(--ink);
  stroke-width: 1.2px;
  vector-effect: non-scaling-stroke;
}
line {
  stroke: var(--ink);
  stroke-width: 2px;
  vector-effect: non-scaling-stroke;
}
</style>

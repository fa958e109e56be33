<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { ref, shallowRef } from 'vue'
import { Refusal, send, type ShapesView } from '../api/client'
import { DRAWING_UNITS } from '../measure/drawings'
import Choice from '../parts/Choice.vue'
import LengthField from '../parts/LengthField.vue'
import { tell } from '../site/site'

/** Closed shapes of an SVG file to take from, straight and round, with their holes. */
defineProps<{ what: string }>()
const emit = defineEmits<{ take: [rings: Ring[]] }>()
type Ring = { x: number; y: number; radius?: number }[]

const picker = ref<HTMLInputElement>()
const unitMm = ref(1)
const toleranceMm = ref(0.1)
const file = shallowRef<{ name: string; svg: string }>()
const read = shallowRef<ShapesView>()
const fault = ref('')

let asked = 0
/** What is shown is of the unit and the tolerance that stand: nothing else can be taken. */
async function look() {
  const mine = ++asked
  read.value = undefined
  fault.value = ''
  try {
    const answer = await send<ShapesView>('POST', '/api/shapes/read', { svg: file.value!.svg, unitMm: unitMm.value, toleranceMm: toleranceMm.value })
    if (mine === asked) read.value = answer
  } catch (e) {
    if (mine !== asked) return
    if (e instanceof Refusal) fault.value = e.message
    else tell(e)
  }
}
async function picked() {
  const chosen = picker.value!.files?.[0]
  if (chosen) file.value = { name: chosen.name, svg: await chosen.text() }
  picker.value!.value = ''
  if (chosen) await look()
}
function setUnit(mm: number) {
  unitMm.value = mm
  void look()
}
function setTolerance(mm: number) {
  toleranceMm.value = mm
  void look()
}
function drawn(rings: Ring[]) {
  const all = rings[0]!
  const span = Math.max(...all.map((p) => p.x), ...all.map((p) => p.y)) * 1.1
  const d = rings.map((ring) => ring.map((p, i) => `${i ? 'L' : 'M'}${p.x} ${-p.y}`).join(' ') + ' Z').join(' ')
  return { d, box: `${-span * 0.05} ${-span * 0.95} ${span} ${span}` }
}
function putAway() {
  asked++
  file.value = undefined
  read.value = undefined
  fault.value = ''
}
function take(rings: Ring[]) {
  emit('take', rings)
  putAway()
}
</script>

<template>
  <div class="shapes">
    <input ref="picker" class="unseen" type="file" accept=".svg,image/svg+xml" tabindex="-1" :aria-label="`An SVG file with ${what}`" @change="picked" />
    <button v-if="!file" type="button" class="plain more" @click="picker?.click()">from an SVG file …</button>
    <template v-else>
      <div class="fields">
        <label class="field"
          ><span>A unit of it is one</span><Choice :value="unitMm" :options="DRAWING_UNITS" label="Unit of the drawing" @change="setUnit"
        /></label>
        <LengthField label="Chord to arc" :mm="toleranceMm" @change="setTolerance" />
      </div>
      <div v-if="read?.shapes.length" class="row" role="group" aria-label="Shapes of the file">
        <button v-for="(s, i) in read.shapes" :key="i" type="button" class="plain kind" :title="s.name" :aria-label="`Take ${s.name}`" @click="take(s.rings)">
          <svg :viewBox="drawn(s.rings).box" width="40" height="40" aria-hidden="true"><path :d="drawn(s.rings).d" fill-rule="evenodd" /></svg>
        </button>
      </div>
      <p v-else-if="read" class="soft">There is no closed shape in {{ file.name }}.</p>
      <ul v-if="read?.reports.length" aria-label="Not taken">
        <li v-for="(r, i) in read.reports" :key="i">▲ {{ r.where }}: {{ r.what }}</li>
      </ul>
      <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
      <div class="row"><Button size="small" @click="putAway">Put the file away</Button></div>
    </template>
  </div>
</template>

<style scoped>
.shapes {
  display: grid;
  gap: 6px;
}
.more {
  color: #1d5c57;
  justify-self: start;
}
.kind {
  width: 50px;
  height: 48px;
  display: grid;
  place-items: center;
  border: 1px solid var(--hairline);
  background: var(--sheet);
}
.kind:hover,
.kind:focus-visible {
  border-color: var(--verdigris);
}
path {
  fill: var(--ink);
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
  color: var(--dark-ochre);
  max-height: 120px;
  overflow-y: auto;
}
</style>

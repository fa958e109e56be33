<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { ref } from 'vue'
import { Refusal, type RoomView } from '../api/client'
import { DRAWING_UNITS } from '../measure/drawings'
import Choice from '../parts/Choice.vue'
import NumberField from '../parts/NumberField.vue'
import { tell, useSite } from '../site/site'
import { useTable } from '../table/table'
import { useAttempt } from '../site/attempt'
import { useBringIn, widthOf } from './bringIn'
import { useForeseen } from './foreseen'
import { counted } from '../measure/format'

const site = useSite()
const table = useTable()
const { make } = useForeseen()
const { refusal, attempt } = useAttempt()
const { drawn, read, putAway } = useBringIn()
const picker = ref<HTMLInputElement>()

async function tryRead(work: () => Promise<void>) {
  try {
    await work()
    refusal.value = undefined
    table.look('all')
  } catch (e) {
    if (e instanceof Refusal) refusal.value = e
    else tell(e)
  }
}

async function picked(e: Event) {
  const input = e.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (file) await tryRead(async () => read(file.name, await file.text(), 1, 1))
}
const readAgain = (unitMm: number, scale: number) => tryRead(() => read(drawn.value!.file, drawn.value!.svg, unitMm, scale))

const setDown = () =>
  attempt(async () => {
    const made = await make<RoomView[]>('Bring in outlines', 'POST', '/rooms/outlines', { levelId: table.level?.id ?? 0, outlines: drawn.value!.read.outlines })
    putAway()
    if (made?.[0]) table.choose({ room: made[0].id })
  })
</script>

<template>
  <section aria-label="Bring in">
    <div class="row spread">
      <h3>From a drawing</h3>
      <Button size="small" @click="picker?.click()">Bring in an SVG</Button>
    </div>
    <input ref="picker" class="unseen" type="file" accept=".svg,image/svg+xml" tabindex="-1" aria-label="An SVG file with outlines" @change="picked" />
    <template v-if="drawn">
      <p>
        <b>{{ drawn.file }}</b>: {{ counted(drawn.read.outlines.length, 'outline') }},
        <span class="figures">{{ site.show(widthOf(drawn.read.outlines)) }}</span> wide.
      </p>
      <div class="fields">
        <label class="field"
          ><span>A unit of it is one</span
          ><Choice :value="drawn.unitMm" :options="DRAWING_UNITS" label="Unit of the drawing" @change="(u) => readAgain(u, drawn!.scale)"
        /></label>
        <NumberField label="Drawn one to" :value="drawn.scale" @change="(s) => readAgain(drawn!.unitMm, s)" />
      </div>
      <div class="row">
        <Button type="primary" size="small" :disabled="!drawn.read.outlines.length" @click="setDown">
          Make {{ counted(drawn.read.outlines.length, 'room') }}
        </Button>
        <Button size="small" @click="putAway">Put away</Button>
      </div>
      <ul v-if="drawn.read.reports.length" aria-label="Not brought in">
        <li v-for="(r, i) in drawn.read.reports" :key="i">▲ {{ r.where }}: {{ r.what }}</li>
      </ul>
    </template>
    <p v-if="refusal" class="fault" role="alert">{{ refusal.message }}</p>
  </section>
</template>

<style scoped>
p {
  margin: 0;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
  color: var(--dark-ochre);
  max-height: 160px;
  overflow-y: auto;
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import Choice from '../parts/Choice.vue'
import { useColourways } from '../sheets/colourways'
import { useTable } from '../table/table'
import { useSeeing } from '../ticket/seeing'
import LineGroup from './LineGroup.vue'

/** In which look and which light the set is seen. */
const table = useTable()
const seeing = useSeeing()
const colourways = useColourways()

const clock = computed(() => `${Math.floor(table.sun.hour)}:${String(Math.round((table.sun.hour % 1) * 60)).padStart(2, '0')}`)
const state = computed(() => [seeing.finished ? 'finished' : 'paper', table.sun.on ? `sun at ${clock.value}` : ''].filter(Boolean).join(', '))
const shine = (change: Partial<typeof table.sun>) => (table.sun = { ...table.sun, ...change })
/** The set as it will be seen: finished, in the sun, at eye height, in the whole window. */
function walkInTheSun() {
  seeing.finished = true
  shine({ on: true })
  table.walking = true
}
const valueOf = (e: Event) => Number((e.target as HTMLInputElement).value)
</script>

<template>
  <LineGroup name="Light" :state="state">
    <div class="pair">
      <button
        type="button"
        class="tool"
        title="Grey paper with ink edges, for judging shape (P)"
        :aria-pressed="!seeing.finished"
        @click="seeing.finished = false">
        Paper
      </button>
      <button type="button" class="tool" title="In their finishes (P)" :aria-pressed="seeing.finished" @click="seeing.finished = true">Finished</button>
      <button type="button" class="tool" title="Sun and sky in place of even light" :aria-pressed="table.sun.on" @click="shine({ on: !table.sun.on })">
        Sun
      </button>
    </div>
    <Choice
      v-if="seeing.finished && colourways.all.length > 1"
      :value="colourways.used?.id"
      :options="colourways.all.map((c) => ({ value: c.id, label: c.name }))"
      label="Colourway"
      @change="(id) => void colourways.use(id)" />
    <template v-if="table.sun.on">
      <label class="slide"
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
      <label class="slide"
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
    </template>
    <button type="button" class="tool" title="Finished, in the sun, at eye height" @click="walkInTheSun">Walk in the sun</button>
  </LineGroup>
</template>

<style scoped>
.slide {
  display: grid;
  grid-template-columns: 3em 1fr 3.5em;
  align-items: center;
  gap: 6px;
}
.slide input {
  accent-color: var(--verdigris);
  min-width: 0;
}
.slide .figures {
  text-align: right;
}
</style>

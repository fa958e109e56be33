<script setup lang="ts">
import { computed } from 'vue'
import Choice from '../parts/Choice.vue'
import { useMeter } from '../light/meter'
import { useLit } from '../space/lit'
import MoodList from '../light/MoodList.vue'
import { useMoods } from '../light/moods'
import { useColourways } from '../sheets/colourways'
import { useTable } from '../table/table'
import { useSeeing } from '../ticket/seeing'
import LineGroup from './LineGroup.vue'

/** In which look and which light the set is seen. */
const table = useTable()
const seeing = useSeeing()
const colourways = useColourways()
const moods = useMoods()
const meter = useMeter()
const lit = useLit()

const state = computed(() => [seeing.finished ? 'finished' : 'paper', moods.light?.even ? '' : moods.used?.name].filter(Boolean).join(', '))
/** The set as it will be seen: finished, in the sun, at eye height, in the whole window. */
function walkInTheSun() {
  seeing.finished = true
  void moods.shine()
  table.walking = true
}
</script>

<template>
  <LineGroup name="Light" :state="state" wide>
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
    </div>
    <Choice
      v-if="seeing.finished && colourways.all.length > 1"
      :value="colourways.used?.id"
      :options="colourways.all.map((c) => ({ value: c.id, label: c.name }))"
      label="Colourway"
      @change="(id) => void colourways.use(id)" />
    <MoodList />
    <p v-if="lit.isWorking" class="working" role="status">
      Working out how light gets about, {{ Math.round(100 * lit.share) }} %
      <button type="button" class="plain" @click="lit.callOff">Call off</button>
    </p>
    <div v-if="meter.isMood" class="pair">
      <button type="button" class="tool" title="Measure the light under the pointer" :aria-pressed="meter.measures" @click="meter.measures = !meter.measures">
        Meter
      </button>
      <button
        type="button"
        class="tool"
        title="Colours for how bright it is (B)"
        :aria-pressed="meter.falseColour"
        @click="meter.falseColour = !meter.falseColour">
        False colour
      </button>
      <button
        type="button"
        class="tool"
        title="Contrast, saturation and dark corners of the mood (G)"
        :aria-pressed="meter.graded"
        @click="meter.graded = !meter.graded">
        Grading
      </button>
    </div>
    <button type="button" class="tool" title="Finished, in the sun, at eye height" @click="walkInTheSun">Walk in the sun</button>
  </LineGroup>
</template>

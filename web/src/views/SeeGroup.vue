<script setup lang="ts">
import { computed } from 'vue'
import Choice from '../parts/Choice.vue'
import LengthField from '../parts/LengthField.vue'
import { useSite } from '../site/site'
import { useTable } from '../table/table'
import { useSeeing } from '../ticket/seeing'
import LineGroup from './LineGroup.vue'

/** What is seen of the set: how far up, which levels, how plainly. */
const site = useSite()
const table = useTable()
const seeing = useSeeing()

const LEVELS = [
  { value: 'all', label: 'all levels' },
  { value: 'one', label: 'this level' },
  { value: 'below', label: 'up to this level' },
] as const
const several = computed(() => site.massing.levels.length > 1)
/** Ceilings of the level that is cut open are above the cut: with one level there are no others. */
const ceilingsMatter = computed(() => !table.cutaway || several.value)
const state = computed(() =>
  [
    table.cutaway ? `cut at ${site.show(table.cutMm)}` : 'whole',
    several.value && table.shownLevels !== 'all' ? LEVELS.find((l) => l.value === table.shownLevels)!.label : '',
    seeing.repetition ? 'repetition' : '',
    (seeing.finished && seeing.instead) || '',
  ]
    .filter(Boolean)
    .join(', '),
)
const toggle = (what: 'checker' | 'density') => (seeing.instead = seeing.instead === what ? undefined : what)
</script>

<template>
  <LineGroup name="See" :state="state">
    <div class="pair">
      <button type="button" class="tool" :aria-pressed="table.cutaway" title="Cutaway (K)" @click="table.cutaway = !table.cutaway">Cutaway</button>
      <LengthField v-if="table.cutaway" label="at" aria="cut at" :mm="table.cutMm" @change="(mm) => (table.cutMm = mm)" />
    </div>
    <Choice v-if="several" :value="table.shownLevels" :options="LEVELS" label="Levels that Space shows" @change="(l) => (table.shownLevels = l)" />
    <div class="pair">
      <button v-if="ceilingsMatter" type="button" class="tool" :aria-pressed="table.ceilings" title="Draw ceilings" @click="table.ceilings = !table.ceilings">
        Ceilings
      </button>
      <button type="button" class="tool" title="Show the whole set (H)" aria-label="Show the whole set" @click="table.look('all')">Fit the whole set</button>
    </div>
    <div class="pair">
      <button
        type="button"
        class="tool"
        title="Pieces of many triangles as plain boxes"
        :aria-pressed="seeing.areBoxes"
        @click="seeing.boxes = !seeing.areBoxes">
        Boxes
      </button>
      <LengthField
        label="farther than"
        aria="Boxes farther than (0: never)"
        :mm="seeing.boxesBeyondMm"
        :on-change="(mm) => mm >= 0 && (seeing.boxesBeyondMm = mm)" />
    </div>
    <div class="pair">
      <button
        type="button"
        class="tool"
        title="What looks alike has one colour"
        :aria-pressed="seeing.repetition"
        @click="seeing.repetition = !seeing.repetition">
        Repetition
      </button>
      <template v-if="seeing.finished">
        <button
          type="button"
          class="tool"
          title="Squares of 64 pixels in place of finishes"
          :aria-pressed="seeing.instead === 'checker'"
          @click="toggle('checker')">
          Checker
        </button>
        <button
          type="button"
          class="tool"
          title="How finely pictures lie, in place of finishes"
          :aria-pressed="seeing.instead === 'density'"
          @click="toggle('density')">
          Density
        </button>
      </template>
    </div>
  </LineGroup>
</template>

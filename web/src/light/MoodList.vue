<script setup lang="ts">
import { computed, ref } from 'vue'
import type { MoodWords } from '../api/client'
import Choice from '../parts/Choice.vue'
import TextEntry from '../parts/TextEntry.vue'
import MoodValue from './MoodValue.vue'
import { useMoods } from './moods'
import { strip } from './seen'
import { AIR_VALUES, EXPOSURE_VALUES, LAMP_VALUES, SKIES, SKY_VALUES, SUN_VALUES, SUNS, type Value } from './values'

/** The site's moods, one click each; the values of the one in use are opened below them. */
const moods = useMoods()
const open = ref(false)
const words = computed<MoodWords>(() => moods.used?.words ?? {})
const isEven = computed(() => words.value.sky === 'EVEN')
const faultOf = (field: string) => moods.refusal?.faults.find((f) => f.field === field)?.message
const shownAt = computed(() => new Set<string>(parts.value.flatMap((p) => p.values.map((v) => v.key))))
/** What is said nowhere else. */
const otherFaults = computed(() => moods.refusal && !moods.refusal.faults.some((f) => shownAt.value.has(f.field)) && moods.refusal.message)
const parts = computed(() => {
  const kept = (values: Value[]) => values.filter((v) => v.matters?.(words.value) ?? true)
  if (isEven.value) return []
  return [
    { name: 'Sky', values: kept(SKY_VALUES) },
    { name: 'Sun', values: kept(SUN_VALUES) },
    { name: 'Lamps of pieces', values: kept(LAMP_VALUES) },
    { name: 'Air', values: kept(AIR_VALUES) },
    { name: 'Picture', values: kept(EXPOSURE_VALUES) },
  ]
})
const change = (told: MoodWords) => moods.used && void moods.change(moods.used.id, told)
</script>

<template>
  <div class="moods" role="radiogroup" aria-label="Mood">
    <button v-for="m in moods.all" :key="m.id" type="button" class="mood" role="radio" :aria-checked="m.used" :title="m.name" @click="void moods.use(m.id)">
      <span class="strip" :style="{ background: strip(m.light) }" aria-hidden="true"></span>
      <span class="name">{{ m.name }}</span>
    </button>
  </div>
  <div class="pair">
    <button type="button" class="tool" :aria-expanded="open" title="What the mood in use is made of" @click="open = !open">Set the mood</button>
    <button type="button" class="tool" title="A copy of the mood in use, to be changed by itself" @click="void moods.copy()">Copy mood</button>
  </div>
  <div v-if="open && moods.used" class="values">
    <div class="name-row">
      <TextEntry label="Name of the mood" :maxlength="80" :value="moods.used.name" :on-commit="(name) => void moods.rename(moods.used!.id, name)" />
      <button
        type="button"
        class="tool"
        :disabled="moods.all.length < 2"
        :title="moods.all.length < 2 ? 'The only mood stays' : 'Take this mood away'"
        @click="void moods.remove(moods.used!.id)">
        Take away
      </button>
    </div>
    <Choice v-if="isEven" :value="words.sky" :options="SKIES" label="Sky" @change="(sky) => change({ sky })" />
    <section v-for="p in parts" :key="p.name" :aria-label="p.name">
      <h4>{{ p.name }}</h4>
      <Choice v-if="p.name === 'Sky'" :value="words.sky" :options="SKIES" label="Sky" @change="(sky) => change({ sky })" />
      <Choice v-if="p.name === 'Sun'" :value="words.sun" :options="SUNS" label="Sun" @change="(sun) => change({ sun })" />
      <MoodValue
        v-for="v in p.values"
        :key="v.key"
        :part="p.name"
        :value="v"
        :words="words"
        :error="faultOf(v.key)"
        @attempt="(told) => void moods.tryOut(told)"
        @change="change" />
    </section>
    <p v-if="otherFaults" class="fault" role="alert">{{ otherFaults }}</p>
  </div>
</template>

<style scoped>
.moods {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 6px;
}
.mood {
  display: flex;
  flex-direction: column;
  padding: 0;
  border: 1px solid var(--hairline);
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-size: 13px;
  line-height: 1.25;
  cursor: pointer;
}
.mood:hover {
  border-color: var(--ink);
}
.mood[aria-checked='true'] {
  outline: 2px solid var(--verdigris);
  outline-offset: -1px;
}
.strip {
  height: 34px;
}
.name {
  padding: 3px 4px 4px;
}
.values {
  display: flex;
  flex-direction: column;
  gap: 8px;
  max-height: max(120px, calc(100vh - 520px));
  overflow-y: auto;
  padding-right: 4px;
}
.values section {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.values h4 {
  margin: 0;
  font-size: 13px;
  font-weight: 600;
}
.name-row {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 6px;
}
</style>

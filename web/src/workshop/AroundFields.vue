<script setup lang="ts">
import type { PatternWords } from '../api/client'
import LengthField from '../parts/LengthField.vue'
import { AROUND } from './around'
import type { Swatch } from '../sheets/colourways'
import MaterialChoice from '../sheets/MaterialChoice.vue'

/** What a pattern says of floors, ceilings, stairs and guards, each of which may be left as it is. */
const props = defineProps<{ words: PatternWords }>()
const emit = defineEmits<{ change: [how: (w: PatternWords) => void] }>()
type About = (typeof AROUND)[number]
const told = (a: About) => props.words[a.key] as Record<string, string | number> | undefined
const set = (a: About, of: string, value: string | number) => emit('change', (w) => Object.assign(w, { [a.key]: { ...w[a.key], [of]: value } }))
const add = (a: About) => emit('change', (w) => Object.assign(w, { [a.key]: { ...a.usual } }))
const leave = (a: About) => emit('change', (w) => delete w[a.key])
</script>

<template>
  <section v-for="a in AROUND" :key="a.key" :aria-label="a.label">
    <div class="row spread">
      <h2>{{ a.label }}</h2>
      <button v-if="!told(a)" type="button" class="plain more" :aria-label="`Dress ${a.label.toLowerCase()}`" @click="add(a)">+ dress them</button>
      <button v-else type="button" class="plain" :aria-label="`Leave ${a.label.toLowerCase()} as they are`" @click="leave(a)">✕</button>
    </div>
    <div v-if="told(a)" :class="a.fields.length === 4 ? 'four' : 'fields three'">
      <template v-for="f in a.fields" :key="f.of">
        <LengthField v-if="f.of.endsWith('Mm')" :label="f.label" :aria="f.says" :mm="told(a)![f.of] as number" @change="(mm) => set(a, f.of, mm)" />
        <label v-else class="field"
          ><span>{{ f.label }}</span
          ><MaterialChoice :label="f.says" :value="told(a)![f.of] as Swatch" @change="(swatch) => set(a, f.of, swatch)"
        /></label>
      </template>
    </div>
  </section>
</template>

<style scoped>
.more {
  color: #1d5c57;
}
</style>

<script setup lang="ts">
import { computed, useId } from 'vue'
import type { MoodWords } from '../api/client'
import NumberField from '../parts/NumberField.vue'
import { placeOf, PLACES, type Value, valueAt } from './values'

/** One value of a mood: drawn out along its line, or typed; a colour chosen. */
const props = defineProps<{ part: string; value: Value; words: MoodWords; error?: string }>()
const emit = defineEmits<{ attempt: [words: MoodWords]; change: [words: MoodWords] }>()
const id = useId()
const number = computed(() => (props.value.is === 'slide' ? (props.words[props.value.key] ?? 0) : 0))
const colour = computed(() => (props.value.is === 'colour' ? (props.words[props.value.key] ?? '#000000') : ''))
const name = computed(() => `${props.part}: ${props.value.label}`)
const text = (e: Event) => (e.target as HTMLInputElement).value
const from = (e: Event): MoodWords => ({ [props.value.key]: props.value.is === 'slide' ? valueAt(props.value, Number(text(e))) : text(e) })
</script>

<template>
  <div class="value">
    <label :for="id">{{ value.label }}</label>
    <template v-if="value.is === 'slide'">
      <input
        :id="id"
        type="range"
        :aria-label="name"
        :min="value.grows ? 0 : value.from"
        :max="value.grows ? PLACES : value.to"
        :step="value.grows ? 1 : value.step"
        :value="placeOf(value, number)"
        @input="emit('attempt', from($event))"
        @change="emit('change', from($event))" />
      <NumberField label="" :aria="`${name}, typed`" fraction :value="number" :error="error" @change="(v) => emit('change', { [value.key]: v })" />
      <span class="unit">{{ value.unit }}</span>
    </template>
    <input v-else :id="id" type="color" :aria-label="name" :value="colour" @input="emit('attempt', from($event))" @change="emit('change', from($event))" />
  </div>
</template>

<style scoped>
.value {
  display: grid;
  grid-template-columns: 6.2em 1fr 4.6em 1.4em;
  align-items: center;
  gap: 6px;
}
.value input[type='range'] {
  accent-color: var(--verdigris);
  min-width: 0;
}
.value input[type='color'] {
  width: 44px;
  height: 22px;
  padding: 1px;
  border: 1px solid var(--hairline);
  background: none;
}
.unit {
  color: var(--soft-ink);
}
</style>

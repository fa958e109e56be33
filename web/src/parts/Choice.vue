<script setup lang="ts" generic="T extends string | number">
import { nextTick } from 'vue'

/** One of a few: the browser's own list, which every assistive technology and keyboard knows. */
const props = defineProps<{ value?: T; options: readonly { value: T; label: string }[]; label: string; placeholder?: string; onChange?: (value: T) => void }>()
const emit = defineEmits<{ 'update:value': [value: T] }>()

/** A list without a value of its own goes back to its placeholder, so that the same can be chosen again. */
function choose(e: Event) {
  const list = e.target as HTMLSelectElement
  const chosen = props.options[list.selectedIndex - (hasNone() ? 1 : 0)]
  if (!chosen) return
  emit('update:value', chosen.value)
  props.onChange?.(chosen.value)
  void nextTick(() => hasNone() && (list.selectedIndex = 0))
}
const hasNone = () => !props.options.some((o) => o.value === props.value)
</script>

<template>
  <select class="choice" :aria-label="label" @change="choose">
    <option v-if="hasNone()" selected disabled value="">{{ placeholder ?? '' }}</option>
    <option v-for="o in options" :key="o.value" :value="o.value" :selected="o.value === value">{{ o.label }}</option>
  </select>
</template>

<style scoped>
.choice {
  font: 0.875rem/1.3 var(--sans);
  color: var(--ink);
  height: 24px;
  width: 100%;
  min-width: 0;
  padding: 0 20px 0 7px;
  border: 1px solid #b9b1a0;
  border-radius: 1px;
  appearance: none;
  background: var(--sheet)
    url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' width='9' height='6'%3E%3Cpath d='M1 1l3.5 3.5L8 1' fill='none' stroke='%235a6570' stroke-width='1.3'/%3E%3C/svg%3E")
    no-repeat right 7px center;
  text-overflow: ellipsis;
}
.choice:hover {
  border-color: var(--verdigris);
}
</style>

<script setup lang="ts">
import TextEntry from '../parts/TextEntry.vue'

/** A colour, taken from the browser's own chooser or typed. */
defineProps<{ label: string; value: string; error?: string }>()
const emit = defineEmits<{ change: [colour: string] }>()
const take = (e: Event) => emit('change', (e.target as HTMLInputElement).value)
</script>

<template>
  <div class="field">
    <span>{{ label }}</span>
    <span class="pair">
      <input type="color" :value="value" :aria-label="`${label}, chosen`" @change="take" />
      <TextEntry :label="label" :value="value" :maxlength="7" @commit="(text) => emit('change', text.trim().toLowerCase())" />
    </span>
    <span v-if="error" class="fault" role="alert">{{ error }}</span>
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 34px 1fr;
  gap: 6px;
}
input[type='color'] {
  width: 34px;
  height: 24px;
  padding: 0;
  border: 1px solid var(--hairline);
  background: none;
}
</style>

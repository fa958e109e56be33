<script setup lang="ts">
import type { Picture } from './colourways'

/** Which of a sheet's pictures is seen, and what is said of it. */
defineProps<{ says: string }>()
const picture = defineModel<Picture>({ required: true })
const PICTURES = [
  { value: 'COLOUR', label: 'Colour' },
  { value: 'NORMAL', label: 'Normal' },
  { value: 'SURFACE', label: 'Surface' },
] as const
</script>

<template>
  <div class="views" role="toolbar" aria-label="Which picture">
    <button v-for="p in PICTURES" :key="p.value" type="button" class="plain" :aria-pressed="picture === p.value" @click="picture = p.value">
      {{ p.label }}
    </button>
    <span class="soft">{{ says }}</span>
  </div>
</template>

<style scoped>
.views {
  display: flex;
  gap: 6px;
  align-items: baseline;
  padding: 8px 18px;
}
.views button {
  padding: 2px 10px;
  border: 1px solid var(--hairline);
}
.views button[aria-pressed='true'] {
  background: #e4efec;
  border-color: var(--verdigris);
}
.views .soft {
  margin-left: auto;
}
</style>

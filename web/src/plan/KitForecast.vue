<script setup lang="ts">
import { useForecast } from '../massing/forecast'
import { kitWords } from '../massing/foreseen'
import type { Deed } from '../massing/hand'

/** Beside the pointer: what becomes of the kit if the hand lets go here. */
const props = defineProps<{ held: () => Deed | undefined; at: { x: number; y: number } }>()
const kit = useForecast(props.held)
</script>

<template>
  <div v-if="kit" class="forecast figures" role="status" :style="{ left: `min(${at.x + 18}px, 100% - 216px)`, top: `min(${at.y + 18}px, 100% - 80px)` }">
    <span v-for="line in kitWords(kit)" :key="line">{{ line }}</span>
  </div>
</template>

<style scoped>
.forecast {
  position: absolute;
  display: flex;
  flex-direction: column;
  padding: 4px 8px;
  font-size: var(--small);
  white-space: nowrap;
  background: var(--sheet);
  border: 1px solid var(--verdigris);
  pointer-events: none;
}
</style>

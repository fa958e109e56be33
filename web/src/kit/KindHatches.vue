<script setup lang="ts">
import { hatches, LINE, PITCH } from './hatches'
</script>

<template>
  <svg width="0" height="0" class="hatches" aria-hidden="true">
    <pattern
      v-for="h in hatches"
      :id="h.id"
      :key="h.id"
      :width="PITCH"
      :height="PITCH"
      pattern-units="userSpaceOnUse"
      :pattern-transform="`rotate(${h.angle})`">
      <rect :width="PITCH" :height="PITCH" :fill="h.ground" />
      <line x1="0" y1="0" x2="0" :y2="PITCH" :stroke="LINE" :stroke-width="h.weight" />
    </pattern>
  </svg>
</template>

<style scoped>
.hatches {
  position: absolute;
}
</style>

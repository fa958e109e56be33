<script setup lang="ts">
import { Button } from 'ant-design-vue'
import LengthField from '../parts/LengthField.vue'
import { useStrutting } from '../placing/strutting'

/** The section of struts, and setting them between two picked points. */
const strutting = useStrutting()
</script>

<template>
  <details class="fold" aria-label="Struts">
    <summary>Struts</summary>
    <div class="fields">
      <LengthField label="Section’s width" :mm="strutting.widthMm" :on-change="(mm) => mm > 0 && (strutting.widthMm = mm)" />
      <LengthField label="Section’s height" :mm="strutting.heightMm" :on-change="(mm) => mm > 0 && (strutting.heightMm = mm)" />
    </div>
    <Button size="small" :aria-pressed="strutting.active" @click="strutting.active = !strutting.active">Between two points</Button>
    <p v-if="strutting.active" class="soft" role="status">
      {{ strutting.from ? 'Click where it ends.' : 'Click where it begins, on any surface in space or on the plan’s floor.' }}
    </p>
  </details>
</template>

<style scoped>
button[aria-pressed='true'] {
  background: var(--verdigris);
  color: var(--sheet);
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import { useSite } from '../site/site'
import { useArrangement } from '../table/arrangement'
import { useGuide } from '../table/guide'
import { STAGES } from './stages'

/** The step of the walk round that comes next, in the place of the stage's introduction. */
const guide = useGuide()
const site = useSite()
const views = useArrangement()
const elsewhere = computed(() => (guide.step?.stage && guide.step.stage !== views.stage ? STAGES.find((s) => s.name === guide.step!.stage) : undefined))
</script>

<template>
  <aside class="guide" aria-label="Show me round">
    <span class="figures soft">{{ guide.isOver ? '' : `${guide.at + 1} of ${guide.count}` }}</span>
    <p role="status">{{ guide.step?.words ?? 'That is the whole round: rooms, kit, set, check. What you have changed can be undone, or kept.' }}</p>
    <RouterLink v-if="elsewhere" :to="`/sites/${site.site!.id}/${elsewhere.name}`">Go to {{ elsewhere.title }}</RouterLink>
    <button v-if="guide.step" type="button" class="plain" @click="guide.skip">Skip</button>
    <button type="button" class="plain" @click="guide.end">{{ guide.isOver ? 'Close' : 'End' }}</button>
  </aside>
</template>

<style scoped>
.guide {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 4px 14px;
  background: var(--sheet);
  border-bottom: 1px solid var(--hairline);
  border-left: 4px solid var(--verdigris);
}
p {
  flex: 1;
  margin: 0;
}
span,
a {
  white-space: nowrap;
}
button,
a {
  color: #1d5c57;
  min-height: 24px;
}
</style>

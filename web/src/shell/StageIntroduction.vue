<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { useSite } from '../site/site'
import { useGuide } from '../table/guide'
import type { StageName } from './stages'

/** What a stage is for and what comes next, in one line: shown once, and again when asked for. */
const props = defineProps<{ stage: StageName }>()
const site = useSite()
const guide = useGuide()
const seen = useLocalStorage<StageName[]>('hausbau.introduced', [])
const isNew = computed(() => !seen.value.includes(props.stage))
const close = () => (seen.value = [...seen.value, props.stage])

const WORDS: Record<StageName, { does: string; next?: { to: StageName; label: string } }> = {
  brief: { does: 'Collect pictures, measure and count on them, and say what the site may cost.', next: { to: 'massing', label: 'Next: draw the rooms' } },
  massing: {
    does: 'Draw the rooms to be built: walls, openings, stairs, levels. Drag walls and corners; every size can be typed.',
    next: { to: 'kit', label: 'Next: work out the kit' },
  },
  kit: {
    does: 'The fewest pieces that build these rooms, computed. Choose an option, take advice, shape the pieces.',
    next: { to: 'build', label: 'Next: build with them' },
  },
  build: {
    does: 'The set stands, built from the kit. Take props from the Line-up, repeat them, dress them; right-click anything.',
    next: { to: 'survey', label: 'Next: check it' },
  },
  survey: { does: 'What is wrong with the set, where, why it matters, and what mends it.', next: { to: 'handover', label: 'Next: hand it over' } },
  handover: { does: 'The set in open formats, whole or piece by piece.' },
}
const words = computed(() => WORDS[props.stage])
</script>

<template>
  <p v-if="isNew" class="introduction" role="note">
    <span>{{ words.does }}</span>
    <button v-if="site.placements.size" type="button" class="plain round" @click="guide.start">Show me round</button>
    <RouterLink v-if="words.next" :to="`/sites/${site.site!.id}/${words.next.to}`">{{ words.next.label }}</RouterLink>
    <button type="button" class="plain" aria-label="Close the introduction" @click="close">✕</button>
  </p>
</template>

<style scoped>
.introduction {
  display: flex;
  align-items: center;
  gap: 16px;
  padding: 4px 8px 4px 14px;
  background: var(--sheet);
  border-bottom: 1px solid var(--hairline);
}
span {
  flex: 1;
}
.round {
  color: #1d5c57;
  text-decoration: underline;
}
button {
  min-width: 24px;
  min-height: 24px;
}
</style>

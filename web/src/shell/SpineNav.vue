<script setup lang="ts">
import { computed } from 'vue'
import { useSite } from '../site/site'
import { STAGES, type StageName } from './stages'
import { counted } from '../measure/format'

/** The stages, in the order of the work. */
defineProps<{ stage: StageName }>()
const site = useSite()
const faults = computed(() => site.survey.faults)
</script>

<template>
  <nav class="spine" aria-label="Stages">
    <RouterLink
      v-for="s in STAGES"
      :key="s.name"
      :to="`/sites/${site.site?.id}/${s.name}`"
      :class="{ here: s.name === stage }"
      :aria-current="s.name === stage ? 'page' : undefined">
      <span class="key">{{ s.key }}</span>{{ s.title }}
      <span v-if="s.name === 'survey' && faults" class="count" :aria-label="counted(faults, 'fault')">{{ faults }}</span>
    </RouterLink>
  </nav>
</template>

<style scoped>
.spine {
  width: 66px;
  flex: none;
  border-right: 1px solid var(--hairline);
  display: flex;
  flex-direction: column;
  padding-top: 4px;
}
a {
  position: relative;
  color: var(--ink);
  padding: 7px 2px 7px 6px;
  font-size: var(--small);
  border-left: 2px solid transparent;
  display: grid;
}
a:hover {
  background: rgba(47, 127, 121, 0.08);
}
a.here {
  border-left-color: var(--verdigris);
  font-weight: 600;
  background: var(--sheet);
}
.key {
  font: var(--small) var(--mono);
  color: var(--soft-ink);
}
.count {
  position: absolute;
  right: 4px;
  top: 7px;
  font: var(--small) var(--mono);
  color: var(--brick);
}
</style>

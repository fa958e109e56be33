<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import TabRow from '../parts/TabRow.vue'
import AssembliesPanel from '../repeat/AssembliesPanel.vue'
import LayPanel from '../repeat/LayPanel.vue'
import TwinsPanel from '../repeat/TwinsPanel.vue'
import RoomsList from './RoomsList.vue'
import SelectionsPanel from './SelectionsPanel.vue'
import StandingList from './StandingList.vue'
import StrutPanel from './StrutPanel.vue'

/** What the site has, list by list. */
defineEmits<{ chosen: [goesOn: boolean] }>()
const shown = useLocalStorage<(typeof LISTS)[number]['name']>('hausbau.list', 'rooms')
const LISTS = [
  { name: 'rooms', title: 'Rooms' },
  { name: 'repeats', title: 'Repeats' },
  { name: 'assemblies', title: 'Assemblies' },
  { name: 'selections', title: 'Selections' },
  { name: 'standing', title: 'All' },
] as const
</script>

<template>
  <TabRow v-model="shown" :tabs="LISTS" label="What the site has" class="lists" />
  <div role="tabpanel" class="list" :aria-label="LISTS.find((l) => l.name === shown)?.title">
    <RoomsList v-if="shown === 'rooms'" />
    <template v-else-if="shown === 'repeats'">
      <LayPanel lists />
      <TwinsPanel lists />
      <StrutPanel />
    </template>
    <AssembliesPanel v-else-if="shown === 'assemblies'" lists />
    <SelectionsPanel v-else-if="shown === 'selections'" lists />
    <StandingList v-else @chosen="(goesOn) => $emit('chosen', goesOn)" />
  </div>
</template>

<style scoped>
.lists {
  justify-content: space-between;
  gap: 4px 6px;
  font-size: var(--small);
}
.list {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.list > :deep(section:first-child) {
  border-top: 0;
  padding-top: 0;
}
</style>

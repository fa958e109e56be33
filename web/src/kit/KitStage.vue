<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import StageViews from '../parts/StageViews.vue'
import SheetsPage from '../sheets/SheetsPage.vue'
import MouldingsPage from '../mouldings/MouldingsPage.vue'
import WorkshopPage from '../workshop/WorkshopPage.vue'
import KitPlanPage from './KitPlanPage.vue'

/** The third stage: which pieces the rooms need, and how each of them is made, and what they are finished in. */
const route = useRoute()
const VIEWS = [
  { name: 'plan', title: 'Plan' },
  { name: 'workshop', title: 'Workshop' },
  { name: 'mouldings', title: 'Mouldings' },
  { name: 'sheets', title: 'Sheets' },
] as const
const view = computed(() => VIEWS.find((v) => v.name === route.params.view)?.name ?? 'plan')
</script>

<template>
  <StageViews stage="kit" label="Views of the kit" :views="VIEWS" :view="view">
    <KitPlanPage v-if="view === 'plan'" />
    <WorkshopPage v-else-if="view === 'workshop'" />
    <MouldingsPage v-else-if="view === 'mouldings'" />
    <SheetsPage v-else />
  </StageViews>
</template>

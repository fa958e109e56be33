<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import BoardPage from '../board/BoardPage.vue'
import BriefPage from './BriefPage.vue'
import DividePage from '../divide/DividePage.vue'
import ListPage from '../list/ListPage.vue'
import StageViews from '../parts/StageViews.vue'
import TakeoffPage from '../takeoff/TakeoffPage.vue'

/** The first stage: what the site is for, the pictures it is planned from, and the pieces it needs. */
const route = useRoute()
const VIEWS = [
  { name: 'intent', title: 'Intent' },
  { name: 'board', title: 'Board' },
  { name: 'takeoff', title: 'Takeoff' },
  { name: 'list', title: 'Piece list' },
  { name: 'divide', title: 'Divide a length' },
] as const
const view = computed(() => VIEWS.find((v) => v.name === route.params.view)?.name ?? 'intent')
</script>

<template>
  <StageViews stage="brief" label="Views of the brief" :views="VIEWS" :view="view">
    <BriefPage v-if="view === 'intent'" />
    <BoardPage v-else-if="view === 'board'" />
    <TakeoffPage v-else-if="view === 'takeoff'" />
    <ListPage v-else-if="view === 'list'" />
    <DividePage v-else />
  </StageViews>
</template>

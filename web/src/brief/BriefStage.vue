<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useSite } from '../site/site'
import BoardPage from '../board/BoardPage.vue'
import BriefPage from './BriefPage.vue'
import DividePage from '../divide/DividePage.vue'
import ListPage from '../list/ListPage.vue'
import TakeoffPage from '../takeoff/TakeoffPage.vue'

/** The first stage: what the site is for, the pictures it is planned from, and the pieces it needs. */
const site = useSite()
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
  <div class="brief">
    <nav class="views" aria-label="Views of the brief">
      <RouterLink
        v-for="v in VIEWS"
        :key="v.name"
        :to="`/sites/${site.site!.id}/brief/${v.name}`"
        :class="{ here: v.name === view }"
        :aria-current="v.name === view ? 'page' : undefined"
        >{{ v.title }}</RouterLink
      >
    </nav>
    <BriefPage v-if="view === 'intent'" />
    <BoardPage v-else-if="view === 'board'" />
    <TakeoffPage v-else-if="view === 'takeoff'" />
    <ListPage v-else-if="view === 'list'" />
    <DividePage v-else />
  </div>
</template>

<style scoped>
.brief {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.views {
  display: flex;
  gap: 22px;
  padding: 0 18px;
  border-bottom: 1px solid var(--hairline);
  background: var(--paper);
}
.views a {
  color: var(--ink);
  padding: 8px 0 6px;
  border-bottom: 2px solid transparent;
}
.views a.here {
  border-bottom-color: var(--verdigris);
  font-weight: 600;
}
</style>

<script setup lang="ts">
import { useSite } from '../site/site'

/** A stage of several pages. */
defineProps<{ stage: string; label: string; views: readonly { name: string; title: string }[]; view: string }>()
const site = useSite()
</script>

<template>
  <div class="stage">
    <nav class="views" :aria-label="label">
      <RouterLink
        v-for="v in views"
        :key="v.name"
        :to="`/sites/${site.site!.id}/${stage}/${v.name}`"
        :class="{ here: v.name === view }"
        :aria-current="v.name === view ? 'page' : undefined"
        >{{ v.title }}</RouterLink
      >
    </nav>
    <slot />
  </div>
</template>

<style scoped>
.stage {
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

<script setup lang="ts">
import { computed } from 'vue'
import { useSite } from '../site/site'
import { useDensities } from './densities'
import { DENSITIES } from './materials'

/** What the colours of densities mean, and the pieces whose pictures lie otherwise than the site's. */
const site = useSite()
const densities = useDensities()
const all = computed(() => densities.all?.otherwise)
const number = (v: number) => v.toLocaleString('en', { maximumFractionDigits: 0 })
</script>

<template>
  <section class="densities" aria-label="Densities">
    <p class="caps">pixels a metre, of {{ site.site!.pixelsPerMetre }}</p>
    <ul class="plain">
      <li v-for="d in DENSITIES" :key="d.says"><span class="colour" :style="{ background: d.colour }" />{{ d.says }}</li>
    </ul>
    <template v-if="all">
      <p v-if="!all.length" class="right">✓ All that stands lies as the site</p>
      <ul v-else class="plain off" aria-label="Pieces that lie otherwise">
        <li v-for="d in all" :key="d.pieceId">
          <RouterLink :to="`/sites/${site.site!.id}/kit/workshop/${d.pieceId}`">{{ d.code }}</RouterLink>
          <span class="figures">{{ number(d.least) }} to {{ number(d.greatest) }}</span>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.densities {
  position: absolute;
  left: 12px;
  bottom: 12px;
  max-height: 60%;
  overflow-y: auto;
  background: var(--sheet);
  border: 1px solid var(--hairline);
  padding: 7px 10px;
  display: grid;
  gap: 4px;
  font-size: var(--small);
}
p,
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.colour {
  display: inline-block;
  width: 14px;
  height: 14px;
  margin-right: 7px;
  border: 1px solid var(--hairline);
  vertical-align: -2px;
}
.off li {
  display: flex;
  justify-content: space-between;
  gap: 14px;
}
a,
.right {
  color: #1d5c57;
}
</style>

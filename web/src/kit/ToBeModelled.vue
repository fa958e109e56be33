<script setup lang="ts">
import { computed } from 'vue'
import type { SiteOptionView } from '../api/client'
import { roleName } from '../list/roles'
import { onStep } from '../measure/length'
import { useSite } from '../site/site'
import { reuse } from './kinds'
import { counted } from '../measure/format'

/** What would be modelled, by role, and what choosing it would do to what stands. */
const props = defineProps<{ option: SiteOptionView }>()
const site = useSite()
const groups = computed(() => {
  const by = new Map<string, SiteOptionView['pieces']>()
  for (const p of props.option.pieces) by.set(roleName(p.role), [...(by.get(roleName(p.role)) ?? []), p])
  return [...by].map(([role, pieces]) => ({ role, pieces }))
})
/** What lies is told by its length and its depth. */
const LYING = new Set<SiteOptionView['pieces'][0]['role']>(['FLOOR', 'CEILING'])
/** To a tenth of a millimetre: a flight's height is the slope's. */
const tenth = (mm: number) => site.show(onStep(mm, 0.1))
const once = computed(() => props.option.pieces.filter((p) => p.count === 1).length)
const does = computed(() => {
  const { placed, removed, lost } = props.option.does
  return [placed && `${placed} set down`, removed && `${removed} taken away`, lost && `${lost} changed by hand without a place`].filter(Boolean).join(' · ')
})
</script>

<template>
  <section aria-label="To be modelled" class="model">
    <h3>To be modelled</h3>
    <p class="soft">
      {{ counted(option.made, 'kind') }}<template v-if="option.made < option.kinds"> beside {{ option.kinds - option.made }} that stand</template>, each used
      {{ reuse(option).toFixed(1) }} times<template v-if="once">
        · <span class="caution">▲ {{ once }} {{ once === 1 ? 'stands' : 'stand' }} once</span></template
      >
    </p>
    <p v-if="does" class="soft" :class="{ caution: option.does.lost }">Building it: {{ does }}</p>
    <dl>
      <template v-for="g in groups" :key="g.role">
        <dt>
          {{ g.role }} <span class="figures soft">{{ g.pieces.length }}</span>
        </dt>
        <dd>
          <span v-for="(p, n) in g.pieces" :key="n" class="figures piece" :class="{ caution: p.count === 1 }"
            >{{ tenth(p.lengthMm) }} × {{ tenth(LYING.has(p.role) ? p.depthMm : p.heightMm) }} <span class="soft">× {{ p.count }}</span></span
          >
        </dd>
      </template>
    </dl>
  </section>
</template>

<style scoped>
.caution {
  color: #8a5a0c;
}
h3 {
  margin: 4px 0 0;
}
p {
  margin: 0 0 6px;
}
dl {
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 4px 8px;
  margin: 0;
  font-size: var(--small);
}
dd {
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}
.piece {
  white-space: nowrap;
}
</style>

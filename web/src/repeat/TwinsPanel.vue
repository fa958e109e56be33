<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import { useAttempt } from '../site/attempt'
import LengthField from '../parts/LengthField.vue'
import { canBeTwinned, useTwinning } from './twinning'
import { useSite } from '../site/site'

/** Twins across the middle of a room: made of what is selected, or listed and let go. */
defineProps<{ lists: boolean }>()
const site = useSite()
const { refusal, attempt } = useAttempt()
const twinning = useTwinning()
const canMake = computed(() => [...site.selection].some(canBeTwinned))

const make = (eastWest: boolean, atMm?: number) => attempt(() => twinning.make(eastWest, atMm))
const takeAway = (id: number) => attempt(() => site.make('Take away a twin', 'DELETE', `/twins/${id}`))
const dissolve = (id: number) =>
  attempt(async () => {
    const places = await site.make<string[] | undefined>('Dissolve a twin', 'POST', `/twins/${id}/dissolve`)
    if (places) site.select(places)
  })
</script>

<template>
  <section v-if="!lists && canMake" aria-label="Twin">
    <h3>Twin</h3>
    <div class="row">
      <span class="soft">Across its room’s middle,</span>
      <Button size="small" @click="make(true)">left for right</Button>
      <Button size="small" @click="make(false)">near for far</Button>
    </div>
    <div class="fields">
      <LengthField label="Or across the line X =" :mm="undefined" :on-change="(mm) => make(true, mm)" />
      <LengthField label="Or across the line Y =" :mm="undefined" :on-change="(mm) => make(false, mm)" />
    </div>
    <div class="row">
      <Button size="small" :aria-pressed="twinning.active" @click="twinning.active = !twinning.active">Pick two points of the line</Button>
      <span v-if="twinning.active" class="soft" role="status">{{ twinning.from ? 'Click the second, along the line.' : 'Click the first on the plan.' }}</span>
    </div>
    <p v-if="refusal" class="fault" role="alert">{{ refusal.message }}</p>
  </section>
  <section v-else-if="lists && site.twins.length" aria-label="Twins">
    <h3>Twins</h3>
    <p v-if="refusal" class="fault" role="alert">{{ refusal.message }}</p>
    <ul class="plain">
      <li v-for="t in site.twins" :key="t.id" class="row spread">
        <button type="button" class="plain" @click="site.select(site.placements.of(`twins.${t.id}`))">{{ t.name }}</button>
        <span class="figures soft">{{ t.count }}</span>
        <span class="row">
          <Button size="small" title="Makes plain copies of it" :aria-label="`Dissolve ${t.name}`" @click="dissolve(t.id)">Dissolve</Button>
          <Button size="small" danger :aria-label="`Take away ${t.name}`" @click="takeAway(t.id)">Take away</Button>
        </span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  padding: 2px 0;
}
</style>

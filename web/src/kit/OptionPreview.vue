<script setup lang="ts">
import { computed, ref } from 'vue'
import type { SitePlanView } from '../api/client'
import Choice from '../parts/Choice.vue'
import { useSite } from '../site/site'
import KindHatches from './KindHatches.vue'
import { kindsOf } from './kinds'
import type { Pointed } from './laid'
import KindsLineUp from './KindsLineUp.vue'
import KitSpace from './KitSpace.vue'
import RunElevations from './RunElevations.vue'
import RunsPlan from './RunsPlan.vue'
import { counted } from '../measure/format'

/** An option before it is chosen, alone or beside another: in elevation, from above, in the round, and as what would be modelled. */
const props = defineProps<{ plan: SitePlanView; chosen: number; pointed?: Pointed }>()
const site = useSite()
const VIEWS = [
  { name: 'elevations', title: 'Elevations' },
  { name: 'plan', title: 'Plan' },
  { name: 'space', title: 'Space' },
  { name: 'pieces', title: 'Pieces' },
] as const
const view = ref<(typeof VIEWS)[number]['name']>('elevations')

const other = ref<string>()
const others = computed(() => [
  { value: '', label: 'no other' },
  ...props.plan.options.flatMap((o, i) =>
    i === props.chosen ? [] : [{ value: o.id, label: `${counted(o.kinds, 'kind')}, ${counted(o.placements, 'piece')}` }],
  ),
])
const shown = computed(() => {
  const beside = props.plan.options.findIndex((o) => o.id === other.value)
  return beside >= 0 && beside !== props.chosen ? [props.chosen, beside] : [props.chosen]
})
const kinds = computed(() => props.plan.options.map(kindsOf))

const floors = computed(() => [...new Set(props.plan.faces.map((f) => f.startMm.z))].sort((a, b) => a - b))
const typedFloor = ref<number>()
const floor = computed(() =>
  typedFloor.value !== undefined && floors.value.includes(typedFloor.value) ? typedFloor.value : (floors.value.find((z) => z >= 0) ?? 0),
)
</script>

<template>
  <KindHatches />
  <div class="head">
    <div class="views" role="group" aria-label="How it is drawn">
      <button v-for="v in VIEWS" :key="v.name" type="button" :aria-pressed="view === v.name" :class="{ here: view === v.name }" @click="view = v.name">
        {{ v.title }}
      </button>
    </div>
    <label v-if="view === 'plan'" class="pick"
      ><span class="soft">floor at</span>
      <Choice :value="floor" label="Floor" :options="floors.map((z) => ({ value: z, label: site.show(z) }))" @update:value="(z) => (typedFloor = z)"
    /></label>
    <label v-if="others.length > 1" class="pick"
      ><span class="soft">beside</span> <Choice :value="other ?? ''" label="Another option beside it" :options="others" @update:value="(id) => (other = id)"
    /></label>
  </div>
  <div class="options" :class="{ two: shown.length > 1 }">
    <section
      v-for="i in shown"
      :key="i"
      class="option"
      :aria-label="`${counted(plan.options[i]!.kinds, 'kind')}, ${counted(plan.options[i]!.placements, 'piece')}`">
      <h3 v-if="shown.length > 1" class="figures">{{ counted(plan.options[i]!.kinds, 'kind') }}, {{ counted(plan.options[i]!.placements, 'piece') }}</h3>
      <RunElevations v-if="view === 'elevations'" :runs="plan.layouts[i]!" :kinds="kinds[i]!" :faces="plan.faces" :unit="site.unit" :pointed="pointed" />
      <RunsPlan v-else-if="view === 'plan'" :plan="plan" :option="i" :kinds="kinds[i]!" :floor-mm="floor" :unit="site.unit" :pointed="pointed" />
      <KitSpace v-else-if="view === 'space'" :plan="plan" :option="i" :kinds="kinds[i]!" />
      <KindsLineUp v-else :option="plan.options[i]!" :kinds="kinds[i]!" :unit="site.unit" />
    </section>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 18px;
}
.views {
  display: flex;
}
.views button {
  font: inherit;
  font-size: 0.875rem;
  padding: 3px 12px;
  border: 1px solid var(--hairline);
  margin-left: -1px;
  background: var(--sheet);
  color: var(--ink);
  cursor: pointer;
}
.views button.here {
  background: rgba(47, 127, 121, 0.12);
  font-weight: 600;
}
.pick {
  display: flex;
  align-items: center;
  gap: 6px;
  white-space: nowrap;
  font-size: var(--small);
}
.options {
  flex: 1;
  min-height: 0;
  display: grid;
  gap: 18px;
}
.options.two {
  grid-template-columns: 1fr 1fr;
}
.option {
  min-width: 0;
  display: flex;
  flex-direction: column;
}
h3 {
  margin: 0 0 6px;
  font-size: 0.875rem;
}
</style>

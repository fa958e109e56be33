<script setup lang="ts">
import { computed } from 'vue'
import type { ColourwayView } from '../api/client'
import NumberField from '../parts/NumberField.vue'
import { useColourways, type Swatch } from './colourways'
import { useMaterials } from './materials'
import { NUMBERS } from './words'

/** What is one number of each finish, all of them in one table; the first row sets it for all. */
const props = defineProps<{ colourway: ColourwayView }>()
const colourways = useColourways()
const materials = useMaterials()
const shown = computed(() => props.colourway.coats)
type Key = (typeof NUMBERS)[number]['key']
const set = (swatches: Swatch[], key: Key, value: number) =>
  void colourways.change(props.colourway.id, Object.fromEntries(swatches.map((s) => [s, { [key]: value }])))
/** What all have; nothing if they differ. */
const common = (key: Key) => {
  const all = new Set(shown.value.map((c) => c.words[key]))
  return all.size === 1 ? [...all][0] : undefined
}
const all = () => props.colourway.coats.map((c) => c.swatch)
</script>

<template>
  <table aria-label="Numbers of all finishes">
    <thead>
      <tr>
        <th>finish</th>
        <th v-for="n in NUMBERS" :key="n.key">{{ n.label }}</th>
      </tr>
    </thead>
    <tbody>
      <tr class="all">
        <th scope="row">all of them</th>
        <td v-for="n in NUMBERS" :key="n.key">
          <NumberField label="" :aria="`${n.label} of all`" :value="common(n.key)" @change="(v) => set(all(), n.key, v)" />
        </td>
      </tr>
      <tr v-for="c in shown" :key="c.swatch">
        <th scope="row">{{ materials.called(c.swatch) }}</th>
        <td v-for="n in NUMBERS" :key="n.key">
          <NumberField label="" :aria="`${n.label} of ${materials.called(c.swatch)}`" :value="c.words[n.key]" @change="(v) => set([c.swatch], n.key, v)" />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
  table-layout: fixed;
}
th {
  font-weight: 400;
  text-align: left;
  color: var(--soft-ink);
  font-size: var(--small);
}
td,
th {
  padding: 2px 6px 2px 0;
}
.all th,
.all td {
  border-bottom: 1px solid var(--hairline);
  padding-bottom: 6px;
}
</style>

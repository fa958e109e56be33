<script setup lang="ts">
import { computed } from 'vue'
import Choice from '../parts/Choice.vue'
import { useSite } from '../site/site'
import { useTable } from '../table/table'
import LineGroup from './LineGroup.vue'

/** What a click or a box selects. */
const site = useSite()
const table = useTable()

const options = computed(() => [
  { value: '', label: 'everything' },
  { value: 'STANDING', label: 'all but floors' },
  ...[...new Set(site.pieces.map((p) => p.role))].map((r) => ({ value: r as string, label: `${r.toLowerCase()}s only` })),
])
const state = computed(() => options.value.find((o) => o.value === table.picks)?.label ?? '')
</script>

<template>
  <LineGroup name="Pick" :state="state">
    <Choice :value="table.picks" :options="options" label="What a click selects" @change="(p) => (table.picks = p)" />
    <p class="soft">Clicking again takes what lies beneath. Shift adds, a drag takes all within a box.</p>
  </LineGroup>
</template>

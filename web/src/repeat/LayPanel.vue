<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import { useSite } from '../site/site'
import { useTable } from '../table/table'
import { repeatOf, useLaying } from './laying'
import { ASKS, LABELS, type What } from './rules'
import { vOneStop } from '../parts/oneStop'
import { counted } from '../measure/format'

/** Begins a repeat of what is in the hand or selected, or lists those that there are. */
defineProps<{ lists: boolean }>()
const site = useSite()
const laying = useLaying()
const table = useTable()
const stairs = computed(() => site.massing.stairs)
const ordinals = ['first', 'second', 'third', 'fourth']
const all = Object.keys(LABELS) as What[]
/** The repeat that everything selected belongs to. */
const selected = computed(() => {
  const ids = new Set([...site.selection].map(repeatOf))
  return ids.size === 1 ? site.repeats.find((r) => r.id === [...ids][0]) : undefined
})
</script>

<template>
  <section v-if="!lists && (laying.what || laying.canBegin || selected)" aria-label="Repeat">
    <h3>Repeat it</h3>
    <p v-if="selected" class="row spread">
      <span>One of “{{ selected.name }}”</span>
      <Button size="small" @click="laying.choose(selected.id)">Change “{{ selected.name }}”</Button>
    </p>
    <div v-if="laying.what || laying.canBegin" class="row kinds" role="group" aria-label="Repeat it as">
      <Button v-for="w in all" :key="w" size="small" :aria-pressed="laying.what === w" @click="laying.begin(w)">{{ LABELS[w] }}</Button>
    </div>
    <Button v-if="laying.what" size="small" title="In the middle of the room; its values are typed then" @click="laying.layUsual()"
      >Lay it in the room’s middle</Button
    >
    <Button v-if="laying.what === 'TRAIL' && table.room" size="small" title="It follows the room" @click="laying.layOutline()"
      >Round the outline of {{ table.room.name }}</Button
    >
    <template v-if="laying.what === 'TRAIL'">
      <Button v-for="(s, i) in stairs" :key="s.id" size="small" title="It follows the stairs, tipped with their slope" @click="laying.layUpStairs(s.id)"
        >Up the {{ stairs.length > 1 ? `${ordinals[i] ?? i + 1} ` : '' }}stairs, {{ site.show(s.footMm.z) }} to {{ site.show(s.footMm.z + s.riseMm) }}</Button
      >
    </template>
    <p v-if="laying.what" class="soft" role="status">
      <template v-if="laying.fault"
        ><span class="fault">{{ laying.fault }}</span></template
      >
      <template v-else-if="laying.preview">{{ counted(laying.preview.count, 'piece') }}, {{ counted(laying.preview.triangles, 'triangle') }} more.</template>
      <template v-else>{{ ASKS[laying.what] }}</template>
    </p>
  </section>
  <section v-else-if="lists" aria-label="Repeats">
    <p v-if="!site.repeats.length" class="soft">Nothing is repeated yet. Take or select a piece, and choose how it repeats.</p>
    <ul v-one-stop class="plain">
      <li v-for="r in site.repeats" :key="r.id">
        <button type="button" class="plain" :aria-pressed="laying.chosen?.id === r.id" @click="laying.choose(laying.chosen?.id === r.id ? undefined : r.id)">
          <span>{{ r.name }}</span>
          <span class="figures soft">{{ r.count }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.kinds button[aria-pressed='true'] {
  background: var(--verdigris);
  color: var(--sheet);
}
li button {
  width: 100%;
  display: flex;
  justify-content: space-between;
  padding: 3px 0;
}
li button[aria-pressed='true'] {
  font-weight: 600;
}
</style>

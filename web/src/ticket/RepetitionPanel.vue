<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import { useSite } from '../site/site'
import { useTable } from '../table/table'
import { useRepetition } from './repetition'

/** What looks alike, in the colours that Space gives it, and the longest row of equals. */
const MOST = 8
const site = useSite()
const table = useTable()
const repetition = useRepetition()
const codeOf = (id: number) => site.pieceById.get(id)?.code ?? 'a piece'
const alike = computed(() => repetition.found?.alike.slice(0, MOST) ?? [])
const rest = computed(() => Math.max(0, (repetition.found?.alike.length ?? 0) - MOST))
const longest = computed(() => repetition.found?.longest ?? undefined)
const length = computed(() => {
  const box = longest.value?.placeMm
  return box ? site.show(Math.max(box.max.x - box.min.x, box.max.y - box.min.y)) : ''
})
function select() {
  site.select(longest.value?.ids ?? [])
  table.look('selection')
}
</script>

<template>
  <section aria-label="Repetition">
    <h3>Repetition</h3>
    <p v-if="longest" class="row spread" role="status">
      <span>Longest row: {{ longest.ids.length }} × {{ codeOf(longest.pieceId) }}, {{ length }}</span>
      <Button size="small" @click="select">Select it</Button>
    </p>
    <p v-else-if="repetition.found" class="soft">No two equals stand side by side.</p>
    <ul class="plain">
      <li v-for="a in alike" :key="`${a.pieceId}${a.tint}`" class="row spread">
        <span class="row"
          ><i class="key" :style="{ background: repetition.colourOf(a.pieceId, a.tint) }" />{{ codeOf(a.pieceId) }}
          <i v-if="a.tint" class="key tint" :style="{ background: a.tint }" :title="a.tint" /></span
        ><span class="figures soft">{{ a.count }}</span>
      </li>
    </ul>
    <p v-if="rest" class="soft">and {{ rest }} more</p>
  </section>
</template>

<style scoped>
li {
  min-height: 22px;
  font-size: var(--small);
}
.key {
  width: 12px;
  height: 12px;
  border: 1px solid var(--hairline);
}
</style>

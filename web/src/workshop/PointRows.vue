<script setup lang="ts" generic="K extends string">
import LengthField from '../parts/LengthField.vue'

/** Points of a line as typed rows. */
defineProps<{ rows: readonly Record<string, number | undefined>[]; columns: readonly { key: K; label: string }[]; what: string; least: number }>()
const emit = defineEmits<{ set: [row: number, key: K, mm: number]; add: []; remove: [row: number] }>()
</script>

<template>
  <table class="rows" :aria-label="what">
    <thead>
      <tr>
        <th>#</th>
        <th v-for="c in columns" :key="c.key">{{ c.label }}</th>
        <th><span class="unseen">take out</span></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, i) in rows" :key="i">
        <td class="figures soft">{{ i + 1 }}</td>
        <td v-for="c in columns" :key="c.key">
          <LengthField label="" :aria="`${c.label} of ${what} ${i + 1}`" :mm="row[c.key] ?? 0" @change="(mm) => emit('set', i, c.key, mm)" />
        </td>
        <td>
          <button v-if="rows.length > least" type="button" class="plain" :aria-label="`Take ${what} ${i + 1} out`" @click="emit('remove', i)">✕</button>
        </td>
      </tr>
    </tbody>
  </table>
  <button type="button" class="plain more" @click="emit('add')">+ {{ what }}</button>
</template>

<style scoped>
.rows {
  table-layout: fixed;
  border-collapse: collapse;
  width: 100%;
}
th {
  font-weight: 400;
  font-size: var(--small);
  color: var(--soft-ink);
  text-align: left;
}
td,
th {
  padding: 1px 3px;
}
th:first-child {
  width: 20px;
}
th:last-child {
  width: 26px;
}
td {
  position: relative;
}
/* Over what follows: a narrow column is no place for a sentence. */
td :deep(span.fault) {
  position: absolute;
  z-index: 2;
  top: 100%;
  width: 230px;
  padding: 4px 8px;
  background: var(--sheet);
  border: 1px solid var(--brick);
}
td:nth-child(n + 3) :deep(span.fault) {
  right: 0;
}
.more {
  color: #1d5c57;
  justify-self: start;
  text-align: left;
}
</style>

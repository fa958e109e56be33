<script setup lang="ts">
import { computed } from 'vue'
import { useSite } from '../site/site'

const site = useSite()
const base = computed(() => `/api/sites/${site.site!.id}/handover`)
const files = computed(() => [
  { name: 'scene.glb', title: 'The set', says: 'Binary glTF 2.0: one mesh per piece, shared by its placements; named nodes, metres, Y up.' },
  { name: 'pieces.zip', title: 'The pieces', says: `${site.pieces.length} files of binary glTF 2.0, each piece at its own pivot.` },
  { name: 'pieces.csv', title: 'The bill of pieces', says: 'Code, role, name, size in millimetres and count, as comma-separated values.' },
])
const faults = computed(() => site.survey.findings.filter((f) => f.fault).length)
</script>

<template>
  <div class="panel">
    <h2>Handover</h2>
    <p v-if="site.placements.size === 0" class="soft">The set is empty: the files will hold no placement yet.</p>
    <p v-else-if="faults" class="fault">■ The survey still has {{ faults }} {{ faults === 1 ? 'fault' : 'faults' }}.</p>
    <a v-for="f in files" :key="f.name" class="file" :href="`${base}/${f.name}`" download>
      <b>{{ f.title }}</b> <span class="figures">{{ f.name }}</span>
      <span class="soft">{{ f.says }}</span>
    </a>
  </div>
</template>

<style scoped>
.file {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 8px;
  border: 1px solid var(--hairline);
  background: var(--sheet);
  padding: 9px 11px;
  color: var(--ink);
}
.file:hover {
  border-color: var(--verdigris);
}
.file .figures {
  color: var(--verdigris);
}
.file .soft {
  grid-column: 1 / -1;
  font-size: 13px;
}
</style>

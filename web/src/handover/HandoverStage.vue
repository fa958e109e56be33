<script setup lang="ts">
import { Button, Switch } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { formatBytes, formatCount } from '../measure/format'
import { query } from '../table/line'
import { useSite } from '../site/site'
import { useTable } from '../table/table'
import { useTaking } from './taking'

/** What goes out, and what speaks against it. */
const site = useSite()
const unused = ref(false)
const details = ref(false)
const sheets = ref(false)
// Those that are made at length are taken with how far they are; all others are there at once.
const { taking, fault, take, cancel } = useTaking()
const LONG = ['scene.glb', 'pieces.zip']
function open(e: MouseEvent, name: string, at: string) {
  if (!LONG.includes(name)) return
  e.preventDefault()
  void take(name, at)
}
const table = useTable()
const FORMATS = [
  { ending: 'svg', says: 'SVG to a scale of 1 : 50, with layers and dimensions.' },
  { ending: 'dxf', says: 'DXF in millimetres, with layers and dimensions.' },
]
const base = computed(() => `/api/sites/${site.site!.id}/handover`)
const standing = computed(() => site.pieces.filter((p) => p.count > 0))
const idle = computed(() => site.pieces.length - standing.value.length)
/** What is switched on, as a query. */
const told = (switches: Record<string, boolean>) =>
  `?${Object.entries(switches)
    .filter(([, on]) => on)
    .map(([name]) => `${name}=true`)
    .join('&')}`.replace(/\?$/, '')
const files = computed(() => [
  {
    name: 'scene.glb',
    title: 'The set',
    says: `Binary glTF 2.0: ${formatCount(site.placements.size)} nodes under their level and room, one mesh for each of ${standing.value.length} pieces, shared; metres, Y up.`,
  },
  {
    name: 'pieces.zip',
    query: told({ unused: unused.value, details: details.value, sheets: sheets.value }),
    title: 'The pieces',
    says: `${unused.value ? site.pieces.length : standing.value.length} files of binary glTF 2.0, each piece at its own pivot${details.value ? '; beside it its levels of detail and its hull, named after it' : ''}${sheets.value ? '; the pictures of their materials in a folder' : ''}.`,
  },
  { name: 'pieces.csv', title: 'The bill of pieces', says: 'Code, role, name, size in millimetres and count, as comma-separated values.' },
  { name: 'rooms.csv', title: 'The rooms', says: 'Level by level: area, perimeter, height and volume.' },
  { name: 'openings.csv', title: 'The openings', says: 'Room, wall, place and size of every door and window.' },
  { name: 'runs.csv', title: 'The runs', says: 'Length, height and thickness of every stretch of wall.' },
  ...(site.massing.stairs.length
    ? [{ name: 'stairs.csv', title: 'The stairs', says: 'Shape, width, rise, risers, going and headroom of every flight of stairs and ramp.' }]
    : []),
  ...site.massing.levels
    .filter((l) => site.massing.rooms.some((r) => r.levelId === l.id))
    .flatMap((l) => FORMATS.map((f) => ({ name: `plan.${f.ending}`, query: `?level=${l.id}`, title: `Plan: ${l.name}`, says: f.says }))),
  ...(table.section ? FORMATS.map((f) => ({ name: `section.${f.ending}`, query: `?${query(table.section!)}`, title: 'The section', says: f.says })) : []),
])
const amount = (what: string, n: number) => (what.includes('memory') ? formatBytes(n) : formatCount(n))
const against = computed(() => {
  const list = site.cards
    .filter((c) => !c.accepted)
    .map((c) => ({
      key: c.key,
      fault: c.fault,
      words: `${c.count > 1 ? `${c.count} × ` : ''}${c.count > 1 ? c.heading : c.findings[0]!.title}${c.room ? `, ${c.room}` : ''}`,
    }))
  const over =
    site.tally?.budget
      .filter((l) => l.over)
      .map((l) => ({ key: l.what, fault: false, words: `Over the budget: ${amount(l.what, l.spent)} ${l.what} of ${amount(l.what, l.allowed)}` })) ?? []
  return [...list, ...over]
})
</script>

<template>
  <div class="handover">
    <section class="out" aria-label="What goes out">
      <h2>What goes out</h2>
      <p v-if="site.placements.size === 0" class="soft">The set is empty: the files will hold no placement yet.</p>
      <p v-if="fault" class="fault" role="alert">■ {{ fault }}</p>
      <template v-for="f in files" :key="f.name + (f.query ?? '')">
        <a
          class="file"
          :href="`${base}/${f.name}${f.query ?? ''}`"
          download
          :aria-busy="taking?.name === f.name"
          @click="(e) => open(e, f.name, `${base}/${f.name}${f.query ?? ''}`)">
          <b>{{ f.title }}</b> <span class="figures">{{ f.name }}</span>
          <span class="soft">{{ f.says }}</span>
        </a>
        <div v-if="taking?.name === f.name" class="taking" role="status">
          <progress :value="taking.share" max="1" aria-label="How far it is" />
          <span class="soft">{{ taking.share < 1 ? 'It is being made …' : 'Almost there …' }}</span>
          <Button size="small" @click="cancel">Cancel</Button>
        </div>
        <div v-if="f.name === 'pieces.zip'" class="with" role="group" aria-label="What goes along with the pieces">
          <label class="row"
            ><Switch v-model:checked="details" size="small" aria-label="With levels of detail and hulls" /> with levels of detail and hulls</label
          >
          <label class="row"
            ><Switch v-model:checked="sheets" size="small" aria-label="With the sheets of their materials" /> with the sheets of their materials</label
          >
          <label v-if="idle" class="row"
            ><Switch v-model:checked="unused" size="small" aria-label="With pieces that stand nowhere" /> with the
            {{ idle === 1 ? 'one piece of the kit that stands nowhere' : `${idle} pieces of the kit that stand nowhere` }}</label
          >
        </div>
      </template>
    </section>
    <section aria-label="Open findings">
      <h2>Open findings</h2>
      <p v-if="!against.length" class="clean">Nothing: the survey is clean and the budget is kept.</p>
      <ul v-else>
        <li v-for="a in against.slice(0, 40)" :key="a.key">
          <span :class="a.fault ? 'fault' : 'caution'">{{ a.fault ? '■ fault' : '▲ caution' }}</span> {{ a.words }}
        </li>
      </ul>
      <p v-if="site.survey.accepted" class="soft">{{ site.survey.accepted }} accepted as {{ site.survey.accepted === 1 ? 'it is' : 'they are' }}.</p>
      <p v-if="against.length"><RouterLink :to="`/sites/${site.site!.id}/survey`">Look at them in the survey</RouterLink></p>
    </section>
    <section class="pieces" aria-label="The bill">
      <h2>The bill</h2>
      <table>
        <thead>
          <tr>
            <th>code</th>
            <th>role</th>
            <th>name</th>
            <th>size</th>
            <th class="number">count</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in standing" :key="p.id">
            <td>
              <b>{{ p.code }}</b>
            </td>
            <td>{{ p.role.toLowerCase() }}</td>
            <td>{{ p.name }}</td>
            <td class="figures">{{ site.show(p.sizeMm.x) }} × {{ site.show(p.sizeMm.y) }} × {{ site.show(p.sizeMm.z) }}</td>
            <td class="figures number">{{ formatCount(p.count) }}</td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped>
.handover {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
  display: grid;
  grid-template-columns: minmax(360px, 1fr) minmax(360px, 1fr);
  gap: 22px 34px;
  padding: 18px 26px;
  align-content: start;
}
section {
  display: grid;
  gap: 9px;
  align-content: start;
}
.pieces {
  grid-column: 1 / -1;
}
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
.with {
  display: grid;
  gap: 4px;
  padding: 0 11px 6px;
}
.taking {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 12px;
  align-items: center;
  padding: 0 11px;
}
progress {
  width: 100%;
  height: 8px;
  accent-color: var(--verdigris);
}
.file .figures {
  color: #1d5c57;
}
.file .soft {
  grid-column: 1 / -1;
  font-size: var(--small);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  padding: 3px 0;
}
.caution {
  color: var(--dark-ochre);
}
.clean {
  border-left: 3px solid var(--verdigris);
  padding-left: 10px;
}
table {
  border-collapse: collapse;
  background: var(--sheet);
  border: 1px solid var(--hairline);
}
th {
  text-align: left;
  font-weight: 400;
  font-size: var(--small);
  color: var(--soft-ink);
}
th,
td {
  padding: 4px 10px;
  border-bottom: 1px solid var(--hairline);
}
.number {
  text-align: right;
}
</style>

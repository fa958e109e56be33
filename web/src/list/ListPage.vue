<script setup lang="ts">
import { Button, Checkbox, Input, Switch } from 'ant-design-vue'
import Choice from '../parts/Choice.vue'
import { computed, ref } from 'vue'
import { Refusal, type ListedView } from '../api/client'
import LengthField from '../parts/LengthField.vue'
import TextEntry from '../parts/TextEntry.vue'
import { tell, useSite } from '../site/site'
import { useBoard } from '../board/board'
import Portrait from '../board/Portrait.vue'
import { roleName, ROLES } from './roles'

/** The list of pieces that the site needs: sorted, filtered, grouped, edited in place and many at once. */
const site = useSite()
const board = useBoard()
const wanted = ref('')
const sort = ref<'priority' | 'code' | 'role' | 'state' | 'hours' | 'count'>('priority')
const group = ref<'none' | 'role' | 'state' | 'source'>('none')
const chosen = ref(new Set<number>())
const newCode = ref('')
const refusal = ref('')
const chooser = ref<HTMLInputElement>()

const STATES = [
  { value: 'WANTED', label: 'wanted', mark: '○' },
  { value: 'STAND_IN', label: 'stand-in', mark: '◧' },
  { value: 'MODELLED', label: 'modelled', mark: '◕' },
  { value: 'FINISHED', label: 'finished', mark: '●' },
] as const
const SOURCES = [
  { value: 'MAKE', label: 'make' },
  { value: 'STOCK', label: 'from stock' },
  { value: 'BUY', label: 'buy' },
] as const
const stateOf = (s: ListedView['state']) => STATES.find((x) => x.value === s)!
const sourceOf = (s: ListedView['source']) => SOURCES.find((x) => x.value === s)!.label
const SORTS = ['priority', 'code', 'role', 'state', 'hours', 'count'].map((value) => ({ value, label: `by ${value}` }))
const GROUPS = [
  { value: 'none', label: 'not grouped' },
  { value: 'role', label: 'in roles' },
  { value: 'state', label: 'in states' },
  { value: 'source', label: 'in sources' },
]

const rows = computed(() => {
  const word = wanted.value.trim().toLowerCase()
  const order = (l: ListedView) => (sort.value === 'state' ? STATES.findIndex((s) => s.value === l.state) : l[sort.value])
  return board.list
    .filter((l) => !word || [l.code, l.name, l.notes, roleName(l.role), stateOf(l.state).label, sourceOf(l.source)].some((t) => t.toLowerCase().includes(word)))
    .sort((a, b) => {
      const [x, y] = [order(a), order(b)]
      return (
        (typeof x === 'number' && typeof y === 'number'
          ? sort.value === 'count' || sort.value === 'hours'
            ? y - x
            : x - y
          : String(x).localeCompare(String(y))) || a.code.localeCompare(b.code)
      )
    })
})
const groups = computed(() => {
  if (group.value === 'none') return [{ title: '', rows: rows.value }]
  const title = (l: ListedView) => (group.value === 'role' ? roleName(l.role) : group.value === 'state' ? stateOf(l.state).label : sourceOf(l.source))
  return [...new Set(rows.value.map(title))].map((t) => ({ title: t, rows: rows.value.filter((l) => title(l) === t) }))
})
const hours = computed(() => board.list.reduce((sum, l) => sum + l.hours, 0))
const progress = computed(() => STATES.map((s) => ({ ...s, count: board.list.filter((l) => l.state === s.value).length })))

async function attempt(work: () => Promise<unknown>) {
  try {
    await work()
    refusal.value = ''
  } catch (e) {
    if (e instanceof Refusal) refusal.value = e.message
    else tell(e)
  }
}
const set = (ids: number[], change: Record<string, unknown>) => attempt(() => board.make('Change the piece list', 'PATCH', '/piece-list', { ids, set: change }))
/** An edit of a chosen row is an edit of all that are chosen. */
const setFrom = (l: ListedView, change: Record<string, unknown>) =>
  set(chosen.value.has(l.id) && !('code' in change) && !('name' in change) ? [...chosen.value] : [l.id], change)
const numbered = (l: ListedView, key: string, text: string) => text.trim() !== '' && Number.isFinite(Number(text)) && setFrom(l, { [key]: Number(text) })
const standIn = (ids: number[]) => attempt(() => board.make('Make stand-ins', 'POST', '/piece-list/stand-ins', { ids }))
const remove = () =>
  attempt(async () => {
    await board.make('Take off the list', 'POST', '/piece-list/removals', { ids: [...chosen.value] })
    chosen.value = new Set()
  })
const add = () =>
  attempt(async () => {
    await board.make(`List ${newCode.value}`, 'POST', '/piece-list', { code: newCode.value.trim() })
    newCode.value = ''
  })
function choose(id: number, on: boolean) {
  const ids = new Set(chosen.value)
  if (on) ids.add(id)
  else ids.delete(id)
  chosen.value = ids
}
async function read(e: Event) {
  const input = e.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  await attempt(async () => {
    const response = await fetch(`${board.base}/piece-list.csv`, { method: 'POST', headers: { 'Content-Type': 'text/csv' }, body: await file.text() })
    if (!response.ok) throw new Refusal(response.status, ((await response.json()) as { detail: string }).detail)
    await site.catchUp()
  })
}
</script>

<template>
  <div class="list">
    <div class="row head">
      <h2>Piece list</h2>
      <span v-for="s in progress" :key="s.value" class="figures state" :title="s.label">{{ s.mark }} {{ s.count }} {{ s.label }}</span>
      <span class="drawn" role="img" :aria-label="progress.map((s) => `${s.count} ${s.label}`).join(', ')"
        ><span v-for="s in progress" :key="s.value" :class="s.value.toLowerCase()" :style="{ flex: s.count }"
      /></span>
      <span class="figures soft">{{ hours }} h</span>
    </div>
    <div class="row tools">
      <Input v-model:value="wanted" size="small" placeholder="Find" aria-label="Find on the list" allow-clear class="find" />
      <Choice v-model:value="sort" :options="SORTS" label="Sort" class="pick" />
      <Choice v-model:value="group" :options="GROUPS" label="Group" class="pick" />
      <Input
        v-model:value="newCode"
        size="small"
        placeholder="new code, such as PRP-TILL"
        aria-label="New code"
        :maxlength="40"
        class="new"
        @press-enter="newCode.trim() && add()" />
      <Button size="small" :disabled="!newCode.trim()" @click="add">Add</Button>
      <span class="grow" />
      <Button size="small" :disabled="!chosen.size" @click="standIn([...chosen])">Stand-ins for {{ chosen.size }}</Button>
      <Button size="small" danger :disabled="!chosen.size" @click="remove">Take off {{ chosen.size }}</Button>
      <a class="file" :href="`${board.base}/piece-list.csv`" download>CSV out</a>
      <Button size="small" @click="chooser!.click()">CSV in</Button>
      <input ref="chooser" type="file" accept=".csv,text/csv" hidden data-testid="csv" @change="read" />
    </div>
    <p v-if="refusal" class="fault refused" role="alert">■ {{ refusal }}</p>
    <p v-if="!board.list.length" class="soft empty">
      Nothing is listed yet. Accept a proposal under <RouterLink :to="`/sites/${site.site!.id}/brief/takeoff`">Takeoff</RouterLink>, type a code, or read a CSV
      file.
    </p>
    <div v-else class="rows">
      <table v-for="g in groups" :key="g.title" class="ruled">
        <caption v-if="g.title">
          {{
            g.title
          }}
          <span class="figures soft">{{ g.rows.length }}</span>
        </caption>
        <thead>
          <tr>
            <th><span class="unseen">chosen</span></th>
            <th><span class="unseen">portrait</span></th>
            <th>code</th>
            <th>name</th>
            <th>role</th>
            <th>width</th>
            <th>depth</th>
            <th>height</th>
            <th class="right">count</th>
            <th class="right">placed</th>
            <th>source</th>
            <th>state</th>
            <th title="priority: 1 comes first">rank</th>
            <th class="right">hours</th>
            <th>hero</th>
            <th>notes</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in g.rows" :key="l.id" :class="{ chosen: chosen.has(l.id) }">
            <td><Checkbox :checked="chosen.has(l.id)" :aria-label="`Choose ${l.code}`" @change="(e) => choose(l.id, e.target.checked)" /></td>
            <td><Portrait :listed="l" /></td>
            <td><TextEntry class="code" :value="l.code" :label="`Code of ${l.code}`" :maxlength="40" @commit="(code) => setFrom(l, { code })" /></td>
            <td><TextEntry class="name" :value="l.name" :label="`Name of ${l.code}`" :maxlength="200" @commit="(name) => setFrom(l, { name })" /></td>
            <td><Choice :value="l.role" :options="ROLES" :label="`Role of ${l.code}`" class="role" @change="(role) => setFrom(l, { role })" /></td>
            <td><LengthField label="" :mm="l.sizeMm.x" class="size" :aria="`Width of ${l.code}`" @change="(mm) => setFrom(l, { widthMm: mm })" /></td>
            <td><LengthField label="" :mm="l.sizeMm.y" class="size" :aria="`Depth of ${l.code}`" @change="(mm) => setFrom(l, { depthMm: mm })" /></td>
            <td><LengthField label="" :mm="l.sizeMm.z" class="size" :aria="`Height of ${l.code}`" @change="(mm) => setFrom(l, { heightMm: mm })" /></td>
            <td class="right">
              <TextEntry class="figures few" :value="String(l.count)" :label="`Count of ${l.code}`" @commit="(t) => numbered(l, 'count', t)" />
            </td>
            <td class="right figures">{{ l.placed || '' }}</td>
            <td>
              <Choice :value="l.source" :options="[...SOURCES]" :label="`Source of ${l.code}`" class="source" @change="(source) => setFrom(l, { source })" />
            </td>
            <td class="nowrap">
              <Choice
                v-if="l.state !== 'STAND_IN'"
                :value="l.state"
                :options="STATES.map((s) => ({ value: s.value, label: `${s.mark} ${s.label}` }))"
                :label="`State of ${l.code}`"
                class="state-pick"
                @change="(state) => setFrom(l, { state })" />
              <span v-else>◧ stand-in</span>
              <button v-if="!l.pieceId" type="button" class="plain act" :aria-label="`Make a stand-in for ${l.code}`" @click="standIn([l.id])">stand in</button>
            </td>
            <td><TextEntry class="figures one" :value="String(l.priority)" :label="`Priority of ${l.code}`" @commit="(t) => numbered(l, 'priority', t)" /></td>
            <td class="right">
              <TextEntry class="figures few" :value="String(l.hours)" :label="`Hours for ${l.code}`" @commit="(t) => numbered(l, 'hours', t)" />
            </td>
            <td><Switch size="small" :checked="l.hero" :aria-label="`${l.code} is a hero piece`" @change="(hero) => setFrom(l, { hero })" /></td>
            <td><TextEntry class="notes" :value="l.notes" :label="`Notes on ${l.code}`" :maxlength="4000" @commit="(notes) => setFrom(l, { notes })" /></td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
th {
  position: sticky;
  top: 0;
  z-index: 2;
  background: var(--paper);
}
.act {
  margin-left: 6px;
}
.list {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.head {
  padding: 12px 18px 4px;
  gap: 16px;
}
.drawn {
  display: flex;
  width: 220px;
  height: 12px;
  border: 1px solid var(--ink);
  background: var(--sheet);
}
.drawn .stand_in {
  background: repeating-linear-gradient(135deg, var(--verdigris) 0 2px, var(--sheet) 2px 6px);
}
.drawn .modelled {
  background: #8fbab6;
}
.drawn .finished {
  background: var(--verdigris);
}
.tools {
  padding: 4px 18px 8px;
  flex-wrap: wrap;
  border-bottom: 1px solid var(--hairline);
}
.grow {
  flex: 1;
}
.find {
  width: 130px;
}
.new {
  width: 200px;
}
.pick {
  width: 118px;
}
.refused {
  padding: 6px 18px;
}
.empty {
  margin: auto;
}
.rows {
  flex: 1;
  overflow: auto;
  padding: 0 18px 18px;
}
table {
  width: 100%;
}
caption {
  text-align: left;
  font-weight: 600;
  padding: 12px 0 2px;
}
tr.chosen {
  background: rgba(106, 61, 124, 0.1);
}
.nowrap {
  white-space: nowrap;
}
.code {
  width: 108px;
  font-weight: 600;
}
.name {
  width: 112px;
}
.role {
  width: 76px;
}
.size {
  width: 62px;
}
.source {
  width: 78px;
}
.state-pick {
  width: 100px;
}
.few {
  width: 42px;
  text-align: right;
}
.one {
  width: 32px;
}
.notes {
  width: 96px;
}
.file {
  color: #1d5c57;
  font-size: var(--small);
}
</style>

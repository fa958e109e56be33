<script setup lang="ts">
import Choice from '../parts/Choice.vue'
import { computed, ref } from 'vue'
import { Refusal, type BriefChange, type BriefView, type BudgetView } from '../api/client'
import TextEntry from '../parts/TextEntry.vue'
import { formatBytes, formatCount } from '../measure/format'
import { tell, useSite } from '../site/site'
import { useBoard } from '../board/board'
import TimeBoxes from './TimeBoxes.vue'

const site = useSite()
const board = useBoard()
const refusal = ref('')

const TARGETS = { HEADSET: 'phone or headset', DESKTOP: 'desktop', FILM: 'film', OWN: 'my own' }
const targets = Object.entries(TARGETS).map(([value, label]) => ({ value, label }))
const LINES = [
  { key: 'triangles', title: 'Triangles', factor: 1 },
  { key: 'drawCalls', title: 'Draw calls', factor: 1 },
  { key: 'textureBytes', title: 'Texture memory, MiB', factor: 1024 * 1024 },
  { key: 'materials', title: 'Materials', factor: 1 },
  { key: 'sheets', title: 'Sheets', factor: 1 },
  { key: 'lamps', title: 'Lamps', factor: 1 },
  { key: 'lampsAtOnce', title: 'Lamps in one place', factor: 1 },
] as const
const spent = computed(() => site.tally?.budget ?? [])
const say = (i: number, n: number) => (LINES[i]!.factor > 1 ? formatBytes(n) : formatCount(n))

async function save(change: BriefChange) {
  try {
    await board.make('Change the brief', 'PATCH', '/brief', change)
    refusal.value = ''
  } catch (e) {
    if (e instanceof Refusal) refusal.value = e.message
    else tell(e)
  }
}

const aim = (target: string) => save({ target: target as BriefView['target'], budget: board.brief!.targets.find((t) => t.target === target)!.budget })

function allow(key: keyof BudgetView, factor: number, typed: string) {
  const n = Math.round(Number(typed.replace(/\s/g, '')) * factor)
  if (Number.isFinite(n) && n !== board.brief!.budget[key]) void save({ target: 'OWN', budget: { [key]: n } })
}
const share = (s: { spent: number; allowed: number }) => Math.min(1, s.allowed ? s.spent / s.allowed : 0)
</script>

<template>
  <div v-if="board.brief" class="page">
    <section class="column" aria-label="Intent and budget">
      <h2>What this place is</h2>
      <label class="field"
        ><span>Intent, in a few lines</span>
        <TextEntry :value="board.brief.intent" :rows="5" :maxlength="4000" label="Intent" @commit="(intent) => save({ intent })" />
      </label>
      <label class="field"
        ><span>The one thing the eye is led to</span>
        <TextEntry :value="board.brief.focal" :maxlength="300" label="Focal object" @commit="(focal) => save({ focal })" />
      </label>
      <h2>What it may cost</h2>
      <label class="field target"
        ><span>Shown on</span>
        <Choice :value="board.brief.target" :options="targets" label="Target" @change="(t) => aim(String(t))" />
      </label>
      <table class="ruled">
        <thead>
          <tr>
            <th>budget</th>
            <th class="right">at most</th>
            <th class="right">now</th>
            <th class="wide"><span class="unseen">share</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(line, i) in LINES" :key="line.key">
            <td>{{ line.title }}</td>
            <td class="right">
              <TextEntry
                class="figures amount"
                :value="board.brief.budget[line.key] ? String(board.brief.budget[line.key] / line.factor) : ''"
                placeholder="no limit"
                :label="`${line.title}, at most`"
                @commit="(text) => allow(line.key, line.factor, text)" />
            </td>
            <td class="right figures">{{ spent[i] ? say(i, spent[i]!.spent) : '' }}</td>
            <td class="wide">
              <span v-if="spent[i]?.allowed" class="bar" :class="{ over: spent[i]!.over }"><span :style="{ width: `${share(spent[i]!) * 100}%` }" /></span>
              <span v-if="spent[i]?.over" class="fault">■ over</span>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="refusal" class="fault" role="alert">{{ refusal }}</p>
    </section>
    <TimeBoxes
      :brief="board.brief"
      @planned="(stage, amount) => save({ plannedMinutes: [{ stage, amount }] })"
      @corrected="(stage, amount) => save({ spentSeconds: [{ stage, amount }] })" />
  </div>
  <p v-else class="page soft" role="status">Loading the brief …</p>
</template>

<style scoped>
.page {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 36px;
  padding: 18px 24px;
  align-content: start;
}
.column {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
h2 + .target,
.field + h2 {
  margin-top: 6px;
}
.target {
  width: 190px;
}
.amount {
  width: 104px;
  text-align: right;
}
.wide {
  width: 32%;
}
.bar {
  display: inline-block;
  width: 100px;
  height: 8px;
  border: 1px solid var(--ink);
  vertical-align: middle;
}
.bar span {
  display: block;
  height: 100%;
  min-width: 1px;
  background: var(--verdigris);
}
.bar.over span {
  background: var(--brick);
}
</style>

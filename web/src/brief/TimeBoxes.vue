<script setup lang="ts">
import { computed } from 'vue'
import type { BriefView } from '../api/client'
import TextEntry from '../parts/TextEntry.vue'

/** A time box a stage: planned against spent, both to one scale; what was measured can be corrected. */
const props = defineProps<{ brief: BriefView }>()
const emit = defineEmits<{ planned: [stage: number, minutes: number]; corrected: [stage: number, seconds: number] }>()

const STAGES = ['Brief', 'Massing', 'Kit', 'Build', 'Shots', 'Survey', 'Handover']
const rows = computed(() =>
  STAGES.map((title, i) => {
    const planned = props.brief.plannedMinutes[i]!
    const spent = props.brief.spentSeconds[i]! / 60
    return { title, planned, spent, over: planned > 0 && spent > planned }
  }),
)
const longest = computed(() => Math.max(60, ...rows.value.map((r) => Math.max(r.planned, r.spent))))
const total = (of: 'planned' | 'spent') => rows.value.reduce((sum, r) => sum + r[of], 0)
const clock = (minutes: number) => `${Math.floor(minutes / 60)}:${String(Math.floor(minutes % 60)).padStart(2, '0')}`

/** Minutes, or hours and minutes as 1:30. */
function minutesOf(typed: string): number | undefined {
  const parts = /^\s*(\d{1,4}):(\d{1,2})\s*$/.exec(typed)
  const n = parts ? Number(parts[1]) * 60 + Number(parts[2]) : Number(typed)
  return typed.trim() !== '' && Number.isFinite(n) && n >= 0 ? Math.round(n) : undefined
}

function set(kind: 'planned' | 'corrected', i: number, typed: string) {
  const n = minutesOf(typed)
  if (n === undefined) return
  if (kind === 'planned') emit('planned', i, n)
  else emit('corrected', i, n * 60)
}
</script>

<template>
  <section class="boxes" aria-label="Time boxes">
    <h2>Time boxes</h2>
    <p class="soft">The clock runs while a stage is open and in use. Type minutes or hours and minutes, such as 1:30, to plan or to correct.</p>
    <table class="ruled">
      <thead>
        <tr>
          <th>stage</th>
          <th class="right">planned</th>
          <th class="right">spent</th>
          <th><span class="unseen">planned against spent</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(r, i) in rows" :key="r.title">
          <td>{{ r.title }}</td>
          <td class="right">
            <TextEntry
              class="figures time"
              :value="r.planned ? clock(r.planned) : ''"
              placeholder="none"
              :label="`${r.title}, planned`"
              @commit="(text) => set('planned', i, text)" />
          </td>
          <td class="right">
            <TextEntry class="figures time" :value="clock(r.spent)" :label="`${r.title}, spent`" @commit="(text) => set('corrected', i, text)" />
          </td>
          <td class="drawn">
            <span class="box" :style="{ width: `${(r.planned / longest) * 100}%` }" />
            <span class="spent" :class="{ over: r.over }" :style="{ width: `${(r.spent / longest) * 100}%` }" />
            <span v-if="r.over" class="word">▲ {{ clock(r.spent - r.planned) }} over</span>
          </td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <td>in all</td>
          <td class="right figures">{{ clock(total('planned')) }}</td>
          <td class="right figures">{{ clock(total('spent')) }}</td>
          <td />
        </tr>
      </tfoot>
    </table>
  </section>
</template>

<style scoped>
.boxes {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
tfoot td {
  border-bottom: 0;
  font-weight: 600;
}
.time {
  width: 66px;
  text-align: right;
}
.drawn {
  position: relative;
  width: 46%;
  height: 30px;
}
.box,
.spent {
  position: absolute;
  left: 0;
  height: 14px;
  top: 8px;
}
.box {
  border: 1px solid var(--ink);
  background: var(--sheet);
}
.spent {
  top: 12px;
  height: 6px;
  background: var(--verdigris);
}
.spent.over {
  background: var(--ochre);
}
.word {
  position: absolute;
  right: 0;
  top: 6px;
  font-size: var(--small);
  color: var(--dark-ochre);
  background: var(--paper);
  padding-left: 6px;
}
</style>

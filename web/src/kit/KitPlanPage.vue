<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { NoAnswer, Refusal, send, type SitePlanView } from '../api/client'
import { underWay } from '../api/underWay'
import { tell, useSite } from '../site/site'
import KitAdvice from './KitAdvice.vue'
import KitSteps from './KitSteps.vue'
import OptionChart from './OptionChart.vue'
import OptionPreview from './OptionPreview.vue'
import RulesForm from './RulesForm.vue'
import ToBeModelled from './ToBeModelled.vue'
import type { Pointed } from './laid'
import { usualRules, type Rules } from './rules'
import { counted } from '../measure/format'

const site = useSite()
const router = useRouter()
const rules = ref<Rules>(usualRules())
/** What the server would not take, by field. */
const faults = ref<Record<string, string>>({})
const plan = shallowRef<SitePlanView>()
const chosen = ref(0)
/** What the advice under the pointer, or with the keyboard on it, is about. */
const pointed = shallowRef<Pointed>()
const fault = ref('')
const seconds = ref(0)
/** The best that is found while it is worked out. */
const soFar = ref('')
let asking: AbortController | undefined
let enough = () => {}
/** Whether it was ended before it was done. */
const stopped = ref(false)
let ticking: ReturnType<typeof setInterval> | undefined

const option = computed(() => plan.value?.options[chosen.value])
const standing = computed(() => site.site?.kit?.option)
watch(
  () => site.site?.id,
  () => {
    const kept = site.site?.kit?.rules
    rules.value = kept ? { ...usualRules(), ...(kept as Rules) } : usualRules()
  },
  { immediate: true },
)
onBeforeUnmount(() => asking?.abort())

async function workOut() {
  asking?.abort()
  const mine = new AbortController()
  const work = underWay((_, found) => (soFar.value = found))
  // What nobody waits for any more is not worked on any more either.
  mine.signal.addEventListener('abort', work.callOff)
  asking = mine
  stopped.value = false
  enough = () => {
    stopped.value = true
    work.enough()
  }
  seconds.value = 0
  soFar.value = ''
  fault.value = ''
  faults.value = {}
  ticking = setInterval(() => seconds.value++, 1000)
  try {
    const answer = await send<SitePlanView>('POST', `/api/sites/${site.site!.id}/kit-plans?token=${work.token}`, rules.value, { signal: mine.signal })
    plan.value = answer
    const now = answer.options.findIndex((o) => o.id === standing.value)
    chosen.value = now >= 0 ? now : (answer.recommended ?? 0)
  } catch (e) {
    if (mine.signal.aborted) return
    fault.value = e instanceof Refusal || e instanceof NoAnswer ? e.message : String(e)
    if (e instanceof Refusal) faults.value = Object.fromEntries(e.faults.map((f) => [f.field, f.message]))
  } finally {
    clearInterval(ticking)
    work.end()
    if (asking === mine) asking = undefined
    working.value = !!asking
  }
}
const working = ref(false)
const start = () => {
  working.value = true
  void site.inTurn(() => void workOut())
}
const cancel = () => asking?.abort()

/** What was worked out belongs to the rooms as they were, and to what their walls are dressed with. */
watch([() => site.massing, () => site.site?.bothSides, () => site.site?.outsidePatternId], () => {
  if (plan.value) start()
})
if (site.site?.kit) start()

async function build() {
  try {
    const chosen = option.value!.id
    await site.inTurn(() => site.make('Build from the kit', 'PUT', '/kit', { option: chosen }))
    void router.push(`/sites/${site.site!.id}/build`)
  } catch (e) {
    tell(e)
  }
}
/** What the further kinds of an option save, and which they are, where they are few enough to name. */
const saved = (i: number) => {
  const [now, before] = [plan.value!.options[i]!, plan.value!.options[i - 1]]
  if (!before) return ''
  const names = now.added.map((p) => `${site.show(p.lengthMm)} × ${site.show(p.heightMm)}`)
  return `saves ${before.placements - now.placements}` + (names.length && names.length < 3 ? ` with ${names.join(' and ')}` : '')
}
</script>

<template>
  <div class="kit">
    <div class="limits">
      <h2>Work out the kit</h2>
      <p class="soft">
        The fewest pieces to model that build every wall exactly, in length and in height, in whole steps of {{ site.show(site.site!.stepMm) }}.
      </p>
      <RulesForm :rules="rules" :faults="faults" @change="(now) => (rules = now)" />
      <div class="row">
        <Button type="primary" :disabled="working || !site.massing.rooms.length" @click="start">Work out the kit</Button>
        <template v-if="working"
          ><span role="status" class="figures">working … {{ seconds }} s</span>
          <Button v-if="seconds" size="small" title="Stops here, with the best that is known" @click="enough()">Enough</Button>
          <Button size="small" @click="cancel">Cancel</Button></template
        >
      </div>
      <p v-if="working && soFar" class="soft">The best so far: {{ soFar }}.</p>
      <p v-if="!site.massing.rooms.length" class="soft">
        There is no room yet. <RouterLink :to="`/sites/${site.site!.id}/massing`">Type or draw one</RouterLink> first.
      </p>
      <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
      <template v-if="plan?.options.length">
        <OptionChart :plan="plan" :chosen="chosen" @choose="(i) => (chosen = i)" />
        <div class="options" tabindex="0" role="group" aria-label="Options">
          <table>
            <thead>
              <tr>
                <th>kinds</th>
                <th>pieces</th>
                <th>walls cut at</th>
                <th />
              </tr>
            </thead>
            <tbody>
              <tr v-for="(o, i) in plan.options" :key="i" :class="{ chosen: i === chosen }" @click="chosen = i">
                <td class="figures">
                  {{ o.kinds }}<span v-if="o.made < o.kinds" class="soft" title="to be made"> ({{ o.made }})</span>
                </td>
                <td class="figures">{{ o.placements }}</td>
                <td class="figures">{{ o.jointsMm.map(site.show).join(' · ') || 'no height' }}</td>
                <td>
                  <div class="marks">
                    <span>{{ o.proven ? '● proven' : '◆ not proven' }}</span> <span v-if="i === plan.recommended" class="good">recommended</span
                    ><span v-if="o.id === standing" class="good">built</span><span class="soft">{{ saved(i) }}</span>
                  </div>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <Button type="primary" :disabled="option!.id === standing" @click="build">Build from {{ counted(option!.kinds, 'kind') }}</Button>
        <ToBeModelled :option="option!" />
      </template>
      <KitAdvice v-if="plan?.options.length" :rules="rules" @point="(at) => (pointed = at)" />
      <KitSteps v-if="plan && site.massing.rooms.length" :rules="rules" @point="(at) => (pointed = at)" />
      <div v-if="plan?.unfillable.length" class="unfillable" role="alert">
        <h3 class="fault">■ No piece fills these</h3>
        <ul>
          <li v-for="u in plan.unfillable" :key="u.run + u.atMm">
            <b>{{ u.run }}</b>: {{ site.show(u.lengthMm) }} from {{ site.show(u.atMm) }}.
            <template v-if="u.belowMm || u.aboveMm"
              >It would do at
              {{
                [u.belowMm, u.aboveMm]
                  .filter((x) => x)
                  .map((x) => site.show(x!))
                  .join(' or ')
              }}.</template
            >
            <template v-else>No length would do with these pieces.</template>
          </li>
        </ul>
        <p class="soft">Change the room or an opening under Massing, or allow other pieces.</p>
      </div>
      <p v-else-if="plan && !plan.options.length && stopped" class="fault" role="alert">
        No kit was found before it was stopped. Let it work longer, or allow more lengths or another step.
      </p>
      <p v-else-if="plan && !plan.options.length" class="fault" role="alert">
        No {{ rules.maxKinds }} {{ rules.maxKinds === 1 ? 'length fills' : 'lengths fill' }} the walls of every height that is allowed. Allow more lengths or
        heights.
      </p>
    </div>
    <div class="preview">
      <template v-if="option">
        <OptionPreview :plan="plan!" :chosen="chosen" :pointed="pointed" />
      </template>
      <p v-else class="soft empty">Work out the kit, and every wall is drawn here as it would be built.</p>
    </div>
  </div>
</template>

<style scoped>
.kit {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(380px, 460px) 1fr;
}
.limits {
  padding: 14px 18px;
  display: flex;
  flex-direction: column;
  align-items: stretch;
  gap: 10px;
  border-right: 1px solid var(--hairline);
  overflow-y: auto;
}
.preview {
  padding: 14px 18px;
  overflow-y: auto;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.empty {
  margin: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: var(--small);
}
th {
  text-align: left;
  font-weight: 400;
  font-size: var(--small);
  color: var(--soft-ink);
}
td,
th {
  padding: 3px 6px;
  border-bottom: 1px solid var(--hairline);
}
tbody tr {
  cursor: pointer;
}
tr.chosen {
  background: rgba(47, 127, 121, 0.12);
}
.marks {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
}
.good {
  color: #1d5c57;
  font-weight: 600;
}
.options {
  max-height: 236px;
  overflow-y: auto;
  flex: none;
}
.unfillable ul {
  margin: 4px 0;
  padding-left: 18px;
}
</style>

<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed, ref, shallowRef, watch } from 'vue'
import { send, type StepTrialView } from '../api/client'
import { useAsked } from '../api/asked'
import LengthField from '../parts/LengthField.vue'
import { tell, useSite } from '../site/site'
import type { Pointed } from './laid'
import type { Rules } from './rules'
import { counted } from '../measure/format'

/** What other steps would come to: kinds to the right against edges that have to move to the left, and the list of what moves. */
const props = defineProps<{ rules: Rules }>()
const emit = defineEmits<{ point: [at: Pointed | undefined] }>()
const site = useSite()
const trials = shallowRef<StepTrialView[]>()
const chosen = ref<number>()
const { share, working, ask, cancel } = useAsked(tell)

async function look(...further: number[]) {
  const found = await ask((token) =>
    send<StepTrialView[]>('POST', `/api/sites/${site.site!.id}/step-trials?token=${token}`, {
      rules: props.rules,
      ...(further.length && { stepsMm: further }),
    }),
  )
  if (!found) return
  const others = further.length ? (trials.value ?? []).filter((t) => !further.includes(t.stepMm)) : []
  trials.value = [...others, ...found].sort((a, b) => a.stepMm - b.stepMm)
  chosen.value = further[0] ?? chosen.value ?? site.site!.stepMm
}

/** Trials belong to the rooms as they were. */
watch([() => site.massing, () => props.rules, () => site.site?.stepMm], () => {
  trials.value = undefined
  chosen.value = undefined
})

const one = computed(() => trials.value?.find((t) => t.stepMm === chosen.value))
watch(one, (t) => emit('point', t && { rooms: t.moved.flatMap((m) => m.roomId || []), openings: [] }))
const mostKinds = computed(() => Math.max(1, ...(trials.value ?? []).map((t) => t.kit?.kinds ?? 0)))
const mostEdges = computed(() => Math.max(1, ...(trials.value ?? []).map((t) => t.edges)))
const isNow = (t: StepTrialView) => t.stepMm === site.site!.stepMm
const told = (t: StepTrialView) =>
  `Step of ${site.show(t.stepMm)}: ` +
  (t.kit ? `${counted(t.kit.kinds, 'kind', 'kinds')}, ${counted(t.kit.placements, 'piece', 'pieces')}, ` : `${t.refusal} `) +
  `${counted(t.edges, 'edge moves', 'edges move')}`
const does = ({ does, faults }: NonNullable<StepTrialView['kit']>) =>
  [
    `${does.placed} placed`,
    `${does.removed} taken away`,
    does.lost && `${does.lost} of your changes left without a place`,
    faults > 0 && `${counted(faults, 'fault', 'faults')} more in the survey`,
  ]
    .filter(Boolean)
    .join(', ')
const take = (t: StepTrialView) =>
  void site.inTurn(() => site.make(`Step of ${site.show(t.stepMm)}`, 'PUT', '/step', { stepMm: t.stepMm, option: t.kit!.option })).catch(tell)
</script>

<template>
  <section aria-label="Steps">
    <h3>Which step?</h3>
    <div class="row">
      <Button size="small" :disabled="!!working" @click="look()">Compare steps</Button>
      <template v-if="working"
        ><span role="status" class="figures">{{ Math.round(share * 100) }} %</span
        ><Button size="small" title="Stops here, with what is known" @click="working.enough()">Enough</Button
        ><Button size="small" @click="cancel">Cancel</Button></template
      >
      <span v-else-if="trials" class="row"
        ><span class="soft">and a step of</span><LengthField class="further" label="" aria="A further step" :mm="undefined" @change="(mm) => void look(mm)"
      /></span>
    </div>
    <p v-if="!trials" class="soft">How small the kit is on other steps of the grid, and what would have to move for it.</p>
    <template v-else>
      <div class="heads soft" aria-hidden="true"><span>step</span><span class="to-left">edges that move</span><span>kinds</span><span>pieces</span></div>
      <button
        v-for="t in trials"
        :key="t.stepMm"
        type="button"
        class="trial figures"
        :class="{ chosen: t.stepMm === chosen }"
        :aria-pressed="t.stepMm === chosen"
        :aria-label="told(t)"
        @click="chosen = t.stepMm">
        <span>{{ site.show(t.stepMm) }}</span>
        <span class="bar to-left">{{ t.edges || '' }}<i class="edges" :style="{ width: `${(52 * t.edges) / mostEdges}%` }" /></span>
        <span v-if="t.kit" class="bar"
          ><i class="kinds" :class="{ open: !t.kit.proven }" :style="{ width: `${(66 * t.kit.kinds) / mostKinds}%` }" />{{ t.kit.kinds
          }}<span v-if="!t.kit.proven" title="not proven"> ◆</span></span
        >
        <span v-else class="fault" :title="t.refusal">■ no kit</span>
        <span class="pieces">{{ t.kit?.placements }}</span>
      </button>
      <div v-if="one" class="one" role="status">
        <p v-if="!one.kit" class="fault">■ {{ one.refusal }}</p>
        <template v-else-if="isNow(one) && !one.edges">
          <p>This is the site's step, and every edge is on it.</p>
        </template>
        <template v-else>
          <p>
            <b>{{ counted(one.edges, 'edge moves', 'edges move') }}</b>, the farthest by {{ site.show(one.mostMm) }}. Built from this kit: {{ does(one.kit) }}.
            What was placed by hand stays where it is.
          </p>
          <Button size="small" type="primary" @click="take(one)">Take a step of {{ site.show(one.stepMm) }}</Button>
        </template>
        <ul v-if="one.moved.length" tabindex="0" aria-label="What moves">
          <li v-for="m in one.moved" :key="m.text">{{ m.text }}</li>
        </ul>
      </div>
    </template>
  </section>
</template>

<style scoped>
h3 {
  margin: 4px 0 6px;
}
.further {
  width: 96px;
}
.heads,
.trial {
  display: grid;
  grid-template-columns: 82px 1fr 1fr 52px;
  gap: 8px;
  align-items: center;
  width: 100%;
  font-size: var(--small);
}
.heads {
  margin-top: 8px;
  padding: 0 6px;
}
.trial {
  height: 26px;
  padding: 0 6px;
  border: 0;
  border-bottom: 1px solid var(--hairline);
  background: none;
  color: var(--ink);
  text-align: left;
  cursor: pointer;
}
.trial:hover {
  background: var(--sheet);
}
.trial.chosen {
  background: rgba(47, 127, 121, 0.12);
}
.bar {
  display: flex;
  align-items: center;
  gap: 5px;
}
.to-left {
  justify-content: flex-end;
  text-align: right;
}
.pieces,
.heads span:last-child {
  text-align: right;
}
i {
  display: block;
  height: 12px;
}
.kinds {
  background: var(--verdigris);
}
.kinds.open {
  background: none;
  border: 1px solid var(--verdigris);
}
.edges {
  background: var(--ochre);
}
.one {
  margin-top: 8px;
  font-size: var(--small);
}
.one ul {
  margin: 8px 0 0;
  padding-left: 18px;
  max-height: 190px;
  overflow-y: auto;
}
</style>

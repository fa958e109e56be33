<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { shallowRef, watch } from 'vue'
import { send, type AdviceView } from '../api/client'
import { useAsked } from '../api/asked'
import { tell, useSite } from '../site/site'
import type { Pointed } from './laid'
import type { Rules } from './rules'
import { counted } from '../measure/format'

/** What would make the kit smaller: looked for when asked, taken with one click, taken back with one step. */
const props = defineProps<{ rules: Rules }>()
const site = useSite()
const advice = shallowRef<AdviceView[]>()
const { share, working, ask, cancel } = useAsked(tell)

async function look() {
  const found = await ask((token) => send<AdviceView[]>('POST', `/api/sites/${site.site!.id}/kit-advice?token=${token}`, props.rules))
  if (found) advice.value = found
}

/** Advice belongs to the rooms as they were. */
watch(
  () => [site.massing, props.rules],
  (now, before) => {
    if (JSON.stringify(now) !== JSON.stringify(before)) advice.value = undefined
  },
)

const take = (a: AdviceView) => void site.inTurn(() => site.make(a.text, 'PUT', '/kit-advice', { changes: a.changes })).catch(tell)
/** What is pointed at is drawn where it applies. */
const emit = defineEmits<{ point: [at: Pointed | undefined] }>()
const roomsOf = (c: AdviceView['changes'][number]) =>
  c.levelId ? site.massing.rooms.filter((r) => r.levelId === c.levelId).map((r) => r.id) : (c.roomId ?? [])
const point = (a?: AdviceView) => emit('point', a && { rooms: a.changes.flatMap(roomsOf), openings: a.changes.flatMap((c) => c.openingId ?? []) })
watch(advice, () => point())
const saves = (a: AdviceView) =>
  [
    a.kindsSaved && `${counted(a.kindsSaved, 'kind')} fewer`,
    a.placementsSaved > 0 && `${counted(a.placementsSaved, 'piece')} fewer`,
    a.placementsSaved < 0 && `${counted(-a.placementsSaved, 'piece')} more`,
  ]
    .filter(Boolean)
    .join(', ')
</script>

<template>
  <section aria-label="Advice">
    <h3>What would make it smaller</h3>
    <div class="row">
      <Button size="small" :disabled="!!working" @click="look">Look for advice</Button>
      <template v-if="working"
        ><span role="status" class="figures">{{ Math.round(share * 100) }} %</span
        ><Button size="small" title="Stops here, with what is known" @click="working.enough()">Enough</Button
        ><Button size="small" @click="cancel">Cancel</Button></template
      >
    </div>
    <p v-if="advice && !advice.length" class="soft">
      No room or level a step or two larger or higher, no opening moved or changed, and no pattern less would save a kind or a piece.
    </p>
    <ol v-if="advice?.length">
      <li v-for="a in advice" :key="a.text" @pointerenter="point(a)" @pointerleave="point()" @focusin="point(a)" @focusout="point()">
        <span
          >{{ a.text }}: <b>{{ saves(a) }}</b></span
        >
        <Button size="small" :aria-label="`Take: ${a.text}`" @click="take(a)">Take</Button>
      </li>
    </ol>
  </section>
</template>

<style scoped>
h3 {
  margin: 4px 0 6px;
}
ol {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
  padding: 4px 0;
  border-bottom: 1px solid var(--hairline);
  font-size: var(--small);
}
</style>

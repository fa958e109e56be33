<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import type { OpeningView, Refusal, RoomView } from '../api/client'
import Choice from '../parts/Choice.vue'
import LengthField from '../parts/LengthField.vue'
import NumberField from '../parts/NumberField.vue'
import { formatBare } from '../measure/format'
import { useSite } from '../site/site'
import { useAttempt } from '../site/attempt'
import { edgesOf } from '../site/edges'
import { useForeseen } from './foreseen'
import WallDrawing from './WallDrawing.vue'

const props = defineProps<{ room: RoomView }>()
const site = useSite()
const { make } = useForeseen()
const { refusal, attempt } = useAttempt()
const KINDS = { DOOR: 'Door', WINDOW: 'Window', PASSAGE: 'Passage' }
const HOLDS = [
  { value: 'LEFT', label: 'left end' },
  { value: 'MIDDLE', label: 'middle' },
  { value: 'RIGHT', label: 'right end' },
] as const
const edges = computed(() => edgesOf(props.room))
const walls = computed(() => edges.value.map((e) => ({ value: e.edge, label: e.label })))
const openings = computed(() => site.massing.openings.filter((o) => o.roomId === props.room.id))
/** The one whose values are shown. */
const opened = ref<number>()
const openingRefusal = ref<Refusal>()
const refused = ref<number>()
watch(
  () => props.room.id,
  () => (refusal.value = openingRefusal.value = opened.value = undefined),
)

const bare = (mm: number) => formatBare(mm, site.unit)
/** Why an opening is not built. */
const misfit = (o: OpeningView) => site.massing.remarks.find((r) => r.field === `opening.${o.id}`)?.message
const fromRight = (o: OpeningView) => {
  const edge = edges.value.find((e) => e.edge === o.edge)
  return edge && edge.lengthMm - o.atMm - o.widthMm
}
/** Of usual size, where there is room for it; everything is corrected by typing. */
const addOpening = (kind: OpeningView['kind']) =>
  attempt(async () => {
    const made = await site.make<OpeningView | undefined>('Add an opening', 'POST', `/rooms/${props.room.id}/openings/usual`, { kind })
    opened.value = made?.id
  })
function changeOpening(o: OpeningView, change: Partial<OpeningView> & { fromRightMm?: number; centred?: boolean }) {
  refused.value = o.id
  void attempt(() => make('Change an opening', 'PATCH', `/openings/${o.id}`, change), openingRefusal)
}
const spread = (edge: number) => attempt(() => make('Spread openings', 'POST', `/rooms/${props.room.id}/edges/${edge}/spread`))
function times(o: OpeningView, count: number) {
  refused.value = o.id
  void attempt(() => make('Repeat an opening', 'POST', `/openings/${o.id}/times`, { count }), openingRefusal)
}
const about = (o: OpeningView, field: string) => (refused.value === o.id ? openingRefusal.value?.about(field) : undefined)
const removeOpening = (o: OpeningView) => attempt(() => site.make('Remove an opening', 'DELETE', `/openings/${o.id}`))
</script>

<template>
  <section aria-label="Openings">
    <div class="row spread">
      <h3>Openings</h3>
      <span class="row"
        ><Button size="small" aria-label="Add door" @click="addOpening('DOOR')">Door</Button
        ><Button size="small" aria-label="Add window" @click="addOpening('WINDOW')">Window</Button
        ><Button size="small" aria-label="Add passage" @click="addOpening('PASSAGE')">Passage</Button></span
      >
    </div>
    <p v-if="refusal" class="fault" role="alert">{{ refusal.message }}</p>
    <p v-if="!openings.length" class="soft">No opening yet. Places are measured from the wall's left end, seen from inside.</p>
    <div v-for="o in openings" :key="o.id" class="opening" :class="{ open: o.id === opened }" :data-testid="`opening-${o.kind.toLowerCase()}`">
      <button type="button" class="plain head" :aria-expanded="o.id === opened" @click="opened = o.id === opened ? undefined : o.id">
        <span>{{ KINDS[o.kind] }} {{ walls.find((w) => w.value === o.edge)?.label }}</span>
        <span class="figures soft">{{ bare(o.widthMm) }} × {{ bare(o.heightMm) }} at {{ bare(o.atMm) }}</span>
      </button>
      <template v-if="o.id === opened">
        <div class="row spread">
          <Choice :value="o.edge" :options="walls" class="side" label="Wall" @change="(edge) => changeOpening(o, { edge: Number(edge) })" />
          <button type="button" class="plain soft" :aria-label="`Remove the ${o.kind.toLowerCase()}`" @click="removeOpening(o)">remove</button>
        </div>
        <WallDrawing
          :room="room"
          :edge="o.edge"
          :openings="openings.filter((q) => q.edge === o.edge)"
          :chosen="o.id"
          @choose="(id) => (opened = id)"
          @change="(of, to) => changeOpening(of, to)" />
        <div class="four">
          <LengthField label="from left" :mm="o.atMm" :error="about(o, 'atMm')" @change="(mm) => changeOpening(o, { atMm: mm })" />
          <LengthField label="width" :mm="o.widthMm" :error="about(o, 'widthMm')" @change="(mm) => changeOpening(o, { widthMm: mm })" />
          <LengthField label="height" :mm="o.heightMm" :error="about(o, 'heightMm')" @change="(mm) => changeOpening(o, { heightMm: mm })" />
          <LengthField v-if="o.kind === 'WINDOW'" label="sill" :mm="o.sillMm" :error="about(o, 'sillMm')" @change="(mm) => changeOpening(o, { sillMm: mm })" />
        </div>
        <div class="four">
          <LengthField label="from right" :mm="fromRight(o)" @change="(mm) => changeOpening(o, { fromRightMm: mm })" />
          <label class="field"
            ><span>holds to</span>
            <Choice :value="o.hold" :options="HOLDS" label="What it keeps its distance from" @change="(hold) => changeOpening(o, { hold })"
          /></label>
          <div class="end"><Button size="small" @click="changeOpening(o, { centred: true })">Centre</Button></div>
          <NumberField label="times" aria="How many alike in this wall" :value="o.times" :error="about(o, 'count')" @change="(count) => times(o, count)" />
          <div class="end">
            <Button v-if="openings.filter((q) => q.edge === o.edge).length > 1" size="small" @click="spread(o.edge)">Spread</Button>
          </div>
        </div>
      </template>
      <p v-if="misfit(o)" class="remark" role="status">▲ Not built. {{ misfit(o) }}</p>
      <p v-if="refused === o.id && openingRefusal && !['atMm', 'widthMm', 'heightMm', 'sillMm'].some((f) => about(o, f))" class="fault" role="alert">
        {{ openingRefusal.message }}
      </p>
    </div>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  width: 100%;
  text-align: left;
}
.head:hover {
  background: rgba(47, 127, 121, 0.1);
}
.opening.open {
  border: 1px solid var(--hairline);
  background: var(--sheet);
  padding: 4px 8px 6px;
}
.opening {
  display: grid;
  gap: 4px;
}
.side {
  width: 86px;
}
</style>

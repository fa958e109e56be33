<script setup lang="ts">
import PiecePicker from '../shapes/PiecePicker.vue'
import PiecePicture from '../shapes/PiecePicture.vue'
import { Button, Switch } from 'ant-design-vue'
import Choice from '../parts/Choice.vue'
import { computed } from 'vue'
import { usePlacing } from '../placing/placing'
import { useAttempt } from '../site/attempt'
import LengthField from '../parts/LengthField.vue'
import NumberField from '../parts/NumberField.vue'
import { extentOfPlacements } from '../site/extent'
import { tell, useSite } from '../site/site'
import { useChoosing, type By } from './choosing'
import DisorderFields from './DisorderFields.vue'
import DressFields from './DressFields.vue'
import PieceSize from './PieceSize.vue'
import PieceTraits from './PieceTraits.vue'
import { useSeeing } from './seeing'
import { useTable } from '../table/table'

/** Some placements: their typed values, where they come from, and what the survey found on them. */
const props = defineProps<{ ids: string[] }>()
const site = useSite()
const placing = usePlacing()
const table = useTable()

const one = computed(() => (site.selected.length === 1 ? site.selected[0] : undefined))
const piece = computed(() => (one.value ? site.pieceById.get(one.value.pieceId) : undefined))
const kinds = computed(() => {
  const counts = new Map<string, number>()
  for (const p of site.selected) {
    const code = site.pieceById.get(p.pieceId)?.code ?? '?'
    counts.set(code, (counts.get(code) ?? 0) + 1)
  }
  return [...counts].sort((a, b) => b[1] - a[1])
})
/** The piece that they all are. */
const only = computed(() => site.pieceById.get(shared((p) => p.pieceId) ?? 0))
const findings = computed(() => site.survey.findings.filter((f) => f.placementIds.some((id) => site.selection.has(id))).slice(0, 20))

/** The value they all share, if they do. */
function shared<T>(of: (p: (typeof site.selected)[number]) => T): T | undefined {
  const first = site.selected[0]
  if (!first) return undefined
  const value = of(first)
  return site.selected.every((p) => of(p) === value) ? value : undefined
}
const x = computed(() => shared((p) => p.atMm.x))
const y = computed(() => shared((p) => p.atMm.y))
const z = computed(() => shared((p) => p.atMm.z))
const quarters = computed(() => shared((p) => p.quarterTurns))
const free = computed(() => shared((p) => p.freeDegrees))
const mirrored = computed(() => shared((p) => p.mirrored))
const tilt = computed(() => shared((p) => p.tiltDegrees))
const roll = computed(() => shared((p) => p.rollDegrees))
const scale = computed(() => shared((p) => p.scale))
/** What does not stand upright at its own size shows so at once. */
const isLeaning = computed(() => tilt.value !== 0 || roll.value !== 0 || scale.value !== 1)
const size = computed(() => (scale.value === undefined ? undefined : Math.round(scale.value * 1000) / 10))
/** Typed values that lie out of range are told beside them. */
const { refusal, attempt } = useAttempt()
const lean = (values: Record<string, number>) => void attempt(() => site.setValues(props.ids, values))
const seeing = useSeeing()

const run = (work: () => unknown) =>
  void site
    .inTurn(async () => {
      await work()
    })
    .catch(tell)
const set = (values: Record<string, number | boolean>) => run(() => site.setValues(props.ids, values))
/** Several turn freely as one body, by so much; one is turned to so much. */
function turnFreely(degrees: number) {
  if (one.value) set({ freeDegrees: degrees })
  else if (degrees) run(() => site.arrange('Turn', { freeDegrees: degrees }))
}
/** Pieces that could stand in the place of what is selected, where that is of one role. */
const others = computed(() => {
  const role = shared((p) => site.pieceById.get(p.pieceId)?.role)
  return role ? site.pieces.filter((p) => p.role === role && p.id !== only.value?.id) : []
})
function standFigure() {
  const box = extentOfPlacements(site, site.selected)
  if (box) table.standFigureBeside(box)
}
const { choose } = useChoosing()
const ways: { value: By; label: string }[] = [
  { value: 'piece', label: 'all of this piece' },
  { value: 'role', label: 'all of its role' },
  { value: 'room', label: 'all in its room' },
  { value: 'level', label: 'all on this level' },
  { value: 'plan', label: 'all in view on the plan' },
  { value: 'repeat', label: 'all of its repeat or assembly' },
  { value: 'others', label: 'everything else' },
]
const ALIGNED = [
  ['X.LOW', 'left sides with the first'],
  ['X.MIDDLE', 'middles, left to right'],
  ['X.HIGH', 'right sides with the first'],
  ['Y.LOW', 'near sides with the first'],
  ['Y.MIDDLE', 'middles, near to far'],
  ['Y.HIGH', 'far sides with the first'],
  ['Z.LOW', 'bases with the first'],
  ['Z.HIGH', 'tops with the first'],
] as const
const BESIDE = [
  ['X.LOW', 'just left of the first'],
  ['X.HIGH', 'just right of the first'],
  ['Y.LOW', 'just before the first'],
  ['Y.HIGH', 'just behind the first'],
  ['Z.HIGH', 'just above the first'],
] as const
/** What can be lined up so: alone, two or more with the first, three or more evenly. */
const lines = computed(() => [
  { value: 'WALL', label: 'back to the wall' },
  { value: 'CEILING', label: 'under the ceiling' },
  { value: 'FACE', label: 'facing the Figure' },
  ...(props.ids.length > 1
    ? [...ALIGNED.map(([value, label]) => ({ value: `ALIGN.${value}`, label })), ...BESIDE.map(([value, label]) => ({ value: `BESIDE.${value}`, label }))]
    : []),
  ...(props.ids.length > 2
    ? [
        { value: 'SPREAD.X', label: 'evenly, left to right' },
        { value: 'SPREAD.Y', label: 'evenly, near to far' },
      ]
    : []),
])
function lineUp(how: string) {
  const [kind, axis, to] = how.split('.')
  if (kind === 'ALIGN' || kind === 'BESIDE') return site.line({ how: kind, axis, to, withId: props.ids[0] }, props.ids.slice(1))
  return site.line({ how: kind!, axis, pointMm: kind === 'FACE' ? table.figureMm : undefined })
}
const turns = [0, 1, 2, 3].map((value) => ({ value, label: `${value * 90}°` }))

const originOf = computed(() => {
  const p = one.value
  if (!p) return ''
  if (p.origin === 'hand') return p.free ? 'set down by hand, free' : 'set down by hand'
  if (p.origin === 'assembly') return p.lost ? 'changed by hand, its part is gone' : p.departed ? 'of an assembly, changed by hand' : 'of an assembly'
  if (p.origin === 'twin') return p.lost ? 'changed by hand, its original is gone' : p.departed ? 'a twin, changed by hand' : 'a twin'
  if (p.origin === 'repeat') return p.lost ? 'changed by hand, its copy is gone' : p.departed ? 'of a repeat, changed by hand' : 'of a repeat'
  return p.lost ? 'changed by hand, its place is gone' : p.departed ? 'from the massing, changed by hand' : 'from the massing'
})
</script>

<template>
  <section aria-label="Ticket" class="ticket">
    <template v-if="one && piece">
      <div class="about">
        <PiecePicture :piece="piece" :size="56" />
        <div>
          <h2>{{ piece.code }}</h2>
          <span class="soft">{{ originOf }}</span>
          <p class="figures soft">{{ site.show(piece.sizeMm.x) }} × {{ site.show(piece.sizeMm.y) }} × {{ site.show(piece.sizeMm.z) }}</p>
        </div>
      </div>
    </template>
    <template v-else>
      <h2>{{ site.selected.length }} placements</h2>
      <p class="figures soft">
        {{
          kinds
            .slice(0, 6)
            .map(([code, n]) => `${n} × ${code}`)
            .join(', ')
        }}{{ kinds.length > 6 ? ' …' : '' }}
      </p>
    </template>
    <div class="fields three">
      <LengthField label="X" :mm="x" :mixed="x === undefined" @change="(mm) => set({ xMm: mm })" />
      <LengthField label="Y" :mm="y" :mixed="y === undefined" @change="(mm) => set({ yMm: mm })" />
      <LengthField label="Z" :mm="z" :mixed="z === undefined" @change="(mm) => set({ zMm: mm })" />
    </div>
    <div class="fields three">
      <label class="field"
        ><span>Turn</span>
        <Choice :value="quarters" :options="turns" placeholder="various" label="Quarter turns" @change="(q) => set({ quarterTurns: Number(q) })" />
      </label>
      <NumberField
        :label="one ? 'Free turn, °' : 'Turn freely by, °'"
        aria="Free turn in degrees"
        fraction
        :value="one ? free : 0"
        @change="(degrees) => turnFreely(Math.max(-359, Math.min(359, degrees)))" />
      <label class="field"
        ><span>Mirrored</span>
        <Switch
          class="narrow"
          size="small"
          :checked="mirrored === true"
          aria-label="Mirrored"
          @change="(on) => (one ? set({ mirrored: !!on }) : run(() => site.arrange('Mirror', { mirror: true })))" />
      </label>
    </div>
    <div v-if="others.length" class="field">
      <span>Swap for</span>
      <PiecePicker :pieces="others" placeholder="another of its role" label="Swap for another piece" @choose="(id) => run(() => site.swap(id))" />
    </div>
    <DressFields :ids="ids" />
    <div class="deeds">
      <Button size="small" title="Plumb (J)" @click="run(site.plumb)">Plumb</Button>
      <Button size="small" title="Pick up (Y)" @click="placing.pickUp()">Pick up</Button>
      <Button size="small" title="Copy and set down (Ctrl C, Ctrl V)" @click="placing.pickUp(true)">Copy</Button>
      <Button size="small" title="Stand the figure beside it" @click="standFigure">Figure beside</Button>
      <Button size="small" danger title="Take away (Delete)" @click="run(site.takeAway)">Take away</Button>
    </div>
    <div class="fields">
      <label class="field"
        ><span>Select instead</span>
        <Choice :options="ways" placeholder="all like it …" label="Select instead" @change="(by) => void site.selecting(() => choose(by as By)).catch(tell)" />
      </label>
      <label class="field"
        ><span>Line up</span>
        <Choice :options="lines" placeholder="against …" label="Line up" @change="(l) => run(() => lineUp(String(l)))" />
      </label>
    </div>
    <div class="deeds" role="group" aria-label="Seen">
      <Button size="small" title="Everything else is hidden" @click="seeing.showAlone(ids)">Show alone</Button>
      <Button size="small" title="Drawn faintly, and not selectable" @click="seeing.ghost(ids)">Ghost</Button>
      <Button size="small" @click="seeing.hide(ids)">Hide</Button>
    </div>
    <details class="fold" :open="isLeaning">
      <summary>Lean and size</summary>
      <div class="fields three">
        <NumberField label="Tilt, °" fraction :value="tilt" :error="refusal?.about('tiltDegrees')" @change="(v) => lean({ tiltDegrees: v })" />
        <NumberField label="Roll, °" fraction :value="roll" :error="refusal?.about('rollDegrees')" @change="(v) => lean({ rollDegrees: v })" />
        <NumberField label="Size, %" fraction :value="size" :error="refusal?.about('scale')" @change="(v) => lean({ scale: v / 100 })" />
      </div>
    </details>
    <PieceSize v-if="only?.role === 'WALL' && shared((p) => p.origin) === 'massing'" :piece="only" />
    <PieceTraits v-if="only" :key="only.id" :piece="only" />
    <DisorderFields :ids="ids" />
    <Button v-if="one?.departed" size="small" @click="run(() => site.letGo(props.ids))">Let go of the change by hand</Button>
    <ul v-if="findings.length" class="findings">
      <li v-for="f in findings" :key="f.key" :class="f.fault ? 'fault' : 'caution'">{{ f.fault ? '■' : '▲' }} {{ f.title }}</li>
    </ul>
  </section>
</template>

<style scoped>
.about {
  display: flex;
  gap: 12px;
  align-items: center;
}
.about p {
  margin: 0;
}
.narrow {
  align-self: start;
}
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.findings {
  list-style: none;
  margin: 0;
  padding: 0;
  font-size: var(--small);
}
.caution {
  color: var(--dark-ochre);
}
</style>

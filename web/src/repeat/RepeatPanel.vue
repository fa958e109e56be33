<script setup lang="ts">
import { Button, Input, Switch } from 'ant-design-vue'
import { computed, nextTick, onMounted, ref } from 'vue'
import type { FollowingView, RuleWords } from '../api/client'
import { edgesOf } from '../site/edges'
import { useAttempt } from '../site/attempt'
import Choice from '../parts/Choice.vue'
import LengthField from '../parts/LengthField.vue'
import NumberField from '../parts/NumberField.vue'
import { useSite } from '../site/site'
import { useLaying } from './laying'
import { LABELS, placedBy } from './rules'
import ScatterFields from './ScatterFields.vue'

/** The repeat that is worked on: its rule, typed. */
const site = useSite()
const laying = useLaying()
const { refusal, attempt } = useAttempt()
const of = computed(() => laying.chosen!)
const rule = computed(() => of.value.rule)
const what = computed(() => rule.value.what!)
const holder = ref<HTMLElement>()

const change = (told: Parameters<typeof laying.change>[0]) => void attempt(() => laying.change(told))
const set = (told: RuleWords) => change({ rule: told })
/** Reckoned from the rule as it is once its turn has come: values typed one after the other add up. */
const place = (label: string, mm: number) =>
  void attempt(async () => {
    const told =
      laying.chosen &&
      placedBy(laying.chosen.rule)
        .find((p) => p.label === label)
        ?.told(mm)
    if (told) await laying.change({ rule: told })
  })
const about = (field: string) => refusal.value?.about(field)

const PACES = [
  { value: 'COUNT', label: 'so many' },
  { value: 'PITCH', label: 'so far apart' },
  { value: 'SIDE_BY_SIDE', label: 'side by side' },
]
const RESTS = [
  { value: 'AFTER', label: 'left at the end' },
  { value: 'BOTH_ENDS', label: 'shared by both ends' },
  { value: 'REFUSED', label: 'not borne' },
]
const FACINGS = [
  { value: 'IN', label: 'in' },
  { value: 'OUT', label: 'out' },
  { value: 'ALONG', label: 'along' },
  { value: 'ALIKE', label: 'all alike' },
]
const paced = computed(() => ['COURSE', 'RING', 'TRAIL'].includes(what.value))
/** Another piece that may stand at every so many. */
const others = computed(() => site.pieces.map((p) => ({ value: p.id, label: p.code })))

const followings = computed(() => {
  const found: { value: string; label: string; following?: FollowingView }[] = [{ value: '', label: 'nothing' }]
  for (const room of site.massing.rooms) {
    found.push({ value: `${room.id}`, label: room.name, following: { roomId: room.id, hold: 'ROOM' } })
    if (what.value === 'COURSE')
      for (const e of edgesOf(room))
        found.push({ value: `${room.id}.${e.edge}`, label: `${room.name}, ${e.label} wall`, following: { roomId: room.id, hold: 'WALL', edge: e.edge } })
    if (what.value === 'TRAIL')
      found.push({ value: `${room.id}.outline`, label: `the outline of ${room.name}`, following: { roomId: room.id, hold: 'OUTLINE' } })
    if (what.value === 'FIELD' || what.value === 'SCATTER')
      found.push({ value: `${room.id}.ground`, label: `all of ${room.name}`, following: { roomId: room.id, hold: 'GROUND' } })
  }
  if (what.value === 'TRAIL')
    for (const s of site.massing.stairs)
      found.push({
        value: `${s.id}.stair`,
        label: `stairs, ${site.show(s.footMm.z)} to ${site.show(s.footMm.z + s.riseMm)}`,
        following: { roomId: s.id, hold: 'STAIR' },
      })
  return found
})
const ENDS = { OUTLINE: 'outline', GROUND: 'ground', STAIR: 'stair' } as const
const follows = computed(() => {
  const f = of.value.following
  if (!f) return ''
  return f.hold === 'ROOM' ? `${f.roomId}` : `${f.roomId}.${f.hold === 'WALL' ? f.edge : ENDS[f.hold]}`
})
function follow(value: string) {
  const f = followings.value.find((x) => x.value === value)?.following
  change(f ? { following: f, ...(f.hold === 'WALL' ? { rule: { along: true, halfEnds: true } } : {}) } : { followsNothing: true })
}

/** Where it lies; what takes the whole of a wall or a room lies where that does. */
const places = computed(() => (of.value.following && of.value.following.hold !== 'ROOM' ? [] : placedBy(rule.value)))

/** What was just laid has its first number typed at once. */
onMounted(() => {
  if (!laying.fresh) return
  laying.fresh = false
  void nextTick(() => {
    const first = holder.value?.querySelector<HTMLInputElement>('.numbers input')
    first?.focus()
    first?.select()
  })
})
const rename = (e: Event) => {
  const name = (e.target as HTMLInputElement).value.trim()
  if (name && name !== of.value.name) change({ name })
}
</script>

<template>
  <section ref="holder" aria-label="Repeat" @keydown.escape="laying.choose(undefined)">
    <div class="row spread">
      <h2>{{ LABELS[what] }}</h2>
      <span class="figures soft" data-testid="repeat-count">{{ of.count }} {{ of.count === 1 ? 'piece' : 'pieces' }}</span>
    </div>
    <label class="field"
      ><span>Name</span>
      <Input :value="of.name" size="small" aria-label="Repeat's name" :maxlength="200" @change="rename" @press-enter="rename" />
    </label>
    <div v-if="paced" class="fields three numbers">
      <NumberField v-if="rule.pace === 'COUNT'" label="Count" :value="rule.count!" :error="about('count')" @change="(count) => set({ count })" />
      <LengthField v-if="rule.pace === 'PITCH'" label="Pitch" :mm="rule.pitchMm" :error="about('pitchMm')" @change="(pitchMm) => set({ pitchMm })" />
      <label class="field"
        ><span>Paced</span>
        <Choice
          :value="rule.pace"
          :options="PACES"
          label="Paced"
          @change="(p) => set({ pace: p as RuleWords['pace'], ...(p === 'PITCH' && !rule.pitchMm ? { pitchMm: 1000 } : {}) })" />
      </label>
      <label v-if="rule.pace !== 'COUNT' && what !== 'RING'" class="field"
        ><span>The rest is</span>
        <Choice :value="rule.rest" :options="RESTS" label="The rest is" @change="(r) => set({ rest: r as RuleWords['rest'] })" />
        <span v-if="about('rest')" class="fault" role="alert">{{ about('rest') }}</span>
      </label>
      <LengthField v-if="what === 'RING'" label="Radius" :mm="rule.radiusMm" :error="about('radiusMm')" @change="(radiusMm) => set({ radiusMm })" />
    </div>
    <template v-if="what === 'COURSE'">
      <div class="fields">
        <LengthField label="Inset at both ends" :mm="rule.insetMm" :error="about('insetMm')" @change="(insetMm) => set({ insetMm })" />
      </div>
      <label v-if="rule.pace === 'COUNT'" class="row"
        ><Switch size="small" :checked="rule.halfEnds" aria-label="Half a pitch at both ends" @change="(on) => set({ halfEnds: !!on })" /> Half a pitch at both
        ends</label
      >
      <label class="row"
        ><Switch size="small" :checked="rule.along" aria-label="Turned along the line" @change="(on) => set({ along: !!on })" /> Turned along the line</label
      >
    </template>
    <div v-if="what === 'RING'" class="fields three">
      <NumberField label="Begins at, °" :value="Math.round(rule.startDegrees ?? 0)" @change="(d) => set({ startDegrees: d })" />
      <NumberField
        label="Goes round, °"
        :value="Math.round(rule.sweepDegrees ?? 360)"
        :error="about('sweepDegrees')"
        @change="(d) => set({ sweepDegrees: d })" />
      <label class="field"
        ><span>Facing</span>
        <Choice :value="rule.facing" :options="FACINGS" label="Facing" @change="(f) => set({ facing: f as RuleWords['facing'] })" />
      </label>
    </div>
    <template v-if="what === 'FIELD'">
      <div v-if="of.grid && of.following?.hold !== 'GROUND'" class="fields">
        <NumberField label="Columns" :value="of.grid.across" :error="about('across')" @change="(across) => change({ across })" />
        <NumberField label="Rows" :value="of.grid.deep" :error="about('deep')" @change="(deep) => change({ deep })" />
      </div>
      <div class="fields three numbers">
        <NumberField label="Aisle, columns" aria="Aisle after columns" :value="rule.columns ?? 0" @change="(columns) => set({ columns })" />
        <LengthField label="Its width" :mm="rule.aisleXMm" @change="(aisleXMm) => set({ aisleXMm })" />
        <LengthField label="Pitch, columns" aria="Pitch of columns" :mm="rule.pitchXMm" :error="about('pitchXMm')" @change="(pitchXMm) => set({ pitchXMm })" />
      </div>
      <div class="fields three">
        <NumberField label="Aisle, rows" aria="Aisle after rows" :value="rule.rows ?? 0" @change="(rows) => set({ rows })" />
        <LengthField label="Its depth" :mm="rule.aisleYMm" @change="(aisleYMm) => set({ aisleYMm })" />
        <LengthField label="Pitch, rows" aria="Pitch of rows" :mm="rule.pitchYMm" :error="about('pitchYMm')" @change="(pitchYMm) => set({ pitchYMm })" />
      </div>
      <p class="soft">A pitch of 0 sets them side by side.</p>
      <div class="fields three">
        <NumberField label="Stacked up to" :value="rule.countHigh ?? 1" :error="about('countHigh')" @change="(countHigh) => set({ countHigh })" />
        <NumberField label="Gaps, %" :value="rule.gaps ?? 0" :error="about('gaps')" @change="(gaps) => set({ gaps })" />
        <NumberField label="Seed" :value="rule.seed ?? 1" @change="(seed) => set({ seed })" />
      </div>
      <label class="row"
        ><Switch size="small" :checked="rule.staggered" aria-label="Rows staggered" @change="(on) => set({ staggered: !!on })" /> Rows staggered</label
      >
    </template>
    <template v-if="what === 'TRAIL'">
      <div class="fields three">
        <LengthField label="Bends rounded by" :mm="rule.bendMm" @change="(bendMm) => set({ bendMm })" />
        <LengthField label="Aside of the path" :mm="rule.asideMm" @change="(asideMm) => set({ asideMm })" />
        <LengthField v-if="rule.byStretch" label="Free at bends" :mm="rule.freeMm" :error="about('freeMm')" @change="(freeMm) => set({ freeMm })" />
      </div>
      <label class="row"
        ><Switch size="small" :checked="rule.both" aria-label="On both sides" @change="(on) => set({ both: !!on })" /> On both sides, mirrored</label
      >
      <label class="row"
        ><Switch size="small" :checked="rule.byStretch" aria-label="Each stretch by itself" @change="(on) => set({ byStretch: !!on })" /> Each stretch by
        itself</label
      >
      <label class="row"
        ><Switch size="small" :checked="rule.sloped" aria-label="Tipped with the slope" @change="(on) => set({ sloped: !!on })" /> Tipped with the slope</label
      >
      <LengthField
        v-if="of.following?.hold === 'STAIR'"
        label="Above the treads"
        :mm="of.following.offMm"
        @change="(offMm) => laying.change({ following: { ...of.following!, offMm } })" />
      <label v-if="of.pieceIds[1]" class="row"
        ><Switch size="small" :checked="rule.otherAtBends" aria-label="The other piece at bends" @change="(on) => set({ otherAtBends: !!on })" /> The other
        piece at bends</label
      >
      <label v-if="of.pieceIds[1]" class="row"
        ><Switch size="small" :checked="rule.otherAtEnds" aria-label="The other piece at ends" @change="(on) => set({ otherAtEnds: !!on })" /> The other piece
        at ends</label
      >
      <label v-if="of.following?.hold !== 'OUTLINE' && of.following?.hold !== 'STAIR'" class="row"
        ><Switch size="small" :checked="rule.closed" aria-label="Back to its beginning" @change="(on) => set({ closed: !!on })" /> Back to its beginning</label
      >
    </template>
    <template v-if="what === 'STACK' || what === 'SCATTER'">
      <div class="fields three numbers">
        <NumberField v-if="!rule.perM2" label="Count" :value="rule.count!" :error="about('count')" @change="(count) => set({ count })" />
        <NumberField label="Turned by up to, °" :value="rule.turnDegrees ?? 0" :error="about('turnDegrees')" @change="(turnDegrees) => set({ turnDegrees })" />
        <NumberField label="Seed" :value="rule.seed ?? 1" @change="(seed) => set({ seed })" />
      </div>
      <div class="fields">
        <LengthField v-if="what === 'STACK'" label="Shifted by up to" :mm="rule.shiftMm" @change="(shiftMm) => set({ shiftMm })" />
        <LengthField v-if="what === 'SCATTER'" label="At least apart" :mm="rule.leastMm" :error="about('leastMm')" @change="(leastMm) => set({ leastMm })" />
        <LengthField
          v-if="what === 'SCATTER'"
          label="Thins to the edge over"
          :mm="rule.fadeMm"
          :error="about('fadeMm')"
          @change="(fadeMm) => set({ fadeMm })" />
      </div>
    </template>
    <ScatterFields v-if="what === 'SCATTER'" :rule="rule" :about="about" @change="set" />
    <div v-if="paced" class="fields three">
      <NumberField label="Mirror every" :value="rule.mirrorEvery ?? 0" @change="(mirrorEvery) => set({ mirrorEvery })" />
      <NumberField label="Turn every" :value="rule.turnEvery ?? 0" @change="(turnEvery) => set({ turnEvery })" />
      <NumberField label="Another every" :value="rule.otherEvery ?? 0" @change="(otherEvery) => set({ otherEvery })" />
    </div>
    <label v-if="!of.grouped && (rule.otherEvery || what === 'STACK' || what === 'SCATTER' || what === 'TRAIL')" class="field"
      ><span>The other piece</span>
      <Choice
        :value="of.pieceIds[1]"
        :options="others"
        placeholder="none yet"
        label="The other piece"
        @change="(id) => change({ pieceIds: [of.pieceIds[0]!, Number(id)] })" />
    </label>
    <div v-if="places.length" class="fields three">
      <LengthField v-for="p in places" :key="p.label" :label="p.label" :mm="p.mm" :error="about('areaMm')" @change="(mm) => place(p.label, mm)" />
    </div>
    <label class="field"
      ><span>Follows</span>
      <Choice :value="follows" :options="followings" label="Follows" @change="(v) => follow(String(v))" />
    </label>
    <p v-if="refusal && !refusal.faults.length" class="fault" role="alert">{{ refusal.message }}</p>
    <div class="row">
      <Button size="small" @click="laying.choose(undefined)">Done</Button>
      <Button size="small" title="Makes single placements of its copies" @click="attempt(() => laying.dissolve())">Dissolve</Button>
      <Button size="small" danger @click="attempt(() => laying.takeAway())">Take away</Button>
    </div>
  </section>
</template>

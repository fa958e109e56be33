<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import type { LampWords, OneLamp, PieceView } from '../api/client'
import Choice from '../parts/Choice.vue'
import LengthField from '../parts/LengthField.vue'
import NumberField from '../parts/NumberField.vue'
import { useAttempt } from '../site/attempt'
import { useSite } from '../site/site'
import { LAMPS } from './words'

/** The lamps of a piece, wherever it stands: what each is like, and how many of the pieces are lit. */
const props = defineProps<{ piece: PieceView }>()
const site = useSite()
const { refusal, attempt } = useAttempt()

const lamps = computed(() => whole(props.piece.trait.lamps))
type Kind = keyof typeof LAMPS
const kinds = Object.entries(LAMPS).map(([value, label]) => ({ value: value as Kind, label }))
const hasWay = (lamp: OneLamp) => lamp.kind !== 'POINT'
const hasTilt = (lamp: OneLamp) => lamp.kind === 'SPOT' || lamp.kind === 'PANEL'
const isLong = (lamp: OneLamp) => lamp.kind === 'LINE' || lamp.kind === 'PANEL'

/** What changes is told of the lamps as they stand when the edit's turn comes. */
type Told = Required<LampWords>
const whole = (w: LampWords): Told => ({ all: w.all ?? [], lit: w.lit ?? 100, seed: w.seed ?? 0 })
function edit(how: (standing: Told) => Told) {
  const { id } = props.piece
  void attempt(() => {
    const standing = whole(site.pieces.find((p) => p.id === id)!.trait.lamps)
    return site.make('Lamps of a piece', 'PATCH', `/pieces/${id}/traits`, { lamps: how(standing) })
  })
}
const change = (at: number, told: Partial<OneLamp>) => edit((w) => ({ ...w, all: w.all.map((l, i) => (i === at ? { ...l, ...told } : l)) }))
const remove = (at: number) => edit((w) => ({ ...w, all: w.all.filter((_, i) => i !== at) }))
const about = (at: number, field: string) => refusal.value?.about(`lamps[${at}].${field}`)
/** A new one hangs in the middle of the piece, under its top. */
function add(kind: Kind) {
  const { min, max } = props.piece.boxMm
  const place = { xMm: (max.x - min.x) / 2, yMm: (max.y - min.y) / 2, zMm: max.z - min.z }
  edit((w) => ({ ...w, all: [...w.all, { kind, ...place }] }))
}
const SEEDS = 1_000_000
const shuffle = () => edit((w) => ({ ...w, seed: Math.floor(Math.random() * SEEDS) }))
const rest = computed(() => {
  const known = lamps.value.all.flatMap((_, i) => ['turn', 'tilt', 'lengthMm', 'widthMm', 'lumens', 'kelvin', 'cone', 'reachM'].map((f) => about(i, f)))
  return refusal.value && !known.some((f) => f) ? refusal.value.message : undefined
})
</script>

<template>
  <section aria-label="Lamps">
    <div class="row spread">
      <h2>Lamps</h2>
      <Choice label="Add a lamp" placeholder="add a lamp …" :options="kinds" @change="add" />
    </div>
    <p v-if="!lamps.all.length" class="soft">It gives no light. A lamp shines wherever the piece stands, in every mood that has lamps.</p>
    <div v-for="(lamp, i) in lamps.all" :key="i" class="lamp" role="group" :aria-label="`Lamp ${i + 1}`">
      <div class="kind">
        <Choice :label="`Kind of lamp ${i + 1}`" :value="lamp.kind" :options="kinds" @change="(kind) => change(i, { kind })" />
        <button type="button" class="plain" :aria-label="`Take lamp ${i + 1} out`" title="Take it out" @click="remove(i)">✕</button>
      </div>
      <div class="fields">
        <NumberField fraction label="Light, lm" :value="lamp.lumens" :error="about(i, 'lumens')" @change="(lumens) => change(i, { lumens })" />
        <NumberField fraction label="Colour, K" :value="lamp.kelvin" :error="about(i, 'kelvin')" @change="(kelvin) => change(i, { kelvin })" />
        <NumberField fraction label="Reach, m" :value="lamp.reachM" :error="about(i, 'reachM')" @change="(reachM) => change(i, { reachM })" />
      </div>
      <div class="fields">
        <LengthField label="X" :mm="lamp.xMm" @change="(xMm) => change(i, { xMm })" />
        <LengthField label="Y" :mm="lamp.yMm" @change="(yMm) => change(i, { yMm })" />
        <LengthField label="Z" :mm="lamp.zMm" @change="(zMm) => change(i, { zMm })" />
      </div>
      <div v-if="hasWay(lamp)" class="fields">
        <NumberField fraction label="Turn, °" :value="lamp.turn" :error="about(i, 'turn')" @change="(turn) => change(i, { turn })" />
        <NumberField v-if="hasTilt(lamp)" fraction label="Tilt, °" :value="lamp.tilt" :error="about(i, 'tilt')" @change="(tilt) => change(i, { tilt })" />
        <NumberField
          v-if="lamp.kind === 'SPOT'"
          fraction
          label="Cone, °"
          :value="lamp.cone"
          :error="about(i, 'cone')"
          @change="(cone) => change(i, { cone })" />
        <LengthField v-if="isLong(lamp)" label="Length" :mm="lamp.lengthMm" :error="about(i, 'lengthMm')" @change="(lengthMm) => change(i, { lengthMm })" />
        <LengthField v-if="lamp.kind === 'PANEL'" label="Width" :mm="lamp.widthMm" :error="about(i, 'widthMm')" @change="(widthMm) => change(i, { widthMm })" />
      </div>
    </div>
    <div v-if="lamps.all.length" class="fields lit">
      <NumberField
        label="Lit, % of all"
        aria="Percent that are lit"
        :value="lamps.lit"
        :error="refusal?.about('lit')"
        @change="(lit) => edit((w) => ({ ...w, lit }))" />
      <Button v-if="lamps.lit > 0 && lamps.lit < 100" size="small" title="Others are lit" @click="shuffle">Others</Button>
    </div>
    <p v-if="rest" class="fault" role="alert">{{ rest }}</p>
  </section>
</template>

<style scoped>
.lamp {
  display: grid;
  gap: 4px;
  padding: 6px 0 8px;
  border-bottom: 1px solid var(--hairline);
}
.lamp .fields {
  grid-template-columns: repeat(auto-fit, minmax(80px, 1fr));
}
.lit {
  grid-template-columns: 120px auto 1fr;
  align-items: end;
  padding-top: 6px;
}
.kind {
  display: grid;
  grid-template-columns: 1fr 26px;
  align-items: center;
}
</style>

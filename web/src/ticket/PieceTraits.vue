<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import type { LookView, PieceView } from '../api/client'
import { useAttempt } from '../site/attempt'
import Choice from '../parts/Choice.vue'
import NumberField from '../parts/NumberField.vue'
import PiecePicker from '../shapes/PiecePicker.vue'
import { useSite } from '../site/site'

/** What holds for a piece wherever it stands: how it is held, and the looks given out among its placements. */
const props = defineProps<{ piece: PieceView }>()
const site = useSite()
const { refusal, attempt } = useAttempt()
const about = (field: string) => refusal.value?.about(field)

const HELD = [
  { value: 'STANDS', label: 'stands' },
  { value: 'HANGS', label: 'hangs' },
  { value: 'FIXED', label: 'is fixed to a wall' },
] as const
/** The massing sets down all others. */
const canBeHeld = computed(() => props.piece.role === 'PROP' || props.piece.role === 'PILLAR')
const looks = computed(() => props.piece.trait.looks)

const change = (told: object) => attempt(() => site.make('Change a piece', 'PATCH', `/pieces/${props.piece.id}/traits`, told))
const setLooks = (all: LookView[]) => void change({ looks: all })
const setLook = (i: number, told: Partial<LookView>) => setLooks(looks.value.map((l, n) => (n === i ? { ...l, ...told } : l)))
/** Another look; the first is joined by the piece as it is. */
function add() {
  const own = { pieceId: props.piece.id, tint: '', wear: 0, weight: 1 }
  const next = { ...own, tint: TINTS[looks.value.length % TINTS.length]! }
  setLooks(looks.value.length ? [...looks.value, next] : [own, next])
}
/** Pieces that fit in its place, and itself. */
const same = (a: PieceView, b: PieceView) => JSON.stringify(a.boxMm) === JSON.stringify(b.boxMm)
const fitting = computed(() => site.pieces.filter((p) => same(p, props.piece)))
const eventValue = (e: Event) => (e.target as HTMLInputElement).value
</script>

<script lang="ts">
/** Faded paints to begin from. */
const TINTS = ['#d8c7a6', '#b9c4b0', '#a9bcc4', '#c9a995', '#b3a6b8', '#cfc08a']
</script>

<template>
  <details class="fold" :open="looks.length > 0">
    <summary>{{ piece.code }}, wherever it stands</summary>
    <label v-if="canBeHeld" class="field"
      ><span>Held</span>
      <Choice :value="piece.trait.held" :options="HELD" label="How it is held" @change="(held) => change({ held })" />
    </label>
    <ul class="plain" v-if="looks.length" aria-label="Looks">
      <li v-for="(look, i) in looks" :key="i" class="look">
        <PiecePicker :value="look.pieceId" :pieces="fitting" placeholder="" :label="`Piece of look ${i + 1}`" @choose="(pieceId) => setLook(i, { pieceId })" />
        <input
          type="color"
          :value="look.tint || '#ffffff'"
          :aria-label="`Tint of look ${i + 1}`"
          @change="(e) => setLook(i, { tint: eventValue(e) === '#ffffff' ? '' : eventValue(e) })" />
        <NumberField label="" :aria="`Wear of look ${i + 1} in percent`" title="Wear, %" :value="look.wear ?? 0" @change="(wear) => setLook(i, { wear })" />
        <NumberField label="" :aria="`Weight of look ${i + 1}`" :value="look.weight" @change="(weight) => setLook(i, { weight })" />
        <button type="button" class="plain" :aria-label="`Take look ${i + 1} out`" @click="setLooks(looks.filter((_, n) => n !== i))">✕</button>
      </li>
    </ul>
    <p v-if="about('wear') ?? about('weight') ?? about('pieceId') ?? about('looks') ?? about('held')" class="fault" role="alert">
      {{ about('wear') ?? about('weight') ?? about('pieceId') ?? about('looks') ?? about('held') }}
    </p>
    <div class="row">
      <Button size="small" title="Another tint, or another piece of the same size, given out among them" @click="add">{{
        looks.length ? 'Another look' : 'Let them differ'
      }}</Button>
      <Button v-if="looks.length" size="small" title="Given out anew, with the next seed" @click="change({ seed: piece.trait.seed + 1 })">Another seed</Button>
    </div>
  </details>
</template>

<style scoped>
.look {
  display: grid;
  grid-template-columns: 1fr 34px 48px 48px 24px;
  gap: 6px;
  align-items: center;
  padding: 2px 0;
}
input[type='color'] {
  width: 34px;
  height: 26px;
  padding: 1px;
  border: 1px solid #b9b1a0;
  background: var(--sheet);
}
</style>

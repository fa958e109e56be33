<script setup lang="ts">
import { Switch } from 'ant-design-vue'
import { computed } from 'vue'
import type { CoatView, CoatWords } from '../api/client'
import Choice from '../parts/Choice.vue'
import LengthField from '../parts/LengthField.vue'
import NumberField from '../parts/NumberField.vue'
import ColourField from './ColourField.vue'
import PictureRows from './PictureRows.vue'
import { useColourways } from './colourways'
import { BONDS, GRAINS, NUMBERS, SECOND } from './words'

/** Everything about one finish, typed. */
const props = defineProps<{ colourwayId: number; coat: CoatView }>()
const colourways = useColourways()
const words = computed(() => props.coat.words)
const spot = { id: props.colourwayId, swatch: props.coat.swatch }
const set = (told: CoatWords) => void colourways.change(spot.id, { [spot.swatch]: told })
const about = (field: string) => colourways.refusal?.about(`coats.${spot.swatch}.${field}`)
const tenths = (mm: number) => `${Math.round(mm * 10) / 10} mm`
const fitted = computed(() => {
  const { words: w, fittedXMm: x, fittedYMm: y } = props.coat
  if (props.coat.units && !w.unitXMm && !w.unitYMm) return 'Length and height of 0: the whole sheet, whatever its size.'
  return props.coat.units && (Math.round(x * 10) !== Math.round(w.unitXMm! * 10) || Math.round(y * 10) !== Math.round(w.unitYMm! * 10))
    ? `Laid as ${tenths(x)} × ${tenths(y)}, so that a whole number of them fits the sheet.`
    : ''
})
</script>

<template>
  <div class="fields">
    <label class="field"><span>Made as</span><Choice label="Made as" :value="words.grain" :options="GRAINS" @change="(grain) => set({ grain })" /></label>
    <NumberField label="Seed" :value="words.seed" :error="about('seed')" @change="(seed) => set({ seed })" />
    <ColourField label="Colour" :value="words.colour!" :error="about('colour')" @change="(colour) => set({ colour })" />
    <PictureRows
      v-if="words.grain === 'PICTURES'"
      :pictures="words.pictures ?? {}"
      :error="about('pictures')"
      @change="(layer, id) => set({ pictures: { [layer]: id } })" />
    <ColourField v-else :label="SECOND[words.grain!]" :value="words.second!" :error="about('second')" @change="(second) => set({ second })" />
    <template v-if="coat.units">
      <LengthField label="Length" unit="MILLIMETRE" :mm="words.unitXMm" :error="about('unitXMm')" @change="(unitXMm) => set({ unitXMm })" />
      <LengthField label="Height" unit="MILLIMETRE" :mm="words.unitYMm" :error="about('unitYMm')" @change="(unitYMm) => set({ unitYMm })" />
    </template>
    <template v-if="coat.joints">
      <LengthField label="Joint" unit="MILLIMETRE" :mm="words.jointMm" :error="about('jointMm')" @change="(jointMm) => set({ jointMm })" />
      <label class="field"
        ><span>Rows shifted</span><Choice label="Rows shifted" :value="words.bond" :options="BONDS" @change="(bond) => set({ bond })"
      /></label>
    </template>
    <p v-if="fitted" class="soft wide">{{ fitted }}</p>
    <LengthField
      v-if="words.grain !== 'PICTURES'"
      label="Relief"
      unit="MILLIMETRE"
      :mm="words.reliefMm"
      :error="about('reliefMm')"
      @change="(reliefMm) => set({ reliefMm })" />
    <NumberField v-for="n in NUMBERS" :key="n.key" :label="n.label" :value="words[n.key]" :error="about(n.key)" @change="(v) => set({ [n.key]: v })" />
    <h4 class="wide">Light of its own and through it</h4>
    <ColourField label="Glow" :value="words.glowColour!" :error="about('glowColour')" @change="(glowColour) => set({ glowColour })" />
    <NumberField label="Glow, cd/m²" :value="words.glow" :error="about('glow')" @change="(glow) => set({ glow })" />
    <NumberField label="Of all, lit, %" :value="words.glowLit" :error="about('glowLit')" @change="(glowLit) => set({ glowLit })" />
    <NumberField label="Light passes, %" :value="words.transparency" :error="about('transparency')" @change="(transparency) => set({ transparency })" />
    <LengthField label="Thickness" unit="MILLIMETRE" :mm="words.thicknessMm" :error="about('thicknessMm')" @change="(thicknessMm) => set({ thicknessMm })" />
    <label class="field row"
      ><span>Both sides seen</span><Switch size="small" :checked="words.twoSided" aria-label="Both sides seen" @change="(on) => set({ twoSided: !!on })"
    /></label>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 12px;
}
h4 {
  margin-top: 8px;
  font-weight: 600;
}
.field.row {
  align-content: start;
  justify-items: start;
}
.wide {
  grid-column: 1 / -1;
  margin: 0;
}
</style>

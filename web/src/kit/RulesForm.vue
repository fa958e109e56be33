<script setup lang="ts">
import { Checkbox, InputNumber } from 'ant-design-vue'
import { computed } from 'vue'
import LengthField from '../parts/LengthField.vue'
import LengthList from '../parts/LengthList.vue'
import { unusual, withLeast, withLength, withoutLength, type Rules } from './rules'

/** What the kit may be made of. */
const props = defineProps<{ rules: Rules; faults: Readonly<Record<string, string>> }>()
const emit = defineEmits<{ change: [rules: Rules] }>()
const set = (some: Partial<Rules>) => emit('change', { ...props.rules, ...some })
const others = computed(() => unusual(props.rules))

const LENGTHS = [
  { list: 'onlyLengthsMm', label: 'Only these lengths' },
  { list: 'neverLengthsMm', label: 'Never these lengths' },
] as const
const HEIGHTS = [
  { list: 'onlyHeightsMm', label: 'Only these heights' },
  { list: 'jointsAboveFloorMm', label: 'Walls may be cut above the floor at' },
] as const
type Listed = (typeof LENGTHS | typeof HEIGHTS)[number]
const listed = ({ list, label }: Listed) => ({
  label,
  mm: props.rules[list],
  error: props.faults[list],
  onAdd: (mm: number) => emit('change', withLength(props.rules, list, mm)),
  onRemove: (mm: number) => emit('change', withoutLength(props.rules, list, mm)),
})
const CHECKS = [
  { name: 'jointsAtFloors', label: 'Walls may be cut at floors and ceilings' },
  { name: 'jointsAtOpenings', label: 'Walls may be cut under sills and over heads' },
  { name: 'alike', label: 'Both sides of a wall alike' },
  { name: 'keepStanding', label: 'Kinds that stand now cost nothing' },
] as const
const number = (v: unknown) => (typeof v === 'number' && Number.isInteger(v) ? v : undefined)
</script>

<template>
  <div class="fields three">
    <LengthField label="Least piece" :mm="rules.minPieceMm" :error="faults.minPieceMm" @change="(mm) => $emit('change', withLeast(rules, mm))" />
    <LengthField label="Greatest piece" :mm="rules.maxPieceMm" :error="faults.maxPieceMm" @change="(maxPieceMm) => set({ maxPieceMm })" />
    <label class="field"
      ><span>Lengths a height</span>
      <InputNumber
        :value="rules.maxKinds"
        size="small"
        class="figures"
        :min="1"
        :max="8"
        aria-label="Lengths a height, at most"
        @change="(v) => number(v) && set({ maxKinds: number(v)! })" />
    </label>
  </div>
  <details>
    <summary>
      More rules<span v-if="others" class="figures"> · {{ others }} set</span>
    </summary>
    <div class="rules">
      <LengthList v-for="l in LENGTHS" :key="l.list" v-bind="listed(l)" />
      <div class="fields three">
        <LengthField label="Least tier" :mm="rules.minTierMm" :error="faults.minTierMm" @change="(minTierMm) => set({ minTierMm })" />
        <LengthField label="Greatest tier" :mm="rules.maxTierMm" :error="faults.maxTierMm" @change="(maxTierMm) => set({ maxTierMm })" />
      </div>
      <LengthList v-for="l in HEIGHTS" :key="l.list" v-bind="listed(l)" />
      <div class="checks">
        <Checkbox v-for="c in CHECKS" :key="c.name" :checked="rules[c.name]" @change="(e) => set({ [c.name]: e.target.checked })">{{ c.label }}</Checkbox>
      </div>
      <div class="fields three">
        <LengthField
          label="Beside an opening"
          :mm="rules.besideOpeningMm"
          :error="faults.besideOpeningMm"
          @change="(besideOpeningMm) => set({ besideOpeningMm })" />
        <LengthField label="Jamb" :mm="rules.jambMm" :error="faults.jambMm" @change="(jambMm) => set({ jambMm })" />
        <label class="field" title="How many pieces a further kind must save to be recommended; 0 for a tenth of them"
          ><span>A kind is worth</span>
          <InputNumber
            :value="rules.kindWorth"
            size="small"
            class="figures"
            :min="0"
            :max="1000000"
            aria-label="A kind is worth so many pieces; 0 for a tenth of them"
            @change="(v) => number(v) !== undefined && set({ kindWorth: number(v)! })" />
        </label>
      </div>
    </div>
  </details>
</template>

<style scoped>
.rules {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 6px 0 2px;
}
.checks {
  display: flex;
  flex-direction: column;
  gap: 2px;
}
summary {
  cursor: pointer;
  font-size: var(--small);
}
</style>

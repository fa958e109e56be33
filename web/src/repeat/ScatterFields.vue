<script setup lang="ts">
import { Button, Switch } from 'ant-design-vue'
import { onBeforeUnmount } from 'vue'
import type { RuleWords } from '../api/client'
import LengthField from '../parts/LengthField.vue'
import NumberField from '../parts/NumberField.vue'
import { useLaying } from './laying'
import { counted } from '../measure/format'

/** What only a scatter has: how dense, how loose, what it lands on, and the brush. */
defineProps<{ rule: RuleWords; about: (field: string) => string | undefined }>()
const emit = defineEmits<{ change: [told: RuleWords] }>()
const laying = useLaying()
const set = (told: RuleWords) => emit('change', told)
const LANDS = [
  { value: 'LEVEL', label: 'its level' },
  { value: 'ANYTHING', label: 'anything' },
  { value: 'TOPS', label: 'tops only' },
] as const
const TOOLS = [
  { value: 'brush', label: 'Brush', title: 'Drag on the plan or in space: denser there' },
  { value: 'rub', label: 'Rub out', title: 'Drag on the plan or in space: thinner there' },
  { value: 'free', label: 'Keep free', title: 'Drag an area that stays free' },
  { value: 'path', label: 'Path', title: 'Drag a path that it gets thinner toward' },
] as const
onBeforeUnmount(() => (laying.tool = ''))
</script>

<template>
  <div class="field" role="group" aria-label="Lands on">
    <span>Lands on</span>
    <div class="row choices">
      <Button v-for="l in LANDS" :key="l.value" size="small" :aria-pressed="(rule.lands ?? 'LEVEL') === l.value" @click="set({ lands: l.value })">{{
        l.label
      }}</Button>
    </div>
  </div>
  <div class="fields three">
    <NumberField label="For each m²" fraction :value="rule.perM2 ?? 0" :error="about('perM2')" @change="(perM2) => set({ perM2 })" />
    <NumberField label="Tilted by up to, °" :value="rule.tiltDegrees ?? 0" :error="about('tiltDegrees')" @change="(tiltDegrees) => set({ tiltDegrees })" />
    <LengthField
      v-if="rule.lands && rule.lands !== 'LEVEL'"
      label="On tops up to"
      :mm="rule.reachMm"
      :error="about('reachMm')"
      @change="(reachMm) => set({ reachMm })" />
  </div>
  <div class="fields three">
    <NumberField label="Smallest, %" :value="rule.smallest ?? 100" :error="about('smallest')" @change="(smallest) => set({ smallest })" />
    <NumberField label="Largest, %" :value="rule.largest ?? 100" :error="about('largest')" @change="(largest) => set({ largest })" />
  </div>
  <label class="row"
    ><Switch size="small" :checked="rule.clear" aria-label="Clear of what stands" @change="(on) => set({ clear: !!on })" /> Clear of what stands and of one
    another</label
  >
  <div class="field" role="group" aria-label="By hand">
    <span>By hand</span>
    <div class="row choices">
      <Button
        v-for="t in TOOLS"
        :key="t.value"
        size="small"
        :title="t.title"
        :aria-pressed="laying.tool === t.value"
        @click="laying.tool = laying.tool === t.value ? '' : t.value"
        >{{ t.label }}</Button
      >
    </div>
  </div>
  <div v-if="laying.tool === 'brush' || laying.tool === 'rub'" class="fields three">
    <LengthField label="Brush’s radius" :mm="laying.brush.radiusMm" @change="(mm) => mm > 0 && (laying.brush.radiusMm = mm)" />
    <NumberField label="Its strength, %" :value="laying.brush.strength" @change="(v) => (laying.brush.strength = Math.max(1, Math.min(100, v)))" />
  </div>
  <p v-if="laying.stroke.length && laying.preview" class="soft" role="status">{{ counted(laying.preview.count, 'piece') }} so far.</p>
  <LengthField
    v-if="rule.pathMm?.length"
    label="Thinner toward paths over"
    :mm="rule.fadePathMm"
    :error="about('fadePathMm')"
    @change="(fadePathMm) => set({ fadePathMm })" />
  <p v-if="rule.brushedMm?.length || rule.keepOutMm?.length || rule.pathMm?.length" class="row">
    <Button v-if="rule.pathMm?.length" size="small" @click="set({ pathMm: [] })">No paths</Button>
    <Button v-if="rule.brushedMm?.length" size="small" @click="set({ brushedMm: [] })">Even again</Button>
    <Button v-if="rule.keepOutMm?.length" size="small" @click="set({ keepOutMm: [] })">Nothing kept free</Button>
  </p>
</template>

<style scoped>
.choices {
  flex-wrap: wrap;
  gap: 6px;
}
.choices button[aria-pressed='true'] {
  background: var(--verdigris);
  color: var(--sheet);
}
</style>

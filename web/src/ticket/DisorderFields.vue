<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { reactive, watch } from 'vue'
import { useAttempt } from '../site/attempt'
import LengthField from '../parts/LengthField.vue'
import NumberField from '../parts/NumberField.vue'
import { useSite } from '../site/site'

/** Brings what is selected into disorder, and into order again. The values stay from one time to the next. */
const props = defineProps<{ ids: string[] }>()
const site = useSite()
const { refusal, attempt } = useAttempt()
const told = reactive({ ...USUAL, ...kept })
watch(told, () => Object.assign(kept, told))
const about = (field: string) => refusal.value?.about(field)

const disturb = () => attempt(() => site.make('Disorder', 'POST', '/placements/disorder', { ids: props.ids, ...told }))
const order = () => attempt(() => site.make('Put in order', 'POST', '/placements/order', { ids: props.ids }))
/** Another seed is another disorder from the same order. */
function reseed() {
  told.seed++
  void disturb()
}
</script>

<script lang="ts">
const USUAL = { shiftMm: 100, turnDegrees: 15, tiltDegrees: 0, toppled: 0, leftOut: 0, seed: 1 }
const kept: Partial<typeof USUAL> = {}
</script>

<template>
  <details class="fold">
    <summary>Disorder</summary>
    <div class="fields three">
      <LengthField label="Shifted by up to" :mm="told.shiftMm" :error="about('shiftMm')" :on-change="(mm) => (told.shiftMm = mm)" />
      <NumberField label="Turned, °" :value="told.turnDegrees" :error="about('turnDegrees')" @change="(v) => (told.turnDegrees = v)" />
      <NumberField label="Tilted, °" :value="told.tiltDegrees" :error="about('tiltDegrees')" @change="(v) => (told.tiltDegrees = v)" />
    </div>
    <div class="fields three">
      <NumberField label="Toppled, %" :value="told.toppled" :error="about('toppled')" @change="(v) => (told.toppled = v)" />
      <NumberField label="Left out, %" :value="told.leftOut" :error="about('leftOut')" @change="(v) => (told.leftOut = v)" />
      <NumberField label="Seed" :value="told.seed" @change="(v) => (told.seed = v)" />
    </div>
    <p v-if="refusal && !refusal.faults.length" class="fault" role="alert">{{ refusal.message }}</p>
    <p v-else-if="about('ids')" class="fault" role="alert">{{ about('ids') }}</p>
    <div class="row">
      <Button size="small" @click="disturb">Disturb</Button>
      <Button size="small" title="With the next seed, from the same order" @click="reseed">Another seed</Button>
      <Button size="small" title="Everything goes back to where it stood first" @click="order">Put in order</Button>
    </div>
  </details>
</template>

<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import type { StairView } from '../api/client'
import Choice from '../parts/Choice.vue'
import LengthField from '../parts/LengthField.vue'
import NumberField from '../parts/NumberField.vue'
import { useSite } from '../site/site'
import { useTable } from '../table/table'
import { useAttempt } from '../site/attempt'
import { useForeseen } from './foreseen'

const props = defineProps<{ stair: StairView }>()
const site = useSite()
const table = useTable()
const { make } = useForeseen()
const { refusal, attempt } = useAttempt()
const SHAPES = [
  { value: 'STRAIGHT', label: 'straight' },
  { value: 'QUARTER_TURN', label: 'quarter turn' },
  { value: 'HALF_TURN', label: 'half turn' },
  { value: 'RAMP', label: 'ramp' },
] as const
const HANDS = [
  { value: 'left', label: 'to the left' },
  { value: 'right', label: 'to the right' },
] as const
const WAYS = [
  { value: 0, label: 'east' },
  { value: 1, label: 'north' },
  { value: 2, label: 'west' },
  { value: 3, label: 'south' },
] as const
const turns = computed(() => props.stair.shape === 'QUARTER_TURN' || props.stair.shape === 'HALF_TURN')
/** Twice the rise and the going: how far one steps. */
const pace = computed(() => 2 * props.stair.riserMm + props.stair.goingMm)
const FIELDS = ['widthMm', 'riseMm', 'risers', 'goingMm']

const change = (what: Partial<StairView>) => attempt(() => make('Change the stairs', 'PATCH', `/stairs/${props.stair.id}`, what))
const remove = () =>
  attempt(async () => {
    await make('Remove the stairs', 'DELETE', `/stairs/${props.stair.id}`)
    table.choose({})
  })
</script>

<template>
  <section class="bare" aria-label="Stairs">
    <div class="row spread">
      <h3>Stairs</h3>
      <span class="row"
        ><Button size="small" @click="table.choose({})">Back to the room</Button><Button size="small" danger @click="remove">Remove stairs</Button></span
      >
    </div>
    <div class="fields three">
      <label class="field"
        ><span>Shape</span><Choice :value="stair.shape" :options="SHAPES" label="Shape of the stairs" @change="(shape) => change({ shape })"
      /></label>
      <label class="field"
        ><span>Sets out</span><Choice :value="stair.quarterTurns" :options="WAYS" label="Way up" @change="(quarterTurns) => change({ quarterTurns })"
      /></label>
      <label v-if="turns" class="field"
        ><span>Turns</span
        ><Choice :value="stair.right ? 'right' : 'left'" :options="HANDS" label="Hand" @change="(hand) => change({ right: hand === 'right' })"
      /></label>
      <LengthField label="Clear width" :mm="stair.widthMm" :error="refusal?.about('widthMm')" @change="(mm) => change({ widthMm: mm })" />
      <LengthField label="Rise" :mm="stair.riseMm" :error="refusal?.about('riseMm')" @change="(mm) => change({ riseMm: mm })" />
      <NumberField
        v-if="stair.shape !== 'RAMP'"
        label="Risers"
        :value="stair.risers"
        :error="refusal?.about('risers')"
        @change="(risers) => change({ risers })" />
      <LengthField
        :label="stair.shape === 'RAMP' ? 'Length' : 'Going'"
        :mm="stair.goingMm"
        :error="refusal?.about('goingMm')"
        @change="(mm) => change({ goingMm: mm })" />
      <LengthField label="Foot X" :mm="stair.footMm.x" @change="(mm) => change({ footMm: { ...stair.footMm, x: mm } })" />
      <LengthField label="Foot Y" :mm="stair.footMm.y" @change="(mm) => change({ footMm: { ...stair.footMm, y: mm } })" />
      <LengthField label="Foot Z" :mm="stair.footMm.z" @change="(mm) => change({ footMm: { ...stair.footMm, z: mm } })" />
    </div>
    <p v-if="stair.shape !== 'RAMP'" class="soft">
      Each step rises <b class="figures">{{ site.show(Math.round(stair.riserMm)) }}</b>; twice that and the going are
      <b class="figures">{{ Math.round(pace) }} mm</b>, and should come near to 630.
    </p>
    <p v-else class="soft">One in {{ (stair.goingMm / stair.riseMm).toFixed(1) }}; one in 12 or flatter can be wheeled up.</p>
    <p v-if="refusal && !FIELDS.some((f) => refusal!.about(f))" class="fault" role="alert">{{ refusal.message }}</p>
  </section>
</template>

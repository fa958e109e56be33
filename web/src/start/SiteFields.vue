<script setup lang="ts">
import { Input, Switch } from 'ant-design-vue'
import Choice from '../parts/Choice.vue'
import type { SiteBody, Refusal, Unit } from '../api/client'
import { UNIT_NAMES } from '../measure/format'
import LengthField from '../parts/LengthField.vue'
import { vTypedFirst } from '../parts/focus'

/** What a site is set up with; used for a new one and for changing one. */
const body = defineModel<SiteBody>({ required: true })
defineProps<{ refusal?: Refusal }>()
const emit = defineEmits<{ submit: [] }>()

const units = (Object.keys(UNIT_NAMES) as Unit[]).map((value) => ({ value, label: UNIT_NAMES[value] }))
const CORNERS = [
  { value: 'POST', label: 'a post' },
  { value: 'LEG', label: 'a corner piece with legs' },
  { value: 'LAP', label: 'one wall laps the other' },
]
const set = (change: Partial<SiteBody>) => (body.value = { ...body.value, ...change })
</script>

<template>
  <form class="panel bare" @submit.prevent="emit('submit')">
    <label v-typed-first class="field"
      ><span>Name</span>
      <Input
        :value="body.name"
        :maxlength="200"
        aria-label="Site name"
        :status="refusal?.about('name') ? 'error' : ''"
        @update:value="(name: string) => set({ name })" />
    </label>
    <label class="field"
      ><span>Unit</span>
      <Choice :value="body.unit" :options="units" label="Unit" @change="(u) => set({ unit: u as Unit })" />
    </label>
    <div class="fields">
      <LengthField label="Step" :mm="body.stepMm" :unit="body.unit" :error="refusal?.about('stepMm')" @change="(mm) => set({ stepMm: mm })" />
      <LengthField
        label="Wall and slab thickness"
        :mm="body.wallMm"
        :unit="body.unit"
        :error="refusal?.about('wallMm')"
        @change="(mm) => set({ wallMm: mm })" />
      <LengthField label="Storey height" :mm="body.storeyMm" :unit="body.unit" :error="refusal?.about('storeyMm')" @change="(mm) => set({ storeyMm: mm })" />
      <LengthField
        label="Drop without a guard"
        :mm="body.guardDropMm ?? 750"
        :unit="body.unit"
        :error="refusal?.about('guardDropMm')"
        @change="(mm) => set({ guardDropMm: mm })" />
      <label class="field"
        ><span>Pixels per metre</span>
        <Input
          size="small"
          class="figures"
          type="number"
          :value="body.pixelsPerMetre"
          :status="refusal?.about('pixelsPerMetre') ? 'error' : ''"
          @change="(e) => set({ pixelsPerMetre: Math.round(Number((e.target as HTMLInputElement).value)) })" />
      </label>
    </div>
    <label class="row"
      ><Switch size="small" :checked="body.tilesByCentre" aria-label="Tiles pivot at their centre" @change="(on) => set({ tilesByCentre: !!on })" /> Tiles pivot
      at their centre <span class="soft">(else at a corner)</span></label
    >
    <label class="row"
      ><Switch size="small" :checked="body.tilesTurned" aria-label="Tiles turned by quarters" @change="(on) => set({ tilesTurned: !!on })" /> Tiles turned by
      quarters <span class="soft">(so that neighbours differ)</span></label
    >
    <label class="row"
      ><Switch size="small" :checked="body.tilesMirrored" aria-label="Tiles alike from the middle" @change="(on) => set({ tilesMirrored: !!on })" /> Tiles alike
      from the middle <span class="soft">(cut alike at both ends)</span></label
    >
    <label class="row"
      ><Switch size="small" :checked="body.skins" aria-label="Walls between rooms as two skins" @change="(on) => set({ skins: !!on })" /> Walls between rooms as
      two skins <span class="soft">(else one piece through)</span></label
    >
    <div class="fields">
      <label class="field"
        ><span>Where two walls meet</span>
        <Choice :value="body.corners ?? 'POST'" :options="CORNERS" label="Where two walls meet" @change="(c) => set({ corners: c as SiteBody['corners'] })" />
      </label>
      <LengthField
        v-if="body.corners === 'LEG'"
        label="Leg of a corner piece"
        :mm="body.cornerLegMm ?? 100"
        :unit="body.unit"
        :error="refusal?.about('cornerLegMm')"
        @change="(mm) => set({ cornerLegMm: mm })" />
    </div>
    <p
      v-if="refusal && !refusal.faults.some((f) => ['stepMm', 'wallMm', 'storeyMm', 'guardDropMm', 'cornerLegMm'].includes(f.field))"
      class="fault"
      role="alert">
      {{ refusal.message }}
    </p>
    <button type="submit" class="unseen" tabindex="-1" aria-hidden="true">Done</button>
  </form>
</template>

<style scoped>
.bare {
  padding: 4px 0;
}
</style>

<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import type { MassView, VecMm } from '../api/client'
import LengthField from '../parts/LengthField.vue'
import TextEntry from '../parts/TextEntry.vue'
import { useTable } from '../table/table'
import { useAttempt } from '../site/attempt'
import { useForeseen } from './foreseen'

const props = defineProps<{ solid: MassView }>()
const table = useTable()
const { make } = useForeseen()
const { refusal, attempt } = useAttempt()
const box = computed(() => props.solid.boxMm)
const FIELDS = ['widthMm', 'depthMm', 'heightMm']

const change = (what: { name?: string; cornerMm?: VecMm; widthMm?: number; depthMm?: number; heightMm?: number }) =>
  attempt(() => make('Change the solid', 'PATCH', `/solids/${props.solid.id}`, what))
const corner = (by: Partial<VecMm>) => change({ cornerMm: { ...box.value.min, ...by } })
const remove = () =>
  attempt(async () => {
    await make('Remove the solid', 'DELETE', `/solids/${props.solid.id}`)
    table.choose({})
  })
</script>

<template>
  <section class="bare" aria-label="Solid">
    <div class="row spread">
      <h3>Solid</h3>
      <span class="row"
        ><Button size="small" @click="table.choose({})">Back to the room</Button><Button size="small" danger @click="remove">Remove solid</Button></span
      >
    </div>
    <label class="field"><span>Name</span><TextEntry :value="solid.name" label="Solid's name" :maxlength="200" @commit="(name) => change({ name })" /></label>
    <div class="fields three">
      <LengthField label="Width" :mm="box.max.x - box.min.x" :error="refusal?.about('widthMm')" @change="(mm) => change({ widthMm: mm })" />
      <LengthField label="Depth" :mm="box.max.y - box.min.y" :error="refusal?.about('depthMm')" @change="(mm) => change({ depthMm: mm })" />
      <LengthField label="Height" :mm="box.max.z - box.min.z" :error="refusal?.about('heightMm')" @change="(mm) => change({ heightMm: mm })" />
      <LengthField label="Corner X" :mm="box.min.x" @change="(mm) => corner({ x: mm })" />
      <LengthField label="Corner Y" :mm="box.min.y" @change="(mm) => corner({ y: mm })" />
      <LengthField label="Base" :mm="box.min.z" @change="(mm) => corner({ z: mm })" />
    </div>
    <p v-if="refusal && !FIELDS.some((f) => refusal!.about(f))" class="fault" role="alert">{{ refusal.message }}</p>
  </section>
</template>

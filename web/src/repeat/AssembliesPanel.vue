<script setup lang="ts">
import BoxesPicture from '../shapes/BoxesPicture.vue'
import { Button, Input } from 'ant-design-vue'
import { ref } from 'vue'
import { usePlacing } from '../placing/placing'
import { useAttempt } from '../site/attempt'
import { vTypedFirst } from '../parts/focus'
import { useSite } from '../site/site'
import { useAssembling } from './assembling'

/** Assemblies: saved from what is selected and opened, or listed and taken into the hand. */
defineProps<{ lists: boolean }>()
const site = useSite()
const placing = usePlacing()
const assembling = useAssembling()
const { refusal, attempt } = useAttempt()
const renamed = ref<number>()

function rename(id: number, e: Event) {
  const name = (e.target as HTMLInputElement).value.trim()
  const was = assembling.nameOf(id)
  renamed.value = undefined
  if (name && name !== was) void attempt(() => assembling.rename(id, name))
}
const isHeld = (id: number) => placing.held?.kind === 'assembly' && placing.held.assemblyId === id
</script>

<template>
  <section v-if="!lists && (assembling.open || assembling.canSave || assembling.use)" aria-label="Assembly">
    <div class="row spread">
      <h3>Assembly</h3>
      <Button v-if="assembling.canSave && !assembling.open" size="small" @click="attempt(() => assembling.save())">Save as an assembly</Button>
    </div>
    <div v-if="assembling.open" class="open" role="status">
      <p>“{{ assembling.nameOf(assembling.open.assemblyId) }}” is open. Change it; what is selected then is saved, and every use follows.</p>
      <div class="row">
        <Button size="small" type="primary" :disabled="!assembling.canSave" @click="attempt(() => assembling.saveOver())">Save for every use</Button>
        <Button size="small" @click="assembling.leave()">Leave it by itself</Button>
      </div>
    </div>
    <div v-else-if="assembling.use" class="open">
      <p>One of “{{ assembling.nameOf(assembling.use.assemblyId) }}”</p>
      <div class="row">
        <Button
          size="small"
          title="Another use of it, into the hand"
          :aria-label="`Take ${assembling.nameOf(assembling.use.assemblyId)}`"
          @click="placing.takeAssembly(assembling.use!.assemblyId)"
          >Take</Button
        >
        <Button size="small" @click="assembling.selectUse(assembling.use!.id)">Select all of it</Button>
        <Button size="small" @click="attempt(() => assembling.openUse(assembling.use!.id))">Open</Button>
        <Button size="small" title="It no longer follows the others" @click="attempt(() => assembling.makeOwn(assembling.use!.id))">Make its own</Button>
        <Button size="small" @click="attempt(() => assembling.dissolve(assembling.use!.id))">Dissolve this use</Button>
      </div>
    </div>
    <p v-if="refusal" class="fault" role="alert">{{ refusal.message }}</p>
  </section>
  <section v-else-if="lists" aria-label="Assemblies">
    <p v-if="!site.assemblies.assemblies.length" class="soft">No assemblies yet. Select what belongs together, and save it as one.</p>
    <p v-if="refusal" class="fault" role="alert">{{ refusal.message }}</p>
    <ul class="plain">
      <li v-for="a in site.assemblies.assemblies" :key="a.id" class="row spread">
        <BoxesPicture :boxes="a.piecesMm" :size="28" />
        <Input
          v-if="renamed === a.id"
          v-typed-first
          size="small"
          :default-value="a.name"
          :aria-label="`Name of ${a.name}`"
          @blur="(e: FocusEvent) => rename(a.id, e)"
          @press-enter="(e: KeyboardEvent) => rename(a.id, e)" />
        <button v-else type="button" class="plain name" title="Rename" @click="renamed = a.id">{{ a.name }}</button>
        <span class="figures soft">{{ a.pieces }} × {{ a.uses }}</span>
        <span class="row">
          <Button
            size="small"
            :aria-pressed="isHeld(a.id)"
            :aria-label="`Take ${a.name}`"
            @click="isHeld(a.id) ? placing.putBack() : placing.takeAssembly(a.id)"
            >{{ isHeld(a.id) ? 'Put back' : 'Take' }}</Button
          >
          <Button size="small" danger :aria-label="`Remove ${a.name}`" @click="attempt(() => assembling.remove(a.id))">Remove</Button>
        </span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.open {
  border: 1px solid var(--hairline);
  background: var(--sheet);
  padding: 5px 9px;
}
.open p {
  margin: 0 0 5px;
}
li {
  padding: 2px 0;
}
.name {
  text-align: left;
  flex: 1;
}
</style>

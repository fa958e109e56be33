<script setup lang="ts">
import { Button } from 'ant-design-vue'
import type { LevelView } from '../api/client'
import LengthField from '../parts/LengthField.vue'
import TextEntry from '../parts/TextEntry.vue'
import { useSite } from '../site/site'
import { useTable } from '../table/table'
import { useAttempt } from '../site/attempt'
import { useForeseen } from './foreseen'

const site = useSite()
const table = useTable()
const { make } = useForeseen()
const { refusal: levelRefusal, attempt } = useAttempt()
const goTo = (made?: LevelView) => made && (table.chosenLevel = made.id)
const addLevel = () => attempt(async () => goTo(await make<LevelView>('Add a level', 'POST', '/levels', {})))
const copyLevel = () => attempt(async () => goTo(await make<LevelView>('Copy the level', 'POST', `/levels/${table.level?.id ?? 0}/copies`)))
const changeLevel = (change: Partial<LevelView>) => attempt(() => make('Change the level', 'PATCH', `/levels/${table.level!.id}`, change))
const moveLevel = (up: boolean) => attempt(() => make('Move the level', 'POST', `/levels/${table.level!.id}/move`, { up }))
const removeLevel = () => attempt(() => make('Remove the level', 'DELETE', `/levels/${table.level!.id}`))
</script>

<template>
  <section aria-label="Levels">
    <div class="row spread">
      <h3>Levels</h3>
      <span class="row"
        ><Button size="small" @click="addLevel">Add level</Button
        ><Button size="small" title="A copy stands by itself: it does not follow the level it was made from" :disabled="!table.rooms.length" @click="copyLevel"
          >Copy level up</Button
        ></span
      >
    </div>
    <div class="tabs">
      <button
        v-for="l in [...site.massing.levels].reverse()"
        :key="l.id"
        type="button"
        class="plain tab"
        :aria-pressed="l.id === table.level?.id"
        @click="table.chosenLevel = l.id">
        {{ l.name }} <span class="figures soft">{{ site.show(l.floorMm) }}</span>
      </button>
    </div>
    <div v-if="table.level" class="fields three">
      <label class="field"
        ><span>Level</span>
        <TextEntry :value="table.level.name" label="Level name" :maxlength="200" @commit="(name) => changeLevel({ name })" />
      </label>
      <template v-if="table.level.id">
        <LengthField label="Floor" :mm="table.level.floorMm" :error="levelRefusal?.about('floorMm')" @change="(mm) => changeLevel({ floorMm: mm })" />
        <LengthField
          label="To next floor"
          :mm="table.level.storeyMm"
          :error="levelRefusal?.about('storeyMm')"
          @change="(mm) => changeLevel({ storeyMm: mm })" />
      </template>
    </div>
    <div v-if="table.level?.id" class="row">
      <Button size="small" @click="moveLevel(true)">Move up</Button>
      <Button size="small" @click="moveLevel(false)">Move down</Button>
      <Button size="small" danger @click="removeLevel">Remove level</Button>
    </div>
    <p v-if="levelRefusal && !['floorMm', 'storeyMm'].some((f) => levelRefusal!.about(f))" class="fault" role="alert">{{ levelRefusal.message }}</p>
  </section>
</template>

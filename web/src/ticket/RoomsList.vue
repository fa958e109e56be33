<script setup lang="ts">
import { computed } from 'vue'
import { get, type RoomView } from '../api/client'
import { tell, useSite } from '../site/site'
import { useTable } from '../table/table'
import { vOneStop } from '../parts/oneStop'

/** The rooms, level by level: one is gone to, and all that stands in it selected. */
const site = useSite()
const table = useTable()

const levels = computed(() => [...site.massing.levels].reverse().map((level) => ({ level, rooms: site.massing.rooms.filter((r) => r.levelId === level.id) })))

const selectAll = (room: RoomView) =>
  void site.selecting(async () => site.select(await get<string[]>(`/api/sites/${site.site!.id}/rooms/${room.id}/placements`))).catch(tell)
</script>

<template>
  <section v-one-stop class="bare" aria-label="Rooms">
    <p v-if="!site.massing.rooms.length" class="soft">There is no room yet. Draw one under Massing.</p>
    <template v-for="{ level, rooms } in levels" :key="level.id">
      <h3 v-if="levels.length > 1">{{ level.name }}</h3>
      <ul class="plain">
        <li v-for="r in rooms" :key="r.id" class="row spread">
          <button type="button" class="plain name" title="Go there" @click="table.goToRoom(r)">{{ r.name }}</button>
          <span class="figures soft">{{ r.areaM2.toFixed(1) }} m²</span>
          <button type="button" class="plain act" :aria-label="`Select all in ${r.name}`" @click="selectAll(r)">select</button>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.name {
  flex: 1;
  text-align: left;
}
</style>

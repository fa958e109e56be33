<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import type { MassView, StairView } from '../api/client'
import { extentOf } from '../site/extent'
import { formatBare } from '../measure/format'
import { useSite } from '../site/site'
import { useTable, type Drawing } from '../table/table'
import { useAttempt } from '../site/attempt'
import { useForeseen } from './foreseen'
import TabRow from '../parts/TabRow.vue'
import BringInPanel from './BringInPanel.vue'
import FlowPanel from './FlowPanel.vue'
import LevelsPanel from './LevelsPanel.vue'
import NewRoomPanel from './NewRoomPanel.vue'
import OpeningsPanel from './OpeningsPanel.vue'
import RoomPanel from './RoomPanel.vue'
import RunsPanel from './RunsPanel.vue'
import SolidPanel from './SolidPanel.vue'
import StairPanel from './StairPanel.vue'
import { vOneStop } from '../parts/oneStop'

const table = useTable()
const site = useSite()
const { make, did } = useForeseen()
const { refusal, attempt } = useAttempt()
/** Left about the building in a section. */
const MARGIN_MM = 500
const room = computed(() => table.selectedRoom)
const list = useLocalStorage<(typeof LISTS)[number]['name']>('hausbau.massing-list', 'rooms')
const LISTS = [
  { name: 'rooms', title: 'Rooms' },
  { name: 'levels', title: 'Levels' },
  { name: 'flow', title: 'Flow' },
  { name: 'drawing', title: 'From a drawing' },
] as const
const ground: { what: Drawing; label: string }[] = [
  { what: 'join', label: 'Add ground' },
  { what: 'cut', label: 'Cut ground' },
]
const more: { what: Drawing; label: string }[] = [
  { what: 'stair', label: 'Draw stairs' },
  { what: 'solid', label: 'Draw a solid' },
]
/** Where the room has a place for it; everything is corrected by typing. */
const addStairs = () =>
  attempt(async () => {
    const made = await make<StairView>('Add stairs', 'POST', `/rooms/${room.value!.id}/stairs/usual`)
    if (made) table.choose({ stair: made.id })
  })
const addSolid = () =>
  attempt(async () => {
    const name = `Solid ${site.massing.solids.length + 1}`
    const made = await make<MassView>('Add a solid', 'POST', `/rooms/${room.value!.id}/solids/usual`, { name })
    if (made) table.choose({ solid: made.id })
  })
/** Along the room's greater extent, through the middle of it and everything beside it. */
function cutThrough() {
  const [r, all] = [room.value!, extentOf(site)]
  if (!all) return
  const [x, y] = [r.cornerMm.x + r.widthMm / 2, r.cornerMm.y + r.depthMm / 2]
  if (r.widthMm >= r.depthMm) table.cutSection({ x: all.min.x - MARGIN_MM, y }, { x: all.max.x + MARGIN_MM, y })
  else table.cutSection({ x, y: all.min.y - MARGIN_MM }, { x, y: all.max.y + MARGIN_MM })
}
const draw = (what: Drawing) => (table.drawing = table.drawing === what ? '' : what)
</script>

<template>
  <div class="panel">
    <p v-if="did" class="soft" role="status">The last change: {{ did }}.</p>
    <template v-if="table.hasChosen && !table.isListing">
      <button type="button" class="plain act back" title="What the massing has (Esc)" @click="table.isListing = true">‹ Lists</button>
      <StairPanel v-if="table.stair" :stair="table.stair" />
      <SolidPanel v-else-if="table.solid" :solid="table.solid" />
      <template v-else-if="room">
        <RoomPanel :room="room" />
        <OpeningsPanel :room="room" />
        <RunsPanel :room="room" />
        <section aria-label="Ground, stairs, solids, section">
          <h3>Add to it</h3>
          <div class="row" role="group" aria-label="Change its ground">
            <Button v-for="d in ground" :key="d.what" size="small" :aria-pressed="table.drawing === d.what" @click="draw(d.what)">{{
              table.drawing === d.what ? 'Drag on the plan …' : d.label
            }}</Button>
            <span class="soft">or drag a wall, or the room</span>
          </div>
          <div class="row">
            <Button size="small" @click="addStairs">Add stairs</Button>
            <Button size="small" @click="addSolid">Add a solid</Button>
            <Button size="small" @click="cutThrough">Cut a section</Button>
          </div>
          <div class="row">
            <Button v-for="d in more" :key="d.what" size="small" :aria-pressed="table.drawing === d.what" @click="draw(d.what)">{{
              table.drawing === d.what ? (d.what === 'stair' ? 'Drag the way up …' : 'Drag on the plan …') : d.label
            }}</Button>
          </div>
          <p v-if="refusal" class="fault" role="alert">{{ refusal.message }}</p>
        </section>
      </template>
    </template>
    <template v-else>
      <button v-if="table.hasChosen" type="button" class="plain act back" @click="table.isListing = false">
        {{ (table.stair && 'Stairs') || table.solid?.name || room?.name }} ›
      </button>
      <TabRow v-if="table.rooms.length" v-model="list" :tabs="LISTS" label="What the massing has" />
      <template v-if="list === 'rooms' || !table.rooms.length">
        <ul v-if="table.rooms.length" v-one-stop class="plain" aria-label="Rooms of this level">
          <li v-for="r in table.rooms" :key="r.id">
            <button type="button" class="plain line" @click="table.choose({ room: r.id })">
              <span>{{ r.name }}</span>
              <span class="figures soft">{{ [r.widthMm, r.depthMm, r.heightMm].map((mm) => formatBare(mm, site.unit)).join(' × ') }}</span>
            </button>
          </li>
        </ul>
        <NewRoomPanel />
        <BringInPanel v-if="!table.rooms.length" />
      </template>
      <LevelsPanel v-else-if="list === 'levels'" />
      <FlowPanel v-else-if="list === 'flow'" />
      <BringInPanel v-else />
    </template>
  </div>
</template>

<style scoped>
.back {
  align-self: flex-start;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  width: 100%;
  text-align: left;
}
.line:hover {
  background: rgba(47, 127, 121, 0.1);
}
.back + :deep(section) {
  border-top: 0;
  padding-top: 0;
}
</style>

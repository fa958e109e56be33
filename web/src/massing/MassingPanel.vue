<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import type { MassView, StairView } from '../api/client'
import { extentOf } from '../site/extent'
import { useSite } from '../site/site'
import { useTable, type Drawing } from '../table/table'
import { useAttempt } from '../site/attempt'
import { useForeseen } from './foreseen'
import BringInPanel from './BringInPanel.vue'
import FlowPanel from './FlowPanel.vue'
import LevelsPanel from './LevelsPanel.vue'
import NewRoomPanel from './NewRoomPanel.vue'
import OpeningsPanel from './OpeningsPanel.vue'
import RoomPanel from './RoomPanel.vue'
import RunsPanel from './RunsPanel.vue'
import SolidPanel from './SolidPanel.vue'
import StairPanel from './StairPanel.vue'

const table = useTable()
const site = useSite()
const { make, did } = useForeseen()
const { refusal, attempt } = useAttempt()
/** Left about the building in a section. */
const MARGIN_MM = 500
const room = computed(() => table.room)
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
    <StairPanel v-if="table.stair" :stair="table.stair" />
    <SolidPanel v-else-if="table.solid" :solid="table.solid" />
    <template v-else-if="room">
      <div v-if="table.rooms.length > 1" class="tabs" role="group" aria-label="Rooms of this level">
        <button v-for="r in table.rooms" :key="r.id" type="button" class="plain tab" :aria-pressed="r.id === room.id" @click="table.choose({ room: r.id })">
          {{ r.name }}
        </button>
      </div>
      <RoomPanel :room="room" />
      <div class="row" role="group" aria-label="Change its ground">
        <Button v-for="d in ground" :key="d.what" size="small" :aria-pressed="table.drawing === d.what" @click="draw(d.what)">{{
          table.drawing === d.what ? 'Drag on the plan …' : d.label
        }}</Button>
        <span class="soft">or drag a wall, or the room</span>
      </div>
      <OpeningsPanel :room="room" />
      <RunsPanel :room="room" />
    </template>
    <section v-if="room" aria-label="Stairs, solids, section">
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
    <FlowPanel v-if="room" />
    <LevelsPanel />
    <NewRoomPanel />
    <BringInPanel />
  </div>
</template>

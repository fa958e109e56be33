<script setup lang="ts">
import { Button, Switch } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { Refusal, RoomView, VecMm } from '../api/client'
import Choice from '../parts/Choice.vue'
import LengthField from '../parts/LengthField.vue'
import TextEntry from '../parts/TextEntry.vue'
import { useSite } from '../site/site'
import DressFields from '../ticket/DressFields.vue'
import { useTable } from '../table/table'
import { usePatterns } from '../site/patterns'
import { useAttempt } from '../site/attempt'
import { edgesOf } from '../site/edges'
import { useForeseen } from './foreseen'

const props = defineProps<{ room: RoomView }>()
const site = useSite()
const table = useTable()
const router = useRouter()
const patterns = usePatterns()
const { make } = useForeseen()
const { refusal, attempt } = useAttempt()
const edges = computed(() => edgesOf(props.room))
const edgeRefusal = ref<Refusal>()
const sized = ref<number>()
const remark = (field: string) => site.massing.remarks.find((r) => r.roomId === props.room.id && r.field === field)?.message
watch(
  () => props.room.id,
  () => (refusal.value = edgeRefusal.value = undefined),
)

const changeRoom = (change: Partial<RoomView>) => attempt(() => make('Change the room', 'PATCH', `/rooms/${props.room.id}`, change))
function setLength(edge: number, lengthMm: number) {
  sized.value = edge
  void attempt(() => make('Size a wall', 'POST', `/rooms/${props.room.id}/edges/${edge}/length`, { lengthMm }), edgeRefusal)
}
/** A copy stands a wall's thickness east of its original, so that the two share that wall. */
const arrange = (label: string, how: { byMm?: VecMm; quarterTurns?: number; mirror?: boolean; copy?: boolean }) =>
  attempt(async () => {
    const made = await make<RoomView>(label, 'POST', `/rooms/${props.room.id}/arrange`, how)
    if (made) table.choose({ room: made.id })
  })
/** Which pattern its walls are under: the site's, one of its own, or one to be made. */
const NEW = -1
const looks = computed(() => [
  { value: 0, label: `the site’s: ${patterns.all.find((p) => p.used)?.name ?? 'plain'}` },
  ...patterns.all.map((p) => ({ value: p.id, label: p.name })),
  { value: NEW, label: 'a new one for this room …' },
])
async function setLook(id: number) {
  if (id !== NEW) return changeRoom({ patternId: id })
  const made = await patterns.createFor(props.room.id)
  if (made) void router.push(`/sites/${site.site!.id}/kit/workshop?pattern=${made.id}`)
}
const removeRoom = () => attempt(() => make('Remove the room', 'DELETE', `/rooms/${props.room.id}`))
</script>

<template>
  <section class="bare" aria-label="Room">
    <label class="field"
      ><span>Room</span>
      <TextEntry :value="room.name" label="Room name" :maxlength="200" @commit="(name) => changeRoom({ name })" />
    </label>
    <div class="fields three">
      <LengthField label="Clear width" :mm="room.widthMm" :error="refusal?.about('widthMm')" @change="(mm) => changeRoom({ widthMm: mm })" />
      <LengthField label="Clear depth" :mm="room.depthMm" :error="refusal?.about('depthMm')" @change="(mm) => changeRoom({ depthMm: mm })" />
      <LengthField label="Height" :mm="room.heightMm" :error="refusal?.about('heightMm')" @change="(mm) => changeRoom({ heightMm: mm })" />
      <LengthField
        label="Corner X"
        :mm="room.cornerMm.x"
        :error="refusal?.about('cornerMm')"
        @change="(mm) => changeRoom({ cornerMm: { ...room.cornerMm, x: mm } })" />
      <LengthField label="Corner Y" :mm="room.cornerMm.y" @change="(mm) => changeRoom({ cornerMm: { ...room.cornerMm, y: mm } })" />
      <div class="end"><Button size="small" danger @click="removeRoom">Remove room</Button></div>
    </div>
    <section v-if="edges.length > 4" aria-label="Walls">
      <h3>Walls</h3>
      <p class="soft">A typed length moves the wall’s right end, seen from inside.</p>
      <div class="four">
        <LengthField
          v-for="e in edges"
          :key="e.edge"
          :label="e.label"
          :mm="e.lengthMm"
          :error="sized === e.edge ? edgeRefusal?.message : undefined"
          @change="(mm) => setLength(e.edge, mm)" />
      </div>
    </section>
    <p v-if="refusal && !['widthMm', 'depthMm', 'heightMm', 'cornerMm'].some((f) => refusal!.about(f))" class="fault" role="alert">{{ refusal.message }}</p>
    <div class="row" role="group" aria-label="The whole room">
      <Button size="small" @click="arrange('Copy the room', { copy: true, byMm: { x: room.widthMm + (site.site?.wallMm ?? 0), y: 0, z: 0 } })"
        >Copy room</Button
      >
      <Button size="small" @click="arrange('Turn the room', { quarterTurns: 1 })">Turn room</Button>
      <Button size="small" @click="arrange('Mirror the room', { mirror: true })">Mirror room</Button>
    </div>
    <details class="fold" aria-label="Sky, walls and looks">
      <summary>Sky, walls, looks</summary>
      <label class="row"
        ><Switch size="small" :checked="room.openToSky" aria-label="Open to the sky" @change="(on) => changeRoom({ openToSky: !!on })" /> Open to the sky</label
      >
      <label class="row"
        ><Switch size="small" :checked="room.wholeWalls" aria-label="Walls in one piece" @change="(on) => changeRoom({ wholeWalls: !!on })" /> Walls in one
        piece <span class="soft">(from floor to ceiling)</span></label
      >
      <label class="field"
        ><span>Pattern</span><Choice label="Pattern of the room" :value="room.patternId" :options="looks" @change="(id) => void setLook(id)"
      /></label>
      <DressFields :room-id="room.id" />
    </details>
    <p v-for="f in ['widthMm', 'depthMm'].filter(remark)" :key="f" class="remark" role="status">▲ {{ remark(f) }}</p>
  </section>
</template>

<script setup lang="ts">
import { Button, Input, Switch } from 'ant-design-vue'
import Choice from '../parts/Choice.vue'
import { computed, reactive, ref, watch } from 'vue'
import { Refusal, type LevelView, type OpeningView, type RoomView, type VecMm } from '../api/client'
import LengthField from '../parts/LengthField.vue'
import { edgesOf } from './edges'
import { useForeseen } from './foreseen'
import TextEntry from '../parts/TextEntry.vue'
import { tell, useSite } from '../site/site'
import { useTable } from '../table/table'

const site = useSite()
const table = useTable()
const { make, did } = useForeseen()
const room = computed(() => table.room)
const edges = computed(() => (room.value ? edgesOf(room.value) : []))
const openings = computed(() => site.massing.openings.filter((o) => o.roomId === room.value?.id))

const fresh = reactive({ name: '', widthMm: 6500 as number | undefined, depthMm: 6000 as number | undefined, heightMm: undefined as number | undefined })
const refusal = ref<Refusal>()
const newRefusal = ref<Refusal>()
/** Runs are told apart by their room's name, so each room has one of its own; a number until it is told a better one. */
const nextName = computed(() => {
  const taken = new Set(site.massing.rooms.map((r) => r.name))
  let n = site.massing.rooms.length + 1
  while (taken.has(`Room ${n}`)) n++
  return `Room ${n}`
})
const remark = (field: string) => site.massing.remarks.find((r) => r.roomId === room.value?.id && r.field === field)?.message
const openingRefusal = ref<{ id: number; refusal: Refusal }>()
const levelRefusal = ref<Refusal>()
const onLevels = (work: () => Promise<unknown>) => attempt(work, (r) => (levelRefusal.value = r))
const goTo = (made?: LevelView) => made && (table.chosenLevel = made.id)
const addLevel = () => onLevels(async () => goTo(await make<LevelView>('Add a level', 'POST', '/levels', {})))
const copyLevel = () => onLevels(async () => goTo(await make<LevelView>('Copy the level', 'POST', `/levels/${table.level?.id ?? 0}/copies`)))
const changeLevel = (change: Partial<LevelView>) => onLevels(() => make('Change the level', 'PATCH', `/levels/${table.level!.id}`, change))
const removeLevel = () => onLevels(() => make('Remove the level', 'DELETE', `/levels/${table.level!.id}`))
const walls = computed(() => edges.value.map((e) => ({ value: e.edge, label: e.label })))
/** Why an opening is not built. */
const misfit = (o: OpeningView) => site.massing.remarks.find((r) => r.field === `opening.${o.id}`)?.message
const setLength = (edge: number, lengthMm: number) =>
  attempt(
    () => make('Size a wall', 'POST', `/rooms/${room.value!.id}/edges/${edge}/length`, { lengthMm }),
    (r) => (edgeRefusal.value = r && { edge, refusal: r }),
  )
const edgeRefusal = ref<{ edge: number; refusal: Refusal }>()
const draws = [
  { what: 'join', label: 'Add ground' },
  { what: 'cut', label: 'Cut ground' },
] as const
watch(
  () => room.value?.id,
  () => {
    refusal.value = undefined
    openingRefusal.value = undefined
    edgeRefusal.value = undefined
  },
)

async function attempt(work: () => Promise<unknown>, on: (r?: Refusal) => void = (r) => (refusal.value = r)) {
  try {
    await site.inTurn(work)
    on(undefined)
  } catch (e) {
    if (e instanceof Refusal) on(e)
    else tell(e)
  }
}

const addRoom = () =>
  attempt(
    async () => {
      const made = await make<RoomView>('Add a room', 'POST', '/rooms', {
        name: fresh.name.trim() || nextName.value,
        widthMm: fresh.widthMm,
        depthMm: fresh.depthMm,
        heightMm: fresh.heightMm,
        levelId: table.level?.id ?? 0,
      })
      if (!made) return
      fresh.name = ''
      table.chosenRoom = made.id
      table.look('all')
    },
    (r) => (newRefusal.value = r),
  )
const changeRoom = (change: Partial<RoomView>) => attempt(() => make('Change the room', 'PATCH', `/rooms/${room.value!.id}`, change))
/** A copy stands a wall's thickness east of its original, so that the two share that wall. */
const arrange = (label: string, how: { byMm?: VecMm; quarterTurns?: number; mirror?: boolean; copy?: boolean }) =>
  attempt(async () => {
    const made = await make<RoomView>(label, 'POST', `/rooms/${room.value!.id}/arrange`, how)
    if (made) table.chosenRoom = made.id
  })
const removeRoom = () => attempt(() => make('Remove the room', 'DELETE', `/rooms/${room.value!.id}`))

/** Of usual size, where there is room for it; everything is corrected by typing. */
const addOpening = (kind: 'DOOR' | 'WINDOW') => attempt(() => site.make('Add an opening', 'POST', `/rooms/${room.value!.id}/openings/usual`, { kind }))
const changeOpening = (o: OpeningView, change: Partial<OpeningView>) =>
  attempt(
    () => site.make('Change an opening', 'PATCH', `/openings/${o.id}`, change),
    (r) => (openingRefusal.value = r && { id: o.id, refusal: r }),
  )
const about = (o: OpeningView, field: string) => (openingRefusal.value?.id === o.id ? openingRefusal.value.refusal.about(field) : undefined)
const removeOpening = (o: OpeningView) => attempt(() => site.make('Remove an opening', 'DELETE', `/openings/${o.id}`))
</script>

<template>
  <div class="panel">
    <p v-if="did" class="soft" role="status">The last change: {{ did }}.</p>
    <template v-if="room">
      <div v-if="table.rooms.length > 1" class="rooms">
        <button v-for="r in table.rooms" :key="r.id" type="button" class="plain tab" :aria-pressed="r.id === room.id" @click="table.chosenRoom = r.id">
          {{ r.name }}
        </button>
      </div>
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
          @change="(mm) => changeRoom({ cornerMm: { ...room!.cornerMm, x: mm } })" />
        <LengthField label="Corner Y" :mm="room.cornerMm.y" @change="(mm) => changeRoom({ cornerMm: { ...room!.cornerMm, y: mm } })" />
        <div class="end"><Button size="small" danger @click="removeRoom">Remove room</Button></div>
      </div>
      <label class="row"
        ><Switch size="small" :checked="room.openToSky" aria-label="Open to the sky" @change="(on) => changeRoom({ openToSky: !!on })" /> Open to the sky</label
      >
      <div class="row" role="group" aria-label="The whole room">
        <Button size="small" @click="arrange('Copy the room', { copy: true, byMm: { x: room.widthMm + (site.site?.wallMm ?? 0), y: 0, z: 0 } })"
          >Copy room</Button
        >
        <Button size="small" @click="arrange('Turn the room', { quarterTurns: 1 })">Turn room</Button>
        <Button size="small" @click="arrange('Mirror the room', { mirror: true })">Mirror room</Button>
      </div>
      <div class="row" role="group" aria-label="Change its ground">
        <Button
          v-for="d in draws"
          :key="d.what"
          size="small"
          :aria-pressed="table.drawing === d.what"
          @click="table.drawing = table.drawing === d.what ? '' : d.what"
          >{{ table.drawing === d.what ? 'Drag on the plan …' : d.label }}</Button
        >
        <span class="soft">or drag a wall</span>
      </div>
      <section v-if="edges.length > 4" aria-label="Walls">
        <h3>Walls</h3>
        <div class="four">
          <LengthField
            v-for="e in edges"
            :key="e.edge"
            :label="e.label"
            :mm="e.lengthMm"
            :error="edgeRefusal?.edge === e.edge ? edgeRefusal.refusal.message : undefined"
            @change="(mm) => setLength(e.edge, mm)" />
        </div>
      </section>
      <p v-if="refusal && !['widthMm', 'depthMm', 'heightMm', 'cornerMm'].some((f) => refusal!.about(f))" class="fault" role="alert">{{ refusal.message }}</p>
      <p v-for="f in ['widthMm', 'depthMm'].filter(remark)" :key="f" class="remark" role="status">▲ {{ remark(f) }}</p>
      <section aria-label="Openings">
        <div class="row spread">
          <h3>Doors and windows</h3>
          <span class="row"
            ><Button size="small" @click="addOpening('DOOR')">Add door</Button><Button size="small" @click="addOpening('WINDOW')">Add window</Button></span
          >
        </div>
        <p v-if="!openings.length" class="soft">No opening yet. Places are measured from the wall's left end, seen from inside.</p>
        <div v-for="o in openings" :key="o.id" class="opening" :data-testid="`opening-${o.kind.toLowerCase()}`">
          <div class="row spread">
            <span class="row"
              ><b>{{ o.kind === 'DOOR' ? 'Door' : 'Window' }}</b>
              <Choice :value="o.edge" :options="walls" class="side" label="Wall" @change="(edge) => changeOpening(o, { edge: Number(edge) })"
            /></span>
            <button type="button" class="plain soft" :aria-label="`Remove the ${o.kind.toLowerCase()}`" @click="removeOpening(o)">remove</button>
          </div>
          <div class="four">
            <LengthField label="from left" :mm="o.atMm" :error="about(o, 'atMm')" @change="(mm) => changeOpening(o, { atMm: mm })" />
            <LengthField label="width" :mm="o.widthMm" :error="about(o, 'widthMm')" @change="(mm) => changeOpening(o, { widthMm: mm })" />
            <LengthField label="height" :mm="o.heightMm" :error="about(o, 'heightMm')" @change="(mm) => changeOpening(o, { heightMm: mm })" />
            <LengthField
              v-if="o.kind === 'WINDOW'"
              label="sill"
              :mm="o.sillMm"
              :error="about(o, 'sillMm')"
              @change="(mm) => changeOpening(o, { sillMm: mm })" />
          </div>
          <p v-if="misfit(o)" class="remark" role="status">▲ Not built. {{ misfit(o) }}</p>
          <p v-if="openingRefusal?.id === o.id && !['atMm', 'widthMm', 'heightMm', 'sillMm'].some((f) => about(o, f))" class="fault" role="alert">
            {{ openingRefusal.refusal.message }}
          </p>
        </div>
      </section>
    </template>
    <section aria-label="Levels">
      <div class="row spread">
        <h3>Levels</h3>
        <span class="row"
          ><Button size="small" @click="addLevel">Add level</Button><Button size="small" :disabled="!room" @click="copyLevel">Copy level up</Button></span
        >
      </div>
      <div class="levels">
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
      <div v-if="table.level?.id" class="fields three">
        <label class="field"
          ><span>Level</span>
          <TextEntry :value="table.level.name" label="Level name" :maxlength="200" @commit="(name) => changeLevel({ name })" />
        </label>
        <LengthField label="Floor" :mm="table.level.floorMm" :error="levelRefusal?.about('floorMm')" @change="(mm) => changeLevel({ floorMm: mm })" />
        <LengthField
          label="To next floor"
          :mm="table.level.storeyMm"
          :error="levelRefusal?.about('storeyMm')"
          @change="(mm) => changeLevel({ storeyMm: mm })" />
        <div class="end"><Button size="small" danger @click="removeLevel">Remove level</Button></div>
      </div>
      <p v-if="levelRefusal && !['floorMm', 'storeyMm'].some((f) => levelRefusal!.about(f))" class="fault" role="alert">{{ levelRefusal.message }}</p>
    </section>
    <section aria-label="New room" :class="{ bare: !room }">
      <h3>{{ room ? 'Another room' : 'The first room' }}</h3>
      <p v-if="!room" class="soft">Type the clear size between its walls, or draw it on the plan and correct it after.</p>
      <label class="field"
        ><span>Name</span
        ><Input v-model:value="fresh.name" size="small" aria-label="New room's name" :placeholder="nextName" :maxlength="200" @press-enter="addRoom"
      /></label>
      <div class="fields three">
        <LengthField label="New width" :error="newRefusal?.about('widthMm')" :mm="fresh.widthMm" @change="(mm) => (fresh.widthMm = mm)" />
        <LengthField label="New depth" :error="newRefusal?.about('depthMm')" :mm="fresh.depthMm" @change="(mm) => (fresh.depthMm = mm)" />
        <LengthField
          label="New height"
          :error="newRefusal?.about('heightMm')"
          :mm="fresh.heightMm ?? site.site?.storeyMm"
          @change="(mm) => (fresh.heightMm = mm)" />
      </div>
      <p v-if="newRefusal && !['widthMm', 'depthMm', 'heightMm'].some((f) => newRefusal!.about(f))" class="fault" role="alert">{{ newRefusal.message }}</p>
      <div class="row">
        <Button :type="room ? 'default' : 'primary'" size="small" @click="addRoom">Add room</Button>
        <Button size="small" :aria-pressed="table.drawing === 'room'" @click="table.drawing = table.drawing === 'room' ? '' : 'room'">
          {{ table.drawing === 'room' ? 'Drag on the plan …' : 'Draw on the plan' }}
        </Button>
      </div>
    </section>
  </div>
</template>

<style scoped>
button.plain {
  min-height: 24px;
}
.remark {
  font-size: 13px;
  color: var(--dark-ochre);
}
.rooms,
.levels {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
}
.tab[aria-pressed='true'] {
  font-weight: 600;
  box-shadow: 0 2px var(--verdigris);
}
.end {
  display: flex;
  align-items: end;
}
.opening {
  border: 1px solid var(--hairline);
  background: var(--sheet);
  padding: 6px 8px;
  display: grid;
  gap: 4px;
}
.four {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 6px;
}
.side {
  width: 86px;
}
.panel section.bare {
  border-top: 0;
  padding-top: 0;
}
</style>

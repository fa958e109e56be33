<script setup lang="ts">
import { Button, Input } from 'ant-design-vue'
import { computed, reactive } from 'vue'
import type { RoomView } from '../api/client'
import LengthField from '../parts/LengthField.vue'
import { useSite } from '../site/site'
import { useTable } from '../table/table'
import { useAttempt } from '../site/attempt'
import { useForeseen } from './foreseen'

const site = useSite()
const table = useTable()
const { make } = useForeseen()
const { refusal: newRefusal, attempt } = useAttempt()
const room = computed(() => table.room)
const fresh = reactive({ name: '', widthMm: 6500 as number | undefined, depthMm: 6000 as number | undefined, heightMm: undefined as number | undefined })
/** Runs are told apart by their room's name, so each room has one of its own; a number until it is told a better one. */
const nextName = computed(() => {
  const taken = new Set(site.massing.rooms.map((r) => r.name))
  let n = site.massing.rooms.length + 1
  while (taken.has(`Room ${n}`)) n++
  return `Room ${n}`
})

const addRoom = () =>
  attempt(async () => {
    const made = await make<RoomView>('Add a room', 'POST', '/rooms', {
      name: fresh.name.trim() || nextName.value,
      widthMm: fresh.widthMm,
      depthMm: fresh.depthMm,
      heightMm: fresh.heightMm,
      levelId: table.level?.id ?? 0,
    })
    if (!made) return
    fresh.name = ''
    table.choose({ room: made.id })
    table.look('all')
  })
</script>

<template>
  <section aria-label="New room" :class="{ bare: !room }">
    <h3 v-if="!room">The first room</h3>
    <p v-if="!room" class="soft">Type the clear size between its walls, or draw it on the plan and correct it after.</p>
    <p v-if="newRefusal && !['widthMm', 'depthMm', 'heightMm'].some((f) => newRefusal!.about(f))" class="fault" role="alert">{{ newRefusal.message }}</p>
    <Button v-if="!room" size="small" :aria-pressed="table.drawing === 'room'" @click="table.drawing = table.drawing === 'room' ? '' : 'room'">
      {{ table.drawing === 'room' ? 'Drag on the plan …' : 'Draw on the plan' }}
    </Button>
    <details class="fold" :open="!room">
      <summary>{{ room ? 'Another room by its sizes' : 'By its sizes' }}</summary>
      <form class="sizes" @submit.prevent="addRoom">
        <label class="field"
          ><span>Name</span><Input v-model:value="fresh.name" size="small" aria-label="New room's name" :placeholder="nextName" :maxlength="200"
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
        <Button html-type="submit" :type="room ? 'default' : 'primary'" size="small">Add room</Button>
      </form>
    </details>
  </section>
</template>

<style scoped>
.sizes {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.sizes > :deep(*:not(button)) {
  justify-self: stretch;
}
</style>

<script setup lang="ts">
import { Button, Switch } from 'ant-design-vue'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import TextEntry from '../parts/TextEntry.vue'
import { tell, useSite } from '../site/site'
import { useBoard } from './board'
import { uncropped } from './sheet'

/** What is selected on the board: its typed values, and what can be done with it. */
defineEmits<{ crop: []; look: [] }>()
const site = useSite()
const board = useBoard()
const router = useRouter()

const one = computed(() => (board.selected.length === 1 ? board.selected[0] : undefined))
const ids = computed(() => board.selected.map((i) => i.id))
const all = (of: 'grey' | 'locked' | 'flipped') => board.selected.every((i) => i[of])
const grouped = computed(() => board.selected.length > 1 && board.selected.every((i) => i.groupId && i.groupId === board.selected[0]!.groupId))
const run = (work: Promise<unknown>) => void work.catch(tell)

const FIELDS = [
  { key: 'x', title: 'X', least: -1e6 },
  { key: 'y', title: 'Y', least: -1e6 },
  { key: 'width', title: 'width', least: 1 },
  { key: 'turn', title: 'turn, °', least: -1e6 },
] as const

function set(key: 'x' | 'y' | 'width' | 'turn', text: string) {
  const n = Number(text)
  const i = one.value!
  if (text.trim() === '' || !Number.isFinite(n) || n < (key === 'width' ? 1 : -1e6)) return
  const lie = { [key]: n, ...(key === 'width' ? { height: (i.height * n) / i.width } : {}) }
  run(board.change(key === 'turn' ? 'Turn' : key === 'width' ? 'Scale' : 'Move', [{ id: i.id, lie }]))
}
const mark = (what: 'grey' | 'locked', on: boolean) =>
  run(
    board.change(
      what === 'grey' ? 'Grey' : 'Lock',
      ids.value.map((id) => ({ id, [what]: on })),
    ),
  )
const flip = () =>
  run(
    board.change(
      'Flip',
      board.selected.map((i) => ({ id: i.id, lie: { flipped: !i.flipped } })),
    ),
  )
const turn = () =>
  run(
    board.change(
      'Turn',
      board.selected.map((i) => ({ id: i.id, lie: { turn: (i.turn + 90) % 360 } })),
    ),
  )
const uncrop = () => run(board.change('Show the whole picture', [{ id: one.value!.id, lie: uncropped(one.value!) }]))
const isCropped = computed(() => one.value && one.value.crop.some((c, k) => c !== [0, 0, 1, 1][k]))
const order = (front: boolean) => run(board.make(front ? 'Bring to the front' : 'Send to the back', 'POST', '/board/order', { ids: ids.value, front }))
const group = (together: boolean) => run(board.make(together ? 'Group' : 'Ungroup', 'POST', '/board/groups', { ids: ids.value, together }))
const takeOff = () => run(board.make('Take off the board', 'POST', '/board/removals', { ids: ids.value }))
const rounded = (n: number) => String(Math.round(n * 10) / 10)
</script>

<template>
  <section aria-label="Selected" class="ticket">
    <template v-if="one">
      <TextEntry
        v-if="one.kind === 'PICTURE'"
        :value="one.name"
        label="Picture name"
        :maxlength="200"
        @commit="(name) => run(board.change('Rename', [{ id: one!.id, name }]))" />
      <TextEntry
        v-else
        :value="one.text"
        :label="one.kind === 'NOTE' ? 'Note' : 'Frame title'"
        :rows="one.kind === 'NOTE' ? 3 : 1"
        :maxlength="4000"
        @commit="(text) => run(board.change('Write', [{ id: one!.id, text }]))" />
      <p v-if="one.kind === 'PICTURE'" class="figures soft">{{ one.pixelsX }} × {{ one.pixelsY }} pixels</p>
      <div class="four">
        <label v-for="f in FIELDS" :key="f.key" class="field"
          ><span>{{ f.title }}</span> <TextEntry class="figures" :value="rounded(one[f.key])" :label="f.title" @commit="(text) => set(f.key, text)"
        /></label>
      </div>
    </template>
    <h3 v-else>{{ board.selected.length }} things</h3>
    <div class="row">
      <label class="row"><Switch size="small" :checked="all('grey')" aria-label="Greys only" @change="(on) => mark('grey', !!on)" /> greys only</label>
      <label class="row"><Switch size="small" :checked="all('locked')" aria-label="Locked" @change="(on) => mark('locked', !!on)" /> locked</label>
    </div>
    <div class="deeds">
      <template v-if="one?.kind === 'PICTURE'">
        <Button size="small" type="primary" @click="router.push(`/sites/${site.site!.id}/brief/takeoff/${one.id}`)">Measure on it</Button>
        <Button size="small" @click="$emit('crop')">Crop</Button>
        <Button v-if="isCropped" size="small" @click="uncrop">Uncrop</Button>
        <Button
          size="small"
          :aria-pressed="board.pinned === one.id"
          title="Keep it small over the other stages"
          @click="board.pinned = board.pinned === one.id ? undefined : one.id">
          {{ board.pinned === one.id ? 'Unpin' : 'Pin over stages' }}</Button
        >
      </template>
      <Button size="small" @click="flip">Flip</Button>
      <Button size="small" @click="turn">Turn 90°</Button>
      <Button size="small" @click="order(true)">To the front</Button>
      <Button size="small" @click="order(false)">To the back</Button>
      <Button v-if="board.selected.length > 1 && !grouped" size="small" @click="group(true)">Group</Button>
      <Button v-if="grouped" size="small" @click="group(false)">Ungroup</Button>
      <Button size="small" title="Look at it (L)" @click="$emit('look')">Look</Button>
      <Button size="small" danger @click="takeOff">Take off</Button>
    </div>
  </section>
</template>

<style scoped>
.ticket {
  display: flex;
  flex-direction: column;
  gap: 8px;
  border-bottom: 1px solid var(--hairline);
  padding-bottom: 12px;
}
.four {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 6px;
}
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>

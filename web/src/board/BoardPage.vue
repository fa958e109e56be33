<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { useEventListener, useResizeObserver } from '@vueuse/core'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import type { ItemView } from '../api/client'
import { tell, useSite } from '../site/site'
import { lieOf, useBoard } from './board'
import BoardItem from './BoardItem.vue'
import BoardList from './BoardList.vue'
import BoardTicket from './BoardTicket.vue'
import { around, boundsOf, cropped, fitted, meets, within, zoomed, type Rect, type View } from './sheet'
import UploadList from './UploadList.vue'
import { useUploads } from './uploads'

/** The board: pictures, notes and frames on an endless sheet. */
const site = useSite()
const board = useBoard()
const route = useRoute()
const { uploads, busy, add, cancel, dismiss } = useUploads()
const alone = computed(() => route.query.alone !== undefined)

const holder = ref<HTMLElement>()
const chooser = ref<HTMLInputElement>()
const size = reactive({ width: 0, height: 0 })
const view = ref<View>({ x: 0, y: 0, scale: 1 })
const band = ref<Rect>()
const cropping = ref(false)
const dropping = ref(false)
const panning = ref(false)
/** Items as a hand holds them, before the server has them. */
const held = ref(new Map<number, Partial<ItemView>>())
let framed: number | undefined
let spaceHeld = false
type Deed =
  | { kind: 'pan' | 'band' | 'crop'; x: number; y: number }
  | { kind: 'move'; x: number; y: number; items: ItemView[]; moved: boolean }
  | { kind: 'scale'; item: ItemView }
  | { kind: 'turn'; item: ItemView }
let deed: Deed | undefined

const shown = computed(() => board.items.map((i) => ({ ...i, ...held.value.get(i.id) })))
const seen = computed(() => {
  const half = { x: size.width / 2 / view.value.scale, y: size.height / 2 / view.value.scale }
  const window = { x0: view.value.x - half.x, y0: view.value.y - half.y, x1: view.value.x + half.x, y1: view.value.y + half.y }
  return shown.value.filter((i) => meets(boundsOf(i), window))
})
const one = computed(() => (board.selected.length === 1 ? shown.value.find((i) => i.id === board.selected[0]!.id) : undefined))

function lookAt(items: ItemView[]) {
  const rect = around(items.map(boundsOf))
  if (rect && size.width) view.value = fitted(rect, size.width, size.height)
}
watch(
  () => [board.sheet, size.width],
  () => {
    if (board.sheet && size.width && framed !== site.site?.id) {
      framed = site.site?.id
      lookAt(board.items)
    }
  },
)

function place(e: MouseEvent) {
  const r = holder.value!.getBoundingClientRect()
  return { x: view.value.x + (e.clientX - r.left - r.width / 2) / view.value.scale, y: view.value.y + (e.clientY - r.top - r.height / 2) / view.value.scale }
}

function itemUnder(e: PointerEvent): ItemView | undefined {
  const id = (e.target as HTMLElement).closest<HTMLElement>('[data-item]')?.dataset.item
  return shown.value.find((i) => i.id === Number(id))
}

function down(e: PointerEvent) {
  if ((e.target as HTMLElement).closest('button')) return
  holder.value!.setPointerCapture(e.pointerId)
  const at = place(e)
  const handle = (e.target as HTMLElement).dataset.handle as 'scale' | 'turn' | undefined
  const item = itemUnder(e)
  panning.value = e.button === 1 || e.button === 2 || spaceHeld
  if (panning.value) deed = { kind: 'pan', ...at }
  else if (e.button !== 0) return
  else if (handle === 'scale' && one.value) deed = { kind: 'scale', item: one.value }
  else if (handle === 'turn' && one.value) deed = { kind: 'turn', item: one.value }
  else if (cropping.value && one.value) {
    deed = { kind: 'crop', ...at }
    band.value = { x0: at.x, y0: at.y, x1: at.x, y1: at.y }
  } else if (item) {
    if (e.shiftKey || !board.selection.has(item.id)) board.choose(item, e.shiftKey)
    deed = { kind: 'move', ...at, items: board.selected.filter((i) => !i.locked), moved: false }
  } else {
    deed = { kind: 'band', ...at }
    band.value = { x0: at.x, y0: at.y, x1: at.x, y1: at.y }
    if (!e.shiftKey) board.select([])
  }
}

function move(e: PointerEvent) {
  if (!deed) return
  const at = place(e)
  if (deed.kind === 'pan') view.value = { ...view.value, x: view.value.x + deed.x - at.x, y: view.value.y + deed.y - at.y }
  else if (deed.kind === 'band' || deed.kind === 'crop') {
    band.value = { x0: Math.min(deed.x, at.x), y0: Math.min(deed.y, at.y), x1: Math.max(deed.x, at.x), y1: Math.max(deed.y, at.y) }
  } else if (deed.kind === 'move') {
    const { x, y } = deed
    if (Math.hypot(at.x - x, at.y - y) * view.value.scale > 3) deed.moved = true
    if (deed.moved) held.value = new Map(deed.items.map((i) => [i.id, { x: i.x + at.x - x, y: i.y + at.y - y }]))
  } else if (deed.kind === 'scale') {
    const i = deed.item
    const factor = Math.max(0.05, (2 * Math.hypot(at.x - i.x, at.y - i.y)) / Math.hypot(i.width, i.height))
    held.value = new Map([[i.id, { width: i.width * factor, height: i.height * factor }]])
  } else if (deed.kind === 'turn') {
    const raw = (Math.atan2(at.x - deed.item.x, deed.item.y - at.y) * 180) / Math.PI
    const turn = e.shiftKey ? raw : Math.round(raw / 15) * 15
    held.value = new Map([[deed.item.id, { turn: Math.round(turn * 10) / 10 }]])
  }
}

function up() {
  const done = deed
  deed = undefined
  panning.value = false
  const box = band.value
  band.value = undefined
  if (done?.kind === 'band' && box) {
    const ids = shown.value
      .filter((i) => meets(boundsOf(i), box))
      .flatMap((i) => board.withGroup(i))
      .map((i) => i.id)
    board.select([...board.selection, ...ids])
  } else if (done?.kind === 'crop' && box && one.value) {
    cropping.value = false
    const i = one.value
    const cut = cropped(i, within(i, box.x0, box.y0), within(i, box.x1, box.y1))
    if (cut) void commit('Crop', [{ ...i, ...cut }])
  } else if (held.value.size) {
    const does = done?.kind === 'scale' ? 'Scale' : done?.kind === 'turn' ? 'Turn' : 'Move'
    void commit(
      does,
      shown.value.filter((i) => held.value.has(i.id)),
    )
  }
}

async function commit(does: string, items: ItemView[]) {
  const mine = held.value
  try {
    await board.change(
      does,
      items.map((i) => ({ id: i.id, lie: lieOf(i) })),
    )
    await board.fetchAll()
  } catch (e) {
    tell(e)
  }
  // The next deed may be under way by now: what it holds is not ours to let go.
  if (held.value === mine) held.value = new Map()
}

function wheel(e: WheelEvent) {
  const at = place(e)
  view.value = zoomed(view.value, Math.exp(-e.deltaY * 0.0015), at.x, at.y)
}

const ARROWS: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }

function onKey(e: KeyboardEvent) {
  if ((e.target as HTMLElement).closest('input, textarea, select, [role=combobox], [role=dialog]') || e.altKey || e.ctrlKey || e.metaKey) return
  const arrow = ARROWS[e.key]
  if (e.key === ' ') spaceHeld = true
  else if (arrow && board.selected.length) {
    const by = e.shiftKey ? 1 : 10
    void commit(
      'Move',
      board.selected.filter((i) => !i.locked).map((i) => ({ ...i, x: i.x + arrow[0] * by, y: i.y + arrow[1] * by })),
    )
  } else if ((e.key === 'Delete' || e.key === 'Backspace') && board.selected.length) takeOff()
  else if (e.key === 'Escape') {
    cropping.value = false
    board.select([])
  } else if (e.key === 'h') lookAt(shown.value)
  else if (e.key === 'l' && board.selected.length) lookAt(board.selected)
  else return
  e.preventDefault()
  e.stopImmediatePropagation()
}
const onKeyUp = (e: KeyboardEvent) => e.key === ' ' && (spaceHeld = false)

function takeOff() {
  void board.make('Take off the board', 'POST', '/board/removals', { ids: board.selected.filter((i) => !i.locked).map((i) => i.id) }).catch(tell)
}

function drop(e: DragEvent) {
  dropping.value = false
  const at = place(e)
  if (e.dataTransfer?.files.length) add(e.dataTransfer.files, at.x, at.y)
}
function paste(e: ClipboardEvent) {
  const files = [...(e.clipboardData?.files ?? [])]
  if (files.length) add(files, view.value.x, view.value.y)
}
function chosen(e: Event) {
  const input = e.target as HTMLInputElement
  if (input.files?.length) add(input.files, view.value.x, view.value.y)
  input.value = ''
}

async function addItem(kind: 'NOTE' | 'FRAME') {
  const lie = {
    x: view.value.x,
    y: view.value.y,
    width: kind === 'NOTE' ? 320 : 640,
    height: kind === 'NOTE' ? 110 : 420,
    turn: 0,
    flipped: false,
    crop: [0, 0, 1, 1],
  }
  try {
    const made = await board.make<ItemView>(`Add a ${kind.toLowerCase()}`, 'POST', '/board/items', { kind, text: kind === 'NOTE' ? 'Note' : 'Frame', lie })
    await board.fetchAll()
    board.select([made.id])
  } catch (e) {
    tell(e)
  }
}
const openWindow = () => window.open(`/sites/${site.site!.id}/brief/board?alone`, 'hausbau-board', 'width=1200,height=800')

useResizeObserver(holder, () => Object.assign(size, { width: holder.value!.clientWidth, height: holder.value!.clientHeight }))
useEventListener(window, 'keydown', onKey, true)
useEventListener(window, 'keyup', onKeyUp)
useEventListener(window, 'paste', paste)
</script>

<template>
  <div class="board">
    <div
      ref="holder"
      class="sheet"
      :class="{ dropping, cropping, panning }"
      data-testid="board"
      role="img"
      aria-label="The board; the list beside it can do the same"
      :data-view="`${view.x} ${view.y} ${view.scale}`"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @pointercancel="up"
      @wheel.prevent="wheel"
      @contextmenu.prevent
      @dragover.prevent="dropping = true"
      @dragleave="dropping = false"
      @drop.prevent="drop">
      <div
        class="plane"
        :style="{ transform: `translate(${size.width / 2}px, ${size.height / 2}px) scale(${view.scale}) translate(${-view.x}px, ${-view.y}px)` }">
        <BoardItem v-for="i in seen" :key="i.id" :item="i" :scale="view.scale" :selected="board.selection.has(i.id)" />
        <div
          v-if="one && !one.locked && !cropping"
          class="handles"
          :style="{ left: `${one.x}px`, top: `${one.y}px`, transform: `rotate(${one.turn}deg) scale(${1 / view.scale})` }">
          <span
            data-handle="scale"
            class="handle"
            title="Scale"
            :style="{ left: `${(one.width / 2) * view.scale}px`, top: `${(one.height / 2) * view.scale}px` }" />
          <span
            data-handle="turn"
            class="handle round"
            title="Turn; with Shift freely"
            :style="{ left: '0px', top: `${(-one.height / 2) * view.scale - 26}px` }" />
        </div>
        <div
          v-if="band"
          class="band"
          :style="{
            left: `${band.x0}px`,
            top: `${band.y0}px`,
            width: `${band.x1 - band.x0}px`,
            height: `${band.y1 - band.y0}px`,
            borderWidth: `${1 / view.scale}px`,
          }" />
      </div>
      <div v-if="board.sheet && !board.items.length" class="empty">
        <h2>The board is empty</h2>
        <p>Drop pictures of the place here, paste them, or choose them. PNG, JPEG and WebP.</p>
        <Button type="primary" @click="chooser!.click()">Choose pictures</Button>
      </div>
      <UploadList :uploads="uploads" :busy="busy" @cancel="cancel" @dismiss="dismiss" />
      <p v-if="cropping" class="hint">Drag a box over the picture; Esc leaves it as it is.</p>
    </div>
    <aside class="side" aria-label="Board tools">
      <div class="row tools">
        <Button size="small" type="primary" @click="chooser!.click()">Choose pictures</Button>
        <Button size="small" @click="addItem('NOTE')">Note</Button>
        <Button size="small" @click="addItem('FRAME')">Frame</Button>
        <Button v-if="!alone" size="small" title="The board in a window of its own, for a second screen" @click="openWindow">Own window</Button>
      </div>
      <BoardTicket v-if="board.selected.length" :key="[...board.selection].join()" @crop="cropping = true" @look="lookAt(board.selected)" />
      <BoardList />
    </aside>
    <input ref="chooser" type="file" accept="image/png,image/jpeg,image/webp" multiple hidden data-testid="chooser" @change="chosen" />
  </div>
</template>

<style scoped>
.board {
  flex: 1;
  min-height: 0;
  display: flex;
}
.sheet {
  position: relative;
  flex: 1;
  min-width: 0;
  overflow: hidden;
  background: #ece7dc;
  touch-action: none;
}
.sheet.dropping {
  box-shadow: inset 0 0 0 3px var(--verdigris);
}
.sheet.cropping {
  cursor: crosshair;
}
.plane {
  position: absolute;
  left: 0;
  top: 0;
  transform-origin: 0 0;
}
/* While the sheet is moved its pictures are moved as one, not drawn anew. */
.panning .plane {
  will-change: transform;
}
.handles {
  position: absolute;
  width: 0;
  height: 0;
  transform-origin: 0 0;
}
.handle {
  position: absolute;
  width: 13px;
  height: 13px;
  margin: -6px;
  background: var(--sheet);
  border: 2px solid var(--plum);
  cursor: nwse-resize;
}
.handle.round {
  border-radius: 50%;
  cursor: grab;
}
.band {
  position: absolute;
  border: 1px dashed var(--plum);
  background: rgba(106, 61, 124, 0.08);
  pointer-events: none;
}
.empty {
  position: absolute;
  inset: 0;
  display: grid;
  place-content: center;
  justify-items: center;
  gap: 10px;
}
.hint {
  position: absolute;
  left: 50%;
  top: 10px;
  transform: translateX(-50%);
  background: var(--sheet);
  border: 1px solid var(--verdigris);
  padding: 4px 12px;
}
.side {
  width: 300px;
  overflow-y: auto;
  border-left: 1px solid var(--hairline);
  padding: 12px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.tools {
  flex-wrap: wrap;
  gap: 6px;
}
</style>

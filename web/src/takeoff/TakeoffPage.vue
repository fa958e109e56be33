<script setup lang="ts">
import Choice from '../parts/Choice.vue'
import { useEventListener, useResizeObserver } from '@vueuse/core'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSite } from '../site/site'
import { useBoard } from '../board/board'
import Loupe from './Loupe.vue'
import { fitted, zoomed, type View } from '../board/sheet'
import { paired, useTakeoff, type Point } from './takeoff'
import TakeoffPanel from './TakeoffPanel.vue'

/** One picture: calibrated, measured on, and marked. */
const site = useSite()
const board = useBoard()
const route = useRoute()
const router = useRouter()
const picture = computed(() => board.pictures.find((p) => p.id === Number(route.params.item)) ?? board.pictures[0])
const takeoff = reactive(useTakeoff(picture))

const holder = ref<HTMLElement>()
const size = reactive({ width: 0, height: 0 })
const view = ref<View>({ x: 500, y: 400, scale: 0.5 })
const pointer = ref<Point>()
const dragged = ref<number>()
const stamping = ref(false)
let pan: Point | undefined
let pressed: Point | undefined
let spaceHeld = false
let framed: number | undefined

watch(
  () => [picture.value?.id, size.width],
  () => {
    const p = picture.value
    if (p && size.width && framed !== p.id) {
      framed = p.id
      view.value = fitted({ x0: 0, y0: 0, x1: p.pixelsX, y1: p.pixelsY }, size.width, size.height)
    }
  },
)
const choices = computed(() => board.pictures.map((p) => ({ value: p.id, label: p.name })))
const open = (id: number) => router.push(`/sites/${site.site!.id}/brief/takeoff/${id}`)

const toScreen = (p: Point) => ({ x: (p.x - view.value.x) * view.value.scale + size.width / 2, y: (p.y - view.value.y) * view.value.scale + size.height / 2 })
function place(e: MouseEvent): Point {
  const r = holder.value!.getBoundingClientRect()
  return { x: view.value.x + (e.clientX - r.left - r.width / 2) / view.value.scale, y: view.value.y + (e.clientY - r.top - r.height / 2) / view.value.scale }
}
/** To a tenth of a pixel: a hand is no finer. */
const tenth = (p: Point) => ({ x: Math.round(p.x * 10) / 10, y: Math.round(p.y * 10) / 10 })

function down(e: PointerEvent) {
  holder.value!.setPointerCapture(e.pointerId)
  const handle = (e.target as SVGElement).dataset?.corner
  const markId = (e.target as SVGElement).closest<SVGElement>('[data-mark]')?.dataset.mark
  const at = tenth(place(e))
  if (e.button !== 0 || spaceHeld) pan = at
  else if (handle !== undefined && !takeoff.keeping) dragged.value = Number(handle)
  else if (takeoff.tool === 'look') {
    takeoff.chosenMark = markId ? Number(markId) : undefined
    if (!markId) pan = at
  } else if (takeoff.tool === 'mark' && stamping.value && takeoff.chosenMark) void site.inTurn(() => takeoff.stamp(at))
  else {
    // In turn: a click made while a plane is being kept is the first pick with what comes to hand then.
    pressed = at
    void site.inTurn(() => (takeoff.draft ? undefined : takeoff.pick(at)))
  }
}
function move(e: PointerEvent) {
  const at = place(e)
  pointer.value = at
  if (pan) view.value = { ...view.value, x: view.value.x + pan.x - at.x, y: view.value.y + pan.y - at.y }
  else if (dragged.value !== undefined && takeoff.draft) takeoff.draft.points[dragged.value] = tenth(at)
}
/** Dragged from one corner to the other, or clicked twice: both mark. */
function up(e: PointerEvent) {
  const at = tenth(place(e))
  const from = pressed
  pressed = undefined
  if (from && Math.hypot(at.x - from.x, at.y - from.y) * view.value.scale > 4) {
    void site.inTurn(() =>
      takeoff.draft || takeoff.picks.length !== 1 || takeoff.tool === 'perspective' || takeoff.tool === 'flat' ? undefined : takeoff.pick(at),
    )
  }
  pan = undefined
  dragged.value = undefined
}
function wheel(e: WheelEvent) {
  const at = place(e)
  view.value = zoomed(view.value, Math.exp(-e.deltaY * 0.0015), at.x, at.y)
}
const ARROWS: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }
/** A corner that has the focus moves by a pixel, with Shift by a tenth. */
function nudge(e: KeyboardEvent, i: number) {
  const by = ARROWS[e.key]
  if (!by || !takeoff.draft) return
  e.preventDefault()
  e.stopPropagation()
  const step = e.shiftKey ? 0.1 : 1
  const p = takeoff.draft.points[i]!
  takeoff.draft.points[i] = tenth({ x: p.x + by[0] * step, y: p.y + by[1] * step })
}
function onKey(e: KeyboardEvent) {
  if ((e.target as HTMLElement).closest('input, textarea, select, [role=combobox], [role=dialog]') || e.ctrlKey || e.metaKey || e.altKey) return
  if (e.key === ' ') spaceHeld = true
  else if (e.key === 'Escape' && (takeoff.picks.length || takeoff.draft || takeoff.tool !== 'look')) {
    if (takeoff.picks.length) takeoff.picks = []
    else if (takeoff.draft) takeoff.draft = undefined
    else takeoff.tool = 'look'
  } else if (e.key === 'Enter' && takeoff.picks.length > 2) void takeoff.finishOutline()
  else if (e.key === 'n' && takeoff.chosenMark && pointer.value) void takeoff.stamp(tenth(pointer.value))
  else if (e.key === 'Delete' && takeoff.chosenMark) void board.make('Remove a mark', 'POST', '/marks/removals', { ids: [takeoff.chosenMark] })
  else return
  e.preventDefault()
  e.stopImmediatePropagation()
}
const onKeyUp = (e: KeyboardEvent) => e.key === ' ' && (spaceHeld = false)

useResizeObserver(holder, () => Object.assign(size, { width: holder.value!.clientWidth, height: holder.value!.clientHeight }))
useEventListener(window, 'keydown', onKey, true)
useEventListener(window, 'keyup', onKeyUp)

const joined = (points: Point[]) => points.map((p) => Object.values(toScreen(p)).join(',')).join(' ')
const figures = computed(() =>
  takeoff.marks.map((m) => ({ m, points: paired(m.points), outline: paired(m.outline), letter: takeoff.tags.find((t) => t.id === m.tagId)?.letter ?? '' })),
)
const CORNERS = ['lower left', 'lower right', 'upper right', 'upper left']
const hint = computed(() => {
  if (takeoff.draft) return ''
  if (takeoff.tool === 'perspective') return `Pick the ${CORNERS[takeoff.picks.length]} corner of a rectangle of known size`
  if (takeoff.tool === 'flat') return `Pick the ${takeoff.picks.length ? 'second' : 'first'} end of a known length`
  if (takeoff.tool === 'measure')
    return takeoff.quantity === 'ANGLE'
      ? ['Pick a point on one side', 'Pick the corner', 'Pick a point on the other side'][takeoff.picks.length]!
      : 'Pick the points; Enter closes an area'
  if (takeoff.tool === 'mark')
    return stamping.value && takeoff.chosenMark
      ? 'Click where the next one stands'
      : takeoff.shape === 'RECTANGLE'
        ? 'Pick two opposite corners'
        : takeoff.shape === 'POLYGON'
          ? 'Pick the outline; Enter closes it'
          : 'Pick it'
  return ''
})
const picking = computed(() => dragged.value !== undefined || (takeoff.tool !== 'look' && !takeoff.draft))
</script>

<template>
  <div v-if="board.sheet && !picture" class="none">
    <p>There is no picture to measure on. <RouterLink :to="`/sites/${site.site!.id}/brief/board`">Put one on the board</RouterLink> first.</p>
  </div>
  <div v-else class="takeoff">
    <div
      ref="holder"
      class="sheet"
      :class="{ picking }"
      data-testid="takeoff"
      :data-view="`${view.x} ${view.y} ${view.scale}`"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @pointerleave="pointer = undefined"
      @wheel.prevent="wheel"
      @contextmenu.prevent>
      <img
        v-if="picture"
        :src="board.original(picture)"
        :alt="picture.name"
        draggable="false"
        :style="{
          transform: `translate(${size.width / 2}px, ${size.height / 2}px) scale(${view.scale}) translate(${-view.x}px, ${-view.y}px)`,
          width: `${picture.pixelsX}px`,
        }" />
      <svg :width="size.width" :height="size.height" role="group" aria-label="Planes, marks and readings">
        <g v-if="takeoff.grid" class="grid">
          <line
            v-for="(l, i) in takeoff.grid.lines"
            :key="i"
            :x1="toScreen({ x: l[0]!, y: l[1]! }).x"
            :y1="toScreen({ x: l[0]!, y: l[1]! }).y"
            :x2="toScreen({ x: l[2]!, y: l[3]! }).x"
            :y2="toScreen({ x: l[2]!, y: l[3]! }).y" />
        </g>
        <polygon v-if="takeoff.plane && !takeoff.draft" :points="joined(paired(takeoff.plane.points))" class="plane" />
        <g v-for="f in figures" :key="f.m.id" class="mark" :class="{ chosen: f.m.id === takeoff.chosenMark }" :data-mark="f.m.id">
          <circle v-if="f.m.kind === 'POINT'" :cx="toScreen(f.points[0]!).x" :cy="toScreen(f.points[0]!).y" r="6" />
          <polygon v-else :points="joined(f.outline)" />
          <text :x="toScreen(f.outline[0]!).x + 5" :y="toScreen(f.outline[0]!).y + 15">
            {{ f.letter }}{{ f.m.mirrored ? ' mirrored' : '' }}{{ f.m.finish ? ` · ${f.m.finish}` : '' }}
          </text>
        </g>
        <g v-for="(r, i) in takeoff.readings" :key="i" class="reading">
          <polyline :points="joined(r.points)" />
          <text :x="toScreen(r.points[r.points.length - 1]!).x + 8" :y="toScreen(r.points[r.points.length - 1]!).y - 6">
            {{ r.values.map((v) => takeoff.say(v, r.quantity)).join(' × ') }}
          </text>
        </g>
        <g v-if="takeoff.picks.length" class="picks">
          <polyline :points="joined(pointer ? [...takeoff.picks, pointer] : takeoff.picks)" />
          <circle v-for="(p, i) in takeoff.picks" :key="i" :cx="toScreen(p).x" :cy="toScreen(p).y" r="4" />
        </g>
        <g v-if="takeoff.draft" class="draft">
          <polygon :points="joined(takeoff.draft.points)" />
          <circle
            v-for="(p, i) in takeoff.draft.points"
            :key="i"
            :data-corner="i"
            :cx="toScreen(p).x"
            :cy="toScreen(p).y"
            r="7"
            tabindex="0"
            role="slider"
            :aria-valuenow="p.x"
            :aria-valuetext="`${p.x}, ${p.y}`"
            :aria-label="`${takeoff.draft.kind === 'FLAT' ? (i ? 'second end' : 'first end') : CORNERS[i]}; arrows move it by a pixel`"
            @keydown="(e: KeyboardEvent) => nudge(e, i)" />
        </g>
      </svg>
      <p v-if="hint" class="hint" role="status">{{ hint }}</p>
      <Loupe
        v-if="picture && picking && (pointer || dragged !== undefined)"
        :source="board.original(picture)"
        :at="dragged !== undefined ? takeoff.draft!.points[dragged]! : pointer!" />
    </div>
    <aside class="side" aria-label="Takeoff tools">
      <label class="field"
        ><span>Picture</span>
        <Choice :value="picture?.id" :options="choices" label="Picture" @change="(id) => open(Number(id))" />
      </label>
      <TakeoffPanel v-model:stamping="stamping" :takeoff="takeoff" />
    </aside>
  </div>
</template>

<style scoped>
.takeoff {
  flex: 1;
  min-height: 0;
  display: flex;
}
.none {
  margin: auto;
}
.sheet {
  position: relative;
  flex: 1;
  min-width: 0;
  overflow: hidden;
  background: #dcd6c8;
  touch-action: none;
}
.sheet.picking {
  cursor: crosshair;
}
img {
  position: absolute;
  left: 0;
  top: 0;
  max-width: none;
  transform-origin: 0 0;
}
svg {
  position: absolute;
  inset: 0;
}
.grid line {
  stroke: var(--verdigris);
  stroke-width: 0.8;
  opacity: 0.55;
}
.plane,
.draft polygon {
  fill: none;
  stroke: var(--verdigris);
  stroke-width: 2.5;
}
.draft circle {
  fill: var(--sheet);
  stroke: var(--verdigris);
  stroke-width: 2.5;
  cursor: move;
}
.draft circle:focus-visible {
  fill: var(--verdigris);
  outline: none;
  stroke: var(--ink);
}
.mark polygon,
.mark circle {
  fill: rgba(185, 122, 20, 0.16);
  stroke: #8a5a0c;
  stroke-width: 1.5;
}
.mark.chosen polygon,
.mark.chosen circle {
  fill: rgba(106, 61, 124, 0.18);
  stroke: var(--plum);
  stroke-width: 2.5;
}
text {
  font: 600 var(--small) var(--sans);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3.5px;
}
.reading polyline,
.picks polyline {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
}
.reading text {
  font: var(--small) var(--mono);
}
.picks circle {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.8;
}
.hint {
  position: absolute;
  left: 50%;
  top: 10px;
  transform: translateX(-50%);
  background: var(--sheet);
  border: 1px solid var(--verdigris);
  padding: 4px 12px;
  pointer-events: none;
}
.side {
  width: 330px;
  overflow-y: auto;
  border-left: 1px solid var(--hairline);
  padding: 12px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
</style>

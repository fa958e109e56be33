<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useEventListener } from '@vueuse/core'
import type { VecMm } from '../api/client'
import LengthField from '../parts/LengthField.vue'
import NumberField from '../parts/NumberField.vue'
import { vOneStop } from '../parts/oneStop'
import { vTypedFirst } from '../parts/focus'
import { useHandling, type Grip } from '../placing/handling'
import { tell, useSite } from '../site/site'
import { usePicking } from '../table/picking'
import { plus } from '../measure/length'

/** Handles at what is selected: they move it along an axis or on the level, and turn it. A value typed meanwhile, or after a click, ends it. */
const props = defineProps<{
  seen: {
    pixelOf: (at: VecMm) => { x: number; y: number }
    onPlane: (x: number, y: number, zMm: number) => VecMm | undefined
    onAxis: (x: number, y: number, through: VecMm, axis: VecMm) => number
  }
  /** Changes whenever the picture has. */
  view: string
  size: { width: number; height: number }
}>()

const site = useSite()
const handling = useHandling()
const picking = usePicking()
const holder = ref<HTMLElement>()

/** Arms are so long, pixels, where they are seen from the side. */
const ARM_PX = 64
/** An axis that points at the viewer has no arm. */
const LEAST_ARM_PX = 18
const AXES = { X: { x: 1, y: 0, z: 0 }, Y: { x: 0, y: 1, z: 0 }, Z: { x: 0, y: 0, z: 1 } } as const
const NAMES: Record<Grip, string> = { X: 'Move east or west', Y: 'Move north or south', Z: 'Raise or lower', level: 'Move on the level', turn: 'Turn' }
const LETTERS: Record<Grip, string> = { X: 'E', Y: 'N', Z: '↑', level: '', turn: '↻' }

const at = computed<VecMm | undefined>(() => (handling.held ? plus(handling.held.pivot, handling.moved.byMm) : handling.pivot))
const along = (from: VecMm, far: number, x: number, y: number, z: number): VecMm => ({ x: from.x + x * far, y: from.y + y * far, z: from.z + z * far })

/** Where all of it lies in the picture; nothing where the middle is out of sight. */
const drawn = computed(() => {
  void props.view
  const middle = at.value
  if (!middle) return undefined
  const foot = props.seen.pixelOf(middle)
  const { width, height } = props.size
  if (!(foot.x > 0 && foot.x < width && foot.y > 0 && foot.y < height)) return undefined
  const pixels = (v: VecMm) => {
    const p = props.seen.pixelOf(v)
    return Math.hypot(p.x - foot.x, p.y - foot.y)
  }
  // By a short length: the perspective shortens what comes nearer.
  const PROBE = 10
  const scale = ARM_PX / (Math.max(...Object.values(AXES).map((a) => pixels(along(middle, PROBE, a.x, a.y, a.z)))) / PROBE)
  const arms = (['X', 'Y', 'Z'] as const)
    .map((grip) => ({ grip, ...props.seen.pixelOf(along(middle, scale, AXES[grip].x, AXES[grip].y, AXES[grip].z)) }))
    .filter((a) => Math.hypot(a.x - foot.x, a.y - foot.y) >= LEAST_ARM_PX)
  const level = props.seen.pixelOf(along(middle, scale * 0.42, 1, 1, 0))
  const arc = [...Array(9).keys()].map((i) => {
    const a = Math.PI + (i / 8) * (Math.PI / 2)
    return props.seen.pixelOf(along(middle, scale * 0.9, Math.cos(a), Math.sin(a), 0))
  })
  const tags: { grip: Grip; x: number; y: number }[] = [...arms, { grip: 'level', ...level }, { grip: 'turn', ...arc[4]! }]
  const { held } = handling
  return { foot, arms, arc: arc.map((p) => `${p.x},${p.y}`).join(' '), tags: tags.filter((t) => !held || t.grip === held.grip) }
})

/** From what is moved to what is next to it, in the picture. */
const gaps = computed(() => {
  void props.view
  return handling.moved.clearances
    .filter((g) => handling.held && g.mm > 0)
    .map((g) => {
      const [from, to] = [props.seen.pixelOf(g.fromMm), props.seen.pixelOf(g.toMm)]
      return { from, to, x: (from.x + to.x) / 2, y: (from.y + to.y) / 2, words: site.show(g.mm) }
    })
    .filter((g) => Math.hypot(g.from.x - g.to.x, g.from.y - g.to.y) > 12)
})

const said = computed(() => {
  const { held, moved, degrees } = handling
  if (!held) return ''
  if (held.grip === 'turn') return `${degrees}°`
  const signed = (mm: number) => `${mm < 0 ? '−' : '+'}${site.show(Math.abs(mm))}`
  return held.grip === 'level'
    ? `${signed(moved.byMm.x)} E, ${signed(moved.byMm.y)} N`
    : signed(moved.byMm[held.grip === 'X' ? 'x' : held.grip === 'Y' ? 'y' : 'z'])
})

let start: { x: number; y: number; axis: number; on?: VecMm; angle: number; isMoved: boolean } | undefined
function place(e: PointerEvent) {
  const r = holder.value!.getBoundingClientRect()
  return [e.clientX - r.left, e.clientY - r.top] as const
}
const angleAt = (on: VecMm | undefined, about: VecMm) => (on ? (Math.atan2(on.y - about.y, on.x - about.x) * 180) / Math.PI : 0)

function down(grip: Grip, e: PointerEvent) {
  if (e.button !== 0 || !handling.pivot) return
  ;(e.currentTarget as HTMLElement).setPointerCapture(e.pointerId)
  const [x, y] = place(e)
  const about = handling.pivot
  const on = props.seen.onPlane(x, y, about.z)
  picking.forget()
  handling.hold(grip)
  start = { x, y, axis: isAxis(grip) ? props.seen.onAxis(x, y, about, AXES[grip]) : 0, on, angle: angleAt(on, about), isMoved: false }
}
const isAxis = (grip: Grip): grip is 'X' | 'Y' | 'Z' => grip in AXES

function move(e: PointerEvent) {
  const held = handling.held
  if (!start || !held) return
  const [x, y] = place(e)
  start.isMoved ||= Math.hypot(x - start.x, y - start.y) > 3
  if (!start.isMoved) return
  const { grip, pivot } = held
  if (isAxis(grip)) {
    const by = props.seen.onAxis(x, y, pivot, AXES[grip]) - start.axis
    handling.move(along({ x: 0, y: 0, z: 0 }, by, AXES[grip].x, AXES[grip].y, AXES[grip].z))
    return
  }
  const on = props.seen.onPlane(x, y, pivot.z)
  if (!on || !start.on) return
  if (grip === 'turn') handling.turn(((angleAt(on, pivot) - start.angle + 540) % 360) - 180)
  else handling.move({ x: on.x - start.on.x, y: on.y - start.on.y, z: 0 })
}

/** After a mere click its value is typed. */
function up(e: PointerEvent) {
  const wasMoved = start?.isMoved
  start = undefined
  if (!handling.held || handling.typing) return
  if (wasMoved) void site.inTurn(() => handling.letGo(e.altKey)).catch(tell)
  else if (handling.held.grip === 'level') handling.putBack()
  else handling.typing = true
}

function byKey(grip: Grip) {
  if (grip === 'level') return
  handling.hold(grip)
  handling.typing = true
}

/** While it is dragged, a digit begins to type the value. */
useEventListener(
  window,
  'keydown',
  (e: KeyboardEvent) => {
    if (!handling.held) return
    if (e.key === 'Escape') {
      handling.putBack()
      e.preventDefault()
      e.stopImmediatePropagation()
    } else if (!handling.typing && handling.held.grip !== 'level' && /^[\d.,+-]$/.test(e.key)) {
      handling.typing = true
      e.preventDefault()
      e.stopImmediatePropagation()
      void nextTick(() => {
        const input = holder.value?.querySelector('input')
        if (!input) return
        input.value = e.key === '+' ? '' : e.key
        input.dispatchEvent(new Event('input'))
        input.setSelectionRange(1, 1)
      })
    }
  },
  { capture: true },
)
watch(
  () => handling.typing,
  (on) => on && (start = undefined),
)
const finish = (value: number) => void site.inTurn(() => handling.type(value)).catch(tell)
</script>

<template>
  <div v-if="drawn" ref="holder" class="handles" data-testid="handles">
    <svg aria-hidden="true">
      <line v-for="a in drawn.arms" :key="a.grip" :x1="drawn.foot.x" :y1="drawn.foot.y" :x2="a.x" :y2="a.y" />
      <polyline :points="drawn.arc" />
      <line v-for="(g, i) in gaps" :key="`gap ${i}`" class="gap" :x1="g.from.x" :y1="g.from.y" :x2="g.to.x" :y2="g.to.y" />
    </svg>
    <span v-for="(g, i) in gaps" :key="i" class="chip figures" :style="{ left: `${g.x}px`, top: `${g.y}px` }">{{ g.words }}</span>
    <div v-one-stop role="toolbar" aria-label="Handles">
      <button
        v-for="t in drawn.tags"
        :key="t.grip"
        type="button"
        :class="['tag', t.grip, { held: handling.held?.grip === t.grip }]"
        :style="{ left: `${t.x}px`, top: `${t.y}px` }"
        :aria-label="NAMES[t.grip]"
        :title="NAMES[t.grip]"
        @pointerdown.stop="(e) => down(t.grip, e)"
        @pointermove.stop="move"
        @pointerenter="picking.hovered = undefined"
        @pointerup.stop="up"
        @pointercancel="handling.putBack()"
        @keydown.enter.prevent.stop="byKey(t.grip)">
        {{ LETTERS[t.grip] }}
      </button>
    </div>
    <div
      v-if="handling.held && handling.typing"
      class="entry"
      :style="{ left: `${drawn.foot.x}px`, top: `${drawn.foot.y + 26}px` }"
      @pointerdown.stop
      @pointerup.stop
      @focusout="(e) => e.relatedTarget && handling.putBack()">
      <NumberField v-if="handling.held.grip === 'turn'" v-typed-first label="" aria="Degrees to turn by" fraction :value="handling.degrees" @change="finish" />
      <LengthField v-else v-typed-first label="" :aria="`${NAMES[handling.held.grip]} by`" :mm="handling.value" @change="finish" />
    </div>
    <output v-else-if="handling.held" class="chip said figures" data-testid="moved-by" :style="{ left: `${drawn.foot.x}px`, top: `${drawn.foot.y + 26}px` }">
      {{ said }}
    </output>
  </div>
</template>

<style scoped>
.handles,
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
line,
polyline {
  fill: none;
  stroke: var(--plum);
  stroke-width: 1.5;
}
.gap {
  stroke: var(--verdigris);
  stroke-width: 1;
  stroke-dasharray: 4 3;
}
.tag {
  position: absolute;
  width: 24px;
  height: 24px;
  margin: -12px 0 0 -12px;
  padding: 0;
  border: 1.5px solid var(--plum);
  background: var(--sheet);
  color: var(--plum);
  font: inherit;
  font-size: var(--small);
  line-height: 20px;
  pointer-events: auto;
  cursor: grab;
  touch-action: none;
}
.tag.turn {
  border-radius: 50%;
}
.tag.level {
  width: 16px;
  height: 16px;
  margin: -8px 0 0 -8px;
  background: var(--sheet);
}
.tag:hover,
.tag.held {
  background: var(--plum);
  color: var(--sheet);
}
.chip {
  position: absolute;
  transform: translate(-50%, -50%);
  padding: 0 5px;
  background: var(--sheet);
  border: 1px solid var(--hairline);
  font-size: var(--small);
  color: #1d5c57;
  white-space: nowrap;
}
.said {
  color: var(--plum);
  border-color: var(--plum);
}
.entry {
  position: absolute;
  width: 108px;
  transform: translate(-50%, 0);
  background: var(--sheet);
  border: 1px solid var(--plum);
  padding: 2px;
  pointer-events: auto;
  z-index: 2;
}
</style>

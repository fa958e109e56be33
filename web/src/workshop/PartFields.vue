<script setup lang="ts">
import { Switch } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import type { PartWords } from '../api/client'
import Choice from '../parts/Choice.vue'
import LengthField from '../parts/LengthField.vue'
import NumberField from '../parts/NumberField.vue'
import TextEntry from '../parts/TextEntry.vue'
import { useBench } from './bench'
import PointEditor from './PointEditor.vue'
import PointRows from './PointRows.vue'
import ProfileFields from './ProfileFields.vue'
import SvgShapes from './SvgShapes.vue'
import MaterialChoice from '../sheets/MaterialChoice.vue'
import { FORMS } from './words'

/** Everything about one part, typed. */
const props = defineProps<{ words: PartWords }>()
const work = useBench()
const spot = work.spot()
const set = (tell: Parameters<typeof work.changePart>[0]) => work.changePart(tell, spot)
const about = work.about

type Spot = NonNullable<PartWords['atMm']>
const put = (field: 'atMm' | 'sizeMm', axis: keyof Spot, mm: number) => set((w) => ({ [field]: { ...w[field]!, [axis]: mm } }))
const turn = (axis: keyof Spot, degrees: number) => set((w) => ({ turn: { x: 0, y: 0, z: 0, ...w.turn, [axis]: degrees } }))
const taper = (axis: 'x' | 'y', percent: number) => set((w) => ({ taper: { x: 100, y: 100, ...w.taper, [axis]: percent } }))
const AXES = ['x', 'y', 'z'] as const

/** Lists within a part: rows are changed in what stands when the edit's turn comes. */
type Lists = 'outline' | 'stations' | 'path' | 'openings'
type Row = Record<string, number | undefined>
/** Which line of a prism is worked on: 0 is its outline, then its holes. */
const ring = ref(0)
watch(
  () => props.words.holes?.length ?? 0,
  (holes) => (ring.value = Math.min(ring.value, holes)),
)
const rows = (list: Lists) => ((list === 'outline' && ring.value ? props.words.holes?.[ring.value - 1] : props.words[list]) ?? []) as unknown as Row[]
const edit = (list: Lists, how: (all: Row[]) => void) =>
  set((w) => {
    const hole = list === 'outline' ? ring.value : 0
    if (hole) {
      const holes = (w.holes ?? []).map((h) => h.map((p) => ({ ...p })))
      how((holes[hole - 1] ?? []) as unknown as Row[])
      return { holes }
    }
    const all = ((w[list] ?? []) as unknown as Row[]).map((r) => ({ ...r }))
    how(all)
    return { [list]: all } as Partial<PartWords>
  })
const setCell = (list: Lists, row: number, key: string, mm: number) => edit(list, (all) => (all[row]![key] = mm))
const drop = (list: Lists, row: number) => edit(list, (all) => all.splice(row, 1))

const X = { key: 'x', label: 'X' }
const Y = { key: 'y', label: 'Y' }
const ROUND = { key: 'radius', label: 'Round' }
/** The list that a form has, and how it is typed. */
const list = computed(() => {
  switch (props.words.form) {
    case 'PANEL':
      return {
        of: 'openings' as const,
        what: 'opening',
        least: 0,
        columns: [
          { key: 'x', label: 'From start' },
          { key: 'z', label: 'From foot' },
          { key: 'width', label: 'Width' },
          { key: 'height', label: 'Height' },
        ],
      }
    case 'PRISM':
      return { of: 'outline' as const, what: 'corner', least: 3, columns: [X, Y, ROUND] }
    case 'TURNED':
      return {
        of: 'stations' as const,
        what: 'point',
        least: 2,
        columns: [
          { key: 'radius', label: 'Radius' },
          { key: 'z', label: 'Height' },
        ],
      }
    case 'PUSHED':
      return { of: 'path' as const, what: 'corner', least: props.words.closed ? 3 : 2, columns: [X, Y, { key: 'z', label: 'Z' }, ROUND] }
    default:
      return undefined
  }
})
/** How it is drawn: what of a row lies to the right, and what up. */
const DRAWN = {
  outline: { closed: true, right: 'x', up: 'y', label: 'Outline, from above' },
  stations: { closed: false, right: 'radius', up: 'z', label: 'Half profile' },
  path: { closed: false, right: 'x', up: 'y', label: 'Path, from above' },
}
const editor = computed(() => {
  const of = list.value?.of
  if (!of || of === 'openings') return undefined
  const drawn = DRAWN[of]
  return {
    ...drawn,
    list: of,
    closed: drawn.closed || !!props.words.closed,
    least: list.value!.least,
    points: rows(of).map((p) => ({ x: p[drawn.right]!, y: p[drawn.up]! })),
  }
})
const cells = (to: { x: number; y: number }) => ({ [editor.value!.right]: to.x, [editor.value!.up]: to.y })
function nudge(at: number, by: { x: number; y: number }) {
  const { list, right, up } = editor.value!
  void edit(list, (all) => {
    const row = all[at]!
    row[right] = row[right]! + by.x
    row[up] = row[up]! + by.y
  })
}
function insert(before: number, at: { x: number; y: number }) {
  const { list } = editor.value!
  void edit(list, (all) => all.splice(before, 0, { ...(list === 'path' ? { z: all[before - 1]!.z } : {}), ...cells(at) }))
}
/** One further on, as the last two lie. */
function append(list: Lists) {
  void edit(list, (all) => {
    const last = all.at(-1)!
    const before = all.at(-2) ?? last
    all.push(
      Object.fromEntries(Object.keys(last).map((k) => [k, k === 'radius' && list !== 'stations' ? 0 : 2 * last[k]! - (before[k] ?? 0) || last[k]! + 100])),
    )
  })
}
/** A square hole in the middle of the outline, an eighth of it wide. */
const addHole = () => {
  ring.value = (props.words.holes?.length ?? 0) + 1
  return set((w) => {
    const xs = w.outline!.map((p) => p.x)
    const ys = w.outline!.map((p) => p.y)
    const [x, y] = [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2]
    const d = Math.max(1, Math.round(Math.min(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)) / 8))
    return {
      holes: [
        ...(w.holes ?? []),
        [
          { x: x - d, y: y - d },
          { x: x + d, y: y - d },
          { x: x + d, y: y + d },
          { x: x - d, y: y + d },
        ],
      ],
    }
  })
}
const fillHole = (hole: number) => set((w) => ({ holes: w.holes!.filter((_, i) => i !== hole - 1) }))
const takeOutline = (rings: { x: number; y: number; radius?: number }[][]) => {
  ring.value = 0
  return set(() => ({ outline: rings[0], holes: rings.slice(1) }))
}
const addOpening = () =>
  set((w) => ({
    openings: [
      ...(w.openings ?? []),
      { x: Math.round(w.sizeMm!.x / 4), z: Math.round(w.sizeMm!.z / 4), width: Math.round(w.sizeMm!.x / 8), height: Math.round(w.sizeMm!.z / 4) },
    ],
  }))

type Copies = NonNullable<PartWords['copies']>
const COPIES = [
  { value: 'ONCE', label: 'once' },
  { value: 'ALONG', label: 'along, by steps' },
  { value: 'ROUND', label: 'round an axis' },
  { value: 'MIRRORED_X', label: 'mirrored left to right' },
  { value: 'MIRRORED_Y', label: 'mirrored front to back' },
] as const
const times = computed<Copies>(() => props.words.copies ?? { how: 'ONCE' })
function repeat(how: Copies['how']) {
  const usual: Record<Copies['how'], Partial<Copies>> = {
    ONCE: {},
    ALONG: { count: 3, stepMm: { x: (props.words.sizeMm?.x ?? 200) * 1.5, y: 0, z: 0 } },
    ROUND: { count: 6, xMm: 0, yMm: 0, sweepDegrees: 360 },
    MIRRORED_X: { xMm: 0 },
    MIRRORED_Y: { yMm: 0 },
  }
  void set(() => ({ copies: { how, ...usual[how] } }))
}
const setTimes = (told: Partial<Copies>) => set((w) => ({ copies: { ...w.copies!, ...told } }))
const POINTS = [
  { value: '-1 1', label: '↖' },
  { value: '0 1', label: '↑' },
  { value: '1 1', label: '↗' },
  { value: '-1 0', label: '←' },
  { value: '0 0', label: '·' },
  { value: '1 0', label: '→' },
  { value: '-1 -1', label: '↙' },
  { value: '0 -1', label: '↓' },
  { value: '1 -1', label: '↘' },
] as const
const lies = computed(() => `${props.words.across ?? 0} ${props.words.up ?? 0}`)
function lie(value: string) {
  const [across, up] = value.split(' ').map(Number)
  void set(() => ({ across, up }))
}
const QUARTERS = [
  { value: 0, label: 'as it lies' },
  { value: 1, label: 'turned by 90°' },
  { value: 2, label: 'turned by 180°' },
  { value: 3, label: 'turned by 270°' },
] as const
const SIZED = ['BLOCK', 'PANEL', 'STEPS', 'BARS']
</script>

<template>
  <section :aria-label="`Part: ${words.name || FORMS[words.form!]}`">
    <div class="fields">
      <label class="field"
        ><span>Name</span><TextEntry label="Name of the part" :value="words.name ?? ''" :maxlength="60" @commit="(name) => set(() => ({ name }))"
      /></label>
      <label class="field"><span>Swatch</span><MaterialChoice label="Swatch" :value="words.swatch" @change="(swatch) => set(() => ({ swatch }))" /></label>
    </div>
    <label class="cuts"
      ><Switch size="small" :checked="!!words.cuts" aria-label="Cuts" @change="(on) => set(() => ({ cuts: !!on }))" /><span
        >Cuts: taken out of the parts before it</span
      ></label
    >
    <div v-if="SIZED.includes(words.form!)" class="fields three">
      <LengthField label="Width" :mm="words.sizeMm?.x" @change="(mm) => put('sizeMm', 'x', mm)" />
      <LengthField label="Depth" :mm="words.sizeMm?.y" @change="(mm) => put('sizeMm', 'y', mm)" />
      <LengthField label="Height" :mm="words.sizeMm?.z" @change="(mm) => put('sizeMm', 'z', mm)" />
    </div>
    <p v-if="about('size')" class="fault" role="alert">{{ about('size') }}</p>
    <div v-if="words.form === 'PRISM'" class="fields three">
      <LengthField label="Height" :mm="words.heightMm" @change="(mm) => set(() => ({ heightMm: mm }))" />
    </div>
    <template v-if="words.form === 'LETTERS'">
      <label class="field"
        ><span>Text</span><TextEntry label="Text" :value="words.text ?? ''" :maxlength="60" @commit="(text) => set(() => ({ text }))"
      /></label>
      <div class="fields">
        <LengthField label="Capitals high" :mm="words.heightMm" @change="(mm) => set(() => ({ heightMm: mm }))" />
        <LengthField label="Depth" :mm="words.widthMm" @change="(mm) => set(() => ({ widthMm: mm }))" />
      </div>
    </template>
    <div v-if="words.form === 'STEPS'" class="fields three">
      <NumberField label="Treads" :value="words.treads" @change="(treads) => set(() => ({ treads }))" />
      <LengthField label="Below first riser" :mm="words.footMm" @change="(mm) => set(() => ({ footMm: mm }))" />
      <LengthField label="Waist" :mm="words.waistMm" @change="(mm) => set(() => ({ waistMm: mm }))" />
    </div>
    <template v-if="words.form === 'SLOPED'">
      <div class="fields three">
        <LengthField label="Length" :mm="words.lengthMm" @change="(mm) => set(() => ({ lengthMm: mm }))" />
        <LengthField label="Depth" :mm="words.widthMm" @change="(mm) => set(() => ({ widthMm: mm }))" />
      </div>
      <div class="four">
        <LengthField label="Low, start" :mm="words.lowFromMm" @change="(mm) => set(() => ({ lowFromMm: mm }))" />
        <LengthField label="High, start" :mm="words.highFromMm" @change="(mm) => set(() => ({ highFromMm: mm }))" />
        <LengthField label="Low, end" :mm="words.lowToMm" @change="(mm) => set(() => ({ lowToMm: mm }))" />
        <LengthField label="High, end" :mm="words.highToMm" @change="(mm) => set(() => ({ highToMm: mm }))" />
      </div>
    </template>
    <div v-if="words.form === 'BARS'" class="four">
      <LengthField label="Rise" :mm="words.riseMm" @change="(mm) => set(() => ({ riseMm: mm }))" />
      <NumberField label="Treads" :value="words.treads ?? 0" @change="(treads) => set(() => ({ treads }))" />
      <LengthField label="Pitch" :mm="words.pitchMm" @change="(mm) => set(() => ({ pitchMm: mm }))" />
      <LengthField label="Bar" :mm="words.barMm" @change="(mm) => set(() => ({ barMm: mm }))" />
    </div>
    <ProfileFields v-if="words.form === 'PUSHED'" :words="words" />
    <template v-if="words.form === 'PRISM'">
      <SvgShapes what="outlines" @take="takeOutline" />
      <div class="row" role="group" aria-label="Line that is worked on">
        <button type="button" class="plain line" :aria-pressed="ring === 0" @click="ring = 0">outline</button>
        <button v-for="(_, i) in words.holes ?? []" :key="i" type="button" class="plain line" :aria-pressed="ring === i + 1" @click="ring = i + 1">
          hole {{ i + 1 }}
        </button>
        <button type="button" class="plain line more" @click="addHole">+ hole</button>
        <button v-if="ring" type="button" class="plain line" @click="fillHole(ring)">✕ fill hole {{ ring }}</button>
      </div>
    </template>
    <PointEditor
      v-if="editor"
      :key="`${editor.list} ${ring}`"
      :label="editor.label"
      :points="editor.points"
      :closed="editor.closed"
      :step-mm="10"
      :least="editor.least"
      @move="(i, to) => edit(editor!.list, (all) => Object.assign(all[i]!, cells(to)))"
      @nudge="nudge"
      @insert="insert"
      @remove="(i) => drop(editor!.list, i)" />
    <PointRows
      v-if="list"
      :what="list.what"
      :rows="rows(list.of)"
      :least="list.least"
      :columns="list.columns"
      @set="(i, k, mm) => setCell(list!.of, i, k, mm)"
      @add="list.of === 'openings' ? addOpening() : append(list.of)"
      @remove="(i) => drop(list!.of, i)" />
    <template v-if="words.form === 'TURNED'">
      <div class="fields three"><NumberField label="Sides" :value="words.sides" :error="about('sides')" @change="(sides) => set(() => ({ sides }))" /></div>
    </template>
    <template v-if="words.form === 'PUSHED'">
      <div class="fields three">
        <label class="field"
          ><span>On the path</span><Choice label="Which point of the profile lies on the path" :value="lies" :options="POINTS" @change="lie"
        /></label>
        <label class="field"
          ><span>Closed</span
          ><Switch class="narrow" size="small" :checked="!!words.closed" aria-label="Closed path" @change="(on) => set(() => ({ closed: !!on }))"
        /></label>
        <label class="field"
          ><span>Mirrored</span
          ><Switch class="narrow" size="small" :checked="!!words.mirrored" aria-label="Profile mirrored" @change="(on) => set(() => ({ mirrored: !!on }))"
        /></label>
      </div>
    </template>
    <p
      v-if="about('outline', 'holes', 'path', 'openings', 'stations', 'treads', 'foot', 'heights', 'rise', 'pitch', 'text', 'height', 'cuts')"
      class="fault"
      role="alert">
      {{ about('outline', 'holes', 'path', 'openings', 'stations', 'treads', 'foot', 'heights', 'rise', 'pitch', 'text', 'height', 'cuts') }}
    </p>
    <div class="fields three">
      <LengthField v-for="a in AXES" :key="a" :label="a.toUpperCase()" :mm="words.atMm?.[a]" @change="(mm) => put('atMm', a, mm)" />
    </div>
    <div class="fields three">
      <NumberField
        v-for="a in AXES"
        :key="a"
        :label="`Turn ${a.toUpperCase()}, °`"
        fraction
        :value="words.turn?.[a] ?? 0"
        :error="a === 'x' ? about('turnDegrees') : undefined"
        @change="(v) => turn(a, v)" />
    </div>
    <label v-if="words.form === 'BROUGHT'" class="field"
      ><span>As laid out in its file</span
      ><Switch class="narrow" size="small" :checked="!!words.laidOut" aria-label="As laid out in its file" @change="(on) => set(() => ({ laidOut: !!on }))"
    /></label>
    <div class="four">
      <template v-if="words.form !== 'BROUGHT'">
        <LengthField
          :label="words.bevel ? 'Bevel' : 'Bevel, usual'"
          aria="Bevel"
          :mm="words.bevel?.widthMm"
          :error="about('bevel')"
          @change="(mm) => set((w) => ({ bevel: { ...w.bevel, widthMm: mm } }))" />
        <NumberField label="Segments" :value="words.bevel?.segments ?? 1" @change="(segments) => set((w) => ({ bevel: { ...w.bevel, segments } }))" />
      </template>
      <NumberField label="Taper X, %" fraction :value="words.taper?.x ?? 100" :error="about('taper')" @change="(v) => taper('x', v)" />
      <NumberField label="Taper Y, %" fraction :value="words.taper?.y ?? 100" @change="(v) => taper('y', v)" />
    </div>
    <div class="fields">
      <label class="field"
        ><span>On its sheet</span
        ><Choice label="Turned on its sheet" :value="words.sheetQuarters ?? 0" :options="QUARTERS" @change="(sheetQuarters) => set(() => ({ sheetQuarters }))"
      /></label>
      <NumberField
        label="Shift by seed"
        :value="words.sheetSeed ?? 0"
        :error="about('sheetSeed')"
        title="0 lies as it is; any other number shifts each copy elsewhere"
        @change="(sheetSeed) => set(() => ({ sheetSeed }))" />
    </div>
    <div class="fields">
      <label class="field"><span>There</span><Choice label="How often it is there" :value="times.how" :options="COPIES" @change="repeat" /></label>
      <NumberField v-if="times.count !== undefined" label="Times" :value="times.count" :error="about('count')" @change="(count) => setTimes({ count })" />
    </div>
    <div v-if="times.how !== 'ONCE'" class="fields three">
      <template v-if="times.how === 'ALONG'">
        <LengthField
          v-for="a in AXES"
          :key="a"
          :label="`Step ${a.toUpperCase()}`"
          :mm="times.stepMm?.[a]"
          @change="(mm) => set((w) => ({ copies: { ...w.copies!, stepMm: { ...w.copies!.stepMm!, [a]: mm } } }))" />
      </template>
      <LengthField v-if="times.xMm !== undefined" label="At X" :mm="times.xMm" @change="(mm) => setTimes({ xMm: mm })" />
      <LengthField v-if="times.yMm !== undefined" label="At Y" :mm="times.yMm" @change="(mm) => setTimes({ yMm: mm })" />
      <NumberField
        v-if="times.sweepDegrees !== undefined"
        label="Round, °"
        fraction
        :value="times.sweepDegrees"
        :error="about('sweepDegrees')"
        @change="(v) => setTimes({ sweepDegrees: v })" />
    </div>
  </section>
</template>

<style scoped>
.narrow {
  align-self: start;
}
.line {
  padding: 0 4px;
}
.line[aria-pressed='true'] {
  box-shadow: inset 0 -2px var(--verdigris);
}
.line.more {
  color: #1d5c57;
}
.cuts {
  display: flex;
  align-items: center;
  gap: 8px;
}
</style>

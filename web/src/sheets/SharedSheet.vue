<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed, onBeforeUnmount, provide, ref } from 'vue'
import type { PlacedBody, PlacedView, SharedSheetView } from '../api/client'
import Choice from '../parts/Choice.vue'
import NumberField from '../parts/NumberField.vue'
import { REFUSED } from '../parts/refused'
import TextEntry from '../parts/TextEntry.vue'
import { tell, useSite } from '../site/site'
import { SIDES, useColourways, type Picture } from './colourways'
import MaterialName from './MaterialName.vue'
import { useMaterials } from './materials'
import PictureRows from './PictureRows.vue'
import { useSharedSheets } from './shared'
import WhichPicture from './WhichPicture.vue'

/** The shared sheet as it lies: swatches on its grid, moved by hand, by keys or typed, packed, and what each is made of. */
const props = defineProps<{ sheet: SharedSheetView }>()
const emit = defineEmits<{ gone: [] }>()
const site = useSite()
const shared = useSharedSheets()
const materials = useMaterials()
const colourways = useColourways()
provide(
  REFUSED,
  computed(() => shared.refusal),
)
const about = (field: string) => shared.refusal?.about(field)
/** What is wrong with where it lies. */
const placeFault = computed(() => about('x') ?? about('y') ?? about('width') ?? about('height'))
const cells = computed(() => props.sheet.cells)
const chosen = ref<PlacedView['swatch']>()
const one = computed(() => props.sheet.placed.find((p) => p.swatch === chosen.value))
const picture = ref<Picture>('COLOUR')
const KINDS = [
  { value: 'SINGLE', label: 'single' },
  { value: 'STRIP', label: 'strip, goes on to the sides' },
  { value: 'TILING', label: 'tiles both ways' },
] as const
const GRIDS = [4, 8, 16, 32, 64].map((value) => ({ value, label: `${value} × ${value}` }))
const set = (told: PlacedBody) => void shared.set(chosen.value!, told)

/** Dragged by so many cells. */
const held = ref<{ swatch: PlacedView['swatch']; x: number; y: number; dx: number; dy: number }>()
const drawing = ref<SVGSVGElement>()
const cellAt = (e: PointerEvent) => {
  const box = drawing.value!.getBoundingClientRect()
  return { x: ((e.clientX - box.left) / box.width) * cells.value, y: ((e.clientY - box.top) / box.height) * cells.value }
}
function take(e: PointerEvent, p: PlacedView) {
  chosen.value = p.swatch
  held.value = { swatch: p.swatch, ...cellAt(e), dx: 0, dy: 0 }
}
const within = (p: PlacedView, dx: number, dy: number) => ({
  x: p.kind === 'SINGLE' ? Math.max(0, Math.min(cells.value - p.width, p.x + dx)) : p.x,
  y: Math.max(0, Math.min(cells.value - p.height, p.y + dy)),
})
function drag(e: PointerEvent) {
  const h = held.value
  if (!h) return
  const at = cellAt(e)
  held.value = { ...h, dx: Math.round(at.x - h.x), dy: Math.round(at.y - h.y) }
}
function drop() {
  const h = held.value
  held.value = undefined
  const p = props.sheet.placed.find((q) => q.swatch === h?.swatch)
  if (!h || !p || (!h.dx && !h.dy)) return
  void shared.set(p.swatch, within(p, h.dx, h.dy))
}
const cancel = (e: KeyboardEvent) => e.key === 'Escape' && (held.value = undefined)
window.addEventListener('pointermove', drag)
window.addEventListener('pointerup', drop)
window.addEventListener('keydown', cancel)
onBeforeUnmount(() => {
  window.removeEventListener('pointermove', drag)
  window.removeEventListener('pointerup', drop)
  window.removeEventListener('keydown', cancel)
})
/** Where it is drawn: where it is held, while it is. */
const placeOf = (p: PlacedView) => (held.value?.swatch === p.swatch ? within(p, held.value.dx, held.value.dy) : { x: p.x, y: p.y })
const STEPS: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }
function onKey(e: KeyboardEvent, p: PlacedView) {
  const step = STEPS[e.key]
  if (step) void move(p.swatch, step)
  else if (e.key === 'Delete') void remove(p.swatch)
  else return
  e.preventDefault()
  e.stopPropagation()
}
/** From where it is once what was asked for before has been done. */
function move(swatch: PlacedView['swatch'], [dx, dy]: [number, number]) {
  const p = foreseen.get(swatch) ?? props.sheet.placed.find((q) => q.swatch === swatch)
  if (!p) return
  const to = { ...p, ...within(p, dx, dy) }
  foreseen.set(swatch, to)
  return shared.set(swatch, { x: to.x, y: to.y }).finally(() => foreseen.get(swatch) === to && foreseen.delete(swatch))
}
const foreseen = new Map<PlacedView['swatch'], PlacedView>()
async function remove(swatch: PlacedView['swatch']) {
  await shared.takeOff(swatch)
  if (!shared.refusal) chosen.value = undefined
}

const chooser = ref<HTMLInputElement>()
const reading = ref(0)
function choose() {
  chooser.value!.value = ''
  chooser.value!.click()
}
/** Each picture becomes a swatch, named as its file. */
async function bring() {
  const files = [...(chooser.value!.files ?? [])]
  reading.value = files.length
  for (const file of files) {
    try {
      const mediaId = await colourways.addPicture(file)
      const made = await shared.put(props.sheet.material, { name: file.name.replace(/\.[^.]+$/, ''), pictures: { COLOUR: mediaId } })
      if (made) chosen.value = made.swatch
    } catch (e) {
      tell(e)
    }
    reading.value--
    if (shared.refusal) break
  }
  reading.value = 0
}
async function addEmpty(kind: 'SINGLE' | 'STRIP') {
  const made = await shared.put(props.sheet.material, { kind, height: kind === 'STRIP' ? Math.max(1, cells.value / 8) : undefined })
  if (made) chosen.value = made.swatch
}
const freeShare = computed(() => Math.round((100 * props.sheet.free) / cells.value ** 2))
const perCell = computed(() => props.sheet.widthMm / cells.value)
async function away() {
  await shared.remove(props.sheet.material)
  if (!shared.refusal) emit('gone')
}
</script>

<template>
  <div class="middle">
    <WhichPicture v-model="picture" :says="`${site.show(sheet.widthMm)} square, ${sheet.pixels} pixels`" />
    <div class="lying">
      <div class="sheet">
        <img data-testid="shared-sheet" :src="shared.url(sheet, picture, 1024)" :alt="`${materials.called(sheet.material)}, ${picture.toLowerCase()}`" />
        <svg ref="drawing" :viewBox="`0 0 ${cells} ${cells}`" aria-label="Swatches on the sheet" role="group" :data-free="sheet.free">
          <defs>
            <pattern id="cells" width="1" height="1" patternUnits="userSpaceOnUse">
              <path d="M1 0H0V1" fill="none" stroke="#5a6570" stroke-opacity="0.28" :stroke-width="cells / 700" />
            </pattern>
          </defs>
          <rect :width="cells" :height="cells" fill="url(#cells)" />
          <g
            v-for="p in sheet.placed"
            :key="p.swatch"
            class="swatch"
            :class="{ here: p.swatch === chosen }"
            role="button"
            tabindex="0"
            :aria-label="`${p.name}, ${p.width} × ${p.height} cells at ${p.x}, ${p.y}`"
            :aria-pressed="p.swatch === chosen"
            :transform="`translate(${placeOf(p).x} ${placeOf(p).y})`"
            @focus="chosen = p.swatch"
            @pointerdown.prevent="(e) => take(e, p)"
            @keydown="(e) => onKey(e, p)">
            <rect :width="p.width" :height="p.height" />
            <text :x="cells / 90" :y="cells / 28" :font-size="cells / 34">{{ p.name }}</text>
          </g>
        </svg>
      </div>
    </div>
    <p class="foot soft">
      <span v-if="!sheet.placed.length">Nothing lies here yet. Add pictures: each becomes a swatch that parts and patterns can be made of.</span>
      <span v-else>{{ freeShare }} % free. Drag a swatch, or move it with the arrow keys; what is made of it follows.</span>
    </p>
  </div>
  <aside class="panel side" aria-label="The shared sheet">
    <input ref="chooser" type="file" hidden multiple accept=".png,.jpg,.jpeg,.webp" data-testid="shared-pictures" @change="bring" />
    <div class="row">
      <Button size="small" type="primary" :loading="reading > 0" @click="choose">Add pictures …</Button>
      <Button size="small" @click="addEmpty('SINGLE')">Add a swatch</Button>
      <Button size="small" @click="addEmpty('STRIP')">Add a strip</Button>
    </div>
    <div class="row">
      <label class="field grid"
        ><span>Grid</span><Choice label="Cells of the grid" :value="cells" :options="GRIDS" @change="(n) => void shared.change(sheet.material, { cells: n })"
      /></label>
      <Button size="small" :disabled="sheet.placed.length < 2" title="All of them anew, without room between them" @click="shared.pack(sheet.material)"
        >Pack</Button
      >
    </div>
    <MaterialName :material="sheet.material" />
    <label class="field"
      ><span>Size</span
      ><Choice label="Pixels of the sheet" :value="sheet.pixels" :options="SIDES" @change="(pixels) => void shared.change(sheet.material, { pixels })"
    /></label>
    <p class="soft">A cell is {{ site.show(perCell) }}, {{ sheet.pixels / cells }} pixels.</p>
    <p v-if="about('cells') ?? about('placed') ?? about('swatch')" class="fault" role="alert">■ {{ about('cells') ?? about('placed') ?? about('swatch') }}</p>
    <section v-if="one" :key="one.swatch" aria-label="The swatch">
      <h3>{{ one.name }}</h3>
      <label class="field"><span>Name</span><TextEntry label="Name of the swatch" :value="one.name" :maxlength="60" @commit="(name) => set({ name })" /></label>
      <label class="field"
        ><span>Goes on</span><Choice label="Which way it goes on" :value="one.kind" :options="KINDS" @change="(kind) => set({ kind })"
      /></label>
      <p v-if="about('name') ?? about('kind')" class="fault" role="alert">■ {{ about('name') ?? about('kind') }}</p>
      <div class="fields four">
        <NumberField label="From left" :value="one.x" @change="(x) => set({ x })" />
        <NumberField label="From top" :value="one.y" @change="(y) => set({ y })" />
        <NumberField label="Wide" aria="Cells wide" :value="one.width" @change="(width) => set({ width })" />
        <NumberField label="High" aria="Cells high" :value="one.height" @change="(height) => set({ height })" />
      </div>
      <p v-if="placeFault" class="fault" role="alert">■ {{ placeFault }}</p>
      <p class="soft">{{ site.show(one.width * perCell) }} × {{ site.show(one.height * perCell) }} on a piece</p>
      <PictureRows :pictures="one.pictures" :error="about('pictures')" @change="(layer, id) => set({ pictures: { [layer]: id } })" />
      <div class="fields">
        <NumberField label="Roughness, %" :value="one.roughness" :error="about('roughness')" @change="(roughness) => set({ roughness })" />
        <NumberField label="Metallic, %" :value="one.metallic" :error="about('metallic')" @change="(metallic) => set({ metallic })" />
      </div>
      <Button size="small" danger @click="remove(one.swatch)">Take it off the sheet</Button>
    </section>
    <p v-else-if="sheet.placed.length" class="soft">Choose a swatch on the sheet to change it.</p>
    <div v-if="sheet.material !== 'SHARED'" class="row"><Button size="small" @click="away">Take the sheet away</Button></div>
  </aside>
</template>

<style scoped>
.middle {
  min-width: 0;
  min-height: 0;
  display: grid;
  grid-template-rows: auto minmax(220px, 1fr) auto;
}
.lying {
  min-height: 0;
  display: flex;
  justify-content: center;
  padding: 6px 18px 12px;
}
.sheet {
  position: relative;
  height: 100%;
  aspect-ratio: 1;
  border: 1px solid var(--hairline);
}
.sheet img,
.sheet svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.swatch {
  cursor: move;
  outline: none;
}
.swatch rect {
  fill: transparent;
  stroke: var(--ink);
  stroke-width: 1px;
  vector-effect: non-scaling-stroke;
}
.swatch.here rect {
  fill: rgb(106 61 124 / 14%);
  stroke: #6a3d7c;
  stroke-width: 2px;
}
.swatch:focus-visible rect {
  stroke: var(--verdigris);
  stroke-width: 3px;
}
.swatch text {
  font-family: var(--sans);
  font-weight: 600;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 0.2em;
  pointer-events: none;
  user-select: none;
}
.foot {
  margin: 0;
  padding: 0 18px 12px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
}
.grid {
  width: 110px;
}
.four {
  grid-template-columns: repeat(4, 1fr);
}
h3 {
  margin: 0 0 6px;
}
</style>

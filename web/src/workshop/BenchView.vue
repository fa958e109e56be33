<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { BenchView as Bench } from '../api/client'
import { tell } from '../site/site'
import { useDensities } from '../space/densities'
import { useColourways } from '../sheets/colourways'
import { useSeeing } from '../ticket/seeing'
import SheetView from './SheetView.vue'
import { BenchScene, type BenchLook, type BenchSight } from './BenchScene'

/** A piece in the round, beside the figure; or several beside one another. */
const props = defineProps<{
  pieces: BenchSight['pieces']
  label: string
  /** Where each part lies, so that one can be taken by a click. */
  parts?: readonly Bench['parts'][number][]
  chosen?: number
  openMm?: readonly number[]
  /** Told otherwise, what is shown is framed anew. */
  of: string
}>()
const emit = defineEmits<{ choose: [part: number] }>()
const host = ref<HTMLElement>()
const densities = useDensities()
const seeing = useSeeing()
const colourways = useColourways()
const facing = ref(false)
/** Whether its faces are seen on their sheets, in place of the piece. */
const onSheet = ref(false)
const look = computed<BenchLook>(() => (facing.value ? 'facing' : !seeing.finished ? 'paper' : (seeing.instead ?? 'finished')))
function see(name: BenchLook | 'sheet') {
  onSheet.value = name === 'sheet'
  if (name === 'sheet') return
  facing.value = name === 'facing'
  if (facing.value) return
  seeing.finished = name !== 'paper'
  seeing.instead = name === 'checker' || name === 'density' ? name : undefined
}
const seen = computed(() => (onSheet.value ? 'sheet' : look.value))
const drawn = ref({ look: '', triangles: 0 })
let scene: BenchScene | undefined
/** How many meshes are on their way, once it takes long. */
const late = ref(0)
const LATE_MS = 400
async function show(now: BenchSight) {
  let isLate = 0
  const timer = setTimeout(() => (late.value += isLate = 1), LATE_MS)
  try {
    await scene?.show(now)
  } catch (e) {
    tell(e)
  }
  clearTimeout(timer)
  late.value -= isLate
}

const LOOKS = [
  { name: 'paper', title: 'Paper', says: 'grey paper with ink edges (P)' },
  { name: 'finished', title: 'Finished', says: 'in its finishes (P)' },
  { name: 'checker', title: 'Checker', says: 'in squares of 64 pixels' },
  { name: 'density', title: 'Density', says: 'how finely pictures lie, against the site' },
  { name: 'sheet', title: 'On sheets', says: 'where its faces lie on the sheets' },
  { name: 'facing', title: 'Facing', says: 'fronts in paper, backs hatched' },
] as const
const FROM = [
  { from: 'front', title: 'Front' },
  { from: 'side', title: 'Side' },
  { from: 'top', title: 'Top' },
  { from: 'free', title: 'Whole' },
] as const

const sight = computed<BenchSight>(() => ({
  pieces: props.pieces,
  look: look.value,
  coats: look.value === 'finished' ? colourways.coats : undefined,
  against: densities.against,
  chosenMm: props.parts?.[props.chosen ?? 0]?.extentsMm ?? [],
  openMm: props.openMm ?? [],
}))

onMounted(() => {
  scene = new BenchScene(host.value!, () => (drawn.value = scene!.drawn))
  void show(sight.value)
})
onBeforeUnmount(() => scene?.dispose())
useResizeObserver(host, () => scene?.resize())
watch(sight, show)
watch(
  () => props.of,
  () => scene?.forget(),
  { flush: 'sync' },
)
let pressed = { x: 0, y: 0 }
const press = (e: PointerEvent) => (pressed = { x: e.offsetX, y: e.offsetY })
/** A click takes the part under it. */
function release(e: PointerEvent) {
  if (e.button !== 0 || Math.hypot(e.offsetX - pressed.x, e.offsetY - pressed.y) > 4 || !props.parts) return
  const found = scene?.pick(
    e.offsetX,
    e.offsetY,
    props.parts.map((p) => p.boxesMm),
  )
  if (found !== undefined) emit('choose', found)
}
</script>

<template>
  <div class="bench">
    <div class="tools" role="toolbar" aria-label="How the piece is seen">
      <button
        v-for="l in LOOKS"
        :key="l.name"
        type="button"
        class="plain"
        :class="{ on: seen === l.name }"
        :aria-pressed="seen === l.name"
        :title="l.says"
        @click="see(l.name)">
        {{ l.title }}
      </button>
      <span class="gap" />
      <button
        v-for="f in onSheet ? [] : FROM"
        :key="f.from"
        type="button"
        class="plain"
        :title="`Look from: ${f.title.toLowerCase()}`"
        @click="scene?.frame(f.from)">
        {{ f.title }}
      </button>
    </div>
    <div
      ref="host"
      class="view"
      data-testid="bench"
      role="img"
      :aria-label="`${label} beside the figure`"
      :data-look="drawn.look"
      :data-triangles="drawn.triangles"
      @pointerdown="press"
      @pointerup="release"
      @contextmenu.prevent />
    <p v-if="late" class="late soft" role="status">the mesh is on its way …</p>
    <div v-if="onSheet" class="over"><SheetView :urls="pieces.map((p) => p.url)" :coats="colourways.coats" :label="label" /></div>
  </div>
</template>

<style scoped>
.bench {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.tools {
  display: flex;
  gap: 14px;
  padding: 6px 14px;
  border-bottom: 1px solid var(--hairline);
}
.tools button {
  min-height: 24px;
  border-bottom: 2px solid transparent;
}
.tools .on {
  border-bottom-color: var(--verdigris);
  font-weight: 600;
}
.gap {
  flex: 1;
}
.bench {
  position: relative;
}
.late {
  position: absolute;
  top: 46px;
  left: 14px;
}
.over {
  position: absolute;
  inset: 37px 0 0;
}
.view {
  flex: 1;
  min-height: 0;
  position: relative;
  overflow: hidden;
}
.view :deep(canvas) {
  position: absolute;
  inset: 0;
}
</style>

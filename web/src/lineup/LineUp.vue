<script setup lang="ts">
import { useWindowSize } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { PieceView } from '../api/client'
import { usePlacing } from '../placing/placing'
import { meshUrl, tell, useSite } from '../site/site'
import { FIGURE_OUTLINE } from '../parts/figure'
import { useArrangement } from '../table/arrangement'
import { portrait } from '../shapes/portraits'

/** Every piece of the kit to one scale on one ground line beside the figure; the palette to place from. */
const site = useSite()
const placing = usePlacing()
const views = useArrangement()
const wanted = ref('')
const roles = computed(() => [...new Set(site.pieces.map((p) => p.role))])
const shown = computed(() => {
  const word = wanted.value.trim().toLowerCase()
  return site.pieces.filter((p) => !word || [p.code, p.name, p.role].some((text) => text.toLowerCase().includes(word)))
})
/** Assemblies seen from their front, what is farthest drawn first. */
const assemblies = computed(() => {
  const word = wanted.value.trim().toLowerCase()
  return site.assemblies.assemblies
    .filter((a) => !word || a.name.toLowerCase().includes(word))
    .map((a) => ({
      ...a,
      x: a.boxMm.min.x,
      top: a.boxMm.max.z,
      width: a.boxMm.max.x - a.boxMm.min.x,
      height: a.boxMm.max.z - a.boxMm.min.z,
      boxes: [...a.piecesMm].sort((b, c) => c.min.y - b.min.y),
    }))
})

/** Left of the strip's height for what is drawn, pixels. */
const { height: windowHeight } = useWindowSize()
const tallestPx = computed(() => Math.min(116, Math.max(58, windowHeight.value * 0.105 - 28)))
const portraits = ref(new Map<string, string>())
const tallest = computed(() => Math.max(2000, ...site.pieces.map((p) => p.sizeMm.z), ...site.assemblies.assemblies.map((a) => a.boxMm.max.z - a.boxMm.min.z)))
const pxPerMm = computed(() => tallestPx.value / tallest.value)

/** What would be smaller than this is drawn larger, so many times as the Figure beside it still has room, and marked so. */
const SPECK_PX = 11
const FIGURE_MM = 1800
const magnifications = computed(() => [1, 2, 4, 8].filter((k) => FIGURE_MM * pxPerMm.value * k <= tallestPx.value))
function magnification(p: PieceView) {
  const extent = Math.max(p.sizeMm.x, p.sizeMm.z) * pxPerMm.value
  return magnifications.value.find((k) => extent * k >= SPECK_PX) ?? magnifications.value.at(-1) ?? 1
}
/** A piece opens a group where its role is another than that of the piece before it. */
const items = computed(() =>
  [...shown.value]
    .sort((a, b) => order(a.role) - order(b.role))
    .map((p, i, all) => ({ p, k: magnification(p), opens: p.role !== all[i - 1]?.role ? `${p.role.toLowerCase()}s` : '' })),
)
const order = (role: string) => roles.value.indexOf(role as PieceView['role'])

const scaleOf = (p: PieceView) => pxPerMm.value * magnification(p)
const keyOf = (p: PieceView) => `${p.mesh} ${scaleOf(p)}`

/** Floor and ceiling tiles lie down: their elevation is their edge. */
async function drawPortraits() {
  await Promise.all(
    site.pieces.map(async (p) => {
      const key = keyOf(p)
      if (portraits.value.has(key)) return
      portraits.value.set(key, '')
      portraits.value.set(key, await portrait(meshUrl(site.site!.id, p), p.sizeMm.x / 1000, p.sizeMm.z / 1000, scaleOf(p) * 1000))
    }),
  )
}
watch(
  () => [site.pieces, pxPerMm.value],
  () => void drawPortraits().catch(tell),
  { immediate: true },
)

/** One stop of the Tab key for all: arrows go on along the line, Home and End to its ends. */
const ground = ref<HTMLElement>()
function along(e: KeyboardEvent) {
  // What is in the hand or selected is nudged by them.
  if (placing.holds || site.selection.size) return
  const all = [...ground.value!.querySelectorAll<HTMLElement>('button.item')]
  const at = all.indexOf(document.activeElement as HTMLElement)
  const to = { ArrowLeft: at - 1, ArrowRight: at + 1, Home: 0, End: all.length - 1 }[e.key]
  if (at < 0 || to === undefined) return
  e.preventDefault()
  e.stopPropagation()
  all[Math.max(0, Math.min(all.length - 1, to))]?.focus()
}
const stop = ref('')

const take = (p: PieceView) => placing.take(p.id)
const bare = (p: PieceView) => [p.sizeMm.x, p.sizeMm.y, p.sizeMm.z].map((v) => site.show(v)).join(' × ')
</script>

<template>
  <nav class="lineup" aria-label="Line-up: the pieces of the kit" :class="{ folded: views.lineUpFolded }">
    <button
      type="button"
      class="foldup"
      :aria-expanded="!views.lineUpFolded"
      :title="views.lineUpFolded ? 'Open the Line-up' : 'Fold the Line-up away'"
      @click="views.lineUpFolded = !views.lineUpFolded">
      Line-up <span aria-hidden="true">{{ views.lineUpFolded ? '▴' : '▾' }}</span>
    </button>
    <template v-if="!views.lineUpFolded">
      <div v-if="site.pieces.length > 8" class="find">
        <input v-model="wanted" type="search" aria-label="Find a piece" placeholder="Find a piece" title="By code, name or role" />
      </div>
      <div class="item figure" title="Figure, 1.8 m">
        <svg :width="400 * pxPerMm" :height="FIGURE_MM * pxPerMm" viewBox="-200 -1800 400 1800" aria-hidden="true">
          <g transform="scale(1 -1)">
            <path :d="FIGURE_OUTLINE" fill="#2F7F79" />
            <circle cx="0" cy="1660" r="140" fill="#2F7F79" />
          </g>
        </svg>
        <span class="code">Figure</span>
      </div>
      <div ref="ground" class="ground" role="toolbar" aria-label="Pieces on one ground line" @keydown="along">
        <p v-if="site.pieces.length === 0" class="none">
          {{ site.massing.rooms.length ? 'No pieces yet. Work out the kit, and they line up here.' : 'Type a room first; its kit lines up here.' }}
        </p>
        <button
          v-for="(a, i) in assemblies"
          :key="`assembly ${a.id}`"
          type="button"
          class="item"
          :class="{ held: placing.held?.kind === 'assembly' && placing.held.assemblyId === a.id, opens: i === 0 }"
          :tabindex="stop === `a${a.id}` || (!stop && i === 0) ? 0 : -1"
          :title="`${a.name}, an assembly of ${a.pieces}`"
          :aria-label="`Take the assembly ${a.name}, ${a.uses} placed`"
          @focus="stop = `a${a.id}`"
          @click="placing.takeAssembly(a.id)">
          <span v-if="i === 0" class="group">assemblies</span>
          <svg :width="a.width * pxPerMm + 4" :height="a.height * pxPerMm + 4" :viewBox="`${a.x} ${-a.top} ${a.width} ${a.height}`" aria-hidden="true">
            <rect v-for="(b, j) in a.boxes" :key="j" :x="b.min.x" :y="-b.max.z" :width="b.max.x - b.min.x" :height="b.max.z - b.min.z" class="part" />
          </svg>
          <span class="code"
            >{{ a.name }} <span class="count">{{ a.uses }}×</span></span
          >
        </button>
        <button
          v-for="({ p, k, opens }, i) in items"
          :key="p.id"
          type="button"
          class="item"
          :class="{ held: placing.heldPieceId === p.id, opens }"
          :tabindex="stop === `p${p.id}` || (!stop && i === 0 && !assemblies.length) ? 0 : -1"
          :title="`${p.name}, ${bare(p)}${k > 1 ? `, drawn ${k} times as large as the others` : ''}`"
          :aria-label="`Take ${p.code}, ${p.name}, ${p.count} placed`"
          @focus="stop = `p${p.id}`"
          @click="take(p)">
          <span v-if="opens" class="group">{{ opens }}</span>
          <span class="drawn">
            <svg v-if="k > 1" class="beside" :width="400 * pxPerMm * k" :height="FIGURE_MM * pxPerMm * k" viewBox="-200 -1800 400 1800" aria-hidden="true">
              <g transform="scale(1 -1)">
                <path :d="FIGURE_OUTLINE" />
                <circle cx="0" cy="1660" r="140" />
              </g>
            </svg>
            <img
              v-if="portraits.get(keyOf(p))"
              :src="portraits.get(keyOf(p))"
              alt=""
              :style="{ width: `${p.sizeMm.x * pxPerMm * k + 4}px`, height: `${p.sizeMm.z * pxPerMm * k + 4}px` }" />
            <span v-if="k > 1" class="times">{{ k }} : 1</span>
          </span>
          <span class="code"
            >{{ p.code }} <span class="count">{{ p.count }}×</span></span
          >
        </button>
      </div>
    </template>
  </nav>
</template>

<style scoped>
.lineup {
  position: relative;
  display: flex;
  height: clamp(84px, 10.5vh, 150px);
  border-top: 1px solid var(--hairline);
  background: var(--sheet);
}
.lineup.folded {
  height: 0;
}
.foldup {
  position: absolute;
  left: 210px;
  bottom: 100%;
  z-index: 4;
  border: 1px solid var(--hairline);
  border-bottom: 0;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-size: var(--small);
  line-height: 18px;
  padding: 0 10px;
  cursor: pointer;
}
.find {
  display: grid;
  gap: 5px;
  align-content: center;
  flex: none;
  width: 112px;
  padding: 0 8px;
  border-right: 1px solid var(--hairline);
}
.find input {
  font: inherit;
  font-size: var(--small);
  height: 24px;
  min-width: 0;
  padding: 0 6px;
  border: 1px solid #b9b1a0;
  background: var(--sheet);
  color: var(--ink);
}
.ground {
  display: flex;
  align-items: stretch;
  gap: 2px;
  flex: 1;
  min-width: 0;
  padding-right: 12px;
  overflow-x: auto;
  overflow-y: hidden;
  scrollbar-width: thin;
}
.part {
  fill: #dedacf;
  stroke: var(--ink);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
.item {
  --line: linear-gradient(var(--ink), var(--ink)) 0 calc(100% - 21px) / 100% 1px no-repeat;
  position: relative;
  display: grid;
  justify-items: center;
  grid-template-rows: 1fr 21px;
  flex: none;
  min-width: 60px;
  padding: 0 8px;
  border: 0;
  background: var(--line);
  font: inherit;
  color: var(--ink);
  cursor: pointer;
}
.item.opens {
  border-left: 1px solid var(--hairline);
}
.group {
  position: absolute;
  left: 4px;
  top: 0;
  font-size: var(--small);
  line-height: 16px;
  color: var(--soft-ink);
  background: var(--sheet);
}
.item > svg,
.drawn {
  align-self: end;
}
.drawn {
  display: flex;
  align-items: flex-end;
  gap: 3px;
}
.drawn img {
  margin-bottom: -2px;
}
.beside {
  fill: #2f7f79;
  opacity: 0.3;
}
.times {
  align-self: flex-end;
  font: var(--small) var(--mono);
  line-height: 15px;
  color: var(--soft-ink);
}
.item:hover {
  background: var(--line), linear-gradient(transparent calc(100% - 20px), rgba(47, 127, 121, 0.12) 0);
}
.item.held {
  background: var(--line), linear-gradient(transparent calc(100% - 20px), rgba(47, 127, 121, 0.26) 0);
}
.code {
  grid-row: 2;
  align-self: center;
  font-weight: 600;
  font-size: var(--small);
  line-height: 20px;
  white-space: nowrap;
}
.count {
  font: var(--small) var(--mono);
  color: var(--soft-ink);
}
.figure {
  min-width: 50px;
  border-right: 1px solid var(--hairline);
  cursor: default;
  color: var(--verdigris);
}
.figure:hover {
  background: var(--line);
}
.none {
  align-self: center;
  padding: 0 24px;
  color: var(--soft-ink);
}
</style>

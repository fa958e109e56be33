<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { PieceView } from '../api/client'
import Choice from '../parts/Choice.vue'
import { usePlacing } from '../placing/placing'
import { meshUrl, tell, useSite } from '../site/site'
import { FIGURE_OUTLINE } from '../parts/figure'
import { portrait } from './portraits'

/** Every piece of the kit to one scale on one ground line beside the figure; the palette to place from. */
const site = useSite()
const placing = usePlacing()
const wanted = ref('')
const role = ref('')
const roles = computed(() => [...new Set(site.pieces.map((p) => p.role))])
const shown = computed(() => {
  const word = wanted.value.trim().toLowerCase()
  return site.pieces.filter(
    (p) => (!role.value || p.role === role.value) && (!word || p.code.toLowerCase().includes(word) || p.name.toLowerCase().includes(word)),
  )
})
/** Assemblies seen from their front, what is farthest drawn first. */
const assemblies = computed(() => {
  const word = wanted.value.trim().toLowerCase()
  if (role.value) return []
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

const TALLEST_PX = 92
const portraits = ref(new Map<string, string>())
const tallest = computed(() => Math.max(2000, ...site.pieces.map((p) => p.sizeMm.z), ...site.assemblies.assemblies.map((a) => a.boxMm.max.z - a.boxMm.min.z)))
const pxPerMm = computed(() => TALLEST_PX / tallest.value)

const keyOf = (p: PieceView) => `${p.mesh} ${pxPerMm.value}`

/** Floor and ceiling tiles lie down: their elevation is their edge. */
async function drawPortraits() {
  await Promise.all(
    site.pieces.map(async (p) => {
      const key = keyOf(p)
      if (portraits.value.has(key)) return
      portraits.value.set(key, '')
      portraits.value.set(key, await portrait(meshUrl(site.site!.id, p), p.sizeMm.x / 1000, p.sizeMm.z / 1000, pxPerMm.value * 1000))
    }),
  )
}
watch(
  () => [site.pieces, pxPerMm.value],
  () => void drawPortraits().catch(tell),
  { immediate: true },
)

const take = (p: PieceView) => placing.take(p.id)
const bare = (p: PieceView) => [p.sizeMm.x, p.sizeMm.y, p.sizeMm.z].map((v) => site.show(v)).join(' × ')
</script>

<template>
  <nav class="lineup" aria-label="Line-up: the pieces of the kit">
    <div v-if="site.pieces.length > 8" class="find">
      <input v-model="wanted" type="search" aria-label="Find a piece" placeholder="Find a piece" />
      <Choice
        :value="role"
        :options="[{ value: '', label: 'every role' }, ...roles.map((r) => ({ value: r, label: r.toLowerCase() }))]"
        label="Role"
        @change="(r) => (role = r)" />
    </div>
    <div class="ground" role="group" aria-label="Pieces on one ground line">
      <div class="item figure" title="Figure, 1.8 m">
        <svg :width="400 * pxPerMm" :height="1800 * pxPerMm" viewBox="-200 -1800 400 1800" aria-hidden="true">
          <g transform="scale(1 -1)">
            <path :d="FIGURE_OUTLINE" fill="#2F7F79" />
            <circle cx="0" cy="1660" r="140" fill="#2F7F79" />
          </g>
        </svg>
        <span class="code">Figure</span><span class="figures count">{{ site.show(1800) }}</span>
      </div>
      <p v-if="site.pieces.length === 0" class="none">
        {{ site.massing.rooms.length ? 'No pieces yet. Work out the kit, and they line up here.' : 'Type a room first; its kit lines up here.' }}
      </p>
      <button
        v-for="a in assemblies"
        :key="`assembly ${a.id}`"
        type="button"
        class="item"
        :class="{ held: placing.held?.kind === 'assembly' && placing.held.assemblyId === a.id }"
        :title="`${a.name}, an assembly of ${a.pieces}`"
        :aria-label="`Take the assembly ${a.name}, ${a.uses} placed`"
        @click="placing.takeAssembly(a.id)">
        <svg :width="a.width * pxPerMm + 4" :height="a.height * pxPerMm + 4" :viewBox="`${a.x} ${-a.top} ${a.width} ${a.height}`" aria-hidden="true">
          <rect v-for="(b, i) in a.boxes" :key="i" :x="b.min.x" :y="-b.max.z" :width="b.max.x - b.min.x" :height="b.max.z - b.min.z" class="part" />
        </svg>
        <span class="code">{{ a.name }}</span>
        <span class="figures count">{{ a.pieces }} · {{ a.uses }}×</span>
      </button>
      <button
        v-for="p in shown"
        :key="p.id"
        type="button"
        class="item"
        :class="{ held: placing.heldPieceId === p.id }"
        :title="`${p.name}, ${bare(p)}`"
        :aria-label="`Take ${p.code}, ${p.name}, ${p.count} placed`"
        @click="take(p)">
        <img
          v-if="portraits.get(keyOf(p))"
          :src="portraits.get(keyOf(p))"
          alt=""
          :style="{ width: `${p.sizeMm.x * pxPerMm + 4}px`, height: `${p.sizeMm.z * pxPerMm + 4}px` }" />
        <span class="code">{{ p.code }}</span>
        <span class="figures count">{{ site.show(p.sizeMm.x) }} · {{ p.count }}×</span>
      </button>
    </div>
  </nav>
</template>

<style scoped>
.find {
  display: grid;
  gap: 5px;
  align-content: center;
  flex: none;
  width: 128px;
  padding: 0 10px;
  border-right: 1px solid var(--hairline);
}
.find input {
  font: 13px var(--sans);
  height: 24px;
  min-width: 0;
  padding: 0 6px;
  border: 1px solid #b9b1a0;
  background: var(--sheet);
  color: var(--ink);
}
.lineup {
  display: flex;
  height: 154px;
  border-top: 1px solid var(--hairline);
  background: var(--sheet);
  overflow: hidden;
}
.ground {
  display: flex;
  align-items: flex-end;
  gap: 2px;
  height: 140px;
  flex: 1;
  min-width: 0;
  padding: 0 12px 0 0;
  overflow-x: auto;
  overflow-y: hidden;
  background: linear-gradient(var(--ink), var(--ink)) 0 calc(100% - 37px) / 100% 1px no-repeat;
}
.part {
  fill: #dedacf;
  stroke: var(--ink);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
.item {
  display: grid;
  justify-items: center;
  grid-template-rows: 1fr 18px 18px;
  height: 140px;
  flex: none;
  min-width: 74px;
  padding: 0 8px 1px;
  border: 0;
  background: none;
  font: inherit;
  color: var(--ink);
  cursor: pointer;
}
.item:disabled {
  cursor: default;
}
.item > svg,
.item > img {
  align-self: end;
  margin-bottom: 0;
}
.item > img {
  margin-bottom: -2px;
}
.item:not(:disabled):hover {
  background: linear-gradient(transparent calc(100% - 37px), rgba(47, 127, 121, 0.1) 0);
}
.item.held {
  background: linear-gradient(transparent calc(100% - 37px), rgba(47, 127, 121, 0.22) 0);
}
.code {
  grid-row: 2;
  font-weight: 600;
  font-size: 13px;
  white-space: nowrap;
}
.count {
  grid-row: 3;
  font-size: 13px;
  color: var(--soft-ink);
  white-space: nowrap;
}
.figure {
  position: sticky;
  left: 0;
  z-index: 1;
  flex: none;
  background:
    linear-gradient(var(--ink), var(--ink)) 0 calc(100% - 37px) / 100% 1px no-repeat,
    var(--sheet);
  cursor: default;
  color: var(--verdigris);
}
.none {
  align-self: center;
  padding: 0 24px 36px;
  color: var(--soft-ink);
}
</style>

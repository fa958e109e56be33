<script setup lang="ts">
import { Button, Input, Switch } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { tell, useSite } from '../site/site'
import { placementOf, pieceIdOf } from '../site/standing'
import AssembliesPanel from '../repeat/AssembliesPanel.vue'
import LayPanel from '../repeat/LayPanel.vue'
import { useLaying } from '../repeat/laying'
import TwinsPanel from '../repeat/TwinsPanel.vue'
import RepeatPanel from '../repeat/RepeatPanel.vue'
import LengthField from '../parts/LengthField.vue'
import PlacementTicket from './PlacementTicket.vue'
import { useSeeing } from './seeing'
import RepetitionPanel from './RepetitionPanel.vue'
import SelectionsPanel from './SelectionsPanel.vue'
import { usePlacing } from '../placing/placing'
import StrutPanel from './StrutPanel.vue'

const PAGE = 40
const site = useSite()
const placing = usePlacing()
const laying = useLaying()
const seeing = useSeeing()
/** What is in the hand, where it does not stand. */
const clinging = computed(() => {
  const piece = site.pieceById.get(placing.heldPieceId ?? 0)
  return piece && piece.trait.held !== 'STANDS' ? piece : undefined
})
const wanted = ref('')
const page = ref(0)
let lastChosen: string | undefined

/** The pieces that are looked for. */
const matching = computed(() => {
  const word = wanted.value.trim().toLowerCase()
  return new Set(site.pieces.filter((p) => !word || p.code.toLowerCase().includes(word) || p.name.toLowerCase().includes(word)).map((p) => p.id))
})
/** The chunks, those of hands first, with how many of theirs are looked for: no list of everything is made. */
const listed = computed(() => {
  const order = ['hands', 'uses', 'repeats', 'twins', 'lost', 'shell', 'tiles']
  const rank = (name: string) => order.indexOf(name.split('.')[0]!) + 1 || order.length + 1
  return [...site.placements.chunks.values()]
    .sort((a, b) => rank(a.name) - rank(b.name))
    .map((chunk) => {
      const all = [...chunk.palette].every((id) => matching.value.has(id))
      let count = all ? chunk.count : 0
      if (!all) for (let i = 0; i < chunk.count; i++) if (matching.value.has(pieceIdOf(chunk, i))) count++
      return { chunk, count }
    })
})
const total = computed(() => listed.value.reduce((n, l) => n + l.count, 0))
const pages = computed(() => Math.max(1, Math.ceil(total.value / PAGE)))

function rows(from: number, to: number) {
  const found = []
  let at = 0
  for (const { chunk, count } of listed.value) {
    if (at + count > from && at < to) {
      for (let i = 0, n = at; i < chunk.count && n < to; i++) {
        if (!matching.value.has(pieceIdOf(chunk, i))) continue
        if (n++ >= from) found.push(placementOf(chunk, i))
      }
    }
    at += count
  }
  return found
}
const shown = computed(() => {
  const at = Math.min(page.value, pages.value - 1) * PAGE
  return rows(at, at + PAGE).map((p) => ({ p, piece: site.pieceById.get(p.pieceId) }))
})

const leftOut = computed(() => site.departures.filter((d) => d.leftOut && !d.lost))
const lost = computed(() => site.departures.filter((d) => d.lost))
const run = (work: () => Promise<unknown>) => void site.inTurn(work).catch(tell)

/** With Shift a range, with Ctrl one more or one less. */
function choose(id: string, e: MouseEvent) {
  const ids = shown.value.map((s) => s.p.id)
  const from = lastChosen === undefined ? -1 : ids.indexOf(lastChosen)
  if (e.shiftKey && from >= 0) {
    const to = ids.indexOf(id)
    site.select([...site.selection, ...ids.slice(Math.min(from, to), Math.max(from, to) + 1)])
  } else if (e.ctrlKey || e.metaKey || e.shiftKey) {
    site.toggle(id)
  } else {
    site.select([id])
  }
  lastChosen = id
}
</script>

<template>
  <div class="panel">
    <p v-if="seeing.isVeiled" class="row spread left-out" role="status">
      <span>{{ seeing.words }}</span>
      <Button size="small" @click="seeing.showAll()">Show all</Button>
    </p>
    <RepetitionPanel v-if="seeing.repetition" class="first" />
    <section v-if="clinging" class="first" aria-label="Where it clings">
      <h3>{{ clinging.code }} {{ clinging.trait.held === 'HANGS' ? 'hangs' : 'is fixed to a wall' }}</h3>
      <div class="fields">
        <LengthField label="Height of its base" :mm="placing.heightMm" :on-change="(mm) => (placing.heightMm = mm)" />
        <LengthField
          :label="clinging.trait.held === 'HANGS' ? 'Below what holds it' : 'Away from the wall'"
          :mm="placing.offMm"
          :on-change="(mm) => (placing.offMm = mm)" />
      </div>
      <Button v-if="placing.heightMm !== undefined" size="small" @click="placing.heightMm = undefined">As high as it is pointed at</Button>
    </section>
    <RepeatPanel v-if="laying.chosen" :key="laying.chosen.id" class="first" />
    <PlacementTicket v-else-if="site.selected.length" :key="site.selections" :ids="[...site.selection]" class="first" />
    <p v-else-if="site.pieces.length" class="soft">Take a piece from the line-up and click where it stands, or select what stands already.</p>
    <p v-else class="soft">There is nothing to place yet. Type a room under Massing, then work out its kit.</p>
    <LayPanel />
    <AssembliesPanel />
    <TwinsPanel />
    <SelectionsPanel />
    <StrutPanel />
    <LengthField label="Heavy pieces as boxes beyond (0 for never)" :mm="seeing.boxesBeyondMm" :on-change="(mm) => mm >= 0 && (seeing.boxesBeyondMm = mm)" />
    <label class="row"><Switch v-model:checked="placing.snaps" size="small" aria-label="Snap" /> Snap to step, edges and surfaces</label>
    <div v-if="leftOut.length" class="row spread left-out">
      <span>{{ leftOut.length }} {{ leftOut.length === 1 ? 'piece' : 'pieces' }} of the massing left out by hand</span>
      <Button size="small" @click="run(() => site.letGo(leftOut.map((d) => d.id)))">Put back</Button>
    </div>
    <section v-if="lost.length" class="lost" aria-label="Changes by hand without a place">
      <h3 class="caution">▲ {{ lost.length }} {{ lost.length === 1 ? 'change' : 'changes' }} by hand without a place</h3>
      <p class="soft">The rooms or the kit have changed under them. What was moved still stands where it was left.</p>
      <ul>
        <li v-for="d in lost" :key="d.id" class="row spread">
          <button v-if="!d.leftOut" type="button" class="plain" @click="site.select([d.id])">
            {{ site.pieceById.get(d.pieceId ?? 0)?.code ?? 'a piece' }}
          </button>
          <span v-else>a place left empty</span>
          <span class="row">
            <Button v-if="!d.leftOut" size="small" @click="run(() => site.setDownLost([d.id]))">Set down here</Button>
            <Button size="small" @click="run(() => site.letGo([d.id]))">Let go</Button>
          </span>
        </li>
      </ul>
    </section>
    <section aria-label="Set list">
      <div class="row spread">
        <h3>Set list</h3>
        <span class="figures soft">{{ total }}</span>
      </div>
      <Input v-model:value="wanted" size="small" placeholder="Find by code or name" aria-label="Find placements" allow-clear />
      <ul>
        <li v-for="{ p, piece } in shown" :key="p.id">
          <button
            type="button"
            class="plain"
            :class="{ chosen: site.selection.has(p.id) }"
            :aria-pressed="site.selection.has(p.id)"
            @click="(e) => choose(p.id, e)">
            <span>{{ piece?.code }}</span>
            <span class="figures soft">{{ site.show(p.atMm.x) }}, {{ site.show(p.atMm.y) }}, {{ site.show(p.atMm.z) }}</span>
          </button>
        </li>
      </ul>
      <div v-if="pages > 1" class="row spread">
        <button type="button" class="plain turn" :disabled="page <= 0" @click="page = Math.min(page, pages - 1) - 1">‹ before</button>
        <span class="figures soft">{{ Math.min(page, pages - 1) + 1 }} of {{ pages }}</span>
        <button type="button" class="plain turn" :disabled="page >= pages - 1" @click="page++">next ›</button>
      </div>
    </section>
  </div>
</template>

<style scoped>
.panel .first:first-child {
  border-top: 0;
  padding-top: 0;
}
.left-out,
.lost {
  border: 1px solid var(--hairline);
  background: var(--sheet);
  padding: 5px 9px;
  font-size: 13px;
}
.lost li {
  padding: 2px 0;
}
.caution {
  color: var(--dark-ochre);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
section[aria-label='Set list'] li button {
  display: flex;
  justify-content: space-between;
  width: 100%;
  min-height: 26px;
  align-items: center;
  padding: 2px 4px !important;
  font-size: 13px !important;
  text-align: left;
}
li button:hover {
  background: rgba(47, 127, 121, 0.1);
}
li button.chosen {
  background: rgba(106, 61, 124, 0.14);
  box-shadow: inset 3px 0 var(--plum);
}
.turn {
  color: #1d5c57 !important;
  min-height: 26px;
}
.turn:disabled {
  visibility: hidden;
}
</style>

<script setup lang="ts">
import { Button, Input, Switch } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { tell, useSite } from '../site/site'
import PlacementTicket from '../ticket/PlacementTicket.vue'
import { usePlacing } from './placing'

const PAGE = 40
const site = useSite()
const placing = usePlacing()
const wanted = ref('')
const page = ref(0)

/** Every placement by its piece's code, those set by hand first. */
const listed = computed(() => {
  const word = wanted.value.trim().toLowerCase()
  return [...site.placements.values()]
    .map((p) => ({ p, piece: site.pieceById.get(p.pieceId) }))
    .filter(({ piece }) => piece && (!word || piece.code.toLowerCase().includes(word) || piece.name.toLowerCase().includes(word)))
    .sort((a, b) => (a.p.origin === b.p.origin ? a.piece!.code.localeCompare(b.piece!.code) || a.p.id - b.p.id : a.p.origin === 'hand' ? -1 : 1))
})
const pages = computed(() => Math.max(1, Math.ceil(listed.value.length / PAGE)))
const shown = computed(() => {
  const at = Math.min(page.value, pages.value - 1)
  return listed.value.slice(at * PAGE, (at + 1) * PAGE)
})

const putBack = () => void site.make('Put back what was left out', 'DELETE', '/omissions').catch(tell)

function choose(id: number, e: MouseEvent) {
  if (e.shiftKey || e.ctrlKey || e.metaKey) site.toggle(id)
  else site.select([id])
}
</script>

<template>
  <div class="panel">
    <PlacementTicket v-if="site.selected.length" :key="site.selections" :ids="[...site.selection]" class="first" />
    <p v-else-if="site.pieces.length" class="soft">Take a piece from the line-up and click where it stands, or select what stands already.</p>
    <p v-else class="soft">There is nothing to place yet. Type a room under Massing, then work out its kit.</p>
    <label class="row"><Switch v-model:checked="placing.snaps" size="small" aria-label="Snap" /> Snap to step, edges and surfaces</label>
    <div v-if="site.site?.leftOut" class="row spread left-out">
      <span>{{ site.site.leftOut }} {{ site.site.leftOut === 1 ? 'piece' : 'pieces' }} of the massing left out by hand</span>
      <Button size="small" @click="putBack">Put back</Button>
    </div>
    <section aria-label="Set list">
      <div class="row spread"><h3>Set list</h3><span class="figures soft">{{ listed.length }}</span></div>
      <Input v-model:value="wanted" size="small" placeholder="Find by code or name" aria-label="Find placements" allow-clear />
      <ul>
        <li v-for="{ p, piece } in shown" :key="p.id">
          <button type="button" class="plain" :class="{ chosen: site.selection.has(p.id) }" :aria-pressed="site.selection.has(p.id)" @click="(e) => choose(p.id, e)">
            <span>{{ piece!.code }}</span>
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
.panel .first {
  border-top: 0;
  padding-top: 0;
}
.left-out {
  border: 1px solid var(--hairline);
  background: var(--sheet);
  padding: 5px 9px;
  font-size: 13px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li button {
  display: flex;
  justify-content: space-between;
  width: 100%;
  min-height: 26px;
  align-items: center;
  padding: 2px 4px !important;
  font-size: 13px !important;
  text-align: left;
}
li button .figures {
  font-size: 11.5px;
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

<script setup lang="ts">
import PiecePicture from '../shapes/PiecePicture.vue'
import { Input } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useSite } from '../site/site'
import { placementOf, pieceIdOf } from '../site/standing'
import { vOneStop } from '../parts/oneStop'

/** All that stands, page by page. */
const emit = defineEmits<{ chosen: [goesOn: boolean] }>()
const PAGE = 40
const site = useSite()
const wanted = ref('')
const page = ref(0)
/** Where a range begins. */
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

/** With Shift a range, with Ctrl one more or one less: the list stays then. */
function choose(id: string, e: MouseEvent) {
  const goesOn = e.shiftKey || e.ctrlKey || e.metaKey
  const ids = shown.value.map((s) => s.p.id)
  const from = ids.indexOf(lastChosen ?? [...site.selection][0] ?? '')
  if (e.shiftKey && from >= 0) {
    const to = ids.indexOf(id)
    site.select([...site.selection, ...ids.slice(Math.min(from, to), Math.max(from, to) + 1)])
  } else if (e.ctrlKey || e.metaKey || e.shiftKey) {
    site.toggle(id)
  } else {
    site.select([id])
  }
  lastChosen = id
  emit('chosen', goesOn)
}
</script>

<template>
  <div class="standing">
    <section class="bare" aria-label="What stands">
      <Input v-model:value="wanted" size="small" :placeholder="`Find among ${total} by code or name`" aria-label="Find placements" allow-clear />
      <ul v-one-stop>
        <li v-for="{ p, piece } in shown" :key="p.id">
          <button
            type="button"
            class="plain"
            :class="{ chosen: site.selection.has(p.id) }"
            :aria-pressed="site.selection.has(p.id)"
            @click="(e) => choose(p.id, e)">
            <PiecePicture v-if="piece" :piece="piece" :size="22" />
            <span class="code">{{ piece?.code }}</span>
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
.standing {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
section[aria-label='What stands'] li button {
  display: flex;
  gap: 7px;
  width: 100%;
  min-height: 26px;
  align-items: center;
  padding: 2px 4px !important;
  font-size: var(--small) !important;
  text-align: left;
}
li button:hover {
  background: rgba(47, 127, 121, 0.1);
}
li button.chosen {
  background: rgba(106, 61, 124, 0.14);
  box-shadow: inset 3px 0 var(--plum);
}
.code {
  flex: 1;
}
.turn {
  color: #1d5c57 !important;
  min-height: 26px;
}
.turn:disabled {
  visibility: hidden;
}
</style>

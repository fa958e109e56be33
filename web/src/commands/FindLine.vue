<script setup lang="ts">
import { computed, nextTick, ref, useId, watch } from 'vue'
import { useRouter } from 'vue-router'
import { get, type BoxMm, type PieceView, type SiteSummary } from '../api/client'
import { usePlacing } from '../placing/placing'
import { useLaying } from '../repeat/laying'
import BoxesPicture from '../shapes/BoxesPicture.vue'
import PiecePicture from '../shapes/PiecePicture.vue'
import { tell, useSite } from '../site/site'
import { useTable } from '../table/table'
import { keyName, useCommands } from './commands'
import { matching } from './match'

/** The line that finds and does: a few letters of whatever the application can do or the site has, Enter, and it is done. */
const MOST = 12
const site = useSite()
const router = useRouter()
const placing = usePlacing()
const laying = useLaying()
const table = useTable()
const commands = useCommands()
const line = ref<HTMLDialogElement>()
const field = ref<HTMLInputElement>()
const query = ref('')
const at = ref(0)
const sites = ref<SiteSummary[]>([])
const id = useId()

interface Found {
  name: string
  words?: string
  /** What it is. */
  kind: string
  key: string
  piece?: PieceView
  boxes?: BoxMm[]
  run: () => unknown
}

const go = (to: string) => router.push(`/sites/${site.site!.id}/${to}`)
async function goToRoom(r: (typeof site.massing.rooms)[number]) {
  await go('massing')
  table.goToRoom(r)
}
async function atBuild(work: () => unknown) {
  await go('build')
  await work()
}

const all = computed<Found[]>(() => [
  ...commands.all
    .filter((c) => c.can() && c.name !== 'Find and do')
    .map((c) => ({ name: c.name, words: `${c.group} ${c.words ?? ''}`, kind: c.group, key: keyName(c), run: c.run })),
  ...site.massing.rooms.map((r) => ({ name: r.name, words: 'room', kind: 'room', key: '', run: () => goToRoom(r) })),
  ...site.massing.levels.map((l) => ({ name: l.name, words: 'level storey', kind: 'level', key: '', run: () => table.goToLevel(l.id) })),
  ...site.pieces.map((p) => ({
    name: p.code,
    words: `${p.name} ${p.role} take place`,
    kind: `${p.role.toLowerCase()}, take it`,
    key: '',
    piece: p,
    run: () => atBuild(() => placing.take(p.id)),
  })),
  ...site.assemblies.assemblies.map((a) => ({
    name: a.name,
    words: 'assembly take place',
    kind: 'assembly, take it',
    key: '',
    boxes: a.piecesMm,
    run: () => atBuild(() => placing.takeAssembly(a.id)),
  })),
  ...site.repeats.map((r) => ({ name: r.name, words: 'repeat', kind: 'repeat', key: '', run: () => atBuild(() => laying.choose(r.id)) })),
  ...site.namedSelections.map((s) => ({ name: s.name, words: 'selection', kind: 'selection', key: '', run: () => atBuild(() => site.select(s.ids)) })),
  ...site.cards.map((c) => ({
    name: c.findings[0]?.title ?? c.key,
    words: 'finding survey',
    kind: c.fault ? 'fault' : 'caution',
    key: '',
    run: async () => {
      await go('survey')
      site.finding = c.findings[0]
      site.select(c.findings[0]?.placementIds ?? [])
    },
  })),
])
/** Other sites come after all of this one. */
const elsewhere = computed<Found[]>(() =>
  sites.value
    .filter((s) => s.id !== site.site?.id)
    .map((s) => ({ name: s.name, words: 'site open', kind: 'site', key: '', run: () => router.push(`/sites/${s.id}`) })),
)
const found = computed(() =>
  [...matching(all.value, query.value, MOST), ...(query.value.trim() ? matching(elsewhere.value, query.value, MOST) : [])].slice(0, MOST),
)
watch(query, () => (at.value = 0))

watch(
  () => commands.finding,
  async (open) => {
    if (!open) return line.value?.close()
    query.value = ''
    at.value = 0
    line.value?.showModal()
    await nextTick()
    field.value?.focus()
    sites.value = await get<SiteSummary[]>('/api/sites').catch(() => [])
  },
)

function doIt(one: Found | undefined) {
  if (!one) return
  commands.finding = false
  Promise.resolve(one.run()).catch(tell)
}

function onKey(e: KeyboardEvent) {
  const n = found.value.length
  if (e.key === 'ArrowDown') at.value = n ? (at.value + 1) % n : 0
  else if (e.key === 'ArrowUp') at.value = n ? (at.value + n - 1) % n : 0
  else if (e.key === 'Enter') doIt(found.value[at.value])
  else return
  e.preventDefault()
}
/** A press beside the line closes it. */
const beside = (e: PointerEvent) => e.target === line.value && (commands.finding = false)
</script>

<template>
  <dialog ref="line" class="find-line" aria-label="Find and do" @close="commands.finding = false" @pointerdown="beside">
    <div class="inner">
      <input
        ref="field"
        v-model="query"
        type="text"
        role="combobox"
        aria-label="What to find or do"
        placeholder="A few letters of what to do, or of a piece, a room, a finding …"
        autocomplete="off"
        aria-expanded="true"
        :aria-controls="id"
        :aria-activedescendant="found.length ? `${id}-${at}` : undefined"
        @keydown="onKey" />
      <ul :id="id" role="listbox" aria-label="Found">
        <li
          v-for="(f, i) in found"
          :id="`${id}-${i}`"
          :key="`${f.kind} ${f.name} ${i}`"
          role="option"
          :aria-selected="i === at"
          @pointermove="at = i"
          @click="doIt(f)">
          <PiecePicture v-if="f.piece" :piece="f.piece" :size="26" />
          <BoxesPicture v-else-if="f.boxes" :boxes="f.boxes" :size="26" />
          <span class="name">{{ f.name }}</span>
          <span class="soft">{{ f.kind }}</span>
          <kbd v-if="f.key">{{ f.key }}</kbd>
        </li>
      </ul>
      <p v-if="!found.length" class="soft none" role="status">Nothing is called that.</p>
    </div>
  </dialog>
</template>

<style scoped>
.find-line {
  margin: 72px auto auto;
  padding: 0;
  width: min(560px, 90vw);
  border: 1px solid var(--ink);
  background: var(--sheet);
  color: var(--ink);
}
.find-line::backdrop {
  background: rgba(34, 48, 60, 0.12);
}
input {
  width: 100%;
  box-sizing: border-box;
  font: 1rem var(--sans);
  padding: 10px 14px;
  border: 0;
  border-bottom: 1px solid var(--hairline);
  background: none;
  color: inherit;
  outline: 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 4px 0;
}
li {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 3px 14px;
  cursor: pointer;
}
li .name {
  flex: 1;
}
li .soft {
  font-size: var(--small);
}
li[aria-selected='true'] {
  background: rgba(47, 127, 121, 0.14);
}
.none {
  padding: 4px 14px 12px;
}
</style>

<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { Button } from 'ant-design-vue'
import { computed, nextTick, onBeforeUnmount, provide, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { PieceView } from '../api/client'
import { useAttempt } from '../site/attempt'
import Choice from '../parts/Choice.vue'
import { REFUSED } from '../parts/refused'
import TextEntry from '../parts/TextEntry.vue'
import { useMaterials } from '../sheets/materials'
import { meshUrl, tell, useSite } from '../site/site'
import PiecePicture from '../shapes/PiecePicture.vue'
import BenchView from './BenchView.vue'
import BringIn from './BringIn.vue'
import DetailRows from './DetailRows.vue'
import LampRows from './LampRows.vue'
import Elevations from './Elevations.vue'
import PartFields from './PartFields.vue'
import PatternPage from './PatternPage.vue'
import { useBench } from './bench'
import { useDeliveries } from './deliveries'
import { usePatterns } from '../site/patterns'
import { FORMS, PIVOTS, USERS } from './words'

/** Where pieces are made: one of them in the round and in elevation, and the parts it is made of. */
const site = useSite()
const route = useRoute()
const router = useRouter()
const work = useBench()
const patterns = usePatterns()
const materials = useMaterials()
const deliveries = useDeliveries()
const { refusal, attempt } = useAttempt()
provide(
  REFUSED,
  computed(() => work.refusal),
)

/** Whether the drawings have most of the room. */
const largeDrawings = useLocalStorage('hausbau.largeDrawings', false)
const wanted = ref('')
const shown = computed(() => {
  const word = wanted.value.trim().toLowerCase()
  return site.pieces.filter((p) => !word || p.code.toLowerCase().includes(word) || p.name.toLowerCase().includes(word))
})
const groups = computed(() => {
  const roles = new Map<string, PieceView[]>()
  for (const p of [...shown.value].reverse()) roles.set(p.role, [...(roles.get(p.role) ?? []), p])
  return [...roles].map(([role, pieces]) => ({ role: role.toLowerCase(), pieces: pieces.reverse() }))
})
const pattern = computed(() => patterns.all.find((p) => p.id === Number(route.query.pattern)))
/** A piece is on its way: until it is there, nothing is on the bench that could be typed into. */
const making = ref(false)
let isHere = true
onBeforeUnmount(() => (isHere = false))
const piece = computed(() => (pattern.value || making.value ? undefined : site.pieces.find((p) => p.id === Number(route.params.item))))
async function makePattern(copyOf?: number) {
  const made = await patterns.create(copyOf)
  if (made) void router.push(`/sites/${site.site!.id}/kit/workshop?pattern=${made.id}`)
}
const bench = computed(() => (work.bench?.id === piece.value?.id ? work.bench : undefined))

watch(
  () => piece.value?.id,
  (id) => work.open(id),
  { immediate: true },
)
/** A level of detail that is looked at in place of the piece. */
const level = ref<string>()
const onBench = computed(() => (piece.value ? [{ url: level.value ?? meshUrl(site.site!.id, piece.value), boxMm: piece.value.boxMm, xMm: 0 }] : []))
const to = (id: number) => `/sites/${site.site!.id}/kit/workshop/${id}`

/** A name that no piece has yet. */
function freshName(word: string) {
  const names = new Set(site.pieces.map((p) => p.name))
  let n = 1
  while (names.has(n === 1 ? word : `${word} ${n}`)) n++
  return n === 1 ? word : `${word} ${n}`
}
async function create(copyOf?: PieceView) {
  const role = copyOf && !bench.value?.derived ? copyOf.role : 'PROP'
  making.value = true
  try {
    const id = await work.create(freshName(copyOf ? `${copyOf.name}, own` : 'new piece'), role, copyOf?.id)
    // Whoever has gone elsewhere meanwhile is left there.
    if (id !== undefined && isHere) await router.push(to(id))
  } finally {
    making.value = false
  }
}
const putAway = () => attempt(() => site.make('Put away', 'DELETE', `/pieces/${piece.value!.id}`))
const hold = (held: string) => attempt(() => site.make('Change a piece', 'PATCH', `/pieces/${piece.value!.id}/traits`, { held }))
const HELD = [
  { value: 'STANDS', label: 'stands' },
  { value: 'HANGS', label: 'hangs' },
  { value: 'FIXED', label: 'is fixed to a wall' },
] as const
/** A mesh is brought in from a file, and not added. */
const forms = Object.entries(FORMS)
  .filter(([value]) => value !== 'BROUGHT')
  .map(([value, label]) => ({ value: value as keyof typeof FORMS, label }))
const number = (v: number, digits: number) => v.toLocaleString('en', { maximumFractionDigits: digits })
const uses = computed(() => bench.value?.uses.map((u) => `${number(u.count, 0)} ${USERS[u.by]}`).join(', ') || 'nothing of it stands')
const size = computed(() => bench.value && (['x', 'y', 'z'] as const).map((a) => site.show(bench.value!.sizeMm[a])).join(' × '))
const faults = computed(() => [work.about('code'), work.about('name'), work.about('pivot'), work.about('parts'), refusal.value?.message].filter((f) => f))
function copyPart() {
  work.copyPart(work.chosen)
}
/** Texture pixels a metre; one number where all faces are alike to a hundredth. */
const density = computed(() => {
  const { least, greatest } = bench.value!.density
  return greatest - least < 0.01 * greatest ? number(greatest, 0) : `${number(least, 0)} to ${number(greatest, 0)}`
})
/** Chosen files, for a piece or for new ones. */
const chooser = ref<HTMLInputElement>()
let into: number | undefined
function choose(pieceId?: number) {
  into = pieceId
  chooser.value!.value = ''
  chooser.value!.click()
}
const chosen = () => void deliveries.deliver([...chooser.value!.files!], into)
function drop(e: DragEvent) {
  void deliveries.deliver([...(e.dataTransfer?.files ?? [])], piece.value?.id)
}
onBeforeUnmount(deliveries.leave)
/** The keyboard goes on where it came from. */
const bringButton = ref<{ $el: HTMLElement }>()
watch(
  () => deliveries.isOpen,
  (isOpen) => isOpen || void nextTick(() => bringButton.value?.$el.focus()),
)
const run = (deed: () => Promise<unknown>) => void deed().catch(tell)
</script>

<template>
  <div class="workshop" @dragover.prevent @drop.prevent="drop">
    <input
      ref="chooser"
      type="file"
      multiple
      hidden
      accept=".glb,.gltf,.bin,.obj,.mtl,.stl,.zip,.png,.jpg,.jpeg,.webp"
      data-testid="mesh-files"
      @change="chosen" />
    <nav class="list" aria-label="Pieces of the kit">
      <div class="head">
        <input v-model="wanted" type="search" aria-label="Find a piece" placeholder="Find a piece" />
        <div class="row">
          <Button size="small" type="primary" @click="run(() => create())">New piece</Button>
          <Button ref="bringButton" size="small" title="A .glb, .gltf, .obj or .stl with all that belongs to it; or drop it here" @click="choose()"
            >Bring in …</Button
          >
        </div>
        <p v-if="deliveries.refusal && !deliveries.isOpen" class="fault" role="alert">■ {{ deliveries.refusal }}</p>
      </div>
      <div>
        <p class="caps">patterns</p>
        <RouterLink
          v-for="p in patterns.all"
          :key="p.id"
          :to="`/sites/${site.site!.id}/kit/workshop?pattern=${p.id}`"
          class="entry"
          :class="{ here: p.id === pattern?.id }"
          :aria-current="p.id === pattern?.id ? 'page' : undefined">
          <span>{{ p.name }}</span><span class="soft">{{ p.used ? '● in use' : p.rooms.length ? `● ${p.rooms.length}` : '' }}</span>
        </RouterLink>
        <button type="button" class="plain entry more" @click="run(() => makePattern())">+ new pattern</button>
      </div>
      <div v-for="g in groups" :key="g.role">
        <p class="caps">{{ g.role }}</p>
        <RouterLink
          v-for="p in g.pieces"
          :key="p.id"
          :to="to(p.id)"
          class="entry"
          :class="{ here: p.id === piece?.id }"
          :aria-current="p.id === piece?.id ? 'page' : undefined">
          <PiecePicture :piece="p" :size="28" /><span class="code">{{ p.code }}</span
          ><span class="figures soft">{{ p.count || '' }}</span>
        </RouterLink>
      </div>
    </nav>
    <BringIn v-if="deliveries.isOpen" />
    <PatternPage v-else-if="pattern" :key="pattern.id" :pattern="pattern" @copy="run(() => makePattern(pattern!.id))" />
    <div v-else-if="!piece" class="empty">
      <p v-if="making" class="soft" role="status">Making the piece …</p>
      <p v-else class="soft">Take a piece from the list to see what it is made of, make a new one, or drop a mesh of your own here.</p>
    </div>
    <template v-else>
      <div class="middle" :class="{ drawings: largeDrawings }">
        <BenchView
          :pieces="onBench"
          :label="piece.code"
          :of="String(piece.id)"
          :parts="bench?.parts"
          :chosen="work.chosen"
          :open-mm="bench?.openMm"
          @choose="(part) => work.take(part)" />
        <Elevations v-model:large="largeDrawings" :piece="piece" />
      </div>
      <aside class="panel side" aria-label="The piece">
        <template v-if="bench">
          <div class="fields">
            <label class="field"><span>Code</span><TextEntry label="Code" :value="bench.code" @commit="(code) => run(() => work.change({ code }))" /></label>
            <label class="field"><span>Name</span><TextEntry label="Name" :value="bench.name" @commit="(name) => run(() => work.change({ name }))" /></label>
          </div>
          <div v-if="!bench.derived" class="fields">
            <label class="field"
              ><span>Pivot</span><Choice label="Pivot" :value="bench.pivot" :options="PIVOTS" @change="(pivot) => run(() => work.change({ pivot }))"
            /></label>
            <label class="field"><span>Held</span><Choice label="How it is held" :value="piece.trait.held" :options="HELD" @change="hold" /></label>
          </div>
          <dl>
            <dt>Size</dt>
            <dd class="figures">{{ size }}</dd>
            <dt>Triangles</dt>
            <dd class="figures">{{ number(bench.triangles, 0) }}</dd>
            <dt>Surface</dt>
            <dd class="figures">{{ number(bench.areaM2, 2) }} m²</dd>
            <dt>Volume</dt>
            <dd class="figures">{{ number(bench.volumeM3 * 1000, 1) }} l</dd>
            <dt>Pixels</dt>
            <dd class="figures" :title="`The site has ${site.site!.pixelsPerMetre} a metre`">
              {{ density }} a metre<span v-if="bench.density.stretched" class="caution"> ▲ stretched</span>
            </dd>
            <dt>Stands</dt>
            <dd>{{ uses }}</dd>
          </dl>
          <p v-if="bench.open" class="fault">■ {{ number(bench.open, 0) }} edges are not closed</p>
          <p v-if="bench.derived" class="soft">The massing sets it down: its place and size stay what the kit has.</p>
          <p v-for="f in faults" :key="f" class="fault" role="alert">{{ f }}</p>
          <div class="row">
            <Button size="small" title="In place of it everywhere; it can be gone back to" @click="choose(piece.id)">Bring in a mesh …</Button>
            <Button size="small" @click="run(() => create(piece))">Copy as a new piece</Button>
            <Button v-if="bench.own && !bench.derived && !piece.count" size="small" @click="run(putAway)">Put away</Button>
            <Button v-if="bench.own" size="small" title="As it was before its parts were told" @click="run(work.goBack)">Back to the first</Button>
          </div>
          <p class="soft out">
            Take it out as
            <a :href="`/api/sites/${site.site!.id}/pieces/${piece.id}/piece.glb`" :download="`${piece.code}.glb`">glb</a> or
            <a :href="`/api/sites/${site.site!.id}/pieces/${piece.id}/obj.zip`" :download="`${piece.code} obj.zip`">obj</a>, to go on with it elsewhere.
          </p>
          <section aria-label="Parts">
            <div class="row spread">
              <h2>Parts</h2>
              <div class="row">
                <Choice label="Add a part" placeholder="add a part …" :options="forms" @change="(form) => run(() => work.addPart(form))" />
                <Button v-if="work.copied" size="small" @click="run(work.putCopies)">Put the copy in</Button>
              </div>
            </div>
            <ul class="plain" aria-label="Parts of the piece">
              <li v-for="(p, i) in bench.parts" :key="i" class="part" :class="{ taken: work.isTaken(i), hidden: p.words.hidden }">
                <button
                  type="button"
                  class="plain name"
                  title="With Ctrl or Shift: together with those that are taken"
                  :aria-pressed="work.isTaken(i)"
                  @click="(e) => work.take(i, e.ctrlKey || e.metaKey || e.shiftKey)">
                  {{ p.words.name || FORMS[p.words.form!] }}
                  <span class="soft">{{ p.words.cuts ? `cuts, ${materials.called(p.words.swatch!)}` : materials.called(p.words.swatch!) }}</span>
                </button>
                <button
                  type="button"
                  class="plain"
                  :aria-label="p.words.hidden ? `Show part ${i + 1}` : `Hide part ${i + 1}`"
                  :title="p.words.hidden ? 'Not there; show it' : 'Hide it'"
                  @click="run(() => work.changePart((w) => ({ hidden: !w.hidden }), work.spot(i)))">
                  {{ p.words.hidden ? '○' : '●' }}
                </button>
                <button
                  type="button"
                  class="plain"
                  :disabled="i === 0"
                  :aria-label="`Move part ${i + 1} up`"
                  title="One place up: what cuts is taken out of those above it"
                  @click="run(() => work.movePart(i, i - 1))">
                  ↑
                </button>
                <button type="button" class="plain" :aria-label="`Take part ${i + 1} out`" title="Take it out" @click="run(() => work.removePart(i))">✕</button>
              </li>
            </ul>
          </section>
          <p v-if="work.also.size" class="soft" role="status">{{ work.also.size + 1 }} parts are taken: what is typed is for all of them.</p>
          <PartFields v-if="work.part" :key="`${bench.id} ${work.chosen}`" :words="work.part" />
          <div v-if="work.part" class="row">
            <Button size="small" title="To be put into this piece, or another" @click="copyPart">Copy the part</Button>
          </div>
          <LampRows :key="piece.id" :piece="piece" />
          <DetailRows v-model="level" :piece="piece" />
        </template>
      </aside>
    </template>
  </div>
</template>

<style scoped>
.workshop {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 196px 1fr 372px;
}
.list .head {
  display: grid;
  gap: 6px;
  padding: 0 12px 6px;
}
input[type='search'] {
  font: 0.875rem/1.3 var(--sans);
  height: 26px;
  width: 100%;
  padding: 0 7px;
  border: 1px solid #b9b1a0;
  background: var(--sheet);
}
.code {
  flex: 1;
}
.empty {
  grid-column: 2 / 4;
  display: grid;
  place-items: center;
}
.middle {
  min-width: 0;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.middle.drawings > :first-child {
  flex: none;
  height: 230px;
}
.out a {
  color: #1d5c57;
}
.part {
  display: grid;
  grid-template-columns: 1fr 26px 26px 26px;
  align-items: center;
  padding: 1px 0 1px 8px;
}
.part button:disabled {
  visibility: hidden;
}
.part.hidden .name {
  color: var(--soft-ink);
  text-decoration: line-through;
}
.part .name {
  text-align: left;
}
</style>

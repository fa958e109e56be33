<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed, provide, ref } from 'vue'
import Choice from '../parts/Choice.vue'
import { REFUSED } from '../parts/refused'
import TextEntry from '../parts/TextEntry.vue'
import { formatBytes } from '../measure/format'
import { useSite } from '../site/site'
import { FIGURE_OUTLINE } from '../parts/figure'
import CoatFields from './CoatFields.vue'
import { SIDES, useColourways, type Picture, type Swatch } from './colourways'
import MaterialName from './MaterialName.vue'
import { useMaterials, wordOf } from './materials'
import NumbersTable from './NumbersTable.vue'
import { useSharedSheets, type Material } from './shared'
import SharedSheet from './SharedSheet.vue'
import WhichPicture from './WhichPicture.vue'

/** The site's finishes: colourways, the sheet of each swatch as it lies on a piece, and what it is made from. */
const site = useSite()
const colourways = useColourways()
provide(
  REFUSED,
  computed(() => colourways.refusal),
)
const chosenId = ref<number>()
const colourway = computed(() => colourways.all.find((c) => c.id === chosenId.value) ?? colourways.used)
const shared = useSharedSheets()
const materials = useMaterials()
const swatch = ref<Swatch>('TILE')
/** Which of the shared sheets is looked at, if one is. */
const sharedId = ref<Material>()
const sheet = computed(() => shared.all.find((s) => s.material === sharedId.value))
/** The one that was chosen; the first where that was taken away. */
const coat = computed(() => shown.value.find((c) => c.swatch === swatch.value) ?? shown.value[0])
const picture = ref<Picture>('COLOUR')
const shown = computed(() => colourway.value?.coats ?? [])
/** The figure stands beside the sheet, to scale. */
const FIGURE_MM = 1800
const isOwn = computed(() => !!colourway.value?.id)
async function create() {
  const made = await colourways.create(colourway.value?.id)
  if (made) chosenId.value = made.id
}
async function remove() {
  const id = colourway.value!.id
  chosenId.value = undefined
  await colourways.remove(id)
}
function choose(of: Swatch) {
  sharedId.value = undefined
  swatch.value = of
}
async function add() {
  const made = await materials.add()
  if (made) choose(made.swatch)
}
async function removeMaterial() {
  const at = place.value
  if (await materials.remove(coat.value!.swatch)) choose(shown.value[Math.max(0, at - 1)]!.swatch)
}
const place = computed(() => shown.value.findIndex((c) => c.swatch === coat.value?.swatch))
async function begin() {
  const made = await shared.begin()
  if (made) sharedId.value = made.material
}
const nameOf = (colourwayId: number) => colourways.all.find((c) => c.id === colourwayId)?.name ?? ''
/** One that nobody has named says what it is. */
const sheetName = (sheet: Material) => (materials.isNamed(sheet) ? materials.called(sheet) : wordOf(sheet).replace('shared', 'shared sheet'))
const share = (triangles: number) => `${Math.round((100 * triangles) / site.tally!.triangles)} %`
</script>

<template>
  <div v-if="colourway && coat" class="sheets">
    <nav class="list" aria-label="Finishes">
      <p class="caps">colourways</p>
      <button
        v-for="c in colourways.all"
        :key="c.id"
        type="button"
        class="plain entry"
        :class="{ here: c.id === colourway.id }"
        :aria-pressed="c.id === colourway.id"
        @click="chosenId = c.id">
        <span>{{ c.name }}</span><span class="soft">{{ c.used ? '● in use' : '' }}</span>
      </button>
      <button type="button" class="plain entry more" @click="create">+ new colourway</button>
      <p class="caps">finishes</p>
      <button
        v-for="c in shown"
        :key="c.swatch"
        type="button"
        class="plain entry coat"
        :class="{ here: !sheet && c.swatch === coat.swatch }"
        :aria-pressed="!sheet && c.swatch === coat.swatch"
        @click="choose(c.swatch)">
        <img :src="colourways.url(colourway.id, c, 'COLOUR', 128)" alt="" /><span>{{ materials.called(c.swatch) }}</span>
      </button>
      <button type="button" class="plain entry more" @click="add">+ new material</button>
      <p class="caps">in all colourways</p>
      <button
        v-for="s in shared.all"
        :key="s.material"
        type="button"
        class="plain entry coat"
        :class="{ here: s === sheet }"
        :aria-pressed="s === sheet"
        @click="sharedId = s.material">
        <img :src="shared.url(s, 'COLOUR', 128)" alt="" /><span>{{ sheetName(s.material) }}</span>
      </button>
      <button type="button" class="plain entry more" @click="begin">+ another shared sheet</button>
    </nav>
    <SharedSheet v-if="sheet" :key="sheet.material" :sheet="sheet" @gone="sharedId = undefined" />
    <div v-if="!sheet" class="middle">
      <WhichPicture v-model="picture" :says="`${site.show(coat.widthMm)} square, ${coat.pixels} pixels, tiles both ways`" />
      <div class="lying">
        <svg :style="{ height: `${(100 * FIGURE_MM) / coat.widthMm}%` }" viewBox="-300 -1800 600 1800" role="img" aria-label="Figure, 1.8 m">
          <g transform="scale(1 -1)">
            <path :d="FIGURE_OUTLINE" fill="#2F7F79" />
            <circle cx="0" cy="1660" r="140" fill="#2F7F79" />
          </g>
        </svg>
        <img
          class="sheet"
          data-testid="sheet"
          :src="colourways.url(colourway.id, coat, picture, 1024)"
          :style="{ '--coarse': `url(${colourways.url(colourway.id, coat, picture, 128)})` }"
          :alt="`${materials.called(coat.swatch)}, ${picture.toLowerCase()}`" />
      </div>
      <section class="numbers" :inert="!isOwn"><NumbersTable :colourway="colourway" /></section>
    </div>
    <aside v-if="!sheet" class="panel side" aria-label="The finish">
      <section v-if="isOwn">
        <label class="field"
          ><span>Name</span
          ><TextEntry
            :key="colourway.id"
            label="Name of the colourway"
            :value="colourway.name"
            :maxlength="80"
            @commit="(name) => void colourways.rename(colourway!.id, name)"
        /></label>
      </section>
      <div class="row">
        <Button v-if="!colourway.used" size="small" type="primary" @click="colourways.use(colourway.id)">Use for the site</Button>
        <Button size="small" @click="create">{{ isOwn ? 'Copy' : 'Make one of your own' }}</Button>
        <Button v-if="isOwn && !colourway.used" size="small" @click="remove">Take away</Button>
      </div>
      <p v-if="!isOwn" class="soft">Finishes as they come stay as they are. Make a colourway of your own to change them.</p>
      <section>
        <h3>{{ materials.called(coat.swatch) }}</h3>
        <MaterialName :material="coat.swatch" />
        <div class="row order">
          <Button size="small" :disabled="place < 1" aria-label="Move the material up" @click="materials.order(coat.swatch, place - 1)">↑</Button>
          <Button size="small" :disabled="place >= shown.length - 1" aria-label="Move the material down" @click="materials.order(coat.swatch, place + 1)"
            >↓</Button
          >
          <Button size="small" :disabled="shown.length < 2" @click="removeMaterial">Remove material</Button>
        </div>
        <p v-if="materials.refusal?.about('swatch')" class="fault" role="alert">■ {{ materials.refusal.about('swatch') }}</p>
        <label class="field"
          ><span>Size, in all colourways</span
          ><Choice label="Pixels of the sheet" :value="coat.pixels" :options="SIDES" @change="(pixels) => void materials.setPixels(coat!.swatch, pixels)"
        /></label>
      </section>
      <section class="bare" :inert="!isOwn">
        <CoatFields :key="`${colourway.id} ${coat.swatch}`" :colourway-id="colourway.id" :coat="coat" />
      </section>
      <section v-if="site.tally" aria-label="What it takes">
        <h3>what it takes</h3>
        <dl>
          <dt>Sheets in use</dt>
          <dd class="figures">{{ site.tally.sheets }}</dd>
          <dt>Textures</dt>
          <dd class="figures">{{ formatBytes(site.tally.textureBytes) }}</dd>
          <dt>compressed</dt>
          <dd class="figures">{{ formatBytes(site.tally.compressedTextureBytes) }}</dd>
          <template v-for="s in site.tally.largest" :key="`${s.material} ${s.colourwayId}`">
            <dt>{{ materials.called(s.material) }}{{ s.colourwayId ? `, ${nameOf(s.colourwayId)}` : '' }}</dt>
            <dd class="figures">{{ s.pixels }} px, {{ formatBytes(s.bytes) }}</dd>
          </template>
          <template v-for="h in site.tally.heaviest" :key="h.what">
            <dt>{{ h.what }}</dt>
            <dd class="figures">{{ share(h.triangles) }} of all triangles</dd>
          </template>
        </dl>
      </section>
    </aside>
  </div>
</template>

<style scoped>
.sheets {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 196px 1fr 320px;
}
nav.list .coat {
  justify-content: flex-start;
  align-items: center;
}
.coat img {
  width: 40px;
  height: 40px;
  border: 1px solid var(--hairline);
}
.middle {
  min-width: 0;
  min-height: 0;
  display: grid;
  grid-template-rows: auto minmax(220px, 1fr) auto;
}
.lying {
  min-height: 0;
  display: flex;
  align-items: flex-end;
  justify-content: center;
  gap: 14px;
  padding: 6px 18px 12px;
}
.sheet {
  height: 100%;
  aspect-ratio: 1;
  /* While it is being made: what the list shows of it already. */
  background:
    var(--coarse) 0 0 / 100% 100%,
    repeating-linear-gradient(45deg, transparent 0 12px, var(--hairline) 12px 13px);
  border: 1px solid var(--hairline);
  min-width: 0;
  object-fit: contain;
}
.numbers {
  border-top: 1px solid var(--hairline);
  padding: 10px 18px;
  max-height: 330px;
  overflow-y: auto;
}
h3 {
  margin: 0 0 6px;
}
.row {
  display: flex;
  gap: 8px;
}
.order {
  margin: 6px 0;
}
[inert] {
  opacity: 0.55;
}
dl {
  --terms: 130px;
}
</style>

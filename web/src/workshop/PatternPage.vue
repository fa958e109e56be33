<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed, onMounted, provide, shallowRef } from 'vue'
import { get, type PatternView, type PatternWords, type PieceView, type ProfileView } from '../api/client'
import Choice from '../parts/Choice.vue'
import LengthField from '../parts/LengthField.vue'
import { REFUSED } from '../parts/refused'
import TextEntry from '../parts/TextEntry.vue'
import { tell, useSite } from '../site/site'
import AroundFields from './AroundFields.vue'
import BenchView from './BenchView.vue'
import { usePatterns } from '../site/patterns'
import { AROUND } from './around'
import MaterialChoice from '../sheets/MaterialChoice.vue'
import { PROFILES } from './words'

/** How walls look at any size: shown on pieces of several lengths, its bands, trims and uprights typed. */
const props = defineProps<{ pattern: PatternView }>()
defineEmits<{ copy: [] }>()
const site = useSite()
const patterns = usePatterns()
provide(
  REFUSED,
  computed(() => patterns.refusal),
)
const library = shallowRef<ProfileView[]>([])
onMounted(
  () =>
    void get<ProfileView[]>('/api/profiles')
      .then((all) => (library.value = all))
      .catch(tell),
)

/** How far it is from a size that shows well. */
const off = (p: PieceView) => Math.abs(p.sizeMm.x - 2000)
/** The longest wall, one of middle length, the shortest, and one with an opening; beside one another with a gap. */
const shown = computed(() => {
  const high = site.pieces.filter((p) => p.count && p.sizeMm.z >= props.pattern.words.leastMm)
  // Of one height, that of most walls.
  const heights = new Map<number, number>()
  for (const p of high) if (p.role === 'WALL') heights.set(p.sizeMm.z, (heights.get(p.sizeMm.z) ?? 0) + p.count)
  const common = [...heights].sort((a, b) => b[1] - a[1])[0]?.[0]
  const tall = high.filter((p) => p.sizeMm.z === common)
  const walls = tall.filter((p) => p.role === 'WALL').sort((a, b) => b.sizeMm.x - a.sizeMm.x)
  const some = [
    walls[0],
    walls[Math.floor(walls.length / 2)],
    walls.at(-1),
    tall.find((p) => p.role === 'DOOR' || p.role === 'WINDOW'),
    tall.find((p) => p.role === 'POST'),
    ...AROUND.filter((a) => props.pattern.words[a.key]).map((a) => site.pieces.filter((p) => p.count && p.role === a.role).sort((p, q) => off(p) - off(q))[0]),
  ]
  let x = 0
  return [...new Set(some.filter((p): p is PieceView => !!p))].map((p) => {
    const at = x - p.boxMm.min.x
    x += p.sizeMm.x + 300
    return { url: `/api/sites/${site.site!.id}/patterns/${props.pattern.id}/pieces/${p.id}/mesh.glb?as=${site.site!.revision}`, boxMm: p.boxMm, xMm: at }
  })
})
type Rows = 'bands' | 'trims' | 'uprights'
const change = (how: (w: PatternWords) => void) =>
  patterns.change(props.pattern.id, (w) => {
    how(w)
    return w
  })
const set = <K extends Rows>(list: K, row: number, told: Partial<PatternWords[K][number]>) => change((w) => Object.assign(w[list][row]!, told))
const drop = (list: Rows, row: number) => change((w) => w[list].splice(row, 1))
const addBand = () => change((w) => w.bands.unshift({ name: 'band', swatch: 'STONE', heightMm: 300, proudMm: 20 }))
const addTrim = () =>
  change((w) => w.trims.push({ name: 'rail', swatch: 'TIMBER', profile: { kind: 'BAR', widthMm: 30, heightMm: 60, radiusMm: 6 }, from: 'FOOT', atMm: 1000 }))
const addUpright = () =>
  change((w) => w.uprights.push({ name: 'pilaster', swatch: 'STONE', at: 'PITCH', widthMm: 200, proudMm: 60, pitchMm: 2000, lowMm: 0, highMm: 0 }))
const FROM = [
  { value: 'FOOT', label: 'foot' },
  { value: 'TOP', label: 'top' },
] as const
const AT = [
  { value: 'ENDS', label: 'both ends' },
  { value: 'MIDDLE', label: 'middle' },
  { value: 'PITCH', label: 'at a pitch' },
  { value: 'START', label: 'start' },
  { value: 'END', label: 'end' },
] as const
const profiles = computed(() => library.value.map((v) => ({ value: v.section.kind, label: PROFILES[v.section.kind] })))
function setProfile(row: number, kind: ProfileView['section']['kind']) {
  const { section, liesAt } = library.value.find((v) => v.section.kind === kind)!
  void set('trims', row, { name: PROFILES[kind], profile: section, ...(liesAt ? { from: liesAt, atMm: 0 } : {}) })
}
/** Whether walls are dressed with it where they look outside. */
const isOutside = computed(() => !!site.site?.bothSides && site.site.outsidePatternId === props.pattern.id)
const fault = computed(() => patterns.refusal?.message)
/** The bands from the top down, as they stand. */
const bands = computed(() => props.pattern.words.bands.map((b, i) => ({ ...b, i })).reverse())
</script>

<template>
  <div class="middle">
    <BenchView v-if="shown.length" :pieces="shown" :label="`${pattern.name} on ${shown.length} pieces`" :of="String(pattern.id)" />
    <p v-else class="soft none">No wall stands yet that is high enough for it. Work out the kit first.</p>
  </div>
  <aside class="panel side" aria-label="The pattern">
    <label class="field"
      ><span>Name</span><TextEntry label="Name of the pattern" :value="pattern.name" :maxlength="80" @commit="(name) => void patterns.rename(pattern.id, name)"
    /></label>
    <div class="row">
      <Button v-if="!pattern.used" size="small" type="primary" title="For all walls, openings and posts of the site" @click="patterns.use(pattern.id)"
        >Use for all walls</Button
      >
      <Button v-else size="small" @click="patterns.use()">Leave walls plain</Button>
      <Button
        v-if="!isOutside"
        size="small"
        title="Walls are dressed on both sides by what lies there: by this pattern where they look outside"
        @click="patterns.face(true, pattern.id)"
        >Use outside</Button
      >
      <Button v-else size="small" title="Walls are dressed on their room’s side alone" @click="patterns.face(false, 0)">Leave the outside plain</Button>
      <Button size="small" @click="$emit('copy')">Copy</Button>
      <Button v-if="!pattern.used" size="small" :title="pattern.rooms.length ? 'Its rooms are under the site’s again' : ''" @click="patterns.remove(pattern.id)"
        >Take away</Button
      >
    </div>
    <p v-if="pattern.rooms.length" class="soft">● Of {{ pattern.rooms.join(', ') }} alone.</p>
    <p v-if="isOutside" class="soft">● Of all walls where they look outside. A wall is dressed on each side by what lies there; kits count both.</p>
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
    <p v-if="pattern.seams.length" class="remark">
      ▲ The ends of {{ pattern.seams.slice(0, 4).join(', ') }}{{ pattern.seams.length > 4 ? ' …' : '' }} do not meet their neighbours’.
    </p>
    <p v-else class="soft">● Neighbours meet without a seam.</p>
    <div class="fields three">
      <LengthField
        label="On pieces from"
        :mm="pattern.words.leastMm"
        @change="
          (mm) =>
            change((w) => {
              w.leastMm = mm
            })
        " />
    </div>
    <section aria-label="Bands">
      <div class="row spread">
        <h2>Bands</h2>
        <button type="button" class="plain more" @click="addBand">+ band at the foot</button>
      </div>
      <table>
        <thead>
          <tr>
            <th>from the top</th>
            <th>made of</th>
            <th>height</th>
            <th>proud</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr v-for="b in bands" :key="b.i">
            <td><TextEntry :label="`Name of band ${b.i + 1}`" :value="b.name" @commit="(name) => set('bands', b.i, { name })" /></td>
            <td>
              <MaterialChoice :label="`Swatch of band ${b.i + 1}`" :value="b.swatch" @change="(swatch) => set('bands', b.i, { swatch })" />
            </td>
            <td v-if="b.heightMm">
              <LengthField label="" :aria="`Height of band ${b.i + 1}`" :mm="b.heightMm" @change="(mm) => set('bands', b.i, { heightMm: mm })" />
            </td>
            <td v-else class="soft">the rest</td>
            <td><LengthField label="" :aria="`Band ${b.i + 1} stands out by`" :mm="b.proudMm" @change="(mm) => set('bands', b.i, { proudMm: mm })" /></td>
            <td><button v-if="b.heightMm" type="button" class="plain" :aria-label="`Take band ${b.i + 1} out`" @click="drop('bands', b.i)">✕</button></td>
          </tr>
        </tbody>
      </table>
    </section>
    <section aria-label="Trims">
      <div class="row spread">
        <h2>Trims</h2>
        <button type="button" class="plain more" @click="addTrim">+ trim</button>
      </div>
      <div v-for="(t, i) in pattern.words.trims" :key="i" class="item">
        <div class="line">
          <TextEntry :label="`Name of trim ${i + 1}`" :value="t.name" @commit="(name) => set('trims', i, { name })" />
          <MaterialChoice :label="`Swatch of trim ${i + 1}`" :value="t.swatch" @change="(swatch) => set('trims', i, { swatch })" />
          <Choice :label="`Profile of trim ${i + 1}`" :value="t.profile.kind" :options="profiles" @change="(kind) => setProfile(i, kind)" />
          <button type="button" class="plain" :aria-label="`Take trim ${i + 1} out`" @click="drop('trims', i)">✕</button>
        </div>
        <div class="four">
          <label class="field"
            ><span>From</span><Choice :label="`Trim ${i + 1} is measured`" :value="t.from" :options="FROM" @change="(from) => set('trims', i, { from })"
          /></label>
          <LengthField label="At" :aria="`Trim ${i + 1} at`" :mm="t.atMm" @change="(mm) => set('trims', i, { atMm: mm })" />
          <LengthField
            label="Width"
            :aria="`Width of trim ${i + 1}`"
            :mm="t.profile.widthMm"
            @change="(mm) => set('trims', i, { profile: { ...t.profile, widthMm: mm } })" />
          <LengthField
            label="Height"
            :aria="`Height of trim ${i + 1}`"
            :mm="t.profile.heightMm"
            @change="(mm) => set('trims', i, { profile: { ...t.profile, heightMm: mm } })" />
        </div>
      </div>
    </section>
    <section aria-label="Uprights">
      <div class="row spread">
        <h2>Uprights</h2>
        <button type="button" class="plain more" @click="addUpright">+ upright</button>
      </div>
      <div v-for="(u, i) in pattern.words.uprights" :key="i" class="item">
        <div class="line">
          <TextEntry :label="`Name of upright ${i + 1}`" :value="u.name" @commit="(name) => set('uprights', i, { name })" />
          <MaterialChoice :label="`Swatch of upright ${i + 1}`" :value="u.swatch" @change="(swatch) => set('uprights', i, { swatch })" />
          <Choice :label="`Upright ${i + 1} stands`" :value="u.at" :options="AT" @change="(at) => set('uprights', i, { at })" />
          <button type="button" class="plain" :aria-label="`Take upright ${i + 1} out`" @click="drop('uprights', i)">✕</button>
        </div>
        <div class="fields three">
          <LengthField label="Width" :aria="`Width of upright ${i + 1}`" :mm="u.widthMm" @change="(mm) => set('uprights', i, { widthMm: mm })" />
          <LengthField label="Proud" :aria="`Upright ${i + 1} stands out by`" :mm="u.proudMm" @change="(mm) => set('uprights', i, { proudMm: mm })" />
          <LengthField
            v-if="u.at === 'PITCH'"
            label="Pitch"
            :aria="`Pitch of upright ${i + 1}`"
            :mm="u.pitchMm"
            @change="(mm) => set('uprights', i, { pitchMm: mm })" />
          <LengthField label="From foot" :aria="`Upright ${i + 1} from foot`" :mm="u.lowMm" @change="(mm) => set('uprights', i, { lowMm: mm })" />
          <LengthField label="From top" :aria="`Upright ${i + 1} from top`" :mm="u.highMm" @change="(mm) => set('uprights', i, { highMm: mm })" />
        </div>
      </div>
    </section>
    <AroundFields :words="pattern.words" @change="change" />
  </aside>
</template>

<style scoped>
.middle {
  min-width: 0;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.none {
  margin: auto;
}
.more {
  color: #1d5c57;
}
table {
  border-collapse: collapse;
  table-layout: fixed;
  width: 100%;
}
th {
  font-weight: 400;
  font-size: var(--small);
  color: var(--soft-ink);
  text-align: left;
}
td,
th {
  padding: 2px 3px 2px 0;
}
th:nth-child(2) {
  width: 96px;
}
th:nth-child(3),
th:nth-child(4) {
  width: 76px;
}
th:last-child {
  width: 22px;
}
.item {
  display: grid;
  gap: 6px;
  border-bottom: 1px solid var(--hairline);
  padding-bottom: 8px;
}
.line {
  display: grid;
  grid-template-columns: 1fr 94px 104px 24px;
  gap: 6px;
  align-items: center;
}
</style>

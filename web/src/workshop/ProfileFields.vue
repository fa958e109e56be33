<script setup lang="ts">
import { onMounted, shallowRef } from 'vue'
import { get, type PartWords, type ProfileView } from '../api/client'
import LengthField from '../parts/LengthField.vue'
import { tell } from '../site/site'
import { useBench } from './bench'
import PointEditor from './PointEditor.vue'
import SvgShapes from './SvgShapes.vue'
import { PROFILES } from './words'
import { counted } from '../measure/format'

/** The cross-section of a pushed part: one of the library with typed sizes, or a drawn one. */
const props = defineProps<{ words: PartWords }>()
const work = useBench()
const library = shallowRef<ProfileView[]>([])
onMounted(
  () =>
    void get<ProfileView[]>('/api/profiles')
      .then((all) => (library.value = all))
      .catch(tell),
)

type Section = NonNullable<PartWords['profile']>
/** Which sizes each kind has, besides width and height. */
const SIZES: Partial<Record<Section['kind'], ('webMm' | 'flangeMm' | 'radiusMm')[]>> = {
  BAR: ['radiusMm'],
  I: ['webMm', 'flangeMm', 'radiusMm'],
  U: ['webMm', 'flangeMm', 'radiusMm'],
  L: ['webMm', 'flangeMm', 'radiusMm'],
  T: ['webMm', 'flangeMm', 'radiusMm'],
  HOLLOW: ['webMm', 'radiusMm'],
  TUBE: ['webMm'],
  SKIRTING: ['radiusMm'],
  KERB: ['radiusMm'],
}
const LABELS = { webMm: 'Wall', flangeMm: 'Flange', radiusMm: 'Radius' }

const outline = (v: ProfileView) => {
  const all = v.ringsMm.flat()
  const span = Math.max(...all.map((p) => p[0]!), ...all.map((p) => p[1]!)) * 1.1
  const d = v.ringsMm.map((ring) => ring.map((p, i) => `${i ? 'L' : 'M'}${p[0]} ${-p[1]!}`).join(' ') + ' Z').join(' ')
  return { d, box: `${-span * 0.05} ${-span * 0.95} ${span} ${span}` }
}
const spot = work.spot()
const take = (section: Section) => work.changePart(() => ({ profile: section }), spot)
const set = (told: Partial<Section>) => work.changePart((w) => ({ profile: { ...w.profile!, ...told } }), spot)
const drawn = () =>
  take({
    kind: 'DRAWN',
    drawn: [
      { x: 0, y: 0 },
      { x: 60, y: 0 },
      { x: 60, y: 40 },
      { x: 20, y: 100 },
      { x: 0, y: 100 },
    ],
  })
const points = () => props.words.profile!.drawn ?? []
const setPoints = (edit: (all: { x: number; y: number; radius?: number }[]) => void) =>
  work.changePart((w) => {
    const all = [...(w.profile!.drawn ?? [])]
    edit(all)
    return { profile: { ...w.profile!, kind: 'DRAWN', drawn: all } }
  }, spot)
</script>

<template>
  <div class="library" role="group" aria-label="Profiles">
    <button
      v-for="v in library"
      :key="v.section.kind"
      type="button"
      class="plain kind"
      :class="{ on: words.profile?.kind === v.section.kind }"
      :aria-pressed="words.profile?.kind === v.section.kind"
      :title="PROFILES[v.section.kind]"
      :aria-label="`Profile ${PROFILES[v.section.kind]}`"
      @click="take(v.section)">
      <svg :viewBox="outline(v).box" width="26" height="26" aria-hidden="true"><path :d="outline(v).d" fill-rule="evenodd" /></svg>
    </button>
    <button
      type="button"
      class="plain kind word"
      :class="{ on: words.profile?.kind === 'DRAWN' }"
      :aria-pressed="words.profile?.kind === 'DRAWN'"
      @click="drawn">
      drawn
    </button>
  </div>
  <SvgShapes what="profiles" @take="(rings) => take({ kind: 'DRAWN', drawn: rings[0], holes: rings.length > 1 ? rings.slice(1) : undefined })" />
  <template v-if="words.profile?.kind === 'DRAWN'">
    <PointEditor
      label="Profile, drawn"
      :points="points()"
      closed
      :step-mm="1"
      :least="3"
      @move="(i, to) => setPoints((all) => (all[i] = { ...all[i], ...to }))"
      @nudge="(i, by) => setPoints((all) => (all[i] = { ...all[i], x: all[i]!.x + by.x, y: all[i]!.y + by.y }))"
      @insert="(i, at) => setPoints((all) => all.splice(i, 0, at))"
      @remove="(i) => setPoints((all) => all.splice(i, 1))" />
    <p v-if="words.profile.holes?.length" class="row">
      <span class="soft">{{ counted(words.profile.holes.length, 'hole') }}</span>
      <button type="button" class="plain" @click="set({ holes: [] })">✕ fill them</button>
    </p>
  </template>
  <div v-else class="fields three">
    <LengthField label="Width" :mm="words.profile?.widthMm" @change="(mm) => set({ widthMm: mm })" />
    <LengthField label="Height" aria="Profile height" :mm="words.profile?.heightMm" @change="(mm) => set({ heightMm: mm })" />
    <LengthField v-for="s in SIZES[words.profile!.kind] ?? []" :key="s" :label="LABELS[s]" :mm="words.profile?.[s]" @change="(mm) => set({ [s]: mm })" />
  </div>
  <p v-if="work.about('profile')" class="fault" role="alert">{{ work.about('profile') }}</p>
</template>

<style scoped>
.library {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.kind {
  width: 36px;
  height: 34px;
  display: grid;
  place-items: center;
  border: 1px solid var(--hairline);
  background: var(--sheet);
}
.kind.word {
  width: auto;
  padding: 0 8px;
  font-size: var(--small);
}
.kind.on {
  border-color: var(--verdigris);
  box-shadow: inset 0 0 0 1px var(--verdigris);
}
path {
  fill: var(--ink);
}
</style>

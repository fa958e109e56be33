<script setup lang="ts">
import { ref, watch } from 'vue'
import { get, type DetailsView, type PieceView } from '../api/client'
import { latest } from '../api/latest'
import TextEntry from '../parts/TextEntry.vue'
import { tell, useSite } from '../site/site'
import { useBench } from './bench'

/** A piece's levels of detail and its hull: how many triangles each has, how far it lies off, and each on the bench. */
const props = defineProps<{ piece: PieceView }>()
/** Where the mesh is that is looked at; nothing is the whole one. */
const url = defineModel<string>()
const site = useSite()
const work = useBench()
const details = ref<DetailsView>()
const newest = latest()

const base = () => `/api/sites/${site.site!.id}/pieces/${props.piece.id}`
watch(
  () => [props.piece.id, props.piece.mesh, work.bench],
  async () => {
    try {
      const answer = await newest(get<DetailsView>(`${base()}/details`))
      if (answer) details.value = answer
    } catch (e) {
      tell(e)
    }
  },
  { immediate: true },
)
/** The level that is looked at, which stays that one when the piece is made anew meanwhile; nothing is the whole piece. */
const chosen = ref<string>()
watch([() => props.piece.id, () => details.value?.percents.join()], () => (chosen.value = undefined))
/** Whole percentages, however they are parted; what is no number is refused by the server. */
const commit = (text: string) =>
  work.change({
    details: text
      .split(/[^\d.]+/)
      .filter((t) => t)
      .map(Number),
  })
const mm = (v: number) => (v < 0.05 ? 'nothing' : v.toLocaleString('en', { maximumFractionDigits: 1 }) + ' mm')
watch(
  () => chosen.value && `${base()}/${chosen.value}.glb?as=${props.piece.mesh}`,
  (now) => (url.value = now),
)
</script>

<template>
  <section aria-label="Levels of detail">
    <h2>Levels of detail</h2>
    <label class="field narrow"
      ><span>Percent of the triangles</span
      ><TextEntry label="Percent of the triangles" :value="details?.percents.join(', ') ?? ''" placeholder="none" @commit="commit"
    /></label>
    <p v-if="work.about('details')" class="fault" role="alert">{{ work.about('details') }}</p>
    <ul v-if="details" class="plain" aria-label="Levels of the piece">
      <li>
        <button type="button" class="plain" :class="{ taken: !chosen }" :aria-pressed="!chosen" @click="chosen = undefined">
          <span>whole</span><span class="figures">{{ work.bench?.triangles.toLocaleString('en') }}</span>
        </button>
      </li>
      <li v-for="(l, i) in details.levels" :key="i">
        <button
          type="button"
          class="plain"
          :class="{ taken: chosen === `details/${i}` }"
          :aria-pressed="chosen === `details/${i}`"
          @click="chosen = `details/${i}`">
          <span>{{ l.percent ? `${l.percent} %` : 'box' }}</span><span class="figures">{{ l.triangles.toLocaleString('en') }}</span
          ><span class="figures soft">off by {{ mm(l.errorMm) }}</span>
        </button>
      </li>
      <li>
        <button type="button" class="plain" :class="{ taken: chosen === 'hull' }" :aria-pressed="chosen === 'hull'" @click="chosen = 'hull'">
          <span>hull</span><span class="figures">{{ details.hullTriangles.toLocaleString('en') }}</span
          ><span class="soft">to bump into</span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.narrow {
  max-width: 200px;
}
li button {
  display: grid;
  grid-template-columns: 60px 70px 1fr;
  gap: 10px;
  width: 100%;
  text-align: left;
  padding: 2px 8px;
  min-height: 24px;
}
li button .figures:not(.soft) {
  text-align: right;
}
</style>

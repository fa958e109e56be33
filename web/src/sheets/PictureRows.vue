<script setup lang="ts">
import { ref } from 'vue'
import type { CoatWords } from '../api/client'
import { tell, useSite } from '../site/site'
import { useColourways } from './colourways'
import { LAYERS } from './words'

/** The pictures of one's own that a finish is of: put in, put in place of another, taken out. */
type Layer = (typeof LAYERS)[number]['value']
defineProps<{ pictures: NonNullable<CoatWords['pictures']>; error?: string }>()
const emit = defineEmits<{ change: [layer: Layer, mediaId: number] }>()
const site = useSite()
const colourways = useColourways()
const chooser = ref<HTMLInputElement>()
const busy = ref<Layer>()
const refusal = ref('')
let layer: Layer = 'COLOUR'
function choose(of: Layer) {
  layer = of
  chooser.value!.value = ''
  chooser.value!.click()
}
async function chosen() {
  const file = chooser.value!.files?.[0]
  const of = layer
  if (!file) return
  busy.value = of
  refusal.value = ''
  try {
    emit('change', of, await colourways.addPicture(file))
  } catch (e) {
    if (e instanceof Error) refusal.value = e.message
    else tell(e)
  } finally {
    busy.value = undefined
  }
}
</script>

<template>
  <div class="pictures" role="group" aria-label="Pictures">
    <input ref="chooser" type="file" hidden accept=".png,.jpg,.jpeg,.webp" data-testid="finish-picture" @change="chosen" />
    <div v-for="l in LAYERS" :key="l.value" class="row">
      <img v-if="pictures[l.value]" :src="`/api/sites/${site.site!.id}/media/${pictures[l.value]}/preview`" alt="" />
      <span v-else class="none" />
      <span :title="l.says">{{ l.label }}</span>
      <button
        type="button"
        class="plain act"
        :aria-label="`${pictures[l.value] ? 'Another' : 'Put in a'} picture for ${l.label.toLowerCase()}`"
        @click="choose(l.value)">
        {{ busy === l.value ? 'reading …' : pictures[l.value] ? 'another …' : 'put in …' }}
      </button>
      <button
        v-if="pictures[l.value]"
        type="button"
        class="plain"
        :aria-label="`Take the picture for ${l.label.toLowerCase()} out`"
        title="Take it out"
        @click="emit('change', l.value, 0)">
        ✕
      </button>
    </div>
    <p v-if="refusal || error" class="fault" role="alert">■ {{ refusal || error }}</p>
  </div>
</template>

<style scoped>
.pictures {
  grid-column: 1 / -1;
  display: grid;
  gap: 4px;
}
.row {
  display: grid;
  grid-template-columns: 34px 1fr auto 26px;
  align-items: center;
  gap: 8px;
}
img,
.none {
  width: 32px;
  height: 32px;
  object-fit: cover;
  border: 1px solid var(--hairline);
  background: var(--sheet);
}
.act {
  color: #1d5c57;
  min-height: 24px;
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import Choice from '../parts/Choice.vue'
import { useColourways, type Swatch } from './colourways'
import { useMaterials } from './materials'

/** One of the site's materials, with a picture of its finish in the colourway that is used. */
const props = defineProps<{ value: string | undefined; label: string; options?: { value: string; label: string }[] }>()
const emit = defineEmits<{ change: [swatch: Swatch] }>()
const materials = useMaterials()
const colourways = useColourways()

/** Pixels to a side: the least that the server makes. */
const SIDE = 64
const picture = computed(() => {
  const coat = colourways.used?.coats.find((c) => c.swatch === props.value)
  return coat && colourways.url(colourways.used!.id, coat, 'COLOUR', SIDE)
})
</script>

<template>
  <span class="material">
    <img v-if="picture" :src="picture" alt="" width="24" height="24" />
    <Choice :label="label" :value="value" :options="options ?? materials.swatches" @change="(swatch) => emit('change', swatch as Swatch)" />
  </span>
</template>

<style scoped>
.material {
  display: flex;
  gap: 4px;
  min-width: 0;
}
img {
  flex: none;
  border: 1px solid var(--hairline);
  object-fit: cover;
}
</style>

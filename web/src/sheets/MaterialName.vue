<script setup lang="ts">
import { computed, provide } from 'vue'
import type { PlacedView } from '../api/client'
import { REFUSED } from '../parts/refused'
import TextEntry from '../parts/TextEntry.vue'
import { useMaterials, wordOf } from './materials'

/** What a material is called, in all colourways and in the files that are handed over. */
defineProps<{ material: PlacedView['swatch'] }>()
const materials = useMaterials()
provide(
  REFUSED,
  computed(() => materials.refusal),
)
</script>

<template>
  <div>
    <label class="field"
      ><span>Called, in all colourways</span
      ><TextEntry
        :key="material"
        label="Name of the material"
        :value="materials.called(material)"
        :placeholder="wordOf(material)"
        :maxlength="40"
        @commit="(name) => void materials.call(material, name)"
    /></label>
    <p v-if="materials.refusal?.about('name')" class="fault" role="alert">■ {{ materials.refusal.about('name') }}</p>
  </div>
</template>

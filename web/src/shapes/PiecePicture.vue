<script lang="ts">
/** Pictures by the mesh's address and size: an address holds the mesh's state, so none is ever stale. Some 3 kB each; the oldest go. */
const made = new Map<string, Promise<string>>()
const MOST = 600
</script>

<script setup lang="ts">
import { useElementVisibility } from '@vueuse/core'
import { ref, useTemplateRef, watch } from 'vue'
import type { PieceView } from '../api/client'
import { meshUrl, useSite } from '../site/site'
import { likeness } from './portraits'

/** A piece seen at an angle; drawn once it is in sight. Beside its code: to those who hear, it says nothing of its own. */
const props = withDefaults(defineProps<{ piece: Pick<PieceView, 'id' | 'mesh'>; size?: number }>(), { size: 32 })
const site = useSite()
const place = useTemplateRef<HTMLElement>('place')
const isInSight = useElementVisibility(place)
const picture = ref('')

function pictureOf(url: string) {
  const key = `${url} ${props.size}`
  let known = made.get(key)
  if (!known) {
    known = likeness(url, props.size)
    known.catch(() => made.delete(key))
    made.set(key, known)
    if (made.size > MOST) made.delete(made.keys().next().value!)
  }
  return known
}

watch(
  [() => site.site && meshUrl(site.site.id, props.piece), isInSight],
  async ([url, inSight]) => {
    if (!url || !inSight) return
    const drawn = await pictureOf(url).catch(() => '')
    if (site.site && meshUrl(site.site.id, props.piece) === url) picture.value = drawn
  },
  { immediate: true },
)
</script>

<template>
  <span ref="place" class="picture" :style="{ width: `${size}px`, height: `${size}px` }" aria-hidden="true">
    <img v-if="picture" :src="picture" alt="" :width="size" :height="size" />
  </span>
</template>

<style scoped>
.picture {
  display: inline-block;
  flex: none;
}
img {
  display: block;
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import type { ListedView } from '../api/client'
import { useBoard } from './board'

/** A listed piece as it shows on its picture: the part of the preview that its mark takes. */
const props = defineProps<{ listed: ListedView }>()
const board = useBoard()
const WIDTH = 46
const HEIGHT = 34
const cut = computed(() => {
  const picture = board.pictures.find((p) => p.mediaId === props.listed.mediaId)
  if (!picture || props.listed.crop.length !== 4) return undefined
  const [l, t, r, b] = props.listed.crop as [number, number, number, number]
  const scale = Math.min(WIDTH / (r - l), HEIGHT / (b - t))
  return {
    box: { width: `${(r - l) * scale}px`, height: `${(b - t) * scale}px` },
    image: { width: `${picture.pixelsX * scale}px`, left: `${-l * scale}px`, top: `${-t * scale}px` },
    source: board.original(picture),
  }
})
</script>

<template>
  <span class="frame"
    ><span v-if="cut" class="cut" :style="cut.box"><img :src="cut.source" :style="cut.image" :alt="`${listed.code} on its picture`" loading="lazy" /></span
  ></span>
</template>

<style scoped>
.frame {
  display: grid;
  place-items: center;
  width: 46px;
  height: 34px;
}
.cut {
  position: relative;
  overflow: hidden;
}
img {
  position: absolute;
  max-width: none;
}
</style>

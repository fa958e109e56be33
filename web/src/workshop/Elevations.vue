<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { PieceView } from '../api/client'
import { portrait, type SIDES } from '../lineup/portraits'
import { meshUrl, tell, useSite } from '../site/site'

/** The piece from its front, its side and above, to one scale, with its dimensions. */
const props = defineProps<{ piece: PieceView }>()
const site = useSite()
const SIDE_PX = 104

const views = computed(() => {
  const { x, y, z } = props.piece.sizeMm
  return [
    { from: 'front', title: 'front', w: x, h: z },
    { from: 'side', title: 'side', w: y, h: z },
    { from: 'top', title: 'from above', w: x, h: y },
  ] as { from: keyof typeof SIDES; title: string; w: number; h: number }[]
})
const scale = computed(() => SIDE_PX / Math.max(props.piece.sizeMm.x * 0.62, props.piece.sizeMm.y, props.piece.sizeMm.z))
const pictures = ref<Record<string, string>>({})
let asked = 0

watch(
  () => [props.piece.mesh, scale.value],
  async () => {
    const mine = ++asked
    const url = meshUrl(site.site!.id, props.piece)
    const made: Record<string, string> = {}
    try {
      for (const v of views.value) made[v.from] = await portrait(url, v.w / 1000, v.h / 1000, scale.value * 1000, v.from)
      if (mine === asked) pictures.value = made
    } catch (e) {
      tell(e)
    }
  },
  { immediate: true },
)
</script>

<template>
  <div class="elevations" role="group" aria-label="Elevations">
    <figure v-for="v in views" :key="v.from">
      <div class="drawing">
        <img
          v-if="pictures[v.from]"
          :src="pictures[v.from]"
          :alt="`${piece.code}, ${v.title}`"
          :width="Math.ceil(v.w * scale) + 4"
          :height="Math.ceil(v.h * scale) + 4" />
        <span class="figures up">{{ site.show(v.h) }}</span>
      </div>
      <figcaption>
        <span class="figures wide" :style="{ width: `${Math.max(40, Math.ceil(v.w * scale))}px` }">{{ site.show(v.w) }}</span>
        <span class="soft">{{ v.title }}</span>
      </figcaption>
    </figure>
  </div>
</template>

<style scoped>
.elevations {
  display: flex;
  gap: 40px;
  align-items: flex-end;
  justify-content: center;
  padding: 10px 16px;
  border-top: 1px solid var(--hairline);
  min-height: 166px;
  overflow-x: auto;
}
figure {
  margin: 0;
  display: grid;
  justify-items: start;
  gap: 4px;
}
.drawing {
  display: flex;
  align-items: stretch;
  gap: 6px;
}
.up {
  writing-mode: vertical-rl;
  transform: rotate(180deg);
  text-align: center;
  border-right: 1px solid var(--ink);
  padding-right: 2px;
}
figcaption {
  display: grid;
  gap: 2px;
  font-size: var(--small);
}
.wide {
  text-align: center;
  border-top: 1px solid var(--ink);
  padding-top: 2px;
  white-space: nowrap;
}
img {
  display: block;
}
</style>

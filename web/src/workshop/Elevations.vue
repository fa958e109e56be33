<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import type { PieceView } from '../api/client'
import { portrait } from '../shapes/portraits'
import { meshUrl, tell, useSite } from '../site/site'
import { useBench } from './bench'
import { extentOfParts, type LIES } from '../parts/drawn'
import ElevationView from './ElevationView.vue'

/** The piece from its front, its side and above, to one scale, with its dimensions; its parts are drawn and dragged there. */
const props = defineProps<{ piece: PieceView }>()
/** Whether they have the room, and the view in the round the rest. */
const isLarge = defineModel<boolean>('large', { required: true })
const site = useSite()
/** Pixels that a strip of small ones has for the highest, and what stands beside and below the drawings. */
const SMALL_PX = 104
const BESIDE_PX = 150
const BELOW_PX = 160

const room = useTemplateRef<HTMLElement>('room')
const { width, height } = useElementSize(room)
const draws = ref(false)

const views: { from: keyof typeof LIES; title: string }[] = [
  { from: 'front', title: 'front' },
  { from: 'side', title: 'side' },
  { from: 'top', title: 'from above' },
]
const work = useBench()
/** Of what lies on the bench; the piece's own size may come a moment later. */
const size = computed(() => {
  const box = work.bench?.id === props.piece.id ? extentOfParts(work.bench.parts) : undefined
  return box ? { x: box.max.x - box.min.x, y: box.max.y - box.min.y, z: box.max.z - box.min.z } : props.piece.sizeMm
})
const scale = computed(() => {
  const { x, y, z } = size.value
  if (!isLarge.value) return SMALL_PX / Math.max(x * 0.62, y, z)
  return Math.max(0.01, Math.min((width.value - BESIDE_PX) / (x + y), (height.value - BELOW_PX) / (y + z)))
})
const pictures = ref<Record<string, string>>({})
let asked = 0

watch(
  [() => props.piece.mesh, scale],
  async () => {
    const mine = ++asked
    const url = meshUrl(site.site!.id, props.piece)
    const { x, y, z } = size.value
    const made: Record<string, string> = {}
    try {
      for (const { from } of views)
        made[from] = await portrait(url, (from === 'side' ? y : x) / 1000, (from === 'top' ? y : z) / 1000, scale.value * 1000, from)
      if (mine === asked) pictures.value = made
    } catch (e) {
      tell(e)
    }
  },
  { immediate: true },
)
</script>

<template>
  <div ref="room" class="elevations" :class="{ large: isLarge }" role="group" aria-label="Elevations">
    <div class="tools" role="toolbar" aria-label="Drawings">
      <button type="button" class="plain" :class="{ on: draws }" :aria-pressed="draws" title="Drag from corner to corner in a drawing" @click="draws = !draws">
        Draw a block
      </button>
      <button type="button" class="plain" :aria-pressed="isLarge" @click="isLarge = !isLarge">{{ isLarge ? 'Smaller drawings' : 'Larger drawings' }}</button>
    </div>
    <div class="row">
      <ElevationView
        v-for="v in views"
        :key="v.from"
        :piece="piece"
        :from="v.from"
        :title="v.title"
        :picture="pictures[v.from]"
        :scale="scale"
        :draws="draws"
        @drawn="draws = false" />
    </div>
  </div>
</template>

<style scoped>
.elevations {
  position: relative;
  border-top: 1px solid var(--hairline);
  min-height: 166px;
  overflow: hidden;
  display: flex;
  flex-direction: column;
}
.elevations.large {
  flex: 1;
  min-height: 0;
}
.tools {
  position: absolute;
  top: 4px;
  left: 14px;
  right: 14px;
  display: flex;
  justify-content: space-between;
  z-index: 1;
}
.tools button {
  min-height: 24px;
  color: #1d5c57;
}
.tools .on {
  font-weight: 600;
  border-bottom: 2px solid var(--verdigris);
}
.row {
  flex: 1;
  display: flex;
  flex-wrap: nowrap;
  gap: 40px;
  align-items: flex-end;
  justify-content: center;
  padding: 26px 16px 10px;
}
/* The plan lies under the front, the side stands beside it. */
.large .row {
  display: grid;
  grid-template-columns: auto auto;
  gap: 14px 44px;
  align-content: center;
}
</style>

<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed } from 'vue'
import { useSite } from '../site/site'
import { usePicking } from '../table/picking'

/** What a click would take, at the pointer; after a click on several, all that lie there. */
const site = useSite()
const picking = usePicking()

const codeOf = (id: string) => site.pieceById.get(site.placements.get(id)?.pieceId ?? 0)?.code ?? 'a piece'
const hovered = computed(() => {
  const h = picking.hovered
  return h && !site.selection.has(h.id) ? h : undefined
})
/** The list goes when the pointer has gone so far from the click, pixels, or the view is moved. */
const AWAY_PX = 260
useEventListener(window, 'pointermove', (e: PointerEvent) => {
  const at = picking.last
  if (at && Math.hypot(e.clientX - at.x, e.clientY - at.y) > AWAY_PX) picking.forget()
})
useEventListener(window, 'wheel', picking.forget, { passive: true })

/** Beside the pointer, within the window. */
const beside = (at: { x: number; y: number }, width: number) => ({
  left: `${Math.min(at.x + 14, window.innerWidth - width)}px`,
  top: `${Math.min(at.y + 14, window.innerHeight - 60)}px`,
})
</script>

<template>
  <div v-if="picking.last" class="here" role="group" aria-label="What lies here" :style="beside(picking.last, 190)">
    <button
      v-for="(id, i) in picking.last.ids"
      :key="id"
      type="button"
      class="plain"
      tabindex="-1"
      :aria-pressed="i === picking.last.at"
      @click="picking.choose(i)">
      {{ codeOf(id) }}
    </button>
  </div>
  <div v-else-if="hovered" class="here would" aria-hidden="true" data-testid="would-pick" :style="beside(hovered, 190)">{{ codeOf(hovered.id) }}</div>
</template>

<style scoped>
.here {
  position: fixed;
  z-index: 7;
  display: grid;
  background: var(--sheet);
  border: 1px solid var(--plum);
  font-size: var(--small);
}
.here button {
  padding: 1px 10px;
  text-align: left;
}
.here button:hover {
  background: rgba(47, 127, 121, 0.1);
}
.here button[aria-pressed='true'] {
  background: rgba(106, 61, 124, 0.14);
  font-weight: 600;
}
.would {
  padding: 0 7px;
  border-color: var(--hairline);
  pointer-events: none;
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import type { ItemView } from '../api/client'
import { useBoard } from './board'

/** One thing on the board, as it lies: cropped, flipped, turned, in greys if wanted. */
const props = defineProps<{ item: ItemView; scale: number; selected: boolean }>()
const board = useBoard()

const PREVIEW = 512
const showsWhole = computed(() => (props.item.width / (props.item.crop[2]! - props.item.crop[0]!)) * props.scale * window.devicePixelRatio > PREVIEW)
const source = computed(() => (showsWhole.value ? board.original(props.item) : board.preview(props.item)))
const image = computed(() => {
  const [l, t, r, b] = props.item.crop as [number, number, number, number]
  const width = props.item.width / (r - l)
  const height = props.item.height / (b - t)
  return { width: `${width}px`, height: `${height}px`, left: `${-l * width}px`, top: `${-t * height}px` }
})
</script>

<template>
  <div
    class="item"
    :class="[item.kind.toLowerCase(), { selected, grey: item.grey, locked: item.locked }]"
    :data-item="item.id"
    :style="{
      left: `${item.x - item.width / 2}px`,
      top: `${item.y - item.height / 2}px`,
      width: `${item.width}px`,
      height: `${item.height}px`,
      transform: `rotate(${item.turn}deg)`,
      '--line': `${1 / scale}px`,
    }">
    <div v-if="item.kind === 'PICTURE'" class="clip" :style="{ transform: item.flipped ? 'scaleX(-1)' : undefined }">
      <img :src="source" :style="image" :alt="item.name" draggable="false" decoding="async" />
    </div>
    <p v-else>{{ item.text }}</p>
  </div>
</template>

<style scoped>
.item {
  position: absolute;
  user-select: none;
}
.picture {
  box-shadow: 0 0 0 var(--line) var(--soft-ink);
}
.clip {
  position: absolute;
  inset: 0;
  overflow: hidden;
  background: var(--hairline);
}
img {
  position: absolute;
  max-width: none;
}
.grey img {
  filter: grayscale(1);
}
.note {
  background: var(--sheet);
  border-left: calc(3 * var(--line)) solid var(--ochre);
  overflow: hidden;
}
.note p {
  padding: 8px 12px;
  white-space: pre-wrap;
  font-size: 1.0625rem;
  line-height: 1.35;
}
.frame {
  border: calc(1.5 * var(--line)) solid var(--ink);
  background: rgba(255, 255, 255, 0.5);
}
.frame p {
  position: absolute;
  left: 0;
  bottom: 100%;
  font-size: 1.375rem;
  font-weight: 600;
  white-space: nowrap;
}
.selected {
  outline: calc(2 * var(--line)) solid var(--plum);
  outline-offset: calc(1 * var(--line));
}
.locked::after {
  content: 'locked';
  position: absolute;
  right: 4px;
  top: 4px;
  font: var(--small) var(--mono);
  background: var(--paper);
  padding: 0 4px;
}
</style>

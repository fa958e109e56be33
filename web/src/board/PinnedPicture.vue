<script setup lang="ts">
import { computed } from 'vue'
import { useBoard } from './board'

/** One picture of the board, small, over whatever stage is open: the reference stays in sight. */
const board = useBoard()
const item = computed(() => board.pictures.find((p) => p.id === board.pinned))
</script>

<template>
  <figure v-if="item" class="pinned" aria-label="Pinned picture">
    <img
      :src="board.preview(item)"
      :alt="item.name"
      :style="{ filter: item.grey ? 'grayscale(1)' : undefined, transform: item.flipped ? 'scaleX(-1)' : undefined }" />
    <figcaption class="row spread">
      <span class="name">{{ item.name }}</span><button type="button" class="plain" aria-label="Unpin the picture" @click="board.pinned = undefined">
        unpin
      </button>
    </figcaption>
  </figure>
</template>

<style scoped>
.pinned {
  position: fixed;
  left: 96px;
  bottom: 168px;
  width: 250px;
  margin: 0;
  background: var(--sheet);
  border: 1px solid var(--ink);
  z-index: 20;
}
img {
  display: block;
  width: 100%;
}
figcaption {
  padding: 2px 8px;
  font-size: var(--small);
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
button {
  color: #1d5c57 !important;
  min-height: 24px;
}
</style>

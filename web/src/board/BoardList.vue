<script setup lang="ts">
import { useBoard } from './board'

/** Everything on the board, what lies in front first: what the sheet shows, for the keyboard and for those who hear it. */
const board = useBoard()
</script>

<template>
  <section aria-label="On the board">
    <div class="row spread">
      <h3>On the board</h3>
      <span class="figures soft">{{ board.items.length }}</span>
    </div>
    <ul>
      <li v-for="i in [...board.items].reverse()" :key="i.id">
        <button
          type="button"
          class="plain"
          :class="{ chosen: board.selection.has(i.id) }"
          :aria-pressed="board.selection.has(i.id)"
          @click="(e) => board.choose(i, e.shiftKey)">
          <span class="word">{{ i.kind === 'PICTURE' ? i.name : i.text || i.kind.toLowerCase() }}</span><span class="soft">{{ i.kind.toLowerCase() }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
li button {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  width: 100%;
  min-height: 26px;
  align-items: center;
  padding: 2px 4px !important;
  font-size: var(--small) !important;
  text-align: left;
}
li button:hover {
  background: rgba(47, 127, 121, 0.1);
}
li button.chosen {
  background: rgba(106, 61, 124, 0.14);
  box-shadow: inset 3px 0 var(--plum);
}
.word {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>

<script setup lang="ts">
import { Button, Modal } from 'ant-design-vue'
import { ref } from 'vue'
import type { PlaneView } from '../api/client'
import { tell } from '../site/site'
import { useBoard } from '../board/board'

/** A plane of a picture as it would look square on; can be laid on the board. */
const props = defineProps<{ plane: PlaneView }>()
const emit = defineEmits<{ close: [] }>()
const board = useBoard()
const keeping = ref(false)

async function keep() {
  keeping.value = true
  try {
    await board.make('Put the plane on the board', 'POST', `/planes/${props.plane.id}/rectified`)
    emit('close')
  } catch (e) {
    tell(e)
  }
  keeping.value = false
}
</script>

<template>
  <Modal open :title="`${plane.name}, square on`" width="860px" @cancel="$emit('close')">
    <img :src="`${board.base}/planes/${plane.id}/rectified.png`" :alt="`${plane.name} as it would look square on`" />
    <template #footer>
      <Button @click="$emit('close')">Close</Button>
      <Button type="primary" :loading="keeping" @click="keep">Put it on the board</Button>
    </template>
  </Modal>
</template>

<style scoped>
img {
  display: block;
  width: 100%;
  max-height: 60vh;
  object-fit: contain;
  background: var(--paper);
}
</style>

<script setup lang="ts">
import { Button } from 'ant-design-vue'
import type { Upload } from './uploads'

/** Pictures on their way to the board, and those that were refused. */
defineProps<{ uploads: Upload[]; busy: boolean }>()
defineEmits<{ cancel: []; dismiss: [] }>()
</script>

<template>
  <div v-if="uploads.length" class="uploads" role="status">
    <div v-for="u in uploads" :key="u.id" class="upload" :class="u.state">
      <span class="name">{{ u.name }}</span>
      <span v-if="u.state === 'refused'" class="fault">■ {{ u.why }}</span>
      <span v-else class="figures soft">{{ u.state === 'sending' ? `${Math.round(u.share * 100)} %` : u.state }}</span>
    </div>
    <Button v-if="busy" size="small" @click="$emit('cancel')">Cancel</Button>
    <Button v-else size="small" @click="$emit('dismiss')">Dismiss</Button>
  </div>
</template>

<style scoped>
.uploads {
  position: absolute;
  left: 12px;
  bottom: 12px;
  width: 340px;
  max-height: 50%;
  overflow-y: auto;
  background: var(--sheet);
  border: 1px solid var(--hairline);
  padding: 8px 10px;
  display: grid;
  gap: 5px;
  justify-items: start;
}
.upload {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  width: 100%;
  font-size: var(--small);
}
.upload.refused {
  display: grid;
  gap: 0;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>

<script setup lang="ts">
import { onClickOutside } from '@vueuse/core'
import { ref, useId } from 'vue'

/** One group of the line over a view: its name with how it stands now; opened, what belongs to it. */
defineProps<{ name: string; state: string; wide?: boolean }>()
const open = ref(false)
const whole = ref<HTMLElement>()
const opener = ref<HTMLElement>()
const id = useId()
onClickOutside(whole, () => (open.value = false))

function close(e: KeyboardEvent) {
  if (!open.value) return
  e.stopPropagation()
  open.value = false
  opener.value?.focus()
}
</script>

<template>
  <div ref="whole" class="group" :data-group="name" @keydown.esc="close">
    <button ref="opener" type="button" class="tool" :aria-expanded="open" :aria-controls="id" @click="open = !open">
      {{ name }} <span class="state">{{ state }}</span>
    </button>
    <div v-if="open" :id="id" class="opened" :class="{ wide }" role="group" :aria-label="name"><slot /></div>
  </div>
</template>

<style scoped>
.group {
  position: relative;
}
.state {
  color: var(--soft-ink);
}
.opened {
  position: absolute;
  top: calc(100% + 4px);
  left: 0;
  z-index: 6;
  width: 268px;
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 10px 12px;
  background: var(--sheet);
  border: 1px solid var(--ink);
}
.opened.wide {
  width: 340px;
}
</style>

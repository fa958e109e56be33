<script setup lang="ts">
import { nextTick, ref } from 'vue'
import { useSite } from '../site/site'
import LengthField from './LengthField.vue'

/** Lengths, each of which can be taken away, and a field for a further one. */
defineProps<{ label: string; mm: readonly number[]; error?: string }>()
const emit = defineEmits<{ add: [mm: number]; remove: [mm: number] }>()
const site = useSite()
/** Another field for every length typed: the last one is empty again. */
const typed = ref(0)
const host = ref<HTMLElement>()

function add(mm: number) {
  emit('add', mm)
  const stays = host.value?.contains(document.activeElement)
  typed.value++
  if (stays) void nextTick(() => host.value?.querySelector('input')?.focus())
}
</script>

<template>
  <div ref="host" class="list" role="group" :aria-label="label">
    <span class="label">{{ label }}</span>
    <span class="row wrap">
      <button
        v-for="l in mm"
        :key="l"
        type="button"
        class="length figures"
        :title="`Take ${site.show(l)} away`"
        :aria-label="`${label}: take ${site.show(l)} away`"
        @click="$emit('remove', l)">
        {{ site.show(l) }} <span aria-hidden="true">✕</span>
      </button>
      <LengthField :key="typed" class="further" label="" :aria="`${label}: add`" :mm="undefined" @change="add" />
    </span>
    <span v-if="error" class="fault" role="alert">{{ error }}</span>
  </div>
</template>

<style scoped>
.list {
  display: flex;
  flex-direction: column;
  gap: 2px;
}
.label {
  font-size: var(--small);
  color: var(--soft-ink);
}
.wrap {
  flex-wrap: wrap;
  gap: 4px;
}
.length {
  font-size: var(--small);
  height: 24px;
  padding: 0 6px;
  border: 1px solid var(--hairline);
  background: var(--sheet);
  color: var(--ink);
  cursor: pointer;
}
.length:hover {
  border-color: var(--verdigris);
}
.further {
  width: 84px;
}
</style>

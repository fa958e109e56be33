<script setup lang="ts">
import { ref } from 'vue'
import { Refusal } from '../api/client'
import { useForeseen } from '../massing/foreseen'
import { vTypedFirst } from '../parts/focus'
import LengthField from '../parts/LengthField.vue'
import { tell, useSite } from '../site/site'
import type { Written } from './chains'
import { asked } from './typed'

/** A length of a chain, typed where it is written; Esc leaves it as it is. */
const props = defineProps<{ written: Written }>()
const emit = defineEmits<{ done: [] }>()
const site = useSite()
const { make } = useForeseen()
const refusal = ref('')

async function finish(mm: number) {
  const ask = asked(props.written, mm, site.massing.openings)
  if (!ask) return
  try {
    await make('Type a dimension', ask.method, ask.path, ask.body)
    emit('done')
  } catch (e) {
    if (e instanceof Refusal) refusal.value = e.message
    else tell(e)
  }
}
</script>

<template>
  <div class="entry" :style="{ left: `${written.x}px`, top: `${written.y}px` }" @keydown.esc="emit('done')">
    <LengthField v-typed-first label="" aria="Dimension" :mm="written.toMm - written.fromMm" :error="refusal" @change="finish" />
  </div>
</template>

<style scoped>
.entry {
  position: absolute;
  width: 92px;
  transform: translate(-50%, -50%);
  background: var(--sheet);
  border: 1px solid var(--verdigris);
  padding: 2px;
  z-index: 2;
}
</style>

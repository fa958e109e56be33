<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { inject, ref, useId, watch } from 'vue'
import { Awaited } from './awaited'
import { REFUSED } from './refused'

/** A typed number, whole unless it may have a fraction; one that is refused goes back, and the reason stays beside it. Without a value it is various. */
const props = defineProps<{ label: string; value: number | undefined; fraction?: boolean; aria?: string; error?: string; placeholder?: string }>()
const emit = defineEmits<{ change: [value: number] }>()
const text = ref('')
const id = useId()
/** Being typed: an answer that comes meanwhile must not take it away. */
let typing = false
const awaited = new Awaited<number>()
const reset = () => (text.value = props.value === undefined ? '' : String(props.value))
const refused = inject(REFUSED, undefined)
watch(
  () => props.value,
  (value) => {
    if (awaited.answered(value) && !typing) reset()
  },
  { immediate: true },
)
watch([() => props.error, () => refused?.value], () => {
  awaited.answered()
  if (!typing) reset()
})

function type(typed: string) {
  typing = true
  text.value = typed
}

function commit() {
  typing = false
  const typed = Number(text.value.trim().replace(',', '.'))
  if (text.value.trim() === '' || !(props.fraction ? Number.isFinite(typed) : Number.isInteger(typed)) || typed === (awaited.last ?? props.value)) {
    if (awaited.last === undefined) reset()
  } else {
    awaited.ask(typed)
    emit('change', typed)
  }
}
</script>

<template>
  <label class="field" :for="id"
    ><span>{{ label }}</span>
    <Input
      :aria-label="aria ?? label"
      :placeholder="value === undefined ? (placeholder ?? 'various') : ''"
      :aria-invalid="!!error"
      :aria-describedby="error ? `${id}-fault` : undefined"
      :id="id"
      :value="text"
      size="small"
      class="figures"
      :inputmode="fraction ? 'decimal' : 'numeric'"
      :status="error ? 'error' : ''"
      @update:value="type"
      @blur="commit"
      @press-enter="commit" />
    <span v-if="error" :id="`${id}-fault`" class="fault" role="alert">{{ error }}</span>
  </label>
</template>

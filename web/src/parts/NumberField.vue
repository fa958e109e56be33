<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { ref, useId, watch } from 'vue'

/** A typed whole number; one that is refused goes back, and the reason stays beside it. */
const props = defineProps<{ label: string; value: number; error?: string }>()
const emit = defineEmits<{ change: [value: number] }>()
const text = ref('')
const id = useId()
const reset = () => (text.value = String(props.value))
watch(() => [props.value, props.error], reset, { immediate: true })

function commit() {
  const typed = Number(text.value.trim())
  if (!Number.isInteger(typed) || typed === props.value) reset()
  else emit('change', typed)
}
</script>

<template>
  <label class="field" :for="id"
    ><span>{{ label }}</span>
    <Input
      :aria-label="label"
      :aria-invalid="!!error"
      :aria-describedby="error ? `${id}-fault` : undefined"
      :id="id"
      v-model:value="text"
      size="small"
      class="figures"
      inputmode="numeric"
      :status="error ? 'error' : ''"
      @blur="commit"
      @press-enter="commit" />
    <span v-if="error" :id="`${id}-fault`" class="fault" role="alert">{{ error }}</span>
  </label>
</template>

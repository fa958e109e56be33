<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { ref, watch } from 'vue'

/** A typed value that counts when the field is left or Enter pressed; Esc takes it back. */
const props = defineProps<{ value: string; label: string; placeholder?: string; maxlength?: number; rows?: number; onCommit?: (text: string) => void }>()
const text = ref(props.value)
watch(
  () => props.value,
  (v) => (text.value = v),
)
/** Sent, and not typed on since: Enter sends, and leaving the field after that does not send again. */
let sent = false
watch(text, () => (sent = false))

function commit() {
  if (sent || text.value === props.value) return
  sent = true
  props.onCommit?.(text.value)
}
function reset() {
  text.value = props.value
}
</script>

<template>
  <Input.TextArea
    v-if="rows"
    v-model:value="text"
    :rows="rows"
    :maxlength="maxlength"
    :aria-label="label"
    :placeholder="placeholder"
    @blur="commit"
    @keydown.esc.stop="reset" />
  <Input
    v-else
    v-model:value="text"
    size="small"
    :maxlength="maxlength"
    :aria-label="label"
    :placeholder="placeholder"
    @blur="commit"
    @press-enter="commit"
    @keydown.esc.stop="reset" />
</template>

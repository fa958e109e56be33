<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { inject, ref, watch } from 'vue'
import { REFUSED } from './refused'

/** A typed value that counts when the field is left or Enter pressed; Esc takes it back. */
const props = defineProps<{ value: string; label: string; placeholder?: string; maxlength?: number; rows?: number; onCommit?: (text: string) => void }>()
const text = ref(props.value)
/** Being typed: an answer that comes meanwhile must not take it away. */
let typing = false
/** Sent, and not typed on since: Enter sends, and leaving the field after that does not send again. */
let sent = false
const refused = inject(REFUSED, undefined)
watch(
  () => props.value,
  () => typing || show(),
)
watch(
  () => refused?.value,
  (r) => r && !typing && show(),
)

/** What stands. */
function show() {
  text.value = props.value
  typing = sent = false
}
function type(typed: string) {
  text.value = typed
  typing = true
  sent = false
}
function commit() {
  typing = false
  if (sent || text.value === props.value) return
  sent = true
  props.onCommit?.(text.value)
}
</script>

<template>
  <Input.TextArea
    v-if="rows"
    :value="text"
    :rows="rows"
    :maxlength="maxlength"
    :aria-label="label"
    :placeholder="placeholder"
    @update:value="type"
    @blur="commit"
    @keydown.esc.stop="show" />
  <Input
    v-else
    :value="text"
    size="small"
    :maxlength="maxlength"
    :aria-label="label"
    :placeholder="placeholder"
    @update:value="type"
    @blur="commit"
    @press-enter="commit"
    @keydown.esc.stop="show" />
</template>

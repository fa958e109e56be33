<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { computed, inject, ref, useId, watch } from 'vue'
import { get, Refusal } from '../api/client'
import { useSite } from '../site/site'
import { format } from '../measure/format'
import type { Unit } from '../api/client'
import { Awaited } from './awaited'
import { REFUSED } from './refused'

/**
 * A typed length: any unit may be written; the server reads it. Without a visible label it needs one for those who hear it. The listener is a property, so that it hears of a
 * value that was typed just before the field went away.
 */
const props = defineProps<{
  label: string
  mm: number | undefined
  error?: string
  unit?: Unit
  mixed?: boolean
  aria?: string
  onChange?: (mm: number) => void
}>()

const site = useSite()
const unit = computed(() => props.unit ?? site.unit)
const text = ref('')
const fault = ref('')
const id = useId()
/** A value that was refused goes back, and the reason stays beside it until something else is typed. */
watch(
  () => props.error,
  (e) => e && awaited.answered() && (text.value = props.mm === undefined ? '' : format(props.mm, unit.value)),
)

const refused = inject(REFUSED, undefined)
watch(
  () => refused?.value,
  (r) => r && awaited.answered() && !typing && reset(),
)

/** What is typed goes back. */
function leave() {
  typing = fresh = false
  reset()
}

function reset() {
  text.value = props.mm === undefined ? '' : format(props.mm, unit.value)
  fault.value = ''
}
/** Being typed, or typed and not read yet: an answer that comes meanwhile must not take it away. */
let typing = false
const awaited = new Awaited<number>()
watch([() => props.mm, unit] as const, ([mm]) => awaited.answered(mm) && !typing && reset(), { immediate: true })

function type(typed: string) {
  typing = fresh = true
  text.value = typed
}

let asking = 0
/** Typed, and not yet asked for: Enter asks, and leaving the field after that does not ask again. */
let fresh = false
/** In turn with what uses the value: a button pressed at once finds what was typed. */
const commit = () => {
  if (!fresh) return
  fresh = false
  const typed = text.value.trim()
  void site.inTurn(() => read(typed))
}

async function read(typed: string) {
  if (typed === text.value.trim()) typing = false
  if (typed === '' || (props.mm !== undefined && typed === format(props.mm, unit.value))) {
    reset()
    return
  }
  const mine = ++asking
  const changed = props.onChange
  try {
    const found = await get<{ mm: number; text: string }>(
      `/api/lengths?unit=${unit.value}&text=${encodeURIComponent(typed)}${props.mm === undefined ? '' : `&standingMm=${props.mm}`}`,
    )
    if (mine !== asking) return
    fault.value = ''
    if (!typing) text.value = found.text
    if (changed && found.mm !== (awaited.last ?? props.mm)) awaited.ask(found.mm)
    changed?.(found.mm)
  } catch (e) {
    if (mine !== asking) return
    reset()
    fault.value = e instanceof Refusal ? e.message : 'The server does not answer.'
  }
}
</script>

<template>
  <label class="field" :for="id">
    <span v-if="label">{{ label }}</span>
    <Input
      :id="id"
      :value="text"
      size="small"
      class="figures"
      :status="fault || error ? 'error' : ''"
      :aria-label="aria ?? label"
      :placeholder="mixed ? 'various' : ''"
      :aria-invalid="!!(fault || error)"
      :aria-describedby="fault || error ? `${id}-fault` : undefined"
      @update:value="type"
      @blur="commit"
      @press-enter="commit"
      @keydown.esc.stop="leave" />
    <span v-if="fault || error" :id="`${id}-fault`" class="fault" role="alert">{{ fault || error }}</span>
  </label>
</template>

<script setup lang="ts" generic="T extends string">
import { ref } from 'vue'

/** One of several lists, by name: one stop of the Tab key, arrows go from one to the next. */
const props = defineProps<{ tabs: readonly { name: T; title: string }[]; label: string }>()
const shown = defineModel<T>({ required: true })
const row = ref<HTMLElement>()

function along(e: KeyboardEvent) {
  const at = props.tabs.findIndex((tab) => tab.name === shown.value)
  const to = { ArrowLeft: at - 1, ArrowRight: at + 1 }[e.key]
  if (to === undefined) return
  e.preventDefault()
  e.stopPropagation()
  const next = (to + props.tabs.length) % props.tabs.length
  shown.value = props.tabs[next]!.name
  ;(row.value!.children[next] as HTMLElement).focus()
}
</script>

<template>
  <div ref="row" class="tabs" role="tablist" :aria-label="label" @keydown="along">
    <button
      v-for="tab in tabs"
      :key="tab.name"
      type="button"
      role="tab"
      class="plain tab"
      :class="{ here: tab.name === shown }"
      :aria-selected="tab.name === shown"
      :tabindex="tab.name === shown ? 0 : -1"
      @click="shown = tab.name">
      {{ tab.title }}
    </button>
  </div>
</template>

<style scoped>
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
.tab.here {
  font-weight: 600;
  box-shadow: 0 2px var(--verdigris);
}
</style>

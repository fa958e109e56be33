<script setup lang="ts">
import { computed, nextTick, ref, useId, useTemplateRef } from 'vue'
import type { PieceView } from '../api/client'
import { vOneStop } from '../parts/oneStop'
import PiecePicture from './PiecePicture.vue'

/** One piece of several, by its picture: a button that opens them, with a line to find among many. */
const props = defineProps<{ pieces: readonly PieceView[]; label: string; placeholder: string; value?: number }>()
const emit = defineEmits<{ choose: [id: number] }>()

/** With more there is a line to find among them. */
const FEW = 12
const id = useId()
const opener = useTemplateRef<HTMLElement>('opener')
const list = useTemplateRef<HTMLElement>('list')
const isOpen = ref(false)
const wanted = ref('')
const place = ref({ left: '0', top: '0', width: '0', maxHeight: '0' })

const chosen = computed(() => props.pieces.find((p) => p.id === props.value))
const shown = computed(() => {
  const word = wanted.value.trim().toLowerCase()
  return props.pieces.filter((p) => !word || p.code.toLowerCase().includes(word) || p.name.toLowerCase().includes(word))
})

/** Below the button, or above it where there is more room. */
function lay() {
  const r = opener.value!.getBoundingClientRect()
  const below = window.innerHeight - r.bottom - 12
  const above = r.top - 12
  const height = Math.min(360, Math.max(below, above))
  const top = below >= height || below >= above ? r.bottom + 2 : r.top - 2 - height
  place.value = { left: `${r.left}px`, top: `${top}px`, width: `${Math.max(r.width, 240)}px`, maxHeight: `${height}px` }
}

function toggled(e: Event) {
  isOpen.value = (e as ToggleEvent).newState === 'open'
  if (!isOpen.value) return
  wanted.value = ''
  lay()
  void nextTick(() => list.value?.querySelector<HTMLElement>('input, button')?.focus())
}

function choose(piece: PieceView | undefined) {
  if (!piece) return
  list.value!.hidePopover()
  opener.value!.focus()
  emit('choose', piece.id)
}
</script>

<template>
  <button
    ref="opener"
    type="button"
    class="opener"
    :aria-label="chosen ? `${label}: ${chosen.code}` : label"
    aria-haspopup="dialog"
    :aria-expanded="isOpen"
    :popovertarget="id">
    <PiecePicture v-if="chosen" :piece="chosen" :size="24" />
    <span>{{ chosen?.code ?? placeholder }}</span>
  </button>
  <div :id="id" ref="list" popover="auto" class="list" role="dialog" :aria-label="label" :style="place" @beforetoggle="toggled">
    <template v-if="isOpen">
      <input
        v-if="pieces.length > FEW"
        v-model="wanted"
        type="search"
        placeholder="Find a piece"
        :aria-label="`Find: ${label}`"
        @keydown.enter.prevent="choose(shown[0])" />
      <ul v-one-stop>
        <li v-for="p in shown" :key="p.id">
          <button type="button" class="plain" :aria-pressed="p.id === value" @click="choose(p)"><PiecePicture :piece="p" :size="36" />{{ p.code }}</button>
        </li>
      </ul>
      <p v-if="!shown.length" class="soft">None is called that.</p>
    </template>
  </div>
</template>

<style scoped>
.opener {
  display: flex;
  align-items: center;
  gap: 6px;
  width: 100%;
  min-height: 24px;
  padding: 0 7px;
  border: 1px solid #b9b1a0;
  background: var(--sheet);
  color: var(--ink);
  font: 0.875rem/1.3 var(--sans);
  text-align: left;
  cursor: pointer;
}
.opener:hover {
  border-color: var(--verdigris);
}
.opener > :last-child {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.list {
  position: fixed;
  inset: auto;
  margin: 0;
  padding: 6px;
  overflow: auto;
  border: 1px solid var(--ink);
  background: var(--sheet);
  color: var(--ink);
}
input {
  width: 100%;
  height: 26px;
  margin-bottom: 4px;
  padding: 0 7px;
  border: 1px solid #b9b1a0;
  background: var(--sheet);
  font: 0.875rem/1.3 var(--sans);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li button {
  display: flex;
  align-items: center;
  gap: 8px;
  width: 100%;
  padding: 2px 4px !important;
  text-align: left;
}
li button:hover,
li button[aria-pressed='true'] {
  background: rgba(47, 127, 121, 0.12);
}
p {
  margin: 4px;
}
</style>

<script setup lang="ts">
import { onClickOutside } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { isIn } from '../site/edges'
import { tell, useSite } from '../site/site'
import { usePicking } from '../table/picking'
import { useTable } from '../table/table'
import { keyName, useCommands, type Command, type Group } from './commands'

/** What goes for what lies under the pointer: for the selection, or for the place where nothing lies. */
const props = defineProps<{ massing: boolean }>()
const site = useSite()
const table = useTable()
const picking = usePicking()
const commands = useCommands()
const menu = ref<HTMLElement>()

const OF_SELECTION: readonly Group[] = ['Selection', 'Select', 'Place and repeat']
const OF_PLACE: readonly string[] = [
  'Set a copy down',
  'Again',
  'Draw a room',
  'Strut between two points',
  'Show the whole set',
  'Walk',
  'Cutaway',
  'Find and do',
]

/** The room under the pointer, of the level that is worked on, the smallest where rooms lie in one another; by the keyboard the chosen one. */
const room = computed(() => {
  const at = picking.menu?.atMm
  return at ? table.rooms.filter((r) => isIn(r, at)).sort((a, b) => a.areaM2 - b.areaM2)[0] : table.selectedRoom
})
const items = computed<Pick<Command, 'name' | 'run' | 'key' | 'ctrl' | 'shift'>[]>(() => {
  const all = commands.all.filter((c) => c.can())
  const here = picking.menu?.atMm
  const figure = here ? [{ name: 'Stand the Figure here', run: () => table.standFigure(here) }] : []
  if (props.massing) return [...all.filter((c) => c.group === 'Massing' && (c.of !== 'room' || room.value)), ...figure]
  if (!site.selection.size) return [...all.filter((c) => OF_PLACE.includes(c.name)), ...figure]
  return [
    ...all.filter((c) => OF_SELECTION.includes(c.group) && c.name !== 'Set a copy down'),
    ...all.filter((c) => c.name === 'Look at the selection'),
    ...figure,
  ]
})

/** Within the window, whatever it has to hold. */
const place = ref({ left: '0', top: '0' })
watch(
  () => picking.menu,
  async (at) => {
    if (!at) return
    if (props.massing && room.value) table.choose({ room: room.value.id })
    await nextTick()
    const { offsetWidth: w, offsetHeight: h } = menu.value!
    place.value = { left: `${Math.max(4, Math.min(at.x, window.innerWidth - w - 4))}px`, top: `${Math.max(4, Math.min(at.y, window.innerHeight - h - 4))}px` }
    ;(menu.value!.firstElementChild as HTMLElement | null)?.focus()
  },
)
const close = () => (picking.menu = undefined)
onClickOutside(menu, close)

function doIt(item: (typeof items.value)[number]) {
  close()
  Promise.resolve(item.run()).catch(tell)
}
function onKey(e: KeyboardEvent) {
  const all = [...menu.value!.children] as HTMLElement[]
  const at = all.indexOf(document.activeElement as HTMLElement)
  const to = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: all.length - 1 }[e.key]
  if (e.key === 'Escape' || e.key === 'Tab') close()
  else if (to !== undefined) all[(to + all.length) % all.length]?.focus()
  else return
  e.preventDefault()
  e.stopPropagation()
}
</script>

<template>
  <div v-if="picking.menu" ref="menu" class="menu" role="menu" aria-label="What can be done here" :style="place" @keydown="onKey" @contextmenu.prevent>
    <button v-for="item in items" :key="item.name" type="button" role="menuitem" class="plain" tabindex="-1" @click="doIt(item)">
      <span>{{ item.name }}</span>
      <kbd v-if="keyName(item)">{{ keyName(item) }}</kbd>
    </button>
  </div>
</template>

<style scoped>
.menu {
  position: fixed;
  z-index: 20;
  display: grid;
  max-height: 92vh;
  overflow-y: auto;
  padding: 4px 0;
  background: var(--sheet);
  border: 1px solid var(--ink);
}
.menu button {
  display: flex;
  justify-content: space-between;
  gap: 24px;
  padding: 2px 12px;
  min-height: 24px;
  text-align: left;
}
.menu button:hover,
.menu button:focus {
  background: rgba(47, 127, 121, 0.14);
  outline: 0;
}
</style>

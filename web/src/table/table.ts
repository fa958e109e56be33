import { defineStore } from 'pinia'
import { ref } from 'vue'

/** How the Table shows the set: what both drawings share besides the set and the selection. */
export const useTable = defineStore('table', () => {
  const cutaway = ref(true)
  const cutMm = ref(2000)
  /** Plan's share of the width, 0 to 1. */
  const share = ref(0.5)
  const drawingRoom = ref(false)
  /** Raised to ask both drawings to look at something. */
  const asked = ref<{ at: 'all' | 'selection'; count: number }>({ at: 'all', count: 0 })

  function look(at: 'all' | 'selection') {
    asked.value = { at, count: asked.value.count + 1 }
  }

  return { cutaway, cutMm, share, drawingRoom, asked, look }
})

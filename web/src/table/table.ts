import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { BoxMm, RoomView, VecMm } from '../api/client'
import { useSite } from '../site/site'
import { keepForSite } from './kept'

/** Between a thing and the figure that is stood beside it, to the figure's middle. */
const BESIDE_MM = 400

/** What the next drag on the plan draws. */
export type Drawing = '' | 'room' | 'join' | 'cut' | 'stair' | 'solid' | 'section'

/** How the Table shows the set: what both drawings share besides the set and the selection. */
export const useTable = defineStore('table', () => {
  const site = useSite()
  const cutaway = ref(true)
  const cutMm = ref(2000)
  const drawing = ref<Drawing>('')
  const chosenRoom = ref<number>()
  const chosenRun = ref<string>()
  const run = computed(() => site.massing.runs.find((r) => r.id === chosenRun.value))
  const chosenStair = ref<number>()
  const chosenSolid = ref<number>()
  const stair = computed(() => site.massing.stairs.find((s) => s.id === chosenStair.value))
  const solid = computed(() => site.massing.solids.find((s) => s.id === chosenSolid.value))
  /** Whether the massing's lists are looked at though something is chosen. */
  const isListing = ref(false)
  /** Chooses one thing of the massing, and nothing else. */
  function choose(what: { room?: number; stair?: number; solid?: number }) {
    if (what.room !== undefined) chosenRoom.value = what.room
    chosenStair.value = what.stair
    chosenSolid.value = what.solid
    isListing.value = false
  }
  /** Which levels Space shows: all, that which is worked on, or all up to it. */
  const shownLevels = ref<'all' | 'one' | 'below'>('all')
  const ceilings = ref(true)
  const walking = ref(false)
  /** Whether the flow from the Figure is shown. */
  const flow = ref(false)
  /** The line that the section is cut along, seen to its left; shown in place of the plan while that is asked for. */
  const section = ref<{ from: { x: number; y: number }; to: { x: number; y: number } }>()
  const drawn = ref<'plan' | 'section'>('plan')
  function cutSection(from: { x: number; y: number }, to: { x: number; y: number }) {
    section.value = { from, to }
    drawn.value = 'section'
  }
  const chosenLevel = ref(0)
  const level = computed(() => site.massing.levels.find((l) => l.id === chosenLevel.value) ?? site.massing.levels.find((l) => l.id === 0))
  function goToLevel(id: number) {
    chosenLevel.value = id
    isListing.value = false
  }
  /** The rooms of the level that is worked on. */
  const rooms = computed(() => site.massing.rooms.filter((r) => r.levelId === level.value?.id))
  const room = computed(() => rooms.value.find((r) => r.id === chosenRoom.value) ?? rooms.value[0])
  /** The room that is worked on by itself: the chosen one, or the only one of its level. */
  const selectedRoom = computed(() => rooms.value.find((r) => r.id === chosenRoom.value) ?? (rooms.value.length === 1 ? rooms.value[0] : undefined))
  /** Chooses nothing of the massing. */
  function chooseNothing() {
    chosenRoom.value = undefined
    choose({})
    isListing.value = true
  }
  const hasChosen = computed(() => !!(stair.value ?? solid.value ?? selectedRoom.value))
  /** What a click or a box selects: everything, all but floors and ceilings, or what is of one role. */
  const picks = ref('')
  function takes(id: string): boolean {
    const role = site.pieceById.get(site.placements.get(id)?.pieceId ?? 0)?.role
    return picks.value === '' || (picks.value === 'STANDING' ? role !== 'FLOOR' && role !== 'CEILING' : role === picks.value)
  }
  /** What the plan shows now; the plan tells. */
  const inPlan = shallowRef<() => string[]>(() => [])
  /** Raised to ask both drawings to look at something. */
  const asked = shallowRef<{ at: 'all' | 'selection' | BoxMm; count: number }>({ at: 'all', count: 0 })
  const stood = shallowRef<{ siteId: number; atMm: VecMm }>()

  /** Where the figure stands: where a hand stood it, else a little inside the first room. */
  const figureMm = computed<VecMm>(() => {
    if (stood.value && stood.value.siteId === site.site?.id) return stood.value.atMm
    const room = site.massing.rooms[0]
    return room ? { x: room.cornerMm.x + 1500, y: room.cornerMm.y + 1500, z: room.cornerMm.z } : { x: 1500, y: 1500, z: 0 }
  })

  function goToRoom(room: RoomView) {
    goToLevel(room.levelId)
    choose({ room: room.id })
    const { x, y, z } = room.cornerMm
    look({ min: room.cornerMm, max: { x: x + room.widthMm, y: y + room.depthMm, z: z + room.heightMm } })
  }

  function standFigure(atMm: VecMm) {
    if (site.site) stood.value = { siteId: site.site.id, atMm }
  }

  function standFigureBeside(box: BoxMm) {
    standFigure({ x: box.max.x + BESIDE_MM, y: (box.min.y + box.max.y) / 2, z: box.min.z })
  }

  function look(at: 'all' | 'selection' | BoxMm) {
    asked.value = { at, count: asked.value.count + 1 }
  }

  keepForSite('table', () => site.site?.id, { cutaway, cutMm, shownLevels, ceilings, picks })

  return {
    inPlan,
    picks,
    takes,
    cutaway,
    cutMm,
    drawing,
    shownLevels,
    ceilings,
    walking,
    flow,
    section,
    drawn,
    cutSection,
    choose,
    chosenRun,
    run,
    chosenStair,
    stair,
    chosenSolid,
    solid,
    chosenRoom,
    selectedRoom,
    chooseNothing,
    hasChosen,
    room,
    rooms,
    chosenLevel,
    goToLevel,
    goToRoom,
    isListing,
    level,
    asked,
    figureMm,
    standFigure,
    standFigureBeside,
    look,
  }
})

import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import type { BoxMm, OpenedView, UseView, VecMm } from '../api/client'
import { usePlacing } from '../placing/placing'
import { useSite } from '../site/site'

/** The use of an assembly that a place belongs to. */
export const useOf = (place: string): number | undefined => (place.startsWith('use.') ? Number(place.split('.')[1]) : undefined)

/** What a box about a pivot takes once it is turned by quarters and set down; mirrored it takes the same. */
export function turnedBox(b: BoxMm, quarters: number, at: VecMm): BoxMm {
  const turn = (x: number, y: number): [number, number] =>
    [
      [x, y],
      [-y, x],
      [-x, -y],
      [y, -x],
    ][quarters & 3] as [number, number]
  const [x0, y0] = turn(b.min.x, b.min.y)
  const [x1, y1] = turn(b.max.x, b.max.y)
  return {
    min: { x: Math.min(x0, x1) + at.x, y: Math.min(y0, y1) + at.y, z: b.min.z + at.z },
    max: { x: Math.max(x0, x1) + at.x, y: Math.max(y0, y1) + at.y, z: b.max.z + at.z },
  }
}

/** Assemblies as they are saved, taken, opened and saved over. */
export const useAssembling = defineStore('assembling', () => {
  const site = useSite()
  const placing = usePlacing()
  /** What is open: hands change it, until it is saved over or left as it is. */
  const opened = shallowRef<OpenedView & { siteId: number }>()
  const open = computed(() => (opened.value?.siteId === site.site?.id ? opened.value : undefined))
  const nameOf = (id: number) => site.assemblies.assemblies.find((a) => a.id === id)?.name ?? 'an assembly'

  /** The one use that everything selected belongs to. */
  const use = computed<UseView | undefined>(() => {
    const ids = new Set([...site.selection].map(useOf))
    return ids.size === 1 ? site.assemblies.uses.find((u) => u.id === [...ids][0]) : undefined
  })
  const canSave = computed(() => [...site.selection].some((id) => /^(hand|use|repeat)\./.test(id)))

  const selectUse = (id: number) => site.select(site.placements.of(`uses.${id}`))

  async function save() {
    const made = await site.make<UseView | undefined>('Save an assembly', 'POST', '/assemblies', { placementIds: [...site.selection] })
    if (made) selectUse(made.id)
  }

  async function openUse(id: number) {
    const found = await site.make<OpenedView | undefined>('Open an assembly', 'POST', `/uses/${id}/open`)
    if (!found) return
    opened.value = { ...found, siteId: site.site!.id }
    site.select(found.placementIds)
  }

  /** All that is selected is the assembly from now on. */
  async function saveOver() {
    const o = open.value
    if (!o) return
    const made = await site.make<UseView | undefined>('Change an assembly', 'PUT', `/assemblies/${o.assemblyId}/parts`, {
      placementIds: [...site.selection],
      pivot: o.pivot,
    })
    if (!made) return
    opened.value = undefined
    selectUse(made.id)
  }

  const leave = () => (opened.value = undefined)
  const makeOwn = (id: number) => site.make('Make it its own', 'POST', `/uses/${id}/own`)

  async function dissolve(id: number) {
    const places = await site.make<string[] | undefined>('Dissolve', 'POST', `/uses/${id}/dissolve`)
    if (places) site.select(places)
  }

  const rename = (id: number, name: string) => site.make('Rename an assembly', 'PATCH', `/assemblies/${id}`, { name })
  const remove = (id: number) => site.make('Remove an assembly', 'DELETE', `/assemblies/${id}`)

  /** What an assembly in the hand would take. */
  const ghost = computed<BoxMm | undefined>(() => {
    const h = placing.held
    if (h?.kind !== 'assembly' || !placing.spot) return undefined
    const box = site.assemblies.assemblies.find((a) => a.id === h.assemblyId)?.boxMm
    return box && turnedBox(box, h.quarterTurns, placing.spot)
  })

  return { open, use, canSave, ghost, nameOf, selectUse, save, openUse, saveOver, leave, makeOwn, dissolve, rename, remove }
})

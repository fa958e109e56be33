import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { get, send, type BriefView, type ItemView, type ListedView, type SheetView } from '../api/client'
import { latest } from '../api/latest'
import { tell, useSite } from '../site/site'

/** What the site is planned from, as the server has it: the board with planes and marks, the piece list, the brief. */
export const useBoard = defineStore('board', () => {
  const site = useSite()
  const sheet = shallowRef<SheetView>()
  const list = shallowRef<ListedView[]>([])
  const brief = shallowRef<BriefView>()
  const selection = shallowRef(new Set<number>())
  /** The picture that lies small over the other stages. */
  const pinned = ref<number>()

  const items = computed(() => sheet.value?.items ?? [])
  const selected = computed(() => items.value.filter((i) => selection.value.has(i.id)))
  const pictures = computed(() => items.value.filter((i) => i.kind === 'PICTURE'))
  const base = computed(() => `/api/sites/${site.site?.id}`)

  const askAll = latest()
  const askList = latest()

  async function fetchAll() {
    if (!site.site) return
    const answers = await askAll(
      Promise.all([get<SheetView>(`${base.value}/board`), get<ListedView[]>(`${base.value}/piece-list`), get<BriefView>(`${base.value}/brief`)]),
    )
    if (!answers) return
    const [s, l, b] = answers
    sheet.value = s
    list.value = l
    brief.value = b
    const there = new Set(s.items.map((i) => i.id))
    if ([...selection.value].some((id) => !there.has(id))) select([...selection.value].filter((id) => there.has(id)))
    if (pinned.value && !there.has(pinned.value)) pinned.value = undefined
  }
  watch([() => site.boards, () => site.site?.id], () => void fetchAll().catch(tell), { immediate: true })
  watch(
    () => site.site?.id,
    () => {
      sheet.value = undefined
      selection.value = new Set()
      pinned.value = undefined
    },
  )
  // The kit's counts and states show on the list.
  watch(
    () => site.pieces,
    async () => {
      if (site.site && sheet.value) list.value = (await askList(get<ListedView[]>(`${base.value}/piece-list`)).catch(() => undefined)) ?? list.value
    },
  )

  const make = site.make

  function select(ids: Iterable<number>) {
    selection.value = new Set(ids)
  }

  /** An item with all that are grouped with it. */
  function withGroup(item: ItemView): ItemView[] {
    return item.groupId ? items.value.filter((i) => i.groupId === item.groupId) : [item]
  }

  /** Selects an item with its group; with `more`, adds them to what is selected, or lets them go. */
  function choose(item: ItemView, more: boolean) {
    const ids = withGroup(item).map((i) => i.id)
    if (!more) return select(ids)
    const all = new Set(selection.value)
    const had = all.has(item.id)
    ids.forEach((id) => (had ? all.delete(id) : all.add(id)))
    select(all)
  }

  const change = (does: string, changes: ({ id: number } & Record<string, unknown>)[]) =>
    changes.length ? make(does, 'PATCH', '/board/items', { does, items: changes }) : Promise.resolve()
  const original = (item: ItemView) => `${base.value}/media/${item.mediaId}/original`
  const preview = (item: ItemView) => `${base.value}/media/${item.mediaId}/preview`
  const spend = (stage: number, seconds: number) => send('POST', `${base.value}/brief/spent`, { stage, seconds })

  return { sheet, list, brief, selection, pinned, items, selected, pictures, base, fetchAll, make, select, choose, withGroup, change, original, preview, spend }
})

/** Where an item lies, as the server takes it. */
export const lieOf = (i: ItemView) => ({ x: i.x, y: i.y, width: i.width, height: i.height, turn: i.turn, flipped: i.flipped, crop: i.crop })

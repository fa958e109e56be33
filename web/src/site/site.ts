import { message } from 'ant-design-vue'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, triggerRef } from 'vue'
import {
  get, NoAnswer, Refusal, type FindingView, type MassingView, type PieceView, type PlacementView, type SiteView,
  type SurveyView, type TallyView, type VecMm,
} from '../api/client'
import { format } from '../measure/format'
import { useEdits } from './edits'

const LISTEN_MS = 3000
const RECKON_MS = 120

interface News {
  site: SiteView
  all: boolean
  rooms: boolean
  pieces: boolean
  board: boolean
  changed: PlacementView[]
  removed: number[]
}

/** The open site as the server has it, and the edits a person makes to it. Nothing here decides: it asks and shows. */
export const useSite = defineStore('site', () => {
  const edits = useEdits()
  const site = shallowRef<SiteView>()
  const massing = shallowRef<MassingView>({ rooms: [], openings: [], walls: [], gaps: [], chains: [] })
  const pieces = shallowRef<PieceView[]>([])
  const placements = shallowRef(new Map<number, PlacementView>())
  const tally = shallowRef<TallyView>()
  const survey = shallowRef<SurveyView>({ total: 0, findings: [] })
  const finding = shallowRef<FindingView>()
  const selection = shallowRef(new Set<number>())
  /** Raised with every new selection. */
  const selections = ref(0)
  const missing = ref(false)
  /** Raised whenever a piece's shape may have changed. */
  const shapes = ref(0)
  /** Raised whenever what lies on the board, the piece list or the brief may have changed. */
  const boards = ref(0)
  let listener: ReturnType<typeof setInterval> | undefined

  const unit = computed(() => site.value?.unit ?? 'METRE')
  const pieceById = computed(() => new Map(pieces.value.map((p) => [p.id, p])))
  const selected = computed(() => [...selection.value].flatMap((id) => placements.value.get(id) ?? []))
  const show = (mm: number) => format(mm, unit.value)

  const base = () => `/api/sites/${site.value!.id}`

  async function open(id: number) {
    close()
    missing.value = false
    edits.attach({ revision: () => site.value?.revision ?? 0, catchUp }, (label, why) => {
      void message.warning({ content: `“${label}” was not done. ${why}`, duration: 8 })
    })
    try {
      site.value = await get<SiteView>(`/api/sites/${id}`)
      await fetchAll()
    } catch (e) {
      if (e instanceof Refusal && e.status === 404) missing.value = true
      else if (e instanceof NoAnswer) edits.away = true
      else throw e
    }
    edits.takeUp(id)
    listener = setInterval(() => void listen(id), LISTEN_MS)
  }

  function close() {
    clearInterval(listener)
    site.value = undefined
    placements.value = new Map()
    pieces.value = []
    selection.value = new Set()
    finding.value = undefined
    survey.value = { total: 0, findings: [] }
  }

  /** Hears of edits made elsewhere, and of the server being away or back. */
  async function listen(id: number) {
    try {
      if (!site.value) {
        site.value = await get<SiteView>(`/api/sites/${id}`)
        await fetchAll()
      } else {
        await catchUp()
      }
      edits.away = false
    } catch (e) {
      if (e instanceof NoAnswer) edits.away = true
      else if (e instanceof Refusal && e.status === 404) missing.value = true
    }
  }

  async function fetchAll() {
    const [m, k, p] = await Promise.all([
      get<MassingView>(`${base()}/massing`),
      get<PieceView[]>(`${base()}/pieces`),
      get<PlacementView[]>(`${base()}/placements`),
    ])
    massing.value = m
    pieces.value = k
    placements.value = new Map(p.map((x) => [x.id, x]))
    shapes.value++
    boards.value++
    reckonSoon()
  }

  let due: ReturnType<typeof setTimeout> | undefined

  /** Cost and findings follow every change, but no edit waits for them. */
  function reckonSoon() {
    clearTimeout(due)
    due = setTimeout(() => void reckon().catch(() => {}), RECKON_MS)
  }

  async function reckon() {
    if (!site.value) return
    const [t, s] = await Promise.all([get<TallyView>(`${base()}/tally`), get<SurveyView>(`${base()}/survey`)])
    tally.value = t
    survey.value = s
    if (finding.value) finding.value = s.findings.find((f) => f.key === finding.value!.key)
  }

  async function catchUp() {
    if (!site.value) return
    const before = site.value.revision
    const news = await get<News>(`${base()}/news?since=${before}`)
    if (news.site.revision === site.value.revision) {
      return
    }
    site.value = news.site
    if (news.all) {
      await fetchAll()
    } else {
      if (news.rooms) massing.value = await get<MassingView>(`${base()}/massing`)
      pieces.value = await get<PieceView[]>(`${base()}/pieces`)
      if (news.pieces || news.rooms) shapes.value++
      if (news.board) boards.value++
      news.changed.forEach((p) => placements.value.set(p.id, p))
      news.removed.forEach((id) => placements.value.delete(id))
      triggerRef(placements)
      reckonSoon()
    }
    const there = [...selection.value].filter((id) => placements.value.has(id))
    if (there.length < selection.value.size) select(there)
  }

  function select(ids: Iterable<number>) {
    selection.value = new Set(ids)
    selections.value++
  }

  /** Adds one to the selection, or lets it go. */
  function toggle(id: number) {
    const ids = new Set(selection.value)
    if (!ids.delete(id)) ids.add(id)
    select(ids)
  }

  const make = <T = void>(label: string, method: string, path: string, body?: unknown) =>
    edits.make<T>({ siteId: site.value!.id, label, method, path: `${base()}${path}`, body })

  const ids = () => [...selection.value]

  const undo = () => make('Undo', 'POST', '/undo')
  const redo = () => make('Redo', 'POST', '/redo')
  const arrange = (label: string, how: { byMm?: VecMm; quarterTurns?: number; mirror?: boolean }) =>
    make(label, 'POST', '/placements/arrange', { ids: ids(), ...how })
  const plumb = () => make('Plumb', 'POST', '/placements/plumb', { ids: ids() })
  const takeAway = () => make('Take away', 'POST', '/placements/removals', { ids: ids() })
  const setValues = (of: number[], values: Record<string, number | boolean>) =>
    make('Set values', 'PATCH', '/placements', { ids: of, ...values })

  async function copy(byMm: VecMm) {
    select(await make<number[]>('Copy', 'POST', '/placements/copies', { ids: ids(), byMm }))
  }

  return {
    site, massing, pieces, placements, tally, survey, finding, selection, selections, missing, shapes, boards, catchUp, unit, pieceById, selected,
    show, open, close, select, toggle, make, undo, redo, arrange, plumb, takeAway, setValues, copy,
  }
})

/** Tells a person what the server refused; anything else is no matter of theirs. */
export function tell(e: unknown) {
  if (e instanceof Refusal && e.status === 412) return
  void message.error({ content: e instanceof Error ? e.message : String(e), duration: 7 })
}

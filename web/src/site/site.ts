import { message } from 'ant-design-vue'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, type ShallowRef } from 'vue'
import {
  get,
  getBytes,
  NoAnswer,
  Refusal,
  type CardView,
  type DepartureView,
  type FindingView,
  type MassingView,
  type NewsView,
  type AccountView,
  type DressView,
  type LooksView,
  type MisfitView,
  type PieceView,
  type RepeatView,
  type TwinView,
  SelectionView,
  type AssembliesView,
  type SiteView,
  type SurveyView,
  type TallyView,
  type VecMm,
} from '../api/client'
import { latest } from '../api/latest'
import { format } from '../measure/format'
import { useEdits } from './edits'
import { openFeed } from './feed'
import { fromBase64, readChunk, StandingSet } from './standing'
import { inTurns } from './turns'

const noMassing: MassingView = {
  cutMm: 1000,
  levels: [],
  rooms: [],
  openings: [],
  walls: [],
  over: [],
  floors: [],
  gaps: [],
  chains: [],
  remarks: [],
  stairs: [],
  solids: [],
  guards: [],
  runs: [],
}
const noLooks: LooksView = { all: [], dealt: [] }
const noAssemblies: AssembliesView = { assemblies: [], uses: [] }
const nothingFound: SurveyView = { faults: 0, cautions: 0, accepted: 0, findings: [], revision: 0 }
const RECKON_MS = 120
/** Edits of these alone change no pattern, material or colourway. */
const OF_NO_LIST = new Set(['SET', 'SURVEY', 'BOARD', 'NONE'])
/** So often at most a chunk of the news may be gone by the time it is fetched. */
const MOST_OVERTAKEN = 3

/** What is as it was stays the same object, so that nothing that hangs on it is worked out again. */
function replace<T>(held: ShallowRef<T>, value: T) {
  if (JSON.stringify(held.value) !== JSON.stringify(value)) held.value = value
}

/** The open site as the server has it, and the edits a person makes to it. Nothing here decides: it asks and shows. */
export const useSite = defineStore('site', () => {
  const edits = useEdits()
  const site = shallowRef<SiteView>()
  const massing = shallowRef<MassingView>(noMassing)
  const pieces = shallowRef<PieceView[]>([])
  const placements = shallowRef(new StandingSet())
  const tally = shallowRef<TallyView>()
  const survey = shallowRef<SurveyView>(nothingFound)
  const cards = shallowRef<CardView[]>([])
  const repeats = shallowRef<RepeatView[]>([])
  const assemblies = shallowRef<AssembliesView>(noAssemblies)
  const looks = shallowRef(noLooks)
  /** What is dressed by hand. */
  const dresses = shallowRef<DressView[]>([])
  const twins = shallowRef<TwinView[]>([])
  const namedSelections = shallowRef<SelectionView[]>([])
  const departures = shallowRef<DepartureView[]>([])
  const finding = shallowRef<FindingView>()
  const selection = shallowRef(new Set<string>())
  /** Raised with every new selection. */
  const selections = ref(0)
  const missing = ref(false)
  /** Raised whenever a piece's shape may have changed. */
  const shapes = ref(0)
  /** Raised whenever what lies on the board, the piece list or the brief may have changed. */
  const boards = ref(0)
  /** Raised whenever patterns, materials or colourways may have changed. */
  const lists = ref(0)
  let closeFeed: (() => void) | undefined
  const { inTurn, isBusy } = inTurns()
  let selectionsOnTheirWay = 0

  /** Selects by what the server must be asked. What is typed meanwhile is meant for what is selected then. */
  const selecting = (work: () => unknown) => {
    selectionsOnTheirWay++
    return inTurn(work).finally(() => selectionsOnTheirWay--)
  }
  const isSelecting = () => selectionsOnTheirWay > 0

  const unit = computed(() => site.value?.unit ?? 'METRE')
  const pieceById = computed(() => new Map(pieces.value.map((p) => [p.id, p])))
  const selected = computed(() => [...selection.value].flatMap((id) => placements.value.get(id) ?? []))
  const show = (mm: number) => format(mm, unit.value)

  const base = () => `/api/sites/${site.value!.id}`

  async function open(id: number) {
    close()
    missing.value = false
    edits.attach(
      { shown: (of) => (opened === of ? (site.value?.revision ?? 0) : undefined), catchUp: (news) => (news ? take(news) : catchUp()) },
      (label, why) => {
        void message.warning({ content: `“${label}” was not done. ${why}`, duration: 8 })
      },
    )
    opened = id
    await catchUp().catch(handleFailure)
    edits.takeUp(id)
    if (opened === id && !missing.value) {
      closeFeed = openFeed(
        id,
        (revision) => void hear(revision).catch(handleFailure),
        (isAway) => (edits.away = isAway || edits.away),
      )
    }
  }

  let opened: number | undefined

  /** A 404 may be of a chunk that was overtaken by an edit: only what the site itself answers tells whether it is gone. */
  async function handleFailure(e: unknown): Promise<void> {
    if (e instanceof NoAnswer) edits.away = true
    else if (e instanceof Refusal && e.status === 404) {
      if (opened === undefined || (await isThere(opened))) return tell(e)
      missing.value = true
    } else throw e
  }

  const isThere = (id: number) =>
    get(`/api/sites/${id}`).then(
      () => true,
      (e) => !(e instanceof Refusal && e.status === 404),
    )

  function close() {
    closeFeed?.()
    closeFeed = undefined
    opened = undefined
    site.value = undefined
    massing.value = noMassing
    placements.value = new StandingSet()
    pieces.value = []
    selection.value = new Set()
    finding.value = undefined
    survey.value = nothingFound
    cards.value = []
    departures.value = []
    repeats.value = []
    twins.value = []
    looks.value = noLooks
    dresses.value = []
    namedSelections.value = []
    assemblies.value = noAssemblies
  }

  /** Told of a revision: what an edit of one's own has made comes with its answer, and is not asked for beside it. */
  async function hear(revision?: number) {
    if (revision === undefined || revision > (site.value?.revision ?? -1)) {
      await edits.whenIdle()
      if (revision === undefined || revision > (site.value?.revision ?? -1)) await catchUp()
    }
    edits.away = false
  }

  let catching: Promise<void> | undefined
  let again = false

  /**
   * Fetches what has changed since the revision that is shown, and shows it at once or not at all: a request that fails
   * loses nothing, since the next begins where this one began. Asked for while it runs, it runs once more.
   */
  function catchUp(): Promise<void> {
    if (catching) {
      again = true
      // Whoever waits for it waits for the one more too, even if another has asked for that first.
      return catching.then(() => (again ? catchUp() : catching))
    }
    again = false
    catching = fetchNews().finally(() => (catching = undefined))
    return catching
  }

  async function fetchNews(): Promise<void> {
    const id = opened
    if (id === undefined) return
    const since = site.value?.revision
    await take(await get<NewsView>(`/api/sites/${id}/news${since === undefined ? '' : `?since=${since}`}`))
  }

  /** Shows news, told since the revision that is shown or one before it: all of them at once, or none. */
  async function take(news: NewsView, overtaken = 0): Promise<void> {
    const id = news.site.id
    const isNew = () => opened === id && news.site.revision > (site.value?.revision ?? -1)
    if (!isNew()) return
    const set = await fetchChunks(id, news).catch((e) => {
      // A chunk that is no more was overtaken by an edit made meanwhile: there are newer news.
      if (e instanceof Refusal && e.status === 404 && overtaken < MOST_OVERTAKEN) return undefined
      throw e
    })
    if (!isNew()) return
    if (!set) {
      const since = site.value?.revision
      return take(await get<NewsView>(`/api/sites/${id}/news${since === undefined ? '' : `?since=${since}`}`), overtaken + 1)
    }
    const isFirst = site.value === undefined
    site.value = news.site
    replace(pieces, news.pieces)
    replace(looks, news.looks)
    if (news.set) {
      replace(massing, news.set.massing)
      replace(repeats, news.set.repeats)
      replace(assemblies, news.set.assemblies)
      replace(twins, news.set.twins)
      replace(namedSelections, news.set.selections)
      replace(dresses, news.set.dresses)
    }
    placements.value = set
    const parts = new Set(news.parts)
    if (!news.parts || isFirst || parts.has('SITE') || parts.has('MASSING')) shapes.value++
    if (!news.parts || isFirst || parts.has('BOARD')) boards.value++
    if (!news.parts || isFirst || news.parts.some((p) => !OF_NO_LIST.has(p))) lists.value++
    const there = [...selection.value].filter((s) => set.has(s))
    if (there.length < selection.value.size) select(there)
    reckonSoon()
  }

  /** The set of the news: what is known already is not fetched again. */
  async function fetchChunks(id: number, news: NewsView): Promise<StandingSet> {
    const known = placements.value.chunks
    const chunks = new Map(news.all ? [] : known)
    news.gone.forEach((name) => chunks.delete(name))
    if (!news.all && !news.chunks.length && !news.gone.length) return placements.value
    await Promise.all(
      news.chunks.map(async (c) => {
        const same = known.get(c.name)
        const bytes = () => (c.columns ? fromBase64(c.columns) : getBytes(`/api/sites/${id}/chunks/${c.digest}`))
        chunks.set(c.name, same?.digest === c.digest ? same : readChunk(c.name, c.digest, await bytes()))
      }),
    )
    return new StandingSet(chunks)
  }

  let due: ReturnType<typeof setTimeout> | undefined

  /** Cost and findings follow every change, but no edit waits for them. */
  function reckonSoon() {
    clearTimeout(due)
    due = setTimeout(() => void reckon().catch(() => {}), RECKON_MS)
  }

  const askAccount = latest()

  async function reckon() {
    const id = opened
    if (!site.value || id === undefined) return
    const account = await askAccount(get<AccountView>(`${base()}/account`))
    if (!account || opened !== id) return
    tally.value = account.tally
    survey.value = account.survey
    cards.value = account.cards
    departures.value = account.departures
    if (finding.value) finding.value = account.survey.findings.find((f) => f.key === finding.value!.key)
  }

  function select(ids: Iterable<string>) {
    selection.value = new Set(ids)
    selections.value++
  }

  /** Adds one to the selection, or lets it go. */
  function toggle(id: string) {
    const ids = new Set(selection.value)
    if (!ids.delete(id)) ids.add(id)
    select(ids)
  }

  const make = <T = void>(label: string, method: string, path: string, body?: unknown) =>
    edits.make<T>({ siteId: site.value!.id, label, method, path: `${base()}${path}`, body, revision: site.value!.revision })

  const ids = () => [...selection.value]

  const undo = () => make('Undo', 'POST', '/undo')
  const redo = () => make('Redo', 'POST', '/redo')
  const undoAnothers = () => make('Undo another’s step', 'POST', '/undo?anyones=true')
  const arrange = (label: string, how: { byMm?: VecMm; quarterTurns?: number; freeDegrees?: number; mirror?: boolean }) =>
    make(label, 'POST', '/placements/arrange', { ids: ids(), ...how })
  const plumb = () => make('Plumb', 'POST', '/placements/plumb', { ids: ids() })
  const line = (how: { how: string; axis?: string; to?: string; withId?: string; pointMm?: VecMm }, of = ids()) =>
    make('Line up', 'POST', '/placements/line', { ids: of, ...how })
  const takeAway = () => make('Take away', 'POST', '/placements/removals', { ids: ids() })
  /** Puts another piece in the place of what is selected; what no longer fits is told, and selected. */
  async function swap(pieceId: number) {
    const all = ids()
    const misfits = await make<MisfitView[] | undefined>('Swap', 'POST', '/placements/swaps', { ids: all, pieceId })
    if (!misfits?.length) return
    const swapped = new Set(all)
    const unfit = new Set(misfits.flatMap((m) => m.ids).filter((i) => swapped.has(i)))
    select(unfit)
    void message.warning({ content: `${unfit.size} of ${all.length} no longer ${unfit.size === 1 ? 'fits: it is' : 'fit: they are'} selected.`, duration: 8 })
  }
  const letGo = (of: string[]) => make('Let go', 'POST', '/departures/let-go', { ids: of })
  const setDownLost = (of: string[]) => make('Set down by hand', 'POST', '/departures/set-down', { ids: of })
  const setValues = (of: string[], values: Record<string, number | boolean>) => make('Set values', 'PATCH', '/placements', { ids: of, ...values })

  async function copy(byMm: VecMm) {
    const copies = await make<string[] | undefined>('Copy', 'POST', '/placements/copies', { ids: ids(), byMm })
    if (copies) select(copies)
  }

  return {
    site,
    massing,
    pieces,
    placements,
    tally,
    survey,
    cards,
    departures,
    repeats,
    looks,
    dresses,
    twins,
    namedSelections,
    assemblies,
    finding,
    inTurn,
    isBusy,
    selecting,
    isSelecting,
    swap,
    letGo,
    setDownLost,
    selection,
    selections,
    missing,
    shapes,
    boards,
    lists,
    catchUp,
    unit,
    pieceById,
    selected,
    show,
    open,
    close,
    select,
    toggle,
    make,
    undo,
    redo,
    undoAnothers,
    arrange,
    plumb,
    line,
    takeAway,
    setValues,
    copy,
  }
})

/** Where a piece's mesh is; told its state, a browser asks for it once. */
export const meshUrl = (siteId: number, p: Pick<PieceView, 'id' | 'mesh'>) => `/api/sites/${siteId}/pieces/${p.id}/mesh.glb?as=${p.mesh}`

/** Where the same mesh is with its second UVs, and the mask that lies on them. */
export const wornUrls = (siteId: number, p: Pick<PieceView, 'id' | 'mesh'>) => {
  const of = (file: string) => `/api/sites/${siteId}/pieces/${p.id}/${file}?as=${p.mesh}`
  return { url: of('unwrapped.glb'), mask: of('wear.png') }
}

/** Tells a person what the server refused; anything else is no matter of theirs. */
export function tell(e: unknown) {
  if (e instanceof Refusal && e.status === 412) return
  void message.error({ content: e instanceof Error ? e.message : String(e), duration: 7 })
}

import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { get, Refusal, type BenchView, type PartWords } from '../api/client'
import { showFault } from '../site/fault'
import { tell, useSite } from '../site/site'

/** What can be told of parts of any form. */
const ALL_HAVE = new Set(['name', 'swatch', 'bevel', 'atMm', 'turn', 'copies', 'taper', 'hidden', 'cuts', 'sheetQuarters', 'sheetSeed'])

/** Which part is worked on, of the piece as an edit leaves it. */
type Choose = (left: BenchView) => number

/** The piece on the bench, and what a person does to it. Each edit begins from what the one before it left. */
export const useBench = defineStore('bench', () => {
  const site = useSite()
  const pieceId = ref<number>()
  const bench = shallowRef<BenchView>()
  /** The part that is worked on. */
  const chosen = ref(0)
  /** Parts that are worked on together with it: what is told of it is told of them. */
  const also = shallowRef<ReadonlySet<number>>(new Set())
  const refusal = shallowRef<Refusal>()
  /** Parts that were copied, with the piece they are of. */
  const copied = shallowRef<{ pieceId: number; parts: number[] }>()

  /** Takes a part to be worked on. @param adds whether with those that are taken already, or no longer with them */
  function take(number: number, adds = false) {
    const others = new Set([...also.value, chosen.value])
    if (!adds) others.clear()
    else if (number !== chosen.value && others.delete(number)) {
      also.value = without(others, chosen.value)
      return
    }
    chosen.value = number
    also.value = without(others, number)
  }
  const without = (all: Iterable<number>, one: number) => new Set([...all].filter((n) => n !== one))
  const isTaken = (number: number) => number === chosen.value || also.value.has(number)

  const part = computed(() => bench.value?.parts[chosen.value]?.words)
  /** The part that is worked on, to be kept by what is typed about it: the value that was typed last is read after another part was taken. */
  const spot = (number = chosen.value) => ({ pieceId: pieceId.value!, number })

  let asked = 0
  async function fetchBench(choose?: Choose) {
    const mine = ++asked
    const id = pieceId.value
    if (id === undefined || !site.site) return
    const answer = await fetched(id)
    if (mine === asked && pieceId.value === id) show(answer, choose)
  }

  /** The piece and the part that is worked on at once, so that nothing is typed about another. */
  function show(answer: BenchView, choose?: Choose) {
    asked++
    // Numbers are of the parts as they were.
    if (answer.parts.length !== bench.value?.parts.length) also.value = new Set()
    bench.value = answer
    chosen.value = Math.max(0, Math.min(choose ? choose(answer) : chosen.value, answer.parts.length - 1))
  }

  function open(id: number | undefined) {
    if (id === pieceId.value) return
    pieceId.value = id
    bench.value = undefined
    refusal.value = undefined
    chosen.value = 0
    also.value = new Set()
    void fetchBench().catch(tell)
  }
  /** Edits under way: each shows what it leaves, and which part is worked on then, at once. */
  let edits = 0
  watch(
    () => site.site?.revision,
    () => edits || void fetchBench().catch(tell),
  )

  const fetched = (id: number) => get<BenchView>(`/api/sites/${site.site!.id}/pieces/${id}/bench`)

  /**
   * Makes an edit in its turn; what it answers is what is shown then. It is of the piece that was on the bench when it was asked for, whatever lies there by then.
   *
   * @param body what is sent, from the piece as it stands when the turn comes
   * @param choose which part is worked on after it; absent, the same as before
   */
  async function edit(label: string, method: string, under: string, body: (standing: BenchView) => unknown, id = pieceId.value!, choose?: Choose) {
    edits++
    try {
      await site.inTurn(async () => {
        const standing = bench.value?.id === id ? bench.value : await fetched(id)
        const answer = await site.make<BenchView | number | undefined>(label, method, `/pieces/${id}${under}`, body(standing))
        if (id !== pieceId.value) return
        refusal.value = undefined
        if (answer && typeof answer === 'object' && 'parts' in answer) show(answer, choose)
        else await fetchBench(choose)
      })
    } catch (e) {
      if (e instanceof Refusal) {
        refusal.value = e
        showFault()
      } else tell(e)
      // What others changed meanwhile was not fetched.
      void fetchBench().catch(tell)
    } finally {
      edits--
    }
  }

  const change = (told: object) => edit('Change the piece', 'PATCH', '', () => told)
  /** @param tell what changes about the part, from what it is when its turn comes */
  function changePart(tell: (words: PartWords) => Partial<PartWords>, at = spot()) {
    const numbers = at.number === chosen.value ? [at.number, ...also.value] : [at.number]
    if (numbers.length === 1) return edit('Change a part', 'PATCH', `/parts/${at.number}`, (standing) => tell(standing.parts[at.number]!.words), at.pieceId)
    const changes = (standing: BenchView) =>
      numbers.map((number) => ({ number, of: standing.parts[number]!.words, words: tell(standing.parts[number]!.words) }))
    return edit(
      'Change parts',
      'PATCH',
      '/parts',
      (standing) => ({
        parts: changes(standing)
          .filter(({ number, of, words }) => number === at.number || Object.keys(words).every((key) => ALL_HAVE.has(key) || key in of))
          .map(({ number, words }) => ({ number, words })),
      }),
      at.pieceId,
    )
  }
  const last = (of: BenchView) => of.parts.length - 1
  const addPart = (form: PartWords['form'], told: Partial<PartWords> = {}) => edit('Add a part', 'POST', '/parts', () => ({ form, ...told }), undefined, last)
  const removePart = (number: number) => edit('Take a part out', 'DELETE', `/parts/${number}`, () => undefined)
  /** @param to its number among the others then */
  const movePart = (number: number, to: number) =>
    edit(
      'Move a part',
      'PUT',
      `/parts/${number}/place`,
      () => ({ at: to }),
      undefined,
      () => to,
    )
  const goBack = () => edit('Back to what it was', 'DELETE', '/parts', () => undefined)
  const copyPart = (number: number) => (copied.value = { pieceId: pieceId.value!, parts: [number] })
  async function putCopies() {
    const from = copied.value
    if (!from) return
    await edit('Copy parts', 'POST', '/parts/copies', () => ({ fromPieceId: from.pieceId, parts: from.parts }), undefined, last)
  }

  /** @param copyOfId the piece that it begins as; a block where none is told. @returns its id */
  async function create(name: string, role?: string, copyOfId?: number): Promise<number | undefined> {
    try {
      const made = await site.inTurn(() => site.make<BenchView | undefined>('Make a piece', 'POST', '/pieces', { name, role, copyOfId }))
      return made?.id
    } catch (e) {
      tell(e)
      return undefined
    }
  }

  /** Why a field of the chosen part was refused. */
  const about = (...fields: string[]) => fields.map((f) => refusal.value?.about(`parts[${chosen.value}].${f}`) ?? refusal.value?.about(f)).find((m) => m)

  return {
    pieceId,
    bench,
    chosen,
    also,
    take,
    isTaken,
    part,
    refusal,
    copied,
    spot,
    open,
    change,
    changePart,
    addPart,
    removePart,
    movePart,
    goBack,
    copyPart,
    putCopies,
    create,
    about,
  }
})

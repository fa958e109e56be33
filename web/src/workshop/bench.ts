import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { get, Refusal, type BenchView, type PartWords } from '../api/client'
import { tell, useSite } from '../site/site'

/** The piece on the bench, and what a person does to it. Each edit begins from what the one before it left. */
export const useBench = defineStore('bench', () => {
  const site = useSite()
  const pieceId = ref<number>()
  const bench = shallowRef<BenchView>()
  /** The part that is worked on. */
  const chosen = ref(0)
  const refusal = shallowRef<Refusal>()
  /** Parts that were copied, with the piece they are of. */
  const copied = shallowRef<{ pieceId: number; parts: number[] }>()

  const part = computed(() => bench.value?.parts[chosen.value]?.words)
  /** The part that is worked on, to be kept by what is typed about it: the value that was typed last is read after another part was taken. */
  const spot = (number = chosen.value) => ({ pieceId: pieceId.value!, number })

  let asked = 0
  async function fetchBench() {
    const mine = ++asked
    const id = pieceId.value
    if (id === undefined || !site.site) return
    const answer = await fetched(id)
    if (mine === asked && pieceId.value === id) show(answer)
  }

  function show(answer: BenchView) {
    asked++
    bench.value = answer
    chosen.value = Math.max(0, Math.min(chosen.value, answer.parts.length - 1))
  }

  function open(id: number | undefined) {
    if (id === pieceId.value) return
    pieceId.value = id
    bench.value = undefined
    refusal.value = undefined
    chosen.value = 0
    void fetchBench().catch(tell)
  }
  watch(
    () => site.site?.revision,
    () => void fetchBench().catch(tell),
  )

  const fetched = (id: number) => get<BenchView>(`/api/sites/${site.site!.id}/pieces/${id}/bench`)

  /**
   * Makes an edit in its turn; what it answers is what is shown then. It is of the piece that was on the bench when it was asked for, whatever lies there by then.
   *
   * @param body what is sent, from the piece as it stands when the turn comes
   */
  async function edit(label: string, method: string, under: string, body: (standing: BenchView) => unknown, id = pieceId.value!) {
    try {
      await site.inTurn(async () => {
        const standing = bench.value?.id === id ? bench.value : await fetched(id)
        const answer = await site.make<BenchView | number | undefined>(label, method, `/pieces/${id}${under}`, body(standing))
        if (id !== pieceId.value) return
        refusal.value = undefined
        if (answer && typeof answer === 'object' && 'parts' in answer) show(answer)
        else await fetchBench()
      })
    } catch (e) {
      if (e instanceof Refusal) refusal.value = e
      else tell(e)
    }
  }

  const change = (told: object) => edit('Change the piece', 'PATCH', '', () => told)
  /** @param tell what changes about the part, from what it is when its turn comes */
  const changePart = (tell: (words: PartWords) => Partial<PartWords>, at = spot()) =>
    edit('Change a part', 'PATCH', `/parts/${at.number}`, (standing) => tell(standing.parts[at.number]!.words), at.pieceId)
  async function addPart(form: PartWords['form'], told: Partial<PartWords> = {}) {
    await edit('Add a part', 'POST', '/parts', () => ({ form, ...told }))
    if (!refusal.value && bench.value) chosen.value = bench.value.parts.length - 1
  }
  const removePart = (number: number) => edit('Take a part out', 'DELETE', `/parts/${number}`, () => undefined)
  /** @param to its number among the others then */
  async function movePart(number: number, to: number) {
    await edit('Move a part', 'PUT', `/parts/${number}/place`, () => ({ at: to }))
    if (!refusal.value) chosen.value = to
  }
  const goBack = () => edit('Back to what it was', 'DELETE', '/parts', () => undefined)
  const copyPart = (number: number) => (copied.value = { pieceId: pieceId.value!, parts: [number] })
  async function putCopies() {
    const from = copied.value
    if (!from) return
    await edit('Copy parts', 'POST', '/parts/copies', () => ({ fromPieceId: from.pieceId, parts: from.parts }))
    if (!refusal.value && bench.value) chosen.value = bench.value.parts.length - 1
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

import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { get, Refusal, send, type DeliveryView } from '../api/client'
import { underWay } from '../api/underWay'
import { tell, useSite } from '../site/site'

type Choices = DeliveryView['choices']
type Swatch = DeliveryView['materials'][number]['swatch']

/** Files on their way: how much of them is sent, then how much of them is read. */
export interface Carrying {
  name: string
  state: 'sending' | 'reading'
  share: number
}

/** Meshes that were made elsewhere: files handed over, looked at under choices, and brought in. */
export const useDeliveries = defineStore('deliveries', () => {
  const site = useSite()
  const carrying = ref<Carrying>()
  const all = shallowRef<DeliveryView[]>([])
  const number = ref(0)
  /** The piece whose place is taken; none brings in new ones. */
  const pieceId = ref<number>()
  /** The thing that is looked at. */
  const thing = ref(0)
  /** Numbers of the things that are brought in. */
  const taken = ref(new Set<number>())
  const swatches = ref<Record<string, Swatch>>({})
  const names = ref<Record<number, string>>({})
  const role = ref<'PROP' | 'PILLAR'>('PROP')
  const laidOut = ref(false)
  /** Whether the file's pictures are taken onto sheets of their own. */
  const pictures = ref(false)
  const refusal = ref('')
  const delivery = computed(() => all.value[number.value])
  const isOpen = computed(() => !!carrying.value || all.value.length > 0)
  const base = () => `/api/sites/${site.site!.id}/deliveries`
  let request: XMLHttpRequest | undefined
  let work: ReturnType<typeof underWay> | undefined

  /** Sends files, and shows what is in them. */
  async function deliver(files: readonly File[], into?: number) {
    if (!files.length || carrying.value) return
    leave()
    refusal.value = ''
    pieceId.value = into
    carrying.value = { name: files.length === 1 ? files[0]!.name : `${files.length} files`, state: 'sending', share: 0 }
    work = underWay((share) => {
      if (carrying.value?.state === 'reading') carrying.value.share = Math.max(carrying.value.share, share)
    })
    try {
      all.value = await post(files, `${base()}?token=${work.token}${into === undefined ? '' : `&pieceId=${into}`}`)
      take(0)
    } catch (e) {
      refusal.value = (e as Error).message
    } finally {
      work.end()
      carrying.value = undefined
      request = undefined
    }
  }

  function post(files: readonly File[], path: string): Promise<DeliveryView[]> {
    const form = new FormData()
    // A folder's files come with their paths in it, so that what refers to them finds them.
    for (const file of files) form.append('files', file, file.webkitRelativePath || file.name)
    return new Promise((resolve, reject) => {
      request = new XMLHttpRequest()
      request.open('POST', path)
      request.upload.onprogress = (e) => carrying.value && (carrying.value.share = e.total ? e.loaded / e.total : 0)
      request.upload.onload = () => carrying.value && Object.assign(carrying.value, { state: 'reading', share: 0 })
      request.onload = () => {
        const answer = JSON.parse(request!.responseText || '{}') as DeliveryView[] & { detail?: string }
        if (request!.status === 201) resolve(answer)
        else reject(new Error(answer.detail ?? `The server answered ${request!.status}.`))
      }
      request.onerror = () => reject(new Error('The server does not answer.'))
      request.onabort = () => reject(new Error('Cancelled; nothing was brought in.'))
      request.send(form)
    })
  }

  function cancel() {
    if (carrying.value?.state === 'reading') work?.callOff()
    request?.abort()
  }

  /** Looks at another of the files. */
  function take(index: number) {
    number.value = index
    const of = delivery.value
    if (!of) return
    thing.value = pieceId.value === undefined ? 0 : of.thing
    swatches.value = {}
    names.value = {}
    keep(of)
    laidOut.value = of.things.every((t) => t.laidOut) && of.textures.length > 0
    pictures.value = laidOut.value && of.pictured.length > 0
  }

  function keep(of: DeliveryView) {
    all.value = all.value.map((d, i) => (i === number.value ? of : d))
    thing.value = Math.min(thing.value, of.things.length - 1)
    taken.value = new Set(pieceId.value === undefined ? of.things.map((t) => t.number) : [thing.value])
  }

  /** The choices as a query, as the mesh and the reports are asked for by them. */
  function query(choices: Choices, n = '') {
    const told = new URLSearchParams({ millimetres: String(choices.millimetres), up: choices.up, whole: String(choices.whole) })
    if (choices.fixes.length) told.set('fixes', choices.fixes.join(','))
    if (pieceId.value !== undefined) told.set('pieceId', String(pieceId.value))
    return `${base()}/${delivery.value!.id}${n}?${told}`
  }

  let asked = 0
  /** What would come of it otherwise; what is chosen faster than it is answered counts together. */
  let wanted: Choices | undefined
  async function choose(told: Partial<Choices>) {
    if (!delivery.value) return
    const mine = ++asked
    wanted = { ...(wanted ?? delivery.value.choices), ...told }
    try {
      const answer = await get<DeliveryView>(query(wanted))
      if (mine !== asked) return
      refusal.value = ''
      keep(answer)
      wanted = undefined
    } catch (e) {
      if (mine !== asked) return
      wanted = undefined
      if (e instanceof Refusal) refusal.value = e.message
      else tell(e)
    }
  }

  /** Sets one thing right, or leaves it: beside what was chosen before and is not answered yet. */
  function fix(which: Choices['fixes'][number], on: boolean) {
    if (!delivery.value) return undefined
    const now = new Set((wanted ?? delivery.value.choices).fixes)
    if (on) now.add(which)
    else now.delete(which)
    return choose({ fixes: [...now] })
  }

  const meshUrl = computed(() => delivery.value && query(delivery.value.choices, `/things/${thing.value}/mesh.glb`))

  /** @returns the ids of the pieces */
  async function bring(): Promise<number[] | undefined> {
    const of = delivery.value
    if (!of) return
    const things = [...taken.value]
      .sort((a, b) => a - b)
      .map((n) => ({ number: n, pieceId: pieceId.value, name: names.value[n], role: pieceId.value === undefined ? role.value : undefined }))
    try {
      const ids = await site.inTurn(() =>
        site.make<number[] | undefined>(`Bring in ${of.name}`, 'POST', `/deliveries/${of.id}/pieces`, {
          choices: of.choices,
          swatches: swatches.value,
          laidOut: laidOut.value,
          pictures: pictures.value,
          things,
        }),
      )
      done()
      return ids
    } catch (e) {
      if (e instanceof Refusal) refusal.value = e.message
      else tell(e)
      return undefined
    }
  }

  /** Lets go of the one that is looked at. */
  function done() {
    const gone = delivery.value
    if (gone) void send('DELETE', `${base()}/${gone.id}`).catch(() => {})
    all.value = all.value.filter((d) => d !== gone)
    if (all.value.length) take(0)
  }

  /** Lets go of all. */
  function leave() {
    for (const d of all.value) void send('DELETE', `${base()}/${d.id}`).catch(() => {})
    all.value = []
    refusal.value = ''
  }

  return {
    carrying,
    all,
    number,
    delivery,
    pieceId,
    thing,
    taken,
    swatches,
    names,
    role,
    laidOut,
    pictures,
    refusal,
    isOpen,
    meshUrl,
    deliver,
    cancel,
    take,
    choose,
    fix,
    bring,
    done,
    leave,
  }
})

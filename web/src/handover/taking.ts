import { ref } from 'vue'
import { underWay } from '../api/underWay'

/** A file on its way out: how much of it is made, then that it is sent. */
export interface Taking {
  name: string
  share: number
}

/** Takes files out that take long to be made: one at a time, with how far it is, and called off on request. */
export function useTaking() {
  const taking = ref<Taking>()
  const fault = ref('')
  let stop: AbortController | undefined
  let work: ReturnType<typeof underWay> | undefined

  /** @param at with its query */
  async function take(name: string, at: string) {
    if (taking.value) return
    fault.value = ''
    taking.value = { name, share: 0 }
    stop = new AbortController()
    work = underWay((share) => {
      if (taking.value) taking.value.share = Math.max(taking.value.share, share)
    })
    try {
      const answer = await fetch(`${at}${at.includes('?') ? '&' : '?'}token=${work.token}`, { signal: stop.signal })
      if (!answer.ok) throw new Error(((await answer.json().catch(() => ({}))) as { detail?: string }).detail ?? `The server answered ${answer.status}.`)
      keep(await answer.blob(), fileName(answer.headers.get('content-disposition')) ?? name)
    } catch (e) {
      fault.value = stop.signal.aborted ? '' : e instanceof TypeError ? 'The server does not answer.' : (e as Error).message
    } finally {
      work.end()
      taking.value = undefined
    }
  }

  function cancel() {
    work?.callOff()
    stop?.abort()
  }

  return { taking, fault, take, cancel }
}

/** As RFC 6266 has it. */
export function fileName(disposition: string | null): string | undefined {
  const coded = disposition?.match(/filename\*=UTF-8''([^;]+)/i)?.[1]
  return coded ? decodeURIComponent(coded) : disposition?.match(/filename="([^"]+)"/i)?.[1]
}

function keep(file: Blob, name: string) {
  const url = URL.createObjectURL(file)
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  // The browser reads it after the click.
  setTimeout(() => URL.revokeObjectURL(url), 60_000)
}

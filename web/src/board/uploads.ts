import { computed, ref } from 'vue'
import { useSite } from '../site/site'
import { useBoard } from './board'

export interface Upload {
  id: number
  name: string
  share: number
  state: 'waiting' | 'sending' | 'reading' | 'done' | 'refused'
  why: string
}

const APART = 520

/** Sends pictures one after the other, each with its progress; what is refused says why and stays listed. */
export function useUploads() {
  const site = useSite()
  const board = useBoard()
  const uploads = ref<Upload[]>([])
  const busy = computed(() => uploads.value.some((u) => u.state === 'waiting' || u.state === 'sending' || u.state === 'reading'))
  const queue: { upload: Upload; file: File; x: number; y: number }[] = []
  let request: XMLHttpRequest | undefined
  let running = false
  let next = 0

  /** @param x middle of the first, @param y on the sheet; the others follow in rows of four */
  function add(files: Iterable<File>, x: number, y: number) {
    ;[...files].forEach((file, i) => {
      uploads.value.push({ id: next++, name: file.name || 'pasted picture', share: 0, state: 'waiting', why: '' })
      queue.push({ upload: uploads.value[uploads.value.length - 1]!, file, x: x + (i % 4) * APART, y: y + Math.floor(i / 4) * APART * 0.75 })
    })
    void run()
  }

  async function run() {
    if (running) return
    running = true
    for (let job = queue.shift(); job; job = queue.shift()) {
      const { upload } = job
      if (upload.state !== 'waiting') continue
      const refusal = await sendOne(job)
      upload.state = refusal === undefined ? 'done' : 'refused'
      upload.why = refusal ?? ''
      await site.catchUp().catch(() => {})
    }
    running = false
    uploads.value = uploads.value.filter((u) => u.state === 'refused')
  }

  function sendOne({ upload, file, x, y }: (typeof queue)[number]): Promise<string | undefined> {
    const most = board.sheet?.mostBytes ?? Infinity
    if (file.size > most) return Promise.resolve(`The file is larger than ${most / 1024 / 1024} MiB, the most that is taken. Make the picture smaller first.`)
    return new Promise((resolve) => {
      request = new XMLHttpRequest()
      request.open('POST', `${board.base}/board/pictures?name=${encodeURIComponent(upload.name.replace(/\.\w+$/, ''))}&x=${x}&y=${y}`)
      request.setRequestHeader('Content-Type', 'application/octet-stream')
      request.upload.onprogress = (e) => (upload.share = e.total ? e.loaded / e.total : 0)
      request.upload.onload = () => (upload.state = 'reading')
      request.onload = () =>
        resolve(request!.status === 201 ? undefined : (JSON.parse(request!.responseText || '{}').detail ?? `The server answered ${request!.status}.`))
      request.onerror = () => resolve('The server does not answer.')
      request.onabort = () => resolve('Cancelled.')
      upload.state = 'sending'
      request.send(file)
    })
  }

  function cancel() {
    queue.splice(0)
    uploads.value.filter((u) => u.state === 'waiting').forEach((u) => Object.assign(u, { state: 'refused', why: 'Cancelled.' }))
    request?.abort()
  }
  const dismiss = () => (uploads.value = uploads.value.filter((u) => u.state !== 'refused'))

  return { uploads, busy, add, cancel, dismiss }
}

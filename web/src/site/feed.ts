const REOPEN_MS = 3000

/** Hears of new revisions as the server tells them. All pages of one browser share one connection: it allows only a few. */
export function openFeed(siteId: number, heard: (revision?: number) => void, away: (isAway: boolean) => void): () => void {
  const name = `hausbau-feed-${siteId}`
  const channel = new BroadcastChannel(name)
  const giveUp = new AbortController()
  channel.onmessage = (e) => hear(e.data as Word)

  /** A revision; -1 where some may have been missed. */
  type Word = number | 'away'
  function hear(word: Word) {
    away(word === 'away')
    if (word !== 'away') heard(word < 0 ? undefined : word)
  }
  function tell(word: Word) {
    channel.postMessage(word)
    hear(word)
  }

  /** A source that the browser has closed for good, as after an answer that is no stream, is opened again after a while. */
  function listen(): Promise<void> {
    return new Promise((done) => {
      let source: EventSource
      let isAway = false
      let retry: ReturnType<typeof setTimeout> | undefined
      const open = () => {
        source = new EventSource(`/api/sites/${siteId}/feed`)
        source.addEventListener('revision', (e) => {
          tell(isAway ? -1 : Number(e.data))
          isAway = false
        })
        source.onerror = () => {
          isAway = true
          tell('away')
          if (source.readyState === EventSource.CLOSED) {
            clearTimeout(retry)
            retry = setTimeout(open, REOPEN_MS)
          }
        }
      }
      open()
      giveUp.signal.addEventListener('abort', () => {
        clearTimeout(retry)
        source.close()
        done()
      })
    })
  }

  void navigator.locks.request(name, { signal: giveUp.signal }, listen).catch(() => {})
  return () => {
    giveUp.abort()
    channel.close()
  }
}

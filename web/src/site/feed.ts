/** Hears of new revisions as the server tells them. All pages of one browser share one connection: it allows only a few. */
export function openFeed(siteId: number, heard: () => void, away: (isAway: boolean) => void): () => void {
  const name = `hausbau-feed-${siteId}`
  const channel = new BroadcastChannel(name)
  const giveUp = new AbortController()
  channel.onmessage = (e) => hear(e.data as Word)

  type Word = 'news' | 'away' | 'back'
  function hear(word: Word) {
    if (word !== 'away') away(false)
    if (word === 'away') away(true)
    else heard()
  }
  function tell(word: Word) {
    channel.postMessage(word)
    hear(word)
  }

  function listen(): Promise<void> {
    return new Promise((done) => {
      const source = new EventSource(`/api/sites/${siteId}/feed`)
      let isAway = false
      source.addEventListener('revision', () => {
        tell(isAway ? 'back' : 'news')
        isAway = false
      })
      source.onerror = () => {
        isAway = true
        tell('away')
      }
      giveUp.signal.addEventListener('abort', () => {
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

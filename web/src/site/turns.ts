/** Does one thing after the other: what is asked for sooner is done sooner, whatever it takes; a failure holds up nobody. */
export function inTurns() {
  let last: Promise<unknown> = Promise.resolve()
  let waiting = 0

  function inTurn<T>(work: () => T | Promise<T>): Promise<T> {
    waiting++
    const mine = last.then(work).finally(() => waiting--)
    last = mine.catch(() => {})
    return mine
  }

  return { inTurn, isBusy: () => waiting > 0 }
}

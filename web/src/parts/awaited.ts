/**
 * The values that a field has asked for and whose answers are still on their way, oldest first. An answer to an earlier one must not be shown over what was typed since: it would
 * take the selection away under the fingers.
 */
export class Awaited<T> {
  private readonly asked: T[] = []

  ask(value: T) {
    this.asked.push(value)
  }

  /** What was asked for last and is not answered yet. */
  get last(): T | undefined {
    return this.asked.at(-1)
  }

  /** The value that came, or a refusal without one. Whether it is to be shown: nothing later is awaited. A value that was never asked for is somebody else's, and is shown. */
  answered(value?: T): boolean {
    const mine = value === undefined ? -1 : this.asked.indexOf(value)
    this.asked.splice(0, mine < 0 ? this.asked.length : mine + 1)
    return this.asked.length === 0
  }
}

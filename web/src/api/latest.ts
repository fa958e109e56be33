/** Answers to questions of which each takes the place of the one before: an answer that a later question overtook is dropped. */
export function latest() {
  let asked = 0
  /** @returns what was answered; nothing where another was asked since */
  return async <T>(question: Promise<T>): Promise<T | undefined> => {
    const mine = ++asked
    try {
      const answer = await question
      return mine === asked ? answer : undefined
    } catch (e) {
      if (mine === asked) throw e
      return undefined
    }
  }
}

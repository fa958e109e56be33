import { onScopeDispose, ref, shallowRef } from 'vue'
import { underWay } from './underWay'

/**
 * One question at a time that takes the server a while: how far it is, ended with what is known by then, or called off, also when whoever asked goes away. A question that is asked while
 * another is under way takes its place.
 */
export function useAsked(failed: (reason: unknown) => void) {
  const share = ref(0)
  const working = shallowRef<ReturnType<typeof underWay>>()

  /** @returns what was answered; nothing where it was called off, failed, or another was asked since */
  async function ask<T>(question: (token: string) => Promise<T>): Promise<T | undefined> {
    cancel()
    const work = underWay((reached) => (share.value = reached))
    working.value = work
    share.value = 0
    try {
      const answer = await question(work.token)
      return working.value === work ? answer : undefined
    } catch (e) {
      if (working.value === work) failed(e)
      return undefined
    } finally {
      work.end()
      if (working.value === work) working.value = undefined
    }
  }

  function cancel() {
    working.value?.callOff()
    working.value?.end()
    working.value = undefined
  }
  onScopeDispose(cancel)

  return { share, working, ask, cancel }
}

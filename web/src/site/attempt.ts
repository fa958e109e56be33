import { ref, type Ref } from 'vue'
import { Refusal } from '../api/client'
import { showFault } from './fault'
import { tell, useSite } from './site'

/** Edits whose refusal is shown where they were asked for. */
export function useAttempt() {
  const site = useSite()
  const refusal = ref<Refusal>()

  async function attempt(work: () => Promise<unknown>, into: Ref<Refusal | undefined> = refusal) {
    into.value = undefined
    try {
      await site.inTurn(work)
    } catch (e) {
      if (e instanceof Refusal) {
        into.value = e
        showFault()
      } else tell(e)
    }
  }

  return { refusal, attempt }
}

import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { type LightView, type MoodView, type MoodWords, send } from '../api/client'
import { latest } from '../api/latest'
import { useListed } from '../site/listed'
import { tell, useSite } from '../site/site'

/** The site's settings of light, and the one that the set is seen in. */
export const useMoods = defineStore('moods', () => {
  const site = useSite()
  const { all, refusal, edit } = useListed<MoodView>('/moods')
  const used = computed(() => all.value.find((m) => m.used))
  /** What is dragged, and not yet let go of. */
  const tried = shallowRef<LightView>()
  const light = computed(() => tried.value ?? used.value?.light)

  const ask = latest()
  /** Shows what a change would come to; nothing is kept. */
  async function tryOut(words: MoodWords) {
    if (!used.value || !site.site) return
    try {
      const answer = await ask(send<LightView>('POST', `/api/sites/${site.site.id}/moods/${used.value.id}/preview`, words))
      if (answer) tried.value = answer
    } catch (e) {
      tell(e)
    }
  }

  async function after<T>(work: Promise<T>): Promise<T> {
    const done = await work
    // What was tried while it was dragged is what it is now, or was refused.
    void ask(Promise.resolve(undefined))
    tried.value = undefined
    return done
  }

  const use = (moodId: number) => after(edit('See by a mood', 'PUT', '/mood', () => ({ moodId })))
  const copy = () => after(edit<MoodView>('Make a mood', 'POST', '/moods', () => ({})))
  const rename = (id: number, name: string) => edit('Change a mood', 'PATCH', `/moods/${id}`, () => ({ name }))
  const change = (id: number, words: MoodWords) => after(edit('Change a mood', 'PATCH', `/moods/${id}`, () => ({ words })))
  const remove = (id: number) => after(edit('Take a mood away', 'DELETE', `/moods/${id}`, () => undefined))
  /** The one after the one in use. */
  const next = () => {
    const at = all.value.findIndex((m) => m.used)
    const following = all.value[(at + 1) % all.value.length]
    return following && use(following.id)
  }
  /** One with a sun or a light that casts shadows, if the one in use has none. */
  const shine = () => {
    const sunny = used.value?.light.beams.length ? undefined : all.value.find((m) => m.light.beams.length)
    return sunny && use(sunny.id)
  }

  return { all, used, light, refusal, tryOut, use, copy, rename, change, remove, next, shine }
})

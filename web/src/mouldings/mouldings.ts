import { defineStore } from 'pinia'
import { computed } from 'vue'
import type { MouldingView, MouldingWords } from '../api/client'
import { useListed } from '../site/listed'

export type ProfileKind = NonNullable<MouldingWords['profile']['kind']>

/** What runs along the walls: rules of the whole building, and what single rooms have in their place. */
export const useMouldings = defineStore('mouldings', () => {
  const { all, refusal, edit } = useListed<MouldingView>('/mouldings')
  const find = (id: number) => all.value.find((m) => m.id === id)!
  const rules = computed(() => all.value.filter((m) => !m.roomId))
  /** What a room has in the place of a rule. */
  const own = (rule: MouldingView, roomId: number) => all.value.find((m) => m.ruleId === rule.id && m.roomId === roomId)

  const add = (profile: ProfileKind) => edit<{ id: number }>('Add a moulding', 'POST', '/mouldings', () => ({ profile }))
  const addFor = (rule: MouldingView, roomId: number) =>
    edit<{ id: number }>('Give a room its own', 'POST', `/mouldings/${rule.id}/rooms/${roomId}`, () => ({}))
  const rename = (id: number, name: string) => edit('Change a moulding', 'PATCH', `/mouldings/${id}`, () => ({ name }))
  const put = (id: number, on: boolean) => edit('Switch a moulding', 'PATCH', `/mouldings/${id}`, () => ({ on }))
  /** @param told what of it is otherwise, from what it is when the edit's turn comes */
  const change = (id: number, told: (words: MouldingWords) => Partial<MouldingWords>) =>
    edit('Change a moulding', 'PATCH', `/mouldings/${id}`, () => ({ words: { ...find(id).words, ...told(find(id).words) } }))
  /** @param place among all, so many places up or down the list of rules */
  const move = (id: number, by: number) => {
    const at = rules.value.findIndex((m) => m.id === id)
    const other = rules.value[at + by]
    return other && edit('Order mouldings', 'PATCH', `/mouldings/${id}`, () => ({ place: all.value.indexOf(find(other.id)) }))
  }
  const remove = (id: number) => edit('Take a moulding away', 'DELETE', `/mouldings/${id}`, () => undefined)

  return { all, rules, refusal, own, add, addFor, rename, put, change, move, remove }
})

import type { InjectionKey, Ref } from 'vue'

/** What was refused last on a page: fields that hear of it show again what stands. */
export const REFUSED: InjectionKey<Ref<unknown>> = Symbol('refused')

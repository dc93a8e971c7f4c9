import { inject, provide, toValue, type InjectionKey, type MaybeRefOrGetter } from 'vue'

/** The term that the days of a page are about: the letter t stands for its first day. */
export interface TermHere {
  name: string
  startsOn: string
}

const here: InjectionKey<() => TermHere | undefined> = Symbol('term')

export const provideTerm = (term: MaybeRefOrGetter<TermHere | undefined>) => provide(here, () => toValue(term))
export const useTerm = () => inject(here, () => undefined)

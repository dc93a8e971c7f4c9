/** What can be chosen, in words; options of one group stand together under its name. */
export interface Option<T> {
  value: T
  label: string
  group?: string
  disabled?: boolean
}

/** Options from things that have a name each. Example: `optionsOf(divisions, 'code')`. */
export function optionsOf<K extends string, T extends Record<K, string> & { name: string }>(
  things: readonly T[] | undefined,
  by: K,
): Option<string>[] {
  return (things ?? []).map((thing) => ({ value: thing[by], label: thing.name }))
}

/** Options of codes, in the words of the catalogue. Example: `optionsIn(STATES, (state) => t(`state.${state}`))`. */
export function optionsIn<T extends string | number | boolean>(
  codes: readonly T[],
  said: (code: T) => string,
): Option<T>[] {
  return codes.map((value) => ({ value, label: said(value) }))
}

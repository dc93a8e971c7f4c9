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

/** Divisions as options, each as far in as it is below others. They come as they are read. */
export function divisionOptions(
  divisions: readonly { code: string; name: string; parent: string | null }[] | undefined,
): Option<string>[] {
  const depths = new Map<string, number>()
  return (divisions ?? []).map(({ code, name, parent }) => {
    const depth = parent !== null && depths.has(parent) ? depths.get(parent)! + 1 : 0
    depths.set(code, depth)
    return { value: code, label: '\u2003'.repeat(depth) + name }
  })
}

/** Options of codes, in the words of the catalogue. Example: `optionsIn(STATES, (state) => t(`state.${state}`))`. */
export function optionsIn<T extends string | number | boolean>(
  codes: readonly T[],
  said: (code: T) => string,
): Option<T>[] {
  return codes.map((value) => ({ value, label: said(value) }))
}

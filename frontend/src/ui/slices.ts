import { onScopeDispose, shallowReactive, shallowRef, toValue, watch, type MaybeRefOrGetter } from 'vue'

/** So many fill a screen: beyond them a table that draws only what is in view has nothing more to draw. */
const SCREEN = 40

/**
 * The rows that are drawn: none at first, so that what is around them is there, and then one at a time until all are.
 * Clicks and keys are heard in between, and what is drawn already is not drawn anew.
 *
 * @param anew whether the rows are wanted as a new array with each step, as by what compares arrays and not what is
 *   in them
 * @returns the rows to be drawn, and what draws all up to one that is asked for
 */
export function useSlices<T extends object>(rows: MaybeRefOrGetter<T[]>, anew: MaybeRefOrGetter<boolean> = false) {
  const some = shallowRef<T[]>(shallowReactive([]))
  let turn: ReturnType<typeof setTimeout> | undefined

  function draw(count: number) {
    const all = toValue(rows)
    if (toValue(anew)) some.value = count < all.length ? all.slice(0, count) : all
    else settle(some.value, all.slice(0, count))
    clearTimeout(turn)
    const next = toValue(anew) && count >= SCREEN ? all.length : count + 1
    if (count < all.length) turn = setTimeout(() => draw(next))
  }
  watch(
    () => [toValue(rows), toValue(anew)] as const,
    ([all, fresh], before) => {
      if (!fresh && before?.[1] !== false) some.value = shallowReactive([])
      draw(Math.min(some.value.length, all.length))
    },
    { immediate: true },
  )
  onScopeDispose(() => clearTimeout(turn))

  return { some, upTo: (index: number) => index >= some.value.length && draw(index + 1) }
}

/** Makes one array what another is, by as few changes as there are differences. */
function settle<T>(array: T[], wanted: T[]) {
  if (array.length > wanted.length) array.length = wanted.length
  wanted.forEach((each, index) => {
    if (array[index] !== each) array[index] = each
  })
}

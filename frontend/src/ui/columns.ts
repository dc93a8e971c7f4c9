import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { me } from '@/shared/me'
import { needless } from '@/shared/platform'

/** A column of a table. */
export interface RowColumn {
  key: string
  /** Its heading. */
  label: string
  /** How much of the width it takes, beside the others. */
  weight: number
  sortable?: boolean
  /** It tells rows apart, so that it is always there. */
  always?: boolean
  /** It is not there unless somebody wants it. */
  optional?: boolean
  /** Its heading is only for those who listen. */
  unseen?: boolean
}

/** How somebody wants the columns of a table. */
export interface Arrangement {
  /** Keys of the columns that were there when they were put in order. */
  order: string[]
  hidden: string[]
  /** Of those that are not there by themselves. */
  shown: string[]
  /** Weights by key. */
  weights: Record<string, number>
}

export const asGiven = (): Arrangement => ({ order: [], hidden: [], shown: [], weights: {} })

/** Columns in the order somebody wants; one that is new since then stands behind the one it follows by itself. */
export function inOrder(columns: readonly RowColumn[], { order, weights }: Arrangement): RowColumn[] {
  const placed = order.flatMap((key) => columns.find((column) => column.key === key) ?? [])
  columns.forEach((column, place) => {
    if (placed.includes(column)) return
    const before = columns.slice(0, place).findLast((each) => placed.includes(each))
    placed.splice(before ? placed.indexOf(before) + 1 : 0, 0, column)
  })
  return placed.map((column) => ({ ...column, weight: weights[column.key] ?? column.weight }))
}

/** Keys with one of them moved by so many places, as far as there are places. */
export function moved(keys: readonly string[], key: string, by: number): string[] {
  const from = keys.indexOf(key)
  if (from < 0) return [...keys]
  const rest = keys.filter((each) => each !== key)
  rest.splice(Math.max(0, Math.min(rest.length, from + by)), 0, key)
  return rest
}

const LEAST = 0.4
const MOST = 8

/** The columns of a table as the one who looks wants them; remembered for each person on this machine. */
export function useColumns(name: string, columns: () => readonly RowColumn[]) {
  const kept = useLocalStorage<Arrangement>(`mint-door:columns:${me.value?.id ?? ''}:${name}`, asGiven, {
    mergeDefaults: true,
  })
  const all = computed(() =>
    inOrder(
      columns().filter(({ key }) => !needless.value.has(key)),
      kept.value,
    ).map((column) => ({
      ...column,
      hidden: column.optional
        ? !kept.value.shown.includes(column.key)
        : !column.always && kept.value.hidden.includes(column.key),
    })),
  )
  const keys = () => all.value.map(({ key }) => key)
  return {
    all,
    visible: computed(() => all.value.filter((column) => !column.hidden)),
    changed: computed(
      () =>
        [...kept.value.order, ...kept.value.hidden, ...kept.value.shown].length > 0 ||
        Object.keys(kept.value.weights).length > 0,
    ),
    move: (key: string, by: number) => (kept.value = { ...kept.value, order: moved(keys(), key, by) }),
    toggle(key: string) {
      const list = all.value.find((column) => column.key === key)?.optional ? 'shown' : 'hidden'
      const keys = kept.value[list]
      kept.value = {
        ...kept.value,
        [list]: keys.includes(key) ? keys.filter((each) => each !== key) : [...keys, key],
      }
    },
    scale(key: string, by: number) {
      const now = all.value.find((column) => column.key === key)?.weight ?? 1
      const weight = Math.max(LEAST, Math.min(MOST, now * by))
      kept.value = { ...kept.value, weights: { ...kept.value.weights, [key]: weight } }
    },
    /** Takes over widths as they were drawn, in any unit. */
    resize(widths: Record<string, number>) {
      const given = all.value.filter(({ key }) => widths[key])
      const sum = (of: (column: RowColumn) => number) => given.reduce((total, column) => total + of(column), 0)
      const unit = sum(({ key }) => widths[key]!) / (sum(({ weight }) => weight) || 1)
      const weights = Object.fromEntries(given.map(({ key }) => [key, widths[key]! / unit]))
      kept.value = { ...kept.value, weights: { ...kept.value.weights, ...weights } }
    },
    reset: () => (kept.value = asGiven()),
  }
}

export type Columns = ReturnType<typeof useColumns>

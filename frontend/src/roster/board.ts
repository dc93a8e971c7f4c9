import { useQuery } from '@tanstack/vue-query'
import { computed, reactive } from 'vue'
import { api, take, type AppliedChanges, type LineRequest, type RosterRow, type Site } from '@/shared/api'
import { usePlatform } from '@/shared/platform'
import { useRested } from '@/shared/rested'
import { lineSentences } from '@/shared/sentences'
import { isClash, useClashes } from './clashes'
import { openSections } from './sections'
import { useWholeRoster } from './wholeRoster'

/** Those who are in no section stand in a column of their own. */
export const NONE = ''
/** So many lines a change list takes at once. */
const MOST_MOVES = 1_000
/** What was moved and not made yet, by site: it is there again after a look elsewhere. */
export const keptMoves = new Map<string, Map<string, string[]>>()

/**
 * A site's people in columns, one for each section, and what somebody moved in this sitting: nothing is changed before
 * the whole of it is put in force as one change list.
 */
export function useBoard(site: () => Site) {
  const { roleName, takesSeat } = usePlatform()
  const { rows, read, error, isPending, refetch, byId, find } = useWholeRoster(site)

  const clashes = useClashes()
  /** Where somebody is to be, by their id, where that differs from where they are. */
  const moves = keptMoves.get(site().id) ?? reactive(new Map<string, string[]>())
  keptMoves.set(site().id, moves)
  const at = (row: RosterRow) => moves.get(row.person.id) ?? row.standing.sections
  const learns = (row: RosterRow) => row.standing.roles.some(takesSeat)

  const same = (one: readonly string[], other: readonly string[]) =>
    one.length === other.length && one.every((id) => other.includes(id))
  function set(row: RosterRow, sections: string[]) {
    if (same(sections, row.standing.sections)) moves.delete(row.person.id)
    else moves.set(row.person.id, sections)
  }
  /**
   * Moves people from one column to another. Where somebody may be in several, those they have elsewhere stay.
   *
   * @param from the column they are taken from; undefined puts them into one more
   */
  function move(people: Iterable<string>, to: string, from?: string) {
    for (const id of people) {
      const row = byId.value.get(id)
      if (!row) continue
      const others = at(row).filter((section) => section !== from)
      const keeps = from !== undefined && (site().several || !learns(row)) ? others : []
      const added = from === undefined && (site().several || !learns(row)) ? at(row) : keeps
      set(row, to === NONE ? keeps : [...new Set([...added, to])])
    }
  }
  const forget = (people?: Iterable<string>) => {
    if (people) [...people].forEach((id) => moves.delete(id))
    else {
      moves.clear()
      clashes.forget()
    }
  }

  const lines = computed<LineRequest[]>(() =>
    [...moves]
      .filter(([person]) => byId.value.has(person))
      .map(([person, sections]) =>
        clashes.asMeant({
          person,
          verb: 'change-sections' as const,
          sections,
          version: byId.value.get(person)!.version,
        }),
      ),
  )
  const tooMany = computed(() => lines.value.length > MOST_MOVES)
  const make = (apply: boolean, wanted: LineRequest[]): Promise<AppliedChanges> =>
    take(
      api.POST('/sites/{site}/change-lists', {
        params: { path: { site: site().id } },
        body: { apply, lines: wanted },
      }),
    )
  const { key, value, isNow } = useRested(() => lines.value, 200)
  const review = useQuery({
    queryKey: ['preview', computed(() => site().id), key],
    enabled: computed(() => value.value.length > 0 && !tooMany.value),
    queryFn: () => make(false, value.value),
  })
  const settled = computed(() => isNow.value && !review.isFetching.value && !!review.data.value)
  const reviewed = computed(() => (lines.value.length ? (review.data.value?.lines ?? []) : []))
  const ready = computed(() => reviewed.value.filter(({ verdict }) => verdict === 'ready').length)
  /** What stands in the way of each move that cannot be made, by person. */
  const wrong = computed(
    () =>
      new Map(
        reviewed.value
          .filter(({ verdict }) => !['ready', 'nothing-to-do'].includes(verdict))
          .map((line) => [line.person.id, lineSentences(line, site().timeZone, roleName).join(' ')]),
      ),
  )

  /** Who of those moved would be in two places at once, asked about or meant. */
  const clashing = computed(() => reviewed.value.filter(isClash).map(({ person }) => person))

  interface BoardColumn {
    id: string
    name: string
    rows: RosterRow[]
    learners: number
  }
  const columns = computed<BoardColumn[]>(() => {
    const of = new Map<string, RosterRow[]>(['', ...openSections(site()).map(({ id }) => id)].map((id) => [id, []]))
    for (const row of rows.value ?? []) {
      const there = at(row).filter((id) => of.has(id))
      for (const id of there.length ? there : [NONE]) of.get(id)?.push(row)
    }
    return [...of].map(([id, own]) => ({
      id,
      name: site().sections.find((section) => section.id === id)?.name ?? '',
      rows: own,
      learners: own.filter((row) => learns(row) && row.standing.state !== 'waiting').length,
    }))
  })

  return {
    rows,
    read,
    error,
    isPending,
    refetch,
    columns,
    byId,
    at,
    learns,
    moves,
    move,
    forget,
    find,
    lines,
    tooMany,
    make,
    ready,
    clashes,
    clashing,
    wrong,
    settled,
    trouble: review.error,
  }
}

export type Board = ReturnType<typeof useBoard>
export type BoardColumn = Board['columns']['value'][number]

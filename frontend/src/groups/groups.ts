import { useQuery } from '@tanstack/vue-query'
import { computed, reactive } from 'vue'
import { api, take, type RosterRow, type Site } from '@/shared/api'
import type { components } from '@/shared/schema'
import { refresh } from '@/shared/queries'
import { done, wentWrong } from '@/shared/undo'
import { t } from '@/shared/words'
import { NONE } from '@/roster/board'
import { useWholeRoster } from '@/roster/wholeRoster'

export { useSplits } from '@/shared/splits'

type Schemas = components['schemas']
export type SplitFacts = Schemas['SplitFacts']
export type Split = Schemas['Split']
export type Group = Schemas['Group']
export type GroupMoves = Schemas['GroupMoves']
export type NewSplit = Schemas['NewSplit']
export type Wish = Schemas['GroupWish']
export type WishesWanted = Schemas['GroupWishesWanted']
export type Balance = Schemas['GroupBalance']

/** What stands in the column on the right of the board. */
export type Beside = '' | 'new' | 'form' | 'paste' | 'wishes' | 'paper' | 'write'

/** How many people a group of a split has, in words; nothing where nothing is said. */
export function sizeOf({ least, most }: Pick<Split, 'least' | 'most'>): string {
  if (least && most) {
    return least === most ? t('groups.size.exact', { n: most }, most) : t('groups.size.both', { least, most })
  }
  if (least) return t('groups.size.least', { n: least }, least)
  return most ? t('groups.size.most', { n: most }, most) : ''
}

export const refreshGroups = () => refresh('splits', 'roster', 'history', 'changeLists')

/** Takes a change list of moves back; answers in words what became of it. */
export async function takeMovesBack(changeList: string): Promise<string> {
  const answer = await take(api.POST('/group-lists/{changeList}/undo', { params: { path: { changeList } } }))
  await refreshGroups()
  return saidOf(answer, 'groups.didUndo')
}

const readyOf = ({ moves }: GroupMoves) => moves.filter(({ verdict }) => verdict === 'ready').length
function saidOf(answer: GroupMoves, what: 'groups.did' | 'groups.didUndo'): string {
  const ready = readyOf(answer)
  const left = answer.moves.filter(({ verdict }) => verdict !== 'ready' && verdict !== 'there').length
  return [t(what, { n: ready }, ready), left ? t('groups.left', { n: left }, left) : ''].filter(Boolean).join(' ')
}

/** Says at the foot of the page what was moved, with a way back. */
export function tellMoves(answer: GroupMoves) {
  const { changeList } = answer
  const back = changeList ? () => takeMovesBack(changeList) : undefined
  done(saidOf(answer, 'groups.did'), back && { back })
}

/** What was moved and not made yet, by split: it is there again after a look elsewhere. */
export const keptMoves = new Map<string, Map<string, string>>()

/**
 * The people of a split in columns, one for each group, and what somebody moved in this sitting: nothing is changed
 * before the whole of it is put in force as one change list.
 */
export function useGroupBoard(site: () => Site, split: string) {
  const roster = useWholeRoster(site)
  const one = useQuery({
    queryKey: ['splits', computed(() => site().id), split],
    queryFn: () =>
      take(api.GET('/sites/{site}/group-splits/{split}', { params: { path: { site: site().id, split } } })),
    // People come and go by themselves then.
    refetchInterval: ({ state }) => (state.data?.chooses ? 15_000 : false),
  })
  /** Where everybody it is about is now: the id of a group, or nothing. */
  const places = computed(() => new Map(one.data.value?.places.map(({ person, group }) => [person, group ?? NONE])))
  const rows = computed(() => (roster.rows.value ?? []).filter(({ person }) => places.value.has(person.id)))

  const moves = keptMoves.get(split) ?? reactive(new Map<string, string>())
  keptMoves.set(split, moves)
  const groups = computed(() => one.data.value?.list ?? [])
  const known = computed(() => new Set([NONE, ...groups.value.map(({ id }) => id)]))
  const at = (person: string) => {
    const to = moves.get(person)
    return to !== undefined && known.value.has(to) ? to : (places.value.get(person) ?? NONE)
  }
  function move(people: Iterable<string>, to: string) {
    for (const id of people) {
      if (!places.value.has(id)) continue
      if (places.value.get(id) === to) moves.delete(id)
      else moves.set(id, to)
    }
  }
  const pending = computed(() => [...moves].filter(([id, to]) => places.value.has(id) && places.value.get(id) !== to))

  interface GroupColumn {
    id: string
    name: string
    rows: RosterRow[]
    learners: number
    group: Group | undefined
  }
  const columns = computed<GroupColumn[]>(() => {
    const of = new Map<string, RosterRow[]>([...known.value].map((id) => [id, []]))
    for (const row of rows.value) of.get(at(row.person.id))?.push(row)
    return [...of].map(([id, own]) => {
      const group = groups.value.find((each) => each.id === id)
      // Those of other sections, whom one does not see, take their places, too.
      const unseen = group ? group.people - [...places.value.values()].filter((there) => there === id).length : 0
      return { id, name: group?.name ?? '', rows: own, learners: own.length + unseen, group }
    })
  })
  const most = (group: Group | undefined) => (group ? (group.most ?? one.data.value?.most ?? null) : null)
  const over = computed(() =>
    columns.value.filter(({ group, learners, rows: own }) => {
      const fits = most(group)
      return fits !== null && learners > fits && own.some(({ person }) => moves.has(person.id))
    }),
  )

  async function make() {
    const body = {
      moves: pending.value.map(([person, to]) => ({
        person,
        to: to || null,
        from: places.value.get(person) || null,
      })),
    }
    const path = { site: site().id, split }
    const answer = await take(api.POST('/sites/{site}/group-splits/{split}/moves', { params: { path }, body }))
    moves.clear()
    await refreshGroups()
    if (answer.changeList) tellMoves(answer)
    else wentWrong(undefined, saidOf(answer, 'groups.did'))
  }
  return { roster, one, rows, columns, moves, move, pending, most, over, make, places }
}

export type GroupBoard = ReturnType<typeof useGroupBoard>

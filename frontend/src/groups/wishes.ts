import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import { api, take, type Site } from '@/shared/api'
import { ownLocale } from '@/shared/own'
import { t } from '@/shared/words'
import type { Balance, Group, GroupBoard, Wish } from './groups'

/** Names of what wishes are about, by ids and codes. */
export interface WishNames {
  person: (id: string) => string
  split: (id: string) => string
  detail: (code: string) => string
}

const listed = (names: string[]) => new Intl.ListFormat(ownLocale, { type: 'conjunction' }).format(names)

/** A wish in words. Example: "2 violin in each". */
export function saidWish(wish: Wish, names: WishNames): string {
  const { kind, by = '', value = '', least = 0, most = 0 } = wish
  const name = names.detail(wish.detail ?? '')
  const people = listed((wish.people ?? []).map(names.person))
  if (kind === 'free') return t('groups.wishes.as.free')
  if (kind === 'together' || kind === 'apart') return t(`groups.wishes.as.${kind}`, { names: people })
  if (kind === 'met') {
    const split = names.split(wish.split ?? '')
    return most ? t('groups.wishes.as.met', { n: most, split }, most) : t('groups.wishes.as.metNone', { split })
  }
  if (!by) return ''
  if (kind === 'even') {
    return t('groups.wishes.as.even', { what: by === 'detail' ? name : t(`groups.wishes.of.${by}`) })
  }
  if (kind === 'mixed') {
    const what = by === 'detail' ? t('groups.wishes.all.detail', { name }) : t(`groups.wishes.all.${by}`, { value })
    return t('groups.wishes.as.mixed', { what })
  }
  const what =
    by === 'detail' ? t('groups.wishes.what.detail', { name, value }) : t(`groups.wishes.what.${by}`, { value })
  return least === most
    ? t('groups.wishes.as.exact', { n: least, what })
    : t('groups.wishes.as.range', { least, most, what })
}

const percent = new Intl.NumberFormat(ownLocale, { style: 'percent', maximumFractionDigits: 1 })
/** A share from 0 to 1 in per cent; never quite 100 before it is all. */
export const shareOf = (share: number) => percent.format(share < 1 ? Math.min(share, 0.999) : 1)

/** How good groups are beside the best there can be, in a sentence. */
export function bestOf({ met, best, isBest }: Balance): string {
  if (isBest || met >= best) return t('groups.wishes.isBest')
  return best >= 1
    ? t('groups.wishes.within', { share: shareOf(1 - met / best) })
    : t('groups.wishes.best', { share: shareOf(best) }) +
        ' ' +
        t('groups.wishes.within', { share: shareOf(1 - met / best) })
}

const number = new Intl.NumberFormat(ownLocale, { maximumFractionDigits: 1 })

/** What each group has of what is counted: a column for each wish that counts, a row for each group. */
export function eachOf(wishes: Wish[], balance: Balance | undefined, groups: Group[], names: WishNames) {
  const columns = wishes.flatMap((wish, n) => {
    const kept = balance?.wishes[n]
    if (!kept?.groups.length || !wish.by) return []
    const { by, value = '' } = wish
    const what = by === 'detail' ? names.detail(wish.detail ?? '') : t(`groups.wishes.of.${by}`)
    const head =
      wish.kind === 'even'
        ? t('groups.wishes.average', { what })
        : wish.kind === 'mixed' && by !== 'label'
          ? what
          : by === 'label'
            ? value
            : `${what} ${value}`
    const of = new Map(
      kept.groups.map(({ group, amounts, wrong }) => {
        const some = amounts.filter(({ n: many }) => amounts.length === 1 || many)
        const said = some.map(({ of: each, n: many }) =>
          wish.kind === 'mixed' && by !== 'label' ? `${each}: ${number.format(many)}` : number.format(many),
        )
        return [group, (said.join(', ') || '–') + (wrong ? ' !' : '')]
      }),
    )
    return [{ head, of }]
  })
  return {
    head: [t('groups.wishes.group'), ...columns.map(({ head }) => head)],
    rows: groups.map(({ id, name }) => [name, ...columns.map(({ of }) => of.get(id) ?? '–')]),
  }
}

/** What groups are to be like, and those computed last; looked at often while they are computed. */
export function useWishes(site: () => Site, split: string) {
  return useQuery({
    queryKey: ['splits', computed(() => site().id), split, 'wishes'],
    queryFn: () =>
      take(api.GET('/sites/{site}/group-splits/{split}/wishes', { params: { path: { site: site().id, split } } })),
    refetchInterval: ({ state }) => (state.data?.task?.state === 'computing' ? 700 : false),
  })
}

/** How the groups meet it: as they are, and as they would be with the moves on the board. */
export function useBalance(site: () => Site, split: string, board: GroupBoard, wishes: Ref<number>) {
  const moves = computed(() =>
    board.pending.value.map(([person, to]) => ({
      person,
      to: to || null,
      from: board.places.value.get(person) || null,
    })),
  )
  const wanted = refDebounced(moves, 200)
  const path = computed(() => ({ path: { site: site().id, split } }))
  const asked = (body: { moves: typeof moves.value }) =>
    take(api.POST('/sites/{site}/group-splits/{split}/balance', { params: path.value, body }))
  const some = computed(() => wishes.value > 0)
  const now = useQuery({
    queryKey: ['splits', computed(() => site().id), split, 'balance'],
    enabled: some,
    placeholderData: keepPreviousData,
    queryFn: () => asked({ moves: [] }),
  })
  const then = useQuery({
    queryKey: ['splits', computed(() => site().id), split, 'balance', wanted],
    enabled: computed(() => some.value && wanted.value.length > 0),
    placeholderData: keepPreviousData,
    queryFn: () => asked({ moves: wanted.value }),
  })
  const moved = computed(() => moves.value.length > 0)
  return { now, then, moved, balance: computed(() => (moved.value ? then.data.value : now.data.value)) }
}

import { keepPreviousData, useInfiniteQuery } from '@tanstack/vue-query'
import { computed, watch, type Ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take, type RosterRow } from '@/shared/api'
import { lookAt } from '@/shared/lookedAt'
import { SORTABLE, type Sortable } from './columns'

type Direction = 'up' | 'down'
export type RosterView = ReturnType<typeof useRoster>['view']['value']
export const STATES = ['here', 'current', 'paused', 'upcoming', 'waiting', 'blocked', 'ended', 'removed'] as const
export type RosterState = (typeof STATES)[number]
/** What else a roster may be narrowed by, beside state, role and words. */
export const FURTHER = ['section', 'group', 'level', 'division', 'door', 'seen', 'ends', 'joined', 'label'] as const
export type Further = (typeof FURTHER)[number]

/**
 * The rows of a roster, with sort and filter kept in the address. The first page comes alone, so that it comes soon;
 * `all()` fetches the rest.
 */
export function useRoster(site: Ref<string>) {
  const route = useRoute()
  const router = useRouter()
  const read = <T extends string>(name: string, allowed: readonly T[], otherwise: T): T => {
    const value = route.query[name]
    return allowed.find((each) => each === value) ?? otherwise
  }
  const text = (name: string, shape: RegExp) => {
    const value = route.query[name]
    return typeof value === 'string' && shape.test(value) ? value : ''
  }
  const view = computed(() => ({
    q: text('q', /^/),
    role: text('role', /^[a-z-]+$/),
    section: text('section', /^(none|[0-9a-f-]{36})$/),
    group: text('group', /^(none-)?[0-9a-f-]{36}$/),
    level: text('level', /^\d{1,2}$/),
    division: text('division', /^[\w-]+$/),
    door: text('door', /^(staff|key|invitation|cohort|feed|preview|[0-9a-f-]{36})$/),
    seen: text('seen', /^(never|[1-9]\d{0,2})$/),
    ends: text('ends', /^[1-9]\d{0,2}$/),
    joined: text('joined', /^[1-9]\d{0,2}$/),
    label: text('label', /^.{1,40}$/),
    details: text('details', /^.{1,400}$/),
    asOf: text('asOf', /^\d{4}-\d\d-\d\d$/),
    state: read('state', STATES, 'here'),
    unlisted: read('unlisted', ['0', '1'], '0'),
    sort: read<Sortable>('sort', SORTABLE, 'name'),
    direction: read<Direction>('direction', ['up', 'down'], 'up'),
  }))
  const standard: Record<string, string> = {
    q: '',
    role: '',
    asOf: '',
    details: '',
    state: 'here',
    unlisted: '0',
    sort: 'name',
    direction: 'up',
    ...Object.fromEntries(FURTHER.map((name) => [name, ''])),
  }
  // What is not asked for is not sent.
  const asked = computed(
    () =>
      Object.fromEntries(Object.entries(view.value).filter(([, value]) => value !== '')) as Partial<
        Pick<
          typeof view.value,
          'state' | 'sort' | 'direction' | 'unlisted' | 'q' | 'role' | 'details' | 'asOf' | Further
        >
      >,
  )

  /** Changes sort or filter; what is as usual is left out of the address. */
  function look(change: Record<string, string>) {
    const kept = Object.entries(change).map(([name, value]) => [name, value === standard[name] ? '' : value])
    return lookAt(router, Object.fromEntries(kept))
  }

  const sortBy = (column: Sortable) =>
    look({ sort: column, direction: view.value.sort === column && view.value.direction === 'up' ? 'down' : 'up' })

  const query = useInfiniteQuery({
    queryKey: ['roster', site, view],
    initialPageParam: undefined as string | undefined,
    queryFn: ({ pageParam }) =>
      take(
        api.GET('/sites/{site}/roster', {
          params: {
            path: { site: site.value },
            query: { ...asked.value, limit: pageParam ? 500 : 60, cursor: pageParam },
          },
        }),
      ),
    getNextPageParam: (page) => page.next ?? undefined,
    placeholderData: keepPreviousData,
  })
  const rows = computed<RosterRow[]>(() => query.data.value?.pages.flatMap((page) => page.items) ?? [])
  const counts = computed(() => query.data.value?.pages.at(-1)?.counts)
  const filtered = computed(
    () =>
      !!(view.value.q || view.value.role || view.value.details || view.value.state !== 'here') ||
      FURTHER.some((name) => view.value[name]),
  )

  async function all(progress?: (rows: number) => void): Promise<RosterRow[]> {
    while (query.hasNextPage.value) {
      await query.fetchNextPage({ cancelRefetch: false })
      progress?.(rows.value.length)
      if (query.error.value) throw query.error.value
    }
    return rows.value
  }
  // The rest follows in the background, so that scrolling to the end of a large roster finds it there.
  watch(
    [query.hasNextPage, query.isFetching],
    () => {
      if (query.hasNextPage.value && !query.isFetching.value && !query.error.value)
        void query.fetchNextPage({ cancelRefetch: false })
    },
    { immediate: true },
  )

  return {
    view,
    look,
    sortBy,
    rows,
    counts,
    filtered,
    all,
    error: query.error,
    isPending: query.isPending,
    refetch: query.refetch,
  }
}

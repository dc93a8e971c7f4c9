import { keepPreviousData, useInfiniteQuery } from '@tanstack/vue-query'
import { computed, watch, type Ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, take, type RosterRow } from '@/app/api'
import { COLUMNS, type Column } from './columns'

type Direction = 'up' | 'down'
const STATES = ['here', 'current', 'paused', 'upcoming', 'waiting', 'kept-out', 'ended', 'taken-out'] as const
export type RosterState = (typeof STATES)[number]

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
  const view = computed(() => ({
    q: typeof route.query.q === 'string' ? route.query.q : '',
    role: typeof route.query.role === 'string' ? route.query.role : '',
    state: read('state', STATES, 'here'),
    unlisted: read('unlisted', ['0', '1'], '0'),
    sort: read<Column>('sort', COLUMNS, 'name'),
    direction: read<Direction>('direction', ['up', 'down'], 'up')
  }))
  const standard: Record<string, string> = { q: '', role: '', state: 'here', unlisted: '0', sort: 'name', direction: 'up' }

  /** Changes sort or filter; what is as usual is left out of the address. */
  function look(change: Record<string, string>) {
    const query = { ...route.query }
    for (const [name, value] of Object.entries(change)) {
      if (value === standard[name]) delete query[name]
      else query[name] = value
    }
    return router.replace({ query })
  }

  const sortBy = (column: Column) => look({ sort: column, direction: view.value.sort === column && view.value.direction === 'up' ? 'down' : 'up' })

  const query = useInfiniteQuery({
    queryKey: ['roster', site, view],
    initialPageParam: undefined as string | undefined,
    queryFn: ({ pageParam }) => take(api.GET('/sites/{site}/roster', { params: { path: { site: site.value }, query: { ...view.value, limit: pageParam ? 500 : 100, cursor: pageParam } } })),
    getNextPageParam: (page) => page.next ?? undefined,
    placeholderData: keepPreviousData
  })
  const rows = computed<RosterRow[]>(() => query.data.value?.pages.flatMap((page) => page.items) ?? [])
  const counts = computed(() => query.data.value?.pages.at(-1)?.counts)
  const filtered = computed(() => !!(view.value.q || view.value.role || view.value.state !== 'here'))

  async function all(progress?: (rows: number) => void): Promise<RosterRow[]> {
    while (query.hasNextPage.value) {
      await query.fetchNextPage({ cancelRefetch: false })
      progress?.(rows.value.length)
      if (query.error.value) throw query.error.value
    }
    return rows.value
  }
  // The rest follows in the background, so that scrolling to the end of a large roster finds it there.
  watch([query.hasNextPage, query.isFetching], () => {
    if (query.hasNextPage.value && !query.isFetching.value && !query.error.value) void query.fetchNextPage({ cancelRefetch: false })
  }, { immediate: true })

  return { view, look, sortBy, rows, counts, filtered, all, states: STATES, error: query.error, isPending: query.isPending, refetch: query.refetch }
}

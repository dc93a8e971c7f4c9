import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, take, type RosterRow, type Site } from '@/shared/api'
import { folded } from '@/shared/folded'
import { listName } from '@/shared/sentences'

const PAGE = 500

/** Everybody of a site whom one sees, read page by page, for boards on which people are moved. */
export function useWholeRoster(site: () => Site) {
  const read = ref(0)
  const { data, error, isPending, refetch } = useQuery({
    queryKey: ['roster', computed(() => site().id), 'board'],
    queryFn: async () => {
      const all: RosterRow[] = []
      let cursor: string | undefined
      do {
        const page = await take(
          api.GET('/sites/{site}/roster', { params: { path: { site: site().id }, query: { limit: PAGE, cursor } } }),
        )
        all.push(...page.items)
        read.value = all.length
        cursor = page.next ?? undefined
      } while (cursor)
      return all
    },
  })
  const byId = computed(() => new Map(data.value?.map((row) => [row.person.id, row]) ?? []))
  /** Whom a text means among those who are here: by name, or by number. */
  function find(text: string, most = 8, among: Iterable<RosterRow> = data.value ?? []): RosterRow[] {
    const words = folded(text).split(/\s+/).filter(Boolean)
    if (!words.length) return []
    const fits = (row: RosterRow) => {
      const said = folded(`${listName(row.person)} ${row.person.number ?? ''}`)
      return words.every((word) => said.includes(word))
    }
    return [...among].filter(fits).slice(0, most)
  }
  return { rows: data, read, error, isPending, refetch, byId, find }
}

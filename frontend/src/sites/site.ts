import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, take, type Site } from '@/shared/api'

/** A site as the signed-in person meets it. Example: `const { site, may } = useSite(id)`. */
export function useSite(id: Ref<string>) {
  const {
    data: site,
    error,
    refetch,
  } = useQuery({
    queryKey: ['site', id],
    enabled: computed(() => id.value !== ''),
    queryFn: () => take(api.GET('/sites/{site}', { params: { path: { site: id.value } } })),
  })
  const may = (permission: Site['may'][number]) => site.value?.may.includes(permission) ?? false
  return { site, error, refetch, may }
}

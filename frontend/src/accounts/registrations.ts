import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take } from '@/shared/api'
import { administers } from '@/shared/me'

export const REGISTRATIONS = ['registrations']

/** Those who registered in one's divisions and wait for a yes. */
export function useRegistrations() {
  const { data, error, isPending, refetch } = useQuery({
    queryKey: REGISTRATIONS,
    enabled: administers,
    queryFn: () => take(api.GET('/registrations')),
  })
  return { items: computed(() => data.value?.items ?? []), error, isPending, refetch }
}

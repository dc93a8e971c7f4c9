import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take, type Site } from '@/shared/api'

/** The ways in which the people of a site are divided into groups; of nobody who may not arrange them. */
export function useSplits(site: () => Site, wanted: () => boolean = () => true) {
  return useQuery({
    queryKey: ['splits', computed(() => site().id)],
    enabled: computed(() => wanted() && site().may.includes('arrange-groups')),
    queryFn: async () =>
      (await take(api.GET('/sites/{site}/group-splits', { params: { path: { site: site().id } } }))).items,
  })
}

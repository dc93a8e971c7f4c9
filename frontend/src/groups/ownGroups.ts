import { useQuery } from '@tanstack/vue-query'
import { api, take } from '@/shared/api'
import type { components } from '@/shared/schema'

export type OwnGroups = components['schemas']['OwnGroups']
export type OwnGroup = components['schemas']['OwnGroup']

/** Groups of which one chooses one, or chose; how full they are is looked at now and then. */
export const useOwnGroups = (often = false) =>
  useQuery({
    queryKey: ['own-groups'],
    queryFn: () => take(api.GET('/me/groups')),
    refetchInterval: often ? 15_000 : 60_000,
  })

import { api, take } from '@/shared/api'

/** The people of a site over the term, by state. */
export const daysOf = (site: string) => ({
  queryKey: ['roster', site, 'days'] as const,
  queryFn: () => take(api.GET('/sites/{site}/roster-days', { params: { path: { site } } })),
})

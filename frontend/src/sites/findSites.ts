import { api, take, type SiteSummary } from '@/shared/api'
import { administers } from '@/shared/me'

type Scope = 'run' | 'in' | 'all'

/** Sites that fit what was typed, of those one runs, administers or, where these are meant, too, is in. */
export async function findSites(q: string, besides: Scope[] = []): Promise<SiteSummary[]> {
  const scopes: Scope[] = administers.value ? ['all', 'run'] : ['run', ...besides]
  const pages = await Promise.all(
    scopes.map((scope) => take(api.GET('/sites', { params: { query: { scope, q: q || undefined, limit: 8 } } }))),
  )
  return [...new Map(pages.flatMap((page) => page.items).map((each) => [each.id, each])).values()].slice(0, 8)
}

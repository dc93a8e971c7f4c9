import { useQuery } from '@tanstack/vue-query'
import { api, take } from '@/shared/api'

/** What one is asked for, what one said, and what came of it. */
export const useOwnWishes = () =>
  useQuery({ queryKey: ['wishes'], queryFn: () => take(api.GET('/me/wishes')), refetchInterval: 60_000 })

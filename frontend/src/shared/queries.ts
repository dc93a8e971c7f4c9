import { QueryClient } from '@tanstack/vue-query'

export const queries = new QueryClient({
  defaultOptions: { queries: { retry: false, staleTime: 10_000, refetchOnWindowFocus: true } },
})

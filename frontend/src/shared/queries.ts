import { QueryClient } from '@tanstack/vue-query'

export const queries = new QueryClient({
  defaultOptions: { queries: { retry: false, staleTime: 10_000, refetchOnWindowFocus: true } },
})

/** Fetches anew what is shown of these kinds. */
export async function refresh(...kinds: string[]): Promise<void> {
  await Promise.all(kinds.map((kind) => queries.invalidateQueries({ queryKey: [kind] })))
}

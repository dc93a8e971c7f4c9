import { QueryClient } from '@tanstack/vue-query'

export const queries = new QueryClient({
  // What was answered is replaced as a whole, never changed: nobody watches what is in it.
  defaultOptions: { queries: { retry: false, staleTime: 10_000, refetchOnWindowFocus: true, shallow: true } },
})

/** Fetches anew what is shown of these kinds. */
export async function refresh(...kinds: string[]): Promise<void> {
  await Promise.all(kinds.map((kind) => queries.invalidateQueries({ queryKey: [kind] })))
}

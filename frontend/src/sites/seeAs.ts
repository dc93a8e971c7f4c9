import { useRouter } from 'vue-router'
import type { Site } from '@/shared/api'
import { seenAs } from '@/shared/seenAs'
import { queries } from '@/shared/queries'

/**
 * Looking at a site through other eyes, and coming back to exactly where one was. Example: `const { seeAs, back } =
 * useSeeAs(() => site.id)`.
 */
export function useSeeAs(site: () => string) {
  const router = useRouter()

  /** @param as "role:learner", "section:…" or "person:…" */
  async function seeAs(as: string) {
    seenAs.value = { site: site(), as, back: seenAs.value?.back ?? router.currentRoute.value.fullPath }
    // What they find inside can always be shown; who is here only where they may see it.
    await router.push({ name: 'seen', params: { site: site() } })
    await queries.resetQueries()
    if (queries.getQueryData<Site>(['site', site()])?.may.includes('see-roster'))
      await router.push({ name: 'roster', params: { site: site() } })
  }

  async function back() {
    const to = seenAs.value?.back ?? { name: 'roster', params: { site: site() } }
    // On neutral ground, so that nothing is asked for twice.
    await router.push({ name: 'seen', params: { site: site() } })
    seenAs.value = null
    queries.removeQueries({ type: 'inactive' })
    await router.push(to)
    await queries.resetQueries()
  }

  return { seeAs, back }
}

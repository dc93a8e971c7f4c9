import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take, type FirstSteps } from '@/shared/api'
import { queries } from '@/shared/queries'

export type Step = FirstSteps['steps'][number]['step']
export type StepState = FirstSteps['steps'][number]['state']

/** How far the platform is. Example: `const { steps, open, say } = useFirstSteps()`. */
export function useFirstSteps() {
  const { data, error, refetch } = useQuery({
    queryKey: ['first-steps'],
    queryFn: () => take(api.GET('/first-steps')),
    staleTime: 0,
  })
  const steps = computed(() => data.value?.steps ?? [])
  const open = computed(() => steps.value.filter(({ state }) => state === 'open').map(({ step }) => step))

  async function say(step: Step, state: StepState) {
    const now = await take(api.PUT('/first-steps/{step}', { params: { path: { step } }, body: { state } }))
    queries.setQueryData(['first-steps'], now)
    await queries.invalidateQueries({ queryKey: ['today'] })
  }

  return { steps, open, error, refetch, say }
}

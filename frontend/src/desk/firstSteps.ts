import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take, type FirstSteps } from '@/shared/api'
import { queries } from '@/shared/queries'

export type Step = FirstSteps['steps'][number]['step']
export type StepState = FirstSteps['steps'][number]['state']

/** The next open step after one, going round; undefined where none is open. The same as `core/Platform/FirstSteps`. */
export function stepAfter(steps: FirstSteps['steps'], step: Step): Step | undefined {
  const place = steps.findIndex((each) => each.step === step)
  return [...steps.slice(place + 1), ...steps.slice(0, place)].find(({ state }) => state === 'open')?.step
}

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

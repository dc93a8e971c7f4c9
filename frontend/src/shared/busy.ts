import { ref, type Ref } from 'vue'
import { Problem } from './api'
import { wentWrong } from './undo'
import { t } from './words'

/** Work that a button starts: it is under way until it ends, and what goes wrong is said where everything is. */
export function useBusy(failed: (thrown: unknown) => void = wentWrong): {
  busy: Ref<boolean>
  run: (work: () => Promise<unknown>) => Promise<void>
} {
  const busy = ref(false)
  async function run(work: () => Promise<unknown>) {
    busy.value = true
    try {
      await work()
    } catch (thrown) {
      failed(thrown)
    } finally {
      busy.value = false
    }
  }
  return { busy, run }
}

/** The same, for a form that says itself what is wrong. */
export function useForm(first = ''): ReturnType<typeof useBusy> & { wrong: Ref<string> } {
  const wrong = ref(first)
  const { busy, run } = useBusy(
    (thrown) => (wrong.value = thrown instanceof Problem ? thrown.message : t('trouble.unexpected')),
  )
  return { busy, wrong, run: (work) => ((wrong.value = ''), run(work)) }
}

import { ref, type Ref } from 'vue'
import { wentWrong } from './undo'

/** Work that a button starts: it is under way until it ends, and what goes wrong is said where everything is. */
export function useBusy(): { busy: Ref<boolean>; run: (work: () => Promise<unknown>) => Promise<void> } {
  const busy = ref(false)
  async function run(work: () => Promise<unknown>) {
    busy.value = true
    try {
      await work()
    } catch (thrown) {
      wentWrong(thrown)
    } finally {
      busy.value = false
    }
  }
  return { busy, run }
}

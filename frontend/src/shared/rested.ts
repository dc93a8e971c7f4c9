import { refDebounced } from '@vueuse/core'
import { computed } from 'vue'

/**
 * What is being written, once it has rested for so many milliseconds: then it is asked about. It is compared by what it
 * says in JSON. Example: `const { key, value, isNow } = useRested(() => [name.value], 200)`.
 *
 * @returns what has rested, as a text by which answers are kept, and as a value; and whether it is what is written now:
 *   until then no answer is about it, and nothing is put in force
 */
export function useRested<T>(written: () => T, rest: number) {
  const now = computed(() => JSON.stringify(written()))
  const key = refDebounced(now, rest)
  return {
    key,
    value: computed(() => JSON.parse(key.value) as T),
    isNow: computed(() => key.value === now.value),
  }
}

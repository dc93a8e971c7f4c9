import { computed, ref, type Ref } from 'vue'
import type { LineRequest } from '@/shared/api'

interface Line {
  person: { id: string; name: string }
  reasons: { code: string }[]
  cautions: { code: string }[]
}
/** Of whom it is meant, and why, as it is kept with a list that is worked on. */
export interface KeptClashes {
  clashing?: string[]
  clashWhy?: string
}

/** Whether a line is about somebody who would be in two places at once, asked about or meant by now. */
export const isClash = (line: Line) => [...line.reasons, ...line.cautions].some(({ code }) => code === 'clash')

/**
 * For whom being wanted in two places at once is meant, and why. It counts once there is a reason: the server keeps it
 * for whoever finds them there later.
 *
 * @param kept where it is kept; by itself where nothing is
 */
export function useClashes<K extends KeptClashes>(kept: Ref<K> = ref({}) as Ref<K>) {
  const meant = computed<ReadonlySet<string>>(() => new Set(kept.value.clashing))
  const why = computed({
    get: () => kept.value.clashWhy ?? '',
    set: (clashWhy) => (kept.value = { ...kept.value, clashWhy }),
  })
  function mean(people: readonly string[], on: boolean) {
    const all = new Set(kept.value.clashing)
    for (const person of people) {
      if (on) all.add(person)
      else all.delete(person)
    }
    kept.value = { ...kept.value, clashing: [...all] }
  }
  const forget = () => (kept.value = { ...kept.value, clashing: [], clashWhy: '' })
  /** Of whom it is said, with a reason. */
  const said = computed<ReadonlySet<string>>(() => (why.value.trim() ? meant.value : new Set()))
  /** A line as it is asked for, with what is meant about it. */
  const asMeant = <T extends LineRequest>(line: T): T =>
    said.value.has(line.person) ? { ...line, clash: true, note: why.value.trim() } : line
  return { meant, mean, why, said, forget, asMeant }
}

export type Clashes = ReturnType<typeof useClashes>

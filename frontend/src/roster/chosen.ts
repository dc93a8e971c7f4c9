import { reactive, ref, type Ref } from 'vue'
import type { RosterRow } from '@/shared/api'

/**
 * People chosen in a roster, by id: one by one, in runs, or all that are shown. Example: `const { chosen, choose } =
 * useChosen(rows, all, may)`.
 */
export function useChosen(rows: Ref<RosterRow[]>, all: () => Promise<RosterRow[]>, may: Ref<boolean>) {
  const chosen = reactive(new Set<string>())
  /** Where a run begins: the row that was chosen last. */
  const anchor = ref(0)

  /** Chooses a row, or takes it back; with `run` everybody from the last one to this. */
  function choose(index: number, run: boolean) {
    const id = rows.value[index]?.person.id
    if (!id || !may.value) return
    const on = run || !chosen.has(id)
    const [first, last] = run ? [Math.min(anchor.value, index), Math.max(anchor.value, index)] : [index, index]
    for (const row of rows.value.slice(first, last + 1)) {
      if (on) chosen.add(row.person.id)
      else chosen.delete(row.person.id)
    }
    anchor.value = index
  }

  async function chooseAll() {
    for (const row of await all()) chosen.add(row.person.id)
  }

  const forget = () => chosen.clear()
  return { chosen, choose, chooseAll, forget }
}

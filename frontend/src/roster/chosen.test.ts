import { ref } from 'vue'
import { expect, it } from 'vitest'
import type { RosterRow } from '@/shared/api'
import { useChosen } from './chosen'

const rows = ref(['a', 'b', 'c', 'd', 'e'].map((id) => ({ person: { id } }) as RosterRow))
const more = [...rows.value, { person: { id: 'f' } } as RosterRow]
const start = (may = true) => {
  const used = useChosen(rows, async () => more, ref(may))
  return { ...used, now: () => [...used.chosen].sort().join('') }
}

it('chooses one by one, and takes one back', () => {
  const { choose, now } = start()
  choose(1, false)
  choose(3, false)
  expect(now()).toBe('bd')
  choose(1, false)
  expect(now()).toBe('d')
})

it('chooses a run from the last one, in either direction', () => {
  const { choose, now } = start()
  choose(3, false)
  choose(1, true)
  expect(now()).toBe('bcd')
  choose(2, true)
  expect(now()).toBe('bcd')
  choose(9, true)
  expect(now()).toBe('bcd')
})

it('chooses all that are shown, also those not fetched yet, and forgets them', async () => {
  const { chooseAll, forget, now } = start()
  await chooseAll()
  expect(now()).toBe('abcdef')
  forget()
  expect(now()).toBe('')
})

it('chooses nobody for those who may change nobody', () => {
  const { choose, now } = start(false)
  choose(1, false)
  expect(now()).toBe('')
})

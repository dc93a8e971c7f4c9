import { effectScope, nextTick, ref, shallowRef, watch } from 'vue'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { useSlices } from './slices'

const named = (count: number, by = '') => Array.from({ length: count }, (_, n) => ({ name: by + n }))
const scope = effectScope()
const slices = (...given: Parameters<typeof useSlices<{ name: string }>>) => scope.run(() => useSlices(...given))!

beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }))
afterEach(() => void vi.useRealTimers())

it.each([0, 1, 2, 3, 4, 17, 100])('in the end all %i rows are drawn, a few at a time and each once', async (count) => {
  const rows = named(count)
  const { some } = slices(rows)
  const array = some.value
  const steps: number[] = []
  watch(array, () => steps.push(array.length), { flush: 'sync' })
  expect(array).toEqual([])
  await vi.runAllTimersAsync()
  expect(some.value).toBe(array)
  expect(array).toEqual(rows)
  expect(steps).toEqual(rows.map((_row, index) => index + 1))
})

it('breathes between the steps', async () => {
  const { some } = slices(named(9))
  const seen: number[] = []
  while (some.value.length < 9) {
    await vi.advanceTimersToNextTimerAsync()
    seen.push(some.value.length)
  }
  const steps = seen.map((count, at) => count - (seen[at - 1] ?? 0))
  expect(steps.length).toBeGreaterThan(3)
  expect(Math.max(...steps)).toBe(1)
})

it('other rows take the places of those there were, and what stays is not touched', async () => {
  const before = named(12)
  const rows = shallowRef(before)
  const { some } = slices(rows)
  await vi.runAllTimersAsync()
  const touched: number[] = []
  before.forEach((_row, at) =>
    watch(
      () => some.value[at],
      () => touched.push(at),
      { flush: 'sync' },
    ),
  )
  const after = before.map((row, at) => (at === 5 ? { name: 'other' } : row))
  rows.value = after
  await nextTick()
  expect([...some.value]).toEqual(after)
  expect(touched).toEqual([5])
  rows.value = named(2, 'few')
  await nextTick()
  expect([...some.value]).toEqual(rows.value)
})

it('rows that come later are added to those that are there', async () => {
  const rows = shallowRef(named(5))
  const { some } = slices(rows)
  await vi.runAllTimersAsync()
  rows.value = named(40)
  await nextTick()
  expect(some.value).toHaveLength(5)
  await vi.runAllTimersAsync()
  expect([...some.value]).toEqual(rows.value)
})

it('up to one that is asked for they are drawn at once', async () => {
  const { some, upTo } = slices(named(50))
  upTo(30)
  expect(some.value).toHaveLength(31)
  upTo(3)
  expect(some.value).toHaveLength(31)
  upTo(80)
  expect(some.value).toHaveLength(50)
})

it('who compares arrays gets a new one with each step, and all rows as they are in the end', async () => {
  const rows = shallowRef(named(7))
  const anew = ref(true)
  const { some } = slices(rows, anew)
  const first = some.value
  await vi.advanceTimersToNextTimerAsync()
  expect(some.value).not.toBe(first)
  await vi.runAllTimersAsync()
  expect(some.value).toBe(rows.value)
  anew.value = false
  await nextTick()
  await vi.runAllTimersAsync()
  expect(some.value).not.toBe(rows.value)
  expect([...some.value]).toEqual(rows.value)
})

it('of ten thousand rows, those beyond a screen come in one go where only those in view are drawn', async () => {
  const { some } = slices(named(10_000), true)
  const seen: number[] = []
  while (some.value.length < 10_000) {
    await vi.advanceTimersToNextTimerAsync()
    seen.push(some.value.length)
  }
  expect(seen).toEqual([...Array.from({ length: 40 }, (_, n) => n + 1), 10_000])
})

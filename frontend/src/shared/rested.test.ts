import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { effectScope, ref } from 'vue'
import { useRested } from './rested'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

it('is asked about once it has rested, and until then no answer is about what is written now', async () => {
  const written = ref<{ name: string } | null>(null)
  const scope = effectScope()
  const { key, value, isNow } = scope.run(() => useRested(() => written.value, 200))!
  expect([key.value, value.value, isNow.value]).toEqual(['null', null, true])
  written.value = { name: 'a' }
  expect([value.value, isNow.value]).toEqual([null, false])
  await vi.advanceTimersByTimeAsync(150)
  written.value.name = 'ab'
  await vi.advanceTimersByTimeAsync(150)
  expect([value.value, isNow.value]).toEqual([null, false])
  await vi.advanceTimersByTimeAsync(50)
  expect([key.value, value.value, isNow.value]).toEqual(['{"name":"ab"}', { name: 'ab' }, true])
  // What says the same is not asked about again.
  written.value = { name: 'ab' }
  expect(isNow.value).toBe(true)
  scope.stop()
})

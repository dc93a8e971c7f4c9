import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { show } from '@/testing/server'
import FindBox from './FindBox.vue'

beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }))
afterEach(() => void vi.useRealTimers())

it('lets no late answer to the beginning take the keys that wait', async () => {
  const answers = new Map<string, (found: string[]) => void>()
  const find = (query: string) => new Promise<string[]>((answer) => answers.set(query, answer))
  const called = (found: string) => found
  const { page } = show(FindBox<string>, { props: { label: 'Site', none: 'None', find, called } })
  const [box, input] = [page.findComponent(FindBox), page.find('input')]
  await input.trigger('focus')
  await input.setValue('ch')
  await vi.advanceTimersByTimeAsync(200)
  await input.setValue('cho')
  for (const key of ['ArrowDown', 'Enter']) await input.trigger('keydown', { key, code: key })
  answers.get('ch')!(['Chamber', 'Choral'])
  await flushPromises()
  expect(box.emitted('pick')).toBeUndefined()
  await vi.advanceTimersByTimeAsync(200)
  answers.get('cho')!(['Choral'])
  await flushPromises()
  expect(box.emitted('pick')).toEqual([['Choral']])
})

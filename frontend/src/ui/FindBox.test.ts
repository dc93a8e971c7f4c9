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

it('says that nothing was found once it was looked for, not before and not after something was picked', async () => {
  const find = (query: string) => Promise.resolve(query === 'cho' ? ['Choral'] : [])
  const called = (found: string) => found
  const { page } = show(FindBox<string>, { props: { label: 'Site', none: 'None', find, called } })
  const input = page.find('input')
  const write = async (text: string) => {
    await input.setValue(text)
    await vi.advanceTimersByTimeAsync(200)
    await flushPromises()
    return page.find('[role=status]').text()
  }
  expect(page.find('[role=status]').text()).toBe('')
  await input.trigger('focus')
  expect(await write('zz')).toBe('None')
  expect(await write('zzz')).toBe('None')
  expect(await write('z')).toBe('')
  expect(await write('cho')).not.toBe('None')
  for (const key of ['ArrowDown', 'Enter']) await input.trigger('keydown', { key, code: key })
  await vi.advanceTimersByTimeAsync(200)
  expect(page.findComponent(FindBox).emitted('pick')).toEqual([['Choral']])
  expect(page.find('[role=status]').text()).toBe('')
})

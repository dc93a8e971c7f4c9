import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { Problem, type PersonDetail } from '@/shared/api'
import { t } from '@/shared/words'
import DetailFields from './DetailFields.vue'

const detail = (code: string, more: Partial<PersonDetail> = {}): PersonDetail => ({
  code,
  name: code.toUpperCase(),
  type: 'text',
  choices: [],
  value: '',
  mayChange: true,
  ...more,
})
const shown = (details: PersonDetail[], put = vi.fn().mockResolvedValue({})) => ({
  put,
  page: mount(DetailFields, { props: { details, put, did: 'kept' }, attachTo: document.body }),
})
const press = async (page: ReturnType<typeof shown>['page'], name: string) => {
  await page
    .findAll('button')
    .find((button) => button.text() === name)!
    .trigger('click')
  await flushPromises()
}

describe('details of somebody', () => {
  it('are read, and those that say nothing are left out', () => {
    const { page } = shown([
      detail('plays', { value: 'Viola', mayChange: false }),
      detail('mark', { type: 'number', value: '12.5', mayChange: false }),
      detail('wish', { mayChange: false }),
    ])
    expect(page.findAll('dt').map((each) => each.text())).toEqual(['PLAYS', 'MARK'])
    expect(page.findAll('dd')[1]!.text()).toMatch(/^12\D5$/)
    expect(page.find('button').exists()).toBe(false)
  })

  it('are kept as far as they were changed', async () => {
    const { page, put } = shown([detail('plays', { value: 'Viola' }), detail('wish')])
    await press(page, t('details.change'))
    await page.find('#detail-wish').setValue('a window')
    await page.find('form').trigger('submit')
    await flushPromises()
    expect(put.mock.calls).toEqual([[{ wish: 'a window' }]])
    expect(page.find('form').exists()).toBe(false)
  })

  it('stay as typed where they are not understood, with what is wrong beside them', async () => {
    const wrong = new Problem({
      type: 'urn:mint-door:problem:invalid',
      title: '',
      status: 422,
      detail: '',
      errors: [{ pointer: '/values/mark', code: 'not-a-number', detail: 'Write a number.' }],
    })
    const { page } = shown([detail('mark', { type: 'number' })], vi.fn().mockRejectedValue(wrong))
    await press(page, t('details.change'))
    await page.find('#detail-mark').setValue('many')
    await page.find('form').trigger('submit')
    await flushPromises()
    expect(page.find('[role=alert]').text()).toBe('Write a number.')
    expect((page.find('#detail-mark').element as HTMLInputElement).value).toBe('many')
  })
})

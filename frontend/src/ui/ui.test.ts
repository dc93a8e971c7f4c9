import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Reason, RoleOption } from '@/shared/api'
import { queries } from '@/shared/queries'
import RoleChoice from '@/roster/RoleChoice.vue'
import ReasonLine from './ReasonLine.vue'
import SeatMeter from './SeatMeter.vue'

queries.setQueryData(['platform'], {
  now: '2026-11-24T09:00:00Z',
  roles: [
    ['lead-tutor', 'Lead tutor'],
    ['learner', 'Learner'],
    ['co-tutor', 'Co-tutor'],
  ].map(([code, name]) => ({ code, name })),
})
const global = { plugins: [[VueQueryPlugin, { queryClient: queries }] as [typeof VueQueryPlugin, object]] }

describe('the reason line', () => {
  const cause = (code: string, more: object = {}) => ({
    code,
    values: {},
    change: 'bring-back',
    mine: false,
    givers: ['lead-tutor'],
    ...more,
  })
  const line = (who: 'staff' | 'you', causes: object[]) =>
    mount(ReasonLine, {
      global,
      props: { reason: { entry: 'no', causes } as unknown as Reason, zone: 'UTC', who },
    }).text()

  it('says first what decides, then what else stands in the way, and who could change it', () => {
    const said = line('staff', [cause('removed', { values: { at: '2026-11-01T09:00:00Z' } }), cause('draft')])
    expect(said).toContain('Cannot enter: removed on 1 Nov.')
    expect(said).toContain('Also: Cannot enter yet: the site is a draft.')
    expect(said).toContain('Can be done by: lead tutor, an administrator.')
  })

  it('names nobody where one may do it oneself, and tells the person nothing of it', () => {
    expect(line('staff', [cause('removed', { mine: true })])).not.toContain('Can be done by')
    expect(line('you', [cause('removed')])).not.toContain('Bringing')
  })
})

describe('the choice of a role', () => {
  const option = (role: string, code: string): RoleOption =>
    ({
      role,
      allowed: code === 'fits',
      code,
      values: code === 'wrong-kind' ? { kind: 'learner' } : {},
      givers: ['lead-tutor'],
      also: code === 'fits' ? ['see-marks'] : [],
      not: [],
    }) as RoleOption
  const choice = (options: RoleOption[], present?: string) =>
    mount(RoleChoice, { global, props: { options, zone: 'UTC', present } })

  it('offers what one may give, but not the role held already, and gathers the rest by reason', async () => {
    const wrapper = choice([
      option('learner', 'fits'),
      option('co-tutor', 'wrong-kind'),
      option('lead-tutor', 'wrong-kind'),
    ])
    expect(wrapper.findAll('.not li').map((each) => each.text())).toEqual([
      'Co-tutor, Lead tutor: Not for this kind of person (learner).',
    ])
    expect(wrapper.text()).toContain('would also: see marks')
    await wrapper.find('button').trigger('click')
    expect(wrapper.emitted('choose')).toEqual([['learner']])
    expect(
      choice([option('learner', 'fits')], 'learner')
        .find('button')
        .exists(),
    ).toBe(false)
  })
})

it.each([
  [24, 24, '24 of 24', true],
  [3, 24, '3 of 24', false],
  [881, null, '881', false],
])('shows %s people in %s seats', (held, seats, said, full) => {
  const text = mount(SeatMeter, { global, props: { held, seats } }).text()
  expect(text).toContain(said)
  expect(text.includes('full')).toBe(full)
})

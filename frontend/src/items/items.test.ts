import { flushPromises } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Items, Site, Visibility } from '@/shared/api'
import { lastDone } from '@/shared/undo'
import { person, platform, serve, show, site } from '@/testing/server'
import ItemsPage from './ItemsPage.vue'
import { draftOf, sentenceFrom, sentenceOf } from './visibility'

const [MORNING, EVENING] = ['00000000-0000-7000-8000-00000000000a', '00000000-0000-7000-8000-00000000000b']
const divided: Site = {
  ...site,
  sections: [
    { id: MORNING, name: 'Morning', retired: false },
    { id: EVENING, name: 'Evening', retired: true },
  ],
  may: [...site.may, 'make-items', 'show-items'],
}
const RED = '00000000-0000-7000-8000-0000000000c1'
const reading = {
  groupName: (id: string) => (id === RED ? 'Red' : undefined),
  site: divided,
  roleName: (code: string | null | undefined) => `The ${code ?? ''}`,
}
const mornings = { kind: 'sections' as const, names: [MORNING] }

describe('a sentence that says who sees something', () => {
  it.each([
    [{ kind: 'everybody' }, 'everybody'],
    [mornings, 'in section Morning'],
    [{ kind: 'sections', names: [MORNING, EVENING] }, 'in one of Morning, Evening'],
    [{ kind: 'sections', names: ['gone'] }, 'in section (not there any more)'],
    [{ kind: 'groups', names: [RED] }, 'in group Red'],
    [{ kind: 'groups', names: [RED, 'gone'] }, 'in one of the groups Red, (not there any more)'],
    [{ kind: 'roles', names: ['learner'] }, 'role the learner'],
    [{ kind: 'labels', names: ['strings'] }, 'labelled strings'],
    [{ kind: 'dates', from: '2026-12-01', until: null }, /^from (1 Dec|Dec 1)$/],
    [{ kind: 'dates', from: null, until: '2026-12-01' }, /^until (1 Dec|Dec 1)$/],
    [
      {
        kind: 'all',
        parts: [
          mornings,
          {
            kind: 'any',
            parts: [
              { kind: 'labels', names: ['a'] },
              { kind: 'labels', names: ['b'] },
            ],
          },
        ],
      },
      'in section Morning and (labelled a or labelled b)',
    ],
  ] as [Visibility, string | RegExp][])('reads %o', (visibility, said) => {
    expect(sentenceOf(visibility, reading)).toMatch(
      said instanceof RegExp ? said : new RegExp(`^${said.replace(/[()]/g, '\\$&')}$`),
    )
  })

  it('is written in the form and read back the same, as deep as the form goes', () => {
    const both: Visibility = { kind: 'any', parts: [mornings, { kind: 'dates', from: '2026-12-01', until: null }] }
    for (const each of [{ kind: 'everybody' } as Visibility, mornings, both])
      expect(sentenceFrom(draftOf(each)!)).toEqual(each)
    expect(draftOf({ kind: 'all', parts: [{ kind: 'any', parts: [{ kind: 'everybody' }] }] })).toBeUndefined()
    expect(
      sentenceFrom({ join: 'all', conditions: [{ kind: 'labels', names: [], from: '', until: '' }] }),
    ).toBeUndefined()
  })
})

const item = (id: string, title: string, more: object = {}) => ({
  id,
  kind: 'meeting' as const,
  title,
  unit: null,
  names: [],
  visibility: { kind: 'everybody' as const },
  named: null,
  sees: 3,
  ...more,
})
const items: Items = {
  at: '2026-11-24T09:00:00Z',
  people: 3,
  items: [
    item('list', 'All meetings', { names: ['late'] }),
    item('late', 'Evening meeting', { sees: 1, visibility: mornings }),
  ],
  named: [],
  groups: [],
  leaks: [{ code: 'names-hidden', item: 'list', other: 'late', section: null, people: 2, at: '2026-11-24T09:00:00Z' }],
  version: 4,
  may: true,
  entry: null,
}
type Wanted = { items: string[]; apply: boolean; visibility: Visibility }
const lines = (_request: Request, { items: ids, apply, visibility }: Wanted) => ({
  lines: ids.map((id) => ({
    id,
    title: id,
    verdict: visibility.kind === 'everybody' ? 'nothing-to-do' : 'ready',
    before: { kind: 'everybody' },
    sees: 3,
    will: 1,
  })),
  entry: apply ? 8 : null,
})
beforeEach(() => vi.useFakeTimers())
const settled = async () => {
  for (let n = 0; n < 4; n++) {
    await vi.advanceTimersByTimeAsync(300)
    await vi.dynamicImportSettled()
    await flushPromises()
  }
}
async function opened(answer: Items = items, own: Site = divided) {
  const asked = serve({
    'GET /platform': platform,
    [`GET /sites/${site.id}/items`]: answer,
    [`PUT /sites/${site.id}/items`]: lines,
    [`GET /sites/${site.id}/labels`]: { items: [], free: true },
    [`GET /sites/${site.id}/items/late/people`]: {
      sees: [{ id: person('Ada', 'Berg').id, name: 'Berg, Ada' }],
      not: [],
      more: false,
    },
  })
  const { page } = show(ItemsPage, { props: { site: own } })
  await settled()
  return { page, asked }
}
const button = (page: Awaited<ReturnType<typeof opened>>['page'], text: string) =>
  page.findAll('button').find((each) => each.text() === text)!

describe('the items of a site', () => {
  it('say who sees them and how many, and what is hardly meant', async () => {
    const { page } = await opened()
    expect(page.text()).toContain('2 items, 3 people can enter')
    expect(page.text()).toContain('1 of 3')
    expect(page.get('.leaks').text()).toContain(
      '“All meetings” names “Evening meeting”: 2 people see the one and not the other.',
    )
  })

  it('are shown to others from where a leak is said, as one change that is undone', async () => {
    const { page, asked } = await opened()
    await button(page, 'Say who sees “All meetings”').trigger('click')
    await settled()
    expect(page.get('.said').text()).toBe('everybody')
    expect(page.text()).toContain('That is so already.')
    const vm = page
      .findAllComponents({ name: 'PickOne' })
      .find((each) => each.props('placeholder') === 'only those who are…')!
    vm.vm.$emit('update:modelValue', 'sections')
    await settled()
    page.findComponent({ name: 'MultiSelect' }).vm.$emit('update:modelValue', [MORNING])
    await settled()
    expect(page.get('.said').text()).toBe('in section Morning')
    expect(page.text()).toContain('So far 3 see it, then 1.')
    await page.get('form').trigger('submit')
    await settled()
    const made = asked.filter(({ body }) => (body as Wanted | undefined)?.apply).map(({ body }) => body)
    expect(made).toEqual([{ items: ['list'], apply: true, visibility: mornings }])
    expect(lastDone).toMatchObject({ sentence: 'Who sees “list” is changed.', entry: 8 })
  })

  it('are shown to a group, with a word where people choose it by themselves', async () => {
    const groups = [{ id: RED, name: 'Red', split: 'Teams', chosen: true }]
    const { page } = await opened({ ...items, groups })
    await button(page, 'Say who sees “All meetings”').trigger('click')
    await settled()
    page
      .findAllComponents({ name: 'PickOne' })
      .find((each) => each.props('placeholder') === 'only those who are…')!
      .vm.$emit('update:modelValue', 'groups')
    await settled()
    const field = page.findComponent({ name: 'MultiSelect' })
    expect(field.props('options')).toEqual([{ value: RED, label: 'Red (Teams)' }])
    field.vm.$emit('update:modelValue', [RED])
    await settled()
    expect(page.get('.said').text()).toBe('in group Red')
    expect(page.text()).toContain('People choose these groups by themselves')
  })

  it('name who sees one', async () => {
    const { page } = await opened()
    await page.findAll('tbody tr')[1]!.trigger('click')
    await settled()
    expect(page.text()).toContain('1 person sees it')
    expect(page.text()).toContain('Berg, Ada')
  })

  it('are for others what they see, and nothing else', async () => {
    const { page } = await opened(
      { ...items, people: null, may: false, leaks: [], items: [item('list', 'All meetings')] },
      {
        ...divided,
        may: ['see-roster'],
      },
    )
    expect(page.text()).toContain('What you see here')
    expect(page.text()).not.toContain('Who sees it')
    expect(page.find('.leaks').exists()).toBe(false)
  })
})

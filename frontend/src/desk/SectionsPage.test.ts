import { flushPromises } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { RosterRow, Site } from '@/shared/api'
import { keptMoves } from '@/roster/board'
import { lastDone } from '@/shared/undo'
import { person, platform, problem, serve, show, site, standing } from '@/testing/server'
import SectionsPage from './SectionsPage.vue'

const [MORNING, EVENING] = ['00000000-0000-7000-8000-00000000000a', '00000000-0000-7000-8000-00000000000b']
const divided = (more: Partial<Site> = {}): Site => ({
  ...site,
  sections: [
    { id: MORNING, name: 'Morning', retired: false },
    { id: EVENING, name: 'Evening', retired: false },
  ],
  may: [...site.may, 'arrange-sections'],
  ...more,
})
const [ada, bo, cy] = [person('Ada', 'Berg'), person('Bo', 'Ruiz'), person('Cy', 'Ørsted')]
const row = (who: ReturnType<typeof person>, sections: string[]): RosterRow => ({
  person: who,
  standing: standing({ sections }),
  entry: 'enter',
  because: 'let-in',
  listed: true,
  lastSeen: null,
  work: null,
  labels: [],
  groups: [],
  details: {},
  version: 2,
})
const section = (id: string, name: string, more: object = {}) => ({
  id,
  name,
  seats: null,
  from: null,
  until: null,
  meets: '',
  retired: false,
  learners: 1,
  people: 1,
  leads: [],
  ...more,
})
const sections = {
  apart: false,
  several: false,
  none: 1,
  sections: [section(MORNING, 'Morning', { seats: 2 }), section(EVENING, 'Evening')],
  version: 4,
  entry: null,
}
type Lines = { apply: boolean; lines: { person: string; sections: string[] }[] }
/** Evening is full for Bo. */
const list = (_request: Request, { lines }: Lines) => ({
  changeList: { id: 'list' },
  removal: null,
  lines: lines.map((line) => ({
    person: { id: line.person, name: 'x' },
    told: null,
    verdict: line.person === bo.id && line.sections.includes(EVENING) ? 'waits-for-seat' : 'ready',
    before: null,
    after: standing({ sections: line.sections }),
    outlook: [],
    reasons: line.person === bo.id ? [{ code: 'section-full', values: { section: 'Evening', seats: 2 } }] : [],
    cautions: [],
    entry: 9,
  })),
})
beforeEach(() => {
  vi.useFakeTimers()
  keptMoves.clear()
})
const settled = async () => {
  for (let n = 0; n < 4; n++) {
    await vi.advanceTimersByTimeAsync(300)
    await flushPromises()
  }
}

async function opened(own: Site = divided(), more: Parameters<typeof serve>[0] = {}) {
  const asked = serve({
    'GET /platform': platform,
    [`GET /sites/${site.id}/roster`]: {
      items: [row(ada, [MORNING]), row(bo, []), row(cy, [])],
      next: null,
      counts: { learners: 3, staff: 0, others: 0, unlisted: 0, shown: 3 },
    },
    [`GET /sites/${site.id}/sections`]: sections,
    [`POST /sites/${site.id}/change-lists`]: list,
    ...more,
  })
  const { page } = show(SectionsPage, { props: { site: own } })
  await settled()
  return { page, asked }
}
type Page = Awaited<ReturnType<typeof opened>>['page']
const columns = (page: Page) =>
  page.findAll('.column').map((each) => [each.get('h2').text(), ...each.findAll('.one .name').map((one) => one.text())])
const press = async (page: Page, column: number, ...keys: string[]) => {
  const box = page.findAll('[role=listbox]')[column]!
  await box.trigger('focus')
  for (const key of keys) await box.trigger('keydown', { key, code: key === ' ' ? 'Space' : key })
  await settled()
}
const button = (page: Page, text: string) => page.findAll('button').find((each) => each.text() === text)!

describe('the board of sections', () => {
  it('shows who is in none first, then each section', async () => {
    const { page } = await opened()
    expect(columns(page)).toEqual([
      ['0 In no section', 'Ruiz, Bo', 'Ørsted, Cy'],
      ['1 Morning', 'Berg, Ada'],
      ['2 Evening'],
    ])
  })

  it('puts people elsewhere with the number of a column, and makes the moves as one list', async () => {
    const { page, asked } = await opened()
    await press(page, 0, 'End', ' ', '1')
    await press(page, 1, 'Home', '2')
    expect(columns(page).map((each) => each.length - 1)).toEqual([1, 1, 1])
    expect(page.get('.sum').text()).toContain('2 moves, not made yet.')
    await button(page, 'Make 2 moves').trigger('click')
    await settled()
    const made = asked.filter(({ body }) => (body as Lines | undefined)?.apply).map(({ body }) => (body as Lines).lines)
    expect(made).toEqual([
      [
        { person: cy.id, verb: 'change-sections', sections: [MORNING], version: 2 },
        { person: ada.id, verb: 'change-sections', sections: [EVENING], version: 2 },
      ],
    ])
    expect(lastDone.sentence).toBe('2 people are in another section.')
  })

  it('says beside a move what stands in its way, and puts it back', async () => {
    const { page } = await opened()
    await press(page, 0, 'Home', '2')
    expect(page.get('.sum').text()).toContain('Bo Ruiz: All 2 seats of Evening are held.')
    await button(page, 'Put back').trigger('click')
    await settled()
    expect(page.find('.sum').exists()).toBe(false)
  })

  it('finds somebody by a part of a name without its accents, and by their number', async () => {
    const { page } = await opened()
    const field = page.findAll('.add input')[0]!
    ;(field.element as HTMLInputElement).value = 'orst'
    await field.trigger('input')
    await settled()
    // Ø is a letter of its own.
    expect(document.querySelectorAll('.p-autocomplete-option')).toHaveLength(0)
    ;(field.element as HTMLInputElement).value = 'rui'
    await field.trigger('input')
    await settled()
    const found = document.querySelectorAll<HTMLElement>('.p-autocomplete-option')
    expect([...found].map((each) => each.textContent)).toEqual(['Ruiz, Bo'])
    found[0]!.click()
    await settled()
    expect(columns(page)[1]).toEqual(['1 Morning', 'Berg, Ada', 'Ruiz, Bo'])
  })

  it('keeps staff and people of several sections where they are besides', async () => {
    const { page, asked } = await opened(divided({ several: true }))
    await press(page, 1, 'Home', ' ')
    await page
      .findAll('.picked button')
      .find((each) => each.text() === 'Evening')!
      .trigger('click')
    await settled()
    const { lines } = asked.findLast(({ call }) => call.startsWith('POST'))!.body as Lines
    expect(lines.find(({ person: id }) => id === ada.id)!.sections).toEqual([EVENING])
  })

  it('only shows them to who may not arrange', async () => {
    const { page } = await opened(divided({ may: site.may, seesAll: false }))
    expect(page.text()).toContain('you see the people of your sections')
    expect(page.find('.add').exists()).toBe(false)
    expect(button(page, 'Change the sections')).toBeUndefined()
  })

  it('makes sections, and says what is wrong at its field', async () => {
    const { page, asked } = await opened(divided({ sections: [] }), {
      [`GET /sites/${site.id}/sections`]: { ...sections, sections: [] },
      [`PUT /sites/${site.id}/sections`]: () =>
        problem('invalid', 422, 'Wrong.', {
          errors: [{ pointer: '/sections/0/name', code: 'taken', detail: 'Another section has this name.' }],
        }),
    })
    expect(page.text()).toContain('This site has no sections.')
    await button(page, 'Make sections').trigger('click')
    await vi.dynamicImportSettled()
    await settled()
    await page.get('fieldset input').setValue('Morning')
    await page.get('form').trigger('submit')
    await settled()
    expect(page.get('[role=alert]').text()).toBe('Another section has this name.')
    expect(asked.findLast(({ call }) => call.startsWith('PUT'))!.body).toMatchObject({
      apart: false,
      sections: [{ id: null, name: 'Morning', seats: null, from: null }],
    })
  })
})

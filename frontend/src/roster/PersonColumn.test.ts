import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { PersonCard } from '@/app/api'
import { lastDone } from '@/app/undo'
import { candidate, person, problem, serve, show, site, standing } from '@/testing/server'
import PersonColumn from './PersonColumn.vue'

const bea = person('Beatriz', 'da Luz')
const line = (more: object = {}) => ({ verdict: 'ready', before: standing(), after: null, reasons: [], cautions: [{ code: 'work-stays', values: {} }], ...more }) as unknown as PersonCard['takeOut']
const card = (more: Partial<PersonCard> = {}): PersonCard => ({
  person: bea, standing: standing(), lastSeen: '2026-11-20T09:00:00Z', version: 3, band: 'Senior rules',
  reason: { entry: 'enter', causes: [{ code: 'let-in', values: { role: 'learner', until: '2026-12-18T23:00:00Z' }, change: 'none', mine: false, givers: [] }] },
  waysIn: [{ id: bea.id, door: { kind: 'cohort', name: 'Level 7 strings' }, role: 'learner', phase: 'in-force', section: 'Morning', from: null, until: '2026-12-19T00:00:00Z', givenAt: '2026-09-06T10:00:00Z', givenBy: null }],
  roleByHand: null, options: candidate(bea).options, takeOut: line(), bringBack: null, ...more
})

async function shown(more: Partial<PersonCard> = {}, sheets: object = {}) {
  const asked = serve({ [`GET /sites/${site.id}/roster/${bea.id}`]: card(more), [`POST /sites/${site.id}/sheets`]: sheets })
  const { page } = show(PersonColumn, { props: { site, person: bea.id } })
  await flushPromises()
  const press = async (label: string) => {
    await page.findAll('button').find((each) => each.text() === label)!.trigger('click')
    await flushPromises()
  }
  return { page, press, asked }
}

it('says who they are, whether they can enter and why, and by which ways', async () => {
  const { page } = await shown()
  const said = page.text().replace(/\s+/g, ' ')
  expect(said).toContain('Beatriz da Luz')
  expect(said).toContain('Learner · senior rules')
  expect(said).toContain('Current · here since 6 Sept · last seen 20 Nov')
  expect(said).toContain('Can enter as learner until 18 Dec.')
  expect(said).toMatch(/One way in\s*Cohort \(Level 7 strings\): learner, in force, until 18 Dec, section Morning/)
})

it('says what taking out does before it is done, and sends the version that was looked at', async () => {
  const { page, press, asked } = await shown({}, { lines: [{ ...line(), entry: 5, line: null, version: 4 }] })
  await press('Take out')
  expect(page.text()).toContain('They lose entry at once. Their work, section and groups stay')
  await press('Take Beatriz da Luz out')
  expect(asked.find(({ call }) => call.endsWith('/sheets'))?.body).toEqual({ apply: true, lines: [{ verb: 'take-out', version: 3, person: bea.id }] })
  expect(lastDone.sentence).toBe('Beatriz da Luz is taken out.')
})

it('offers no way to take out whom the rules hold, and says why', async () => {
  const { page, press } = await shown({ takeOut: line({ verdict: 'refused', reasons: [{ code: 'last-lead', values: {} }], cautions: [] }) })
  await press('Take out')
  expect(page.text()).toContain('An open site needs a lead.')
  expect(page.text()).not.toContain('Take Beatriz da Luz out')
})

it('brings back with the role of before', async () => {
  const { page } = await shown({ standing: standing({ state: 'taken-out' }), takeOut: null, bringBack: line({ after: standing(), cautions: [] }) })
  expect(page.text()).toContain('Bring back as learner')
  expect(page.text()).not.toContain('Change role')
})

it('tells whoever is second that somebody was quicker', async () => {
  const { press } = await shown({}, () => problem('stale', 412, 'Somebody else changed this person here in the meantime. Look at what is so now, then decide again.'))
  await press('Change role')
  await press('Day guest')
  expect([lastDone.wrong, lastDone.sentence]).toEqual([true, 'Somebody else changed this person here in the meantime. Look at what is so now, then decide again.'])
})

it('offers nothing to those who may only look', async () => {
  const { page } = await shown({ options: [], takeOut: null })
  expect(page.findAll('button').map((each) => each.text())).toEqual(['Close'])
})

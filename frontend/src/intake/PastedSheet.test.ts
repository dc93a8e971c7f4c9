import { flushPromises } from '@vue/test-utils'
import { beforeEach, expect, it, vi } from 'vitest'
import { lastDone } from '@/app/undo'
import { candidate, person, serve, show, site, standing } from '@/testing/server'
import { isList } from './pasted'
import PastedSheet from './PastedSheet.vue'

beforeEach(() => {
  vi.useFakeTimers()
  sessionStorage.clear()
})
const settled = async () => {
  for (let n = 0; n < 3; n++) {
    await vi.advanceTimersByTimeAsync(400)
    await flushPromises()
  }
}
const may = (who: ReturnType<typeof person>, evidence: string, more = {}) => ({ ...candidate(who, more), evidence })
const item = (number: number, text: string, outcome: string, candidates: object[] = [], more = {}) => ({ number, text, outcome, mistyped: null, decided: null, candidates, ...more })
const [bea, ana, bo, mara] = [person('Bea', 'da Luz'), person('Ana', 'Ruiz'), person('Bo', 'Ruiz'), person('Mara', 'Lind', { kind: 'staff' })]
const GET = `POST /sites/${site.id}/intake`
const POST = `POST /sites/${site.id}/sheets`
const line = (who: { id: string }, entry: number | null = null) => ({ person: { id: who.id, name: 'x' }, verdict: 'ready', before: null, after: standing(), outlook: [], reasons: [], cautions: [], entry })
const sheets = (_request: Request, body: { apply: boolean; lines: { person: string }[] }) => ({ sheet: body.apply ? 'made' : null, removal: null, lines: body.lines.map(({ person: id }) => line({ id }, body.apply ? 7 : null)) })

async function opened(items: object[]) {
  const asked = serve({ [GET]: { items }, [POST]: sheets })
  const { page } = show(PastedSheet, { props: { site, text: 'Bea da Luz\nRuiz' } })
  await settled()
  return { page, asked }
}

it('lets in whom lines mean, once what is to be settled is settled, and says how many', async () => {
  const { page, asked } = await opened([item(1, 'Bea da Luz', 'match', [may(bea, 'full-name')]), item(2, 'A. Ruiz', 'choose', [may(ana, 'initials'), may(bo, 'part-of-the-name')]), item(3, 'Names:', 'no-person'), item(4, 'Zed', 'unknown')])
  expect(page.get('[role=status]').text()).toBe('One will join, one needs a choice, one is unknown.')
  expect(page.text()).toContain('by the full name')
  await page.findAll('input[type=radio]')[0]!.setValue(true)
  await settled()
  expect(page.get('[role=status]').text()).toBe('2 will join, one is unknown.')
  await page.findAll('button').find((each) => each.text() === 'Let 2 in')!.trigger('click')
  await settled()
  expect(asked.findLast(({ call }) => call === POST && true)!.body).toMatchObject({ lines: [{ person: bea.id, verb: 'let-in', role: 'learner' }, { person: ana.id, verb: 'let-in', role: 'learner' }] })
  expect(lastDone.sentence).toBe('2 people are let in.')
})

it('asks before somebody gets a role above learner that nobody asked for', async () => {
  const { page } = await opened([item(1, 'Mara Lind', 'match', [may(mara, 'full-name', { suggested: 'co-tutor' })])])
  expect(page.get('[role=status]').text()).toBe('Nobody will join, one needs a choice.')
  await page.get('input[type=checkbox]').setValue(true)
  await settled()
  expect(page.get('[role=status]').text()).toBe('One will join.')
})

it('folds in who is here already and brings back who was', async () => {
  const { page, asked } = await opened([item(1, 'Bea', 'match', [may(bea, 'identifier', { standing: standing() })]), item(2, 'Ana', 'match', [may(ana, 'identifier', { standing: standing({ state: 'taken-out' }) })])])
  expect(page.text()).toContain('Is here already, as learner.')
  expect(page.text()).toContain('Comes back as learner.')
  expect(asked.at(-1)!.body).toMatchObject({ apply: false, lines: [{ person: ana.id, verb: 'bring-back' }] })
})

it('corrects an unknown line in its place and keeps the rest', async () => {
  const { page, asked } = await opened([item(2, 'Ruiz', 'unknown')])
  await page.get('input.wide').setValue('Ana Ruiz')
  await settled()
  expect(asked.findLast(({ call }) => call === GET)!.body).toEqual({ text: 'Bea da Luz\nAna Ruiz' })
})

it.each([['Bea da Luz', false], ['Bea\n', false], ['Bea\nAna', true], ['2041010, 2041358', true], ['da Luz, Bea', false]])('tells a list from one person: %j', (text, list) => expect(isList(text)).toBe(list))

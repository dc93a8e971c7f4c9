import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { lastDone } from '@/shared/undo'
import { eventually, problem, read, serve, show, site } from '@/testing/server'
import FindBox from '@/ui/FindBox.vue'
import { takeCarryingBack } from './carrying'
import MergeSites from './MergeSites.vue'

const other = { id: '00000000-0000-7000-8000-000000000009', title: 'Late choir', code: 'LATE', state: 'open' }
const review = { lines: [], sites: [], verdicts: {}, removal: null, total: 0 }
const bea = { id: '00000000-0000-7000-8000-0000000000b0', name: 'Bea da Luz' }
const answer = (more: object = {}) => ({
  into: { id: site.id, title: site.title },
  own: 'Harmony',
  seats: 40,
  several: false,
  sites: [{ site: other, people: 12, both: 1, sections: ['Late choir'], doors: ['Flyer'] }],
  choices: [],
  notes: [],
  review,
  ready: true,
  changeList: null,
  ...more,
})

async function open(merge: Parameters<typeof serve>[0][string]) {
  const asked = serve({ 'POST /site-merges': merge })
  const { page } = show(MergeSites, { props: { site } as never })
  page.findComponent(FindBox).vm.$emit('pick', other)
  await flushPromises()
  return { page, asked, apply: () => page.find('.acts button') }
}

it('says what becomes of whom, and merges', async () => {
  const { page, asked, apply } = await open((_: Request, body: { apply: boolean }) =>
    answer({ changeList: body.apply ? 'list' : null }),
  )
  await eventually(() => expect(read(page)).toContain('12 people are in it. 1 of them is here, too.'))
  expect(read(page)).toContain('Its section: Late choir. Its door goes along: Flyer.')
  expect(read(page)).toContain('Together there is room for 40 learners.')
  await apply().trigger('click')
  await flushPromises()
  const made = asked.find(({ body }) => (body as { apply?: boolean } | undefined)?.apply)
  expect(made?.body).toEqual({ into: site.id, sites: [other.id], apart: true, roles: {}, apply: true })
  expect(lastDone.sentence).toBe('1 site is a section of Harmony now.')
  expect(page.emitted('close')).toHaveLength(1)
})

it('waits until a role is chosen for whoever has two', async () => {
  const roles = ['class-assistant', 'learner']
  const { page, asked, apply } = await open((_: Request, body: { roles: Record<string, string> }) =>
    body.roles[bea.id] ? answer() : answer({ ready: false, choices: [{ person: bea, roles }] }),
  )
  await eventually(() => expect(read(page)).toContain('What is Bea da Luz?'))
  expect(apply().attributes('disabled')).toBeDefined()
  await page.findAll('fieldset input').at(1)!.setValue()
  await eventually(() => expect(apply().attributes('disabled')).toBeUndefined())
  expect(asked.at(-1)!.body).toMatchObject({ roles: { [bea.id]: 'learner' } })
  expect(read(page), 'and it can be chosen again').toContain('What is Bea da Luz?')
})

it('says at the site why it cannot be merged', async () => {
  const detail = 'Late choir is closed. Open it again first, or leave it out.'
  const errors = [{ pointer: '/sites/0', code: 'closed', detail }]
  const { page, apply } = await open(() => problem('invalid', 422, detail, { errors }))
  await eventually(() => expect(page.find('.sites [role=alert]').text()).toBe(detail))
  expect(apply().attributes('disabled')).toBeDefined()
})

it('says how many stayed when it is taken back', async () => {
  const back = { people: 9, stay: 2, left: [bea], sites: [other], changeList: 'undo' }
  const asked = serve({ 'POST /site-merges/list/undo': back, 'POST /site-splits/list/undo': { ...back, stay: 0 } })
  expect(await takeCarryingBack('site-merge', 'list')).toContain('2 people stay')
  expect(await takeCarryingBack('site-split', 'list')).toBe('')
  expect(asked.map(({ body }) => body)).toEqual([{ apply: true }, { apply: true }])
})

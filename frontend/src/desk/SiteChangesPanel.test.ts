import { flushPromises } from '@vue/test-utils'
import { beforeEach, expect, it, vi } from 'vitest'
import { lastDone, undoLast } from '@/shared/undo'
import { serve, show, site } from '@/testing/server'
import SiteChangesPanel from './SiteChangesPanel.vue'

beforeEach(() => vi.useFakeTimers())
const other = '00000000-0000-7000-8000-000000000002'
const line = (id: string, title: string, more = {}) => ({
  site: { id, title, timeZone: 'UTC' },
  verdict: 'ready',
  reason: null,
  entry: null,
  ...more,
})
const settled = async () => {
  await flushPromises()
  await vi.advanceTimersByTimeAsync(300)
  await flushPromises()
}

it('says which sites will change and which cannot, applies, and takes all of it back as one', async () => {
  const refused = line(other, 'Choir', {
    verdict: 'refused',
    reason: { detail: '18 seats are held, now or later.', line: null },
  })
  const asked = serve({
    'POST /site-changes': (_request, body: { apply: boolean }) => ({
      lines: [line(site.id, 'Harmony', { entry: body.apply ? 12 : null }), refused],
    }),
    'POST /site-changes/undo': { lines: [line(site.id, 'Harmony', { entry: 13 })] },
  })
  const { page } = show(SiteChangesPanel, { props: { sites: [site.id, other], verb: 'seats' } })
  await page.get('input').setValue('12')
  await settled()
  expect(page.text()).toContain('1 site will change.')
  expect(page.findAll('li')[1]!.text()).toContain('18 seats are held, now or later.')
  await page.get('form').trigger('submit')
  await settled()
  expect(asked.findLast(({ call }) => call === 'POST /site-changes')!.body).toEqual({
    sites: [site.id, other],
    verb: 'seats',
    on: null,
    seats: 12,
    person: null,
    apply: true,
  })
  expect([lastDone.sentence, lastDone.more]).toEqual(['The seats of 1 site are changed.', '1 is skipped.'])
  undoLast()
  await settled()
  expect(asked.at(-1)!.body).toEqual({ entries: [{ site: site.id, entry: 12 }] })
})

it('asks who is to lead before it asks anything of the server', async () => {
  const asked = serve({})
  const { page } = show(SiteChangesPanel, { props: { sites: [site.id], verb: 'lead' } })
  await settled()
  expect(page.text()).toContain('Who is to lead them')
  expect(asked).toEqual([])
})

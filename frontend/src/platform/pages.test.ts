import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { SettingsBook } from '@/shared/api'
import { serve, show } from '@/testing/server'
import PlatformPage from './PlatformPage.vue'

const book = (more: Partial<SettingsBook> = {}): SettingsBook => ({
  version: 3,
  mayChange: true,
  mailPassword: false,
  sites: [],
  settings: {
    name: 'Elm Grove',
    divisions: ['upper', 'lower'].map((code) => ({
      code,
      name: code,
      parent: null,
      minors: false,
      language: 'en-GB',
      timeZone: 'UTC',
      levels: null,
      welcome: '',
      retired: false,
    })),
    terms: [{ code: 'autumn', name: 'Autumn 2026', startsOn: '2026-09-07', endsOn: '2026-12-18', division: null }],
    daysOff: [],
    look: { mark: '', accent: '' },
    mail: { carrier: '' as const, host: '', port: 587, security: 'starttls' as const, user: '', from: '' },
    letterheads: [],
    registrations: [],
    starters: [],
    labels: { free: true, names: [] },
    details: [],
    kinds: [],
  },
  ...more,
})
const nothing = {
  problems: [],
  differences: [],
  reach: [],
  sites: 0,
  version: 3,
  look: { name: 'Elm Grove', mark: '', light: null, dark: null, register: false },
  starters: [],
  touched: [],
}

beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }))
afterEach(() => void vi.useRealTimers())

async function open(part: string, answers: Parameters<typeof serve>[0] = {}) {
  const asked = serve({ 'GET /settings': book(), 'PUT /settings': nothing, 'GET /platform': {}, ...answers })
  const { page, router } = show(PlatformPage)
  await router.push(`/platform/${part}`)
  await flushPromises()
  const settled = async () => {
    await flushPromises()
    await vi.advanceTimersByTimeAsync(300)
    await flushPromises()
  }
  const press = async (name: string) => {
    await page
      .findAll('button')
      .find((each) => each.text() === name)!
      .trigger('click')
    await settled()
  }
  return { page, asked, press, settled }
}
const sent = (asked: { call: string; body?: unknown }[]) =>
  (asked.findLast(({ call }) => call.startsWith('PUT'))!.body as { settings: SettingsBook['settings'] }).settings

describe('the settings of the platform', () => {
  it('get a division below another, whose code follows its name', async () => {
    const { page, asked, press, settled } = await open('divisions')
    await press('Add one below')
    const name = page.findAll('input').find((each) => each.attributes('id')?.startsWith('division-name'))!
    await name.setValue('Choir School')
    await settled()
    expect(sent(asked).divisions.at(-1)).toMatchObject({ code: 'choir-school', name: 'Choir School', parent: 'lower' })
    expect(name.element.isConnected).toBe(true)
    expect(page.text()).toContain('Put these settings in force')
    expect(page.text()).toContain('What would change')
    await press('Cancel my changes')
    expect(page.text()).not.toContain('Choir School')
  })

  it('get terms of the next year', async () => {
    const later = {
      code: 'autumn-2',
      name: 'Autumn 2027',
      startsOn: '2027-09-06',
      endsOn: '2027-12-17',
      division: null,
    }
    const { page, asked, press } = await open('terms', { 'POST /settings/later-terms': { items: [later] } })
    expect(page.text()).toContain('After the pattern of Autumn 2026')
    await press('Make those of the next year')
    expect(sent(asked).terms).toHaveLength(2)
  })

  it('get days off, a single one written once', async () => {
    const { page, asked, press, settled } = await open('days-off')
    expect(page.text()).toContain('There are no days off yet.')
    await press('Add days off')
    await page.find('#off-0-name').setValue('Holiday')
    await page.find('#off-0-from').setValue('2026-12-25')
    await settled()
    expect(sent(asked).daysOff).toEqual([{ name: 'Holiday', from: '2026-12-25', until: '2026-12-25', division: null }])
  })

  it('say what is wrong at its place', async () => {
    const problems = [{ where: 'name', code: 'no-name', values: {} }]
    const { page, settled } = await open('general', { 'PUT /settings': { ...nothing, problems } })
    await page.find('#platform-name').setValue('')
    await settled()
    expect(page.find('.field .wrong').text()).toBe('It needs a name.')
    expect(page.find('.docked button.p-button').attributes('disabled')).toBeDefined()
  })

  it('are put back, and brought in as a file after a look', async () => {
    const items = [
      { version: 3, madeAt: '2026-11-20T10:00:00Z', madeBy: 'Ingrid Solheim' },
      { version: 2, madeAt: '2026-11-19T10:00:00Z', madeBy: null },
    ]
    const { page, asked, press } = await open('versions', { 'GET /settings/versions': { items } })
    expect(page.text()).toContain('Version 3')
    expect(page.text()).toContain('holds now')
    expect(page.find('a[download]').attributes('href')).toBe('/api/v1/settings/file')
    await press('Put version 2 in force again')
    expect(asked.map(({ call }) => call)).toContain('GET /settings?version=2')
    expect(asked.findLast(({ call }) => call.startsWith('PUT'))!.headers.get('If-Match')).toBe('"3"')
  })

  it('are only read by who may not change them', async () => {
    const { page } = await open('divisions', { 'GET /settings': book({ mayChange: false }) })
    expect(page.text()).toContain('A platform administrator changes these settings.')
    expect(page.findAll('main button, li button')).toHaveLength(0)
  })
})

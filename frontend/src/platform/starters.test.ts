import { flushPromises } from '@vue/test-utils'
import { reactive } from 'vue'
import { expect, it } from 'vitest'
import type { Settings } from '@/shared/api'
import { read, serve, show } from '@/testing/server'
import StarterSettings from './StarterSettings.vue'

type Starter = Settings['starters'][number]
const starter = (more: Partial<Starter> = {}): Starter => ({
  division: 'seniors',
  site: 'START',
  role: 'learner',
  kinds: ['learner'],
  lowest: null,
  highest: null,
  ...more,
})

function open(starters: Starter[], mayChange = true) {
  serve({ 'GET /sites': { items: [], total: 0, moreThanThat: false, next: null } })
  const settings = reactive({
    divisions: [
      {
        code: 'seniors',
        name: 'Seniors',
        parent: null,
        minors: false,
        language: 'en-GB',
        timeZone: 'UTC',
        levels: null,
        welcome: '',
        retired: false,
      },
    ],
    starters,
    kinds: [{ code: 'alumni', name: 'Alumna', like: 'external', roles: [] }],
  }) as unknown as Settings
  const { page } = show(StarterSettings, {
    props: {
      settings,
      mayChange,
      wrongAt: () => [],
      edit: () => settings,
      known: () => new Set<string>(),
      sites: [{ code: 'START', name: 'Welcome to the house' }],
    },
  })
  const press = async (name: string) => {
    await page
      .findAll('button')
      .find((each) => each.text() === name)!
      .trigger('click')
    await flushPromises()
  }
  return { page, settings, press }
}

it('are read as sentences, and only read by who may not change them', () => {
  const { page } = open([starter(), starter({ kinds: ['learner', 'staff'], lowest: 3, highest: 3 })], false)
  expect(read(page)).toContain('Learners of Seniors are in Welcome to the house as Learner.')
  expect(read(page)).toContain('Learners, Staff of Seniors, level 3, are in Welcome to the house as Learner.')
  expect(page.findAll('button')).toHaveLength(0)
})

it('are added, changed and taken off in the draft', async () => {
  const { page, settings, press } = open([])
  expect(read(page)).toContain('There are no starter sites yet.')
  await press('Add a starter site')
  expect(settings.starters).toEqual([starter({ site: '', role: '' })])
  await page.findAll('fieldset input')[1]!.setValue(true)
  expect(settings.starters[0]!.kinds).toEqual(['learner', 'staff'])
  await press('Take off the list')
  expect(settings.starters).toEqual([])
})

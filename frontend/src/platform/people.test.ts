import { flushPromises } from '@vue/test-utils'
import { reactive } from 'vue'
import { describe, expect, it } from 'vitest'
import type { Settings } from '@/shared/api'
import { t } from '@/shared/words'
import { read, serve, show } from '@/testing/server'
import DetailSettings from './DetailSettings.vue'
import KindSettings from './KindSettings.vue'

type Detail = Settings['details'][number]
const detail = (code: string, more: Partial<Detail> = {}): Detail => ({
  code,
  name: code,
  type: 'text',
  choices: [],
  kinds: [],
  seenBy: ['staff'],
  changedBy: [],
  ...more,
})

function open(part: typeof DetailSettings | typeof KindSettings, kept: Partial<Settings>) {
  serve({
    'GET /rules': {
      rules: {
        roles: [
          { code: 'guest', name: 'Day guest', for: ['external', 'guardian'] },
          { code: 'learner', name: 'Learner', for: ['learner'] },
        ],
      },
    },
  })
  const settings = reactive({ details: [], kinds: [], ...kept }) as unknown as Settings
  const { page } = show(part as typeof KindSettings, {
    props: {
      settings,
      mayChange: true,
      wrongAt: () => [],
      edit: () => settings,
      known: () => new Set([...settings.details, ...settings.kinds].map(({ code }) => code)),
    },
  })
  const press = async (name: string) => {
    await page
      .findAll('button')
      .find((button) => [button.text(), button.attributes('aria-label')].includes(name))!
      .trigger('click')
    await flushPromises()
  }
  const tick = async (name: string, nth = 0) => {
    const found = page.findAll('label.tick').filter((label) => label.text() === name)
    await found[nth]!.find('input').trigger('change')
    await flushPromises()
  }
  return { page, settings, press, tick }
}

describe('details of people', () => {
  it('are read as sentences', () => {
    const { page } = open(DetailSettings, {
      details: [detail('plays', { type: 'choice', choices: ['Viola', 'Cello'], kinds: ['staff'], seenBy: [] })],
    })
    const line = read(page.find('.line'))
    for (const word of ['Viola', 'Cello', t('platform.starter.kind.staff'), 'administrators'])
      expect(line).toContain(word)
    expect(line).not.toContain(t('platform.details.readers.themselves'))
  })

  it('go up, go, and are seen by whoever changes them', async () => {
    const { settings, press, tick } = open(DetailSettings, { details: [detail('one'), detail('two', { seenBy: [] })] })
    await press(t('platform.upOf', { name: 'two' }))
    expect(settings.details.map(({ code }) => code)).toEqual(['two', 'one'])
    await press(t('platform.editOf', { name: 'two' }))
    await tick(t('platform.details.changes.staff'))
    expect(settings.details[0]).toMatchObject({ seenBy: ['staff'], changedBy: ['staff'] })
    await tick(t('platform.details.sees.staff'))
    expect(settings.details[0]).toMatchObject({ seenBy: [], changedBy: [] })
    await press(t('platform.takeOf', { name: 'two' }))
    expect(settings.details.map(({ code }) => code)).toEqual(['one'])
  })

  it('have a code that follows the name as long as they are new', async () => {
    const { page, settings, press } = open(DetailSettings, {})
    await press(t('platform.details.add'))
    const code = settings.details[0]!.code
    await page.find('#detail-name-0').setValue('Mark so far')
    expect(settings.details[0]).toMatchObject({ name: 'Mark so far', code })
  })
})

describe('kinds of people', () => {
  it('are kept to roles that people like them may hold', async () => {
    const { page, settings, press, tick } = open(KindSettings, {
      kinds: [{ code: 'alumni', name: 'Alumna', like: 'external', roles: [] }],
    })
    await flushPromises()
    await press(t('platform.editOf', { name: 'Alumna' }))
    expect(page.findAll('.roles label.tick').map((label) => label.text())).toEqual(['Day guest'])
    await tick('Day guest')
    expect(settings.kinds[0]!.roles).toEqual(['guest'])
    expect(read(page.find('.line'))).toContain('Day guest')
    await tick('Day guest')
    expect(settings.kinds[0]!.roles).toEqual([])
  })
})

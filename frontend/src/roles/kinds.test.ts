import { reactive } from 'vue'
import { describe, expect, it } from 'vitest'
import type { Rules } from '@/shared/api'
import { show } from '@/testing/server'
import KindRules from './KindRules.vue'

function kinds(mayChange = true) {
  const rules = reactive({
    siteKinds: [
      { code: 'course', name: 'Course', glyph: '', seats: null, listed: true },
      { code: 'club', name: 'Club', glyph: '', seats: null, listed: true },
    ],
    question: '',
  }) as Rules
  const { page } = show(KindRules, {
    props: { rules, mayChange, wrongAt: () => [], edit: () => rules, known: ['course', 'club'] },
  })
  const press = (name: string) =>
    page
      .findAll('button')
      .find((each) => each.text() === name)!
      .trigger('click')
  return { page, rules, press }
}

describe('kinds of sites', () => {
  it('are added with a code that follows the name, moved to the front and removed', async () => {
    const { page, rules, press } = kinds()
    await press('Add a kind')
    await page.findAll('li input[maxlength]').at(-1)!.setValue('Evening class')
    expect(rules.siteKinds.at(-1)).toEqual({
      code: 'evening-class',
      name: 'Evening class',
      glyph: '',
      seats: null,
      listed: true,
    })
    await press('Offer it first')
    expect(rules.siteKinds.map(({ code }) => code)).toEqual(['club', 'course', 'evening-class'])
    await press('Take off the list')
    expect(rules.siteKinds.map(({ code }) => code)).toEqual(['course', 'evening-class'])
  })

  it('keep the code they were made with', async () => {
    const { page, rules } = kinds()
    await page.findAll('li input')[0]!.setValue('Class')
    await page.find('#rules-question').setValue('What do you play?')
    expect(rules.siteKinds[0]).toEqual({ code: 'course', name: 'Class', glyph: '', seats: null, listed: true })
    expect(rules.question).toBe('What do you play?')
  })

  it('are only read by who may not change them', () => {
    const { page } = kinds(false)
    expect(page.findAll('input, button')).toHaveLength(0)
    expect(page.text()).toContain('Why they want to join.')
  })
})

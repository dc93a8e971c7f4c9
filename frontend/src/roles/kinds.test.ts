import { nextTick, reactive } from 'vue'
import { describe, expect, it } from 'vitest'
import type { Rules } from '@/shared/api'
import { show } from '@/testing/server'
import KindRules from './KindRules.vue'

type Kind = Rules['siteKinds'][number]
const kind = (code: string, name: string, more: Partial<Kind> = {}): Kind => ({
  code,
  name,
  glyph: '',
  seats: null,
  listed: true,
  roles: [],
  questions: [],
  ...more,
})

function kinds(mayChange = true, club: Partial<Kind> = {}) {
  const rules = reactive<Partial<Rules>>({
    roles: [{ code: 'co-tutor', name: 'Co-tutor', for: ['staff'] } as Rules['roles'][number]],
    siteKinds: [kind('course', 'Course'), kind('club', 'Club', club)],
    question: '',
  }) as Rules
  const { page } = show(KindRules, {
    props: { rules, mayChange, wrongAt: () => [], edit: () => rules, known: ['course', 'club'] },
  })
  const press = async (name: string, which = 0) => {
    await page
      .findAll('button')
      .filter((each) => each.text() === name)
      [which]!.trigger('click')
    await nextTick()
  }
  return { page, rules, press }
}

describe('kinds of sites', () => {
  it('are added with a code that follows the name, moved to the front and removed', async () => {
    const { page, rules, press } = kinds()
    await press('Add a kind')
    await page.find('li input[maxlength="60"]').setValue('Evening class')
    expect(rules.siteKinds.at(-1)).toEqual(kind('evening-class', 'Evening class'))
    await press('Offer it first')
    expect(rules.siteKinds.map(({ code }) => code)).toEqual(['evening-class', 'course', 'club'])
    await press('Take off the list')
    expect(rules.siteKinds.map(({ code }) => code)).toEqual(['course', 'club'])
  })

  it('keep the code they were made with', async () => {
    const { page, rules, press } = kinds()
    await press('Change')
    await page.find('li input[maxlength="60"]').setValue('Class')
    await page.find('#rules-question').setValue('What do you play?')
    expect(rules.siteKinds[0]).toEqual(kind('course', 'Class'))
    expect(rules.question).toBe('What do you play?')
  })

  it('ask questions, with answers to choose from or in own words', async () => {
    const { page, rules, press } = kinds()
    await press('Change', 1)
    await press('Add a question')
    await page.find('#kind-club-ask-0').setValue('What do you play?')
    await page.find('#kind-club-choices-0').setValue('Viola\nOboe')
    expect(rules.siteKinds[1]!.questions).toEqual([{ text: 'What do you play?', choices: ['Viola', 'Oboe'] }])
    await press('Take this question off')
    expect(rules.siteKinds[1]!.questions).toEqual([])
  })

  it('are only read by who may not change them', () => {
    const { page } = kinds(false, {
      seats: 12,
      listed: false,
      roles: [{ people: 'staff', role: 'co-tutor' }],
      questions: [{ text: 'Why?', choices: [] }],
    })
    expect(page.findAll('input, button')).toHaveLength(0)
    expect(page.text()).toContain('Why they want to join.')
    expect(page.text()).toContain('12 seats · not in places to join · Staff: Co-tutor · asks 1 question')
  })
})

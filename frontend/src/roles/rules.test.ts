import { flushPromises } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import type { RoleRules, RuleBook, Rules } from '@/shared/api'
import { lastDone, undoLast } from '@/shared/undo'
import { problem, serve, show } from '@/testing/server'
import RulesPage from '@/desk/RulesPage.vue'
import { maySentences, problemSentence } from './rules'

const role = (
  code: string,
  name: string,
  rank: number,
  permissions: RoleRules['permissions'],
  more: Partial<RoleRules> = {},
): RoleRules => ({
  code,
  name,
  standard: 'Instructor',
  rank,
  permissions,
  for: ['staff'],
  suggestFor: [],
  givenBy: ['lead-tutor'],
  lead: false,
  takesSeat: false,
  listed: true,
  caution: null,
  learnersOf: null,
  bands: [],
  ...more,
})
const rules = (): Rules => ({
  roles: [
    role('lead-tutor', 'Lead tutor', 100, ['enter', 'see-roster', 'let-in', 'run-site'], { lead: true }),
    role('assistant', 'Assistant', 70, ['enter', 'see-roster', 'see-marks']),
    role('learner', 'Learner', 30, ['enter', 'do-work'], {
      for: ['learner'],
      takesSeat: true,
      bands: [{ name: 'Senior rules', divisions: ['seniors'], levels: [6, 8], permissions: ['enter'] }],
    }),
  ],
  numbers: [{ name: 'Learner number', kinds: ['learner'], prefix: '', digits: 7, checked: true }],
  limits: {
    seats: 100,
    leads: 10,
    changeList: 1000,
    removalFew: 5,
    removalShare: 20,
    careHome: 24,
    careBeyond: 168,
    mailOutside: 500,
    mailAgain: 3,
    mailPerson: 20,
    passwordLinks: 60,
    lookups: 300,
    cardDays: 14,
    keepMessages: 365,
    keepAddresses: 180,
    keepAnswers: 24,
    archiveAfter: 3,
  },
  nicknames: [['Beatriz', 'Bea', 'Bia']],
  siteKinds: [{ code: 'course', name: 'Course', glyph: '', seats: null, listed: true, roles: [], questions: [] }],
  question: '',
  outside: [],
})
const book = (more: Partial<RuleBook> = {}): RuleBook => ({
  version: 3,
  madeAt: '2026-11-20T09:00:00Z',
  madeBy: 'Ingrid Solheimsen',
  mayChange: true,
  rules: rules(),
  standards: ['Instructor', 'Learner'],
  usualLimits: rules().limits,
  permissions: [
    { code: 'enter', needs: [] },
    { code: 'see-roster', needs: [] },
    { code: 'see-marks', needs: ['see-roster'] },
    { code: 'enter-marks', needs: ['see-marks'] },
    { code: 'do-work', needs: [] },
    { code: 'let-in', needs: [] },
  ],
  ...more,
})
const nothing = { problems: [], affected: [], numbers: [], sites: { overSeats: 0, overLeads: 0 }, version: 3 }
const settled = async () => {
  await flushPromises()
  await vi.advanceTimersByTimeAsync(400)
  await flushPromises()
}

async function page(part: string, answers: Parameters<typeof serve>[0] = {}) {
  vi.useFakeTimers()
  const asked = serve({ 'GET /rules': book(), 'PUT /rules': nothing, ...answers })
  const shown = show(RulesPage)
  await shown.router.push('/rules/' + part)
  await settled()
  return { ...shown, asked }
}

describe('short names', () => {
  it('are a line each, and what is typed becomes the table', async () => {
    const { page: shown, asked } = await page('names')
    const box = shown.get('textarea')
    expect((box.element as HTMLTextAreaElement).value).toBe('Beatriz: Bea, Bia')
    await box.setValue('Beatriz: Bea\n\nMałgorzata: Gosia,')
    await settled()
    expect(asked.findLast(({ call }) => call === 'PUT /rules')!.body).toMatchObject({
      apply: false,
      rules: {
        nicknames: [
          ['Beatriz', 'Bea'],
          ['Małgorzata', 'Gosia'],
        ],
      },
    })
  })

  it('are read by those who may not change them', async () => {
    const { page: shown } = await page('names', { 'GET /rules': book({ mayChange: false }) })
    expect(shown.get('dl').text()).toBe('BeatrizBea, Bia')
  })
})

describe('rules, read', () => {
  it('are sentences', async () => {
    const { page: shown } = await page('roles')
    expect(shown.text()).toContain('Version 3, since 20 Nov, by Ingrid Solheimsen.')
    expect(shown.text()).toContain('May enter and look around.')
    expect(shown.text()).toContain('Senior rules (Seniors, levels 6 to 8): may enter and look around')
    expect(shown.text()).toContain('Given by lead tutor and an administrator.')
  })

  it('put what belongs together into one sentence', () => {
    expect(maySentences(['see-marks', 'enter', 'see-roster'])).toEqual([
      'May enter and look around.',
      'May see who is here and see marks.',
    ])
  })

  it.each([
    [{ code: 'still-held', values: { people: 3 } }, '3 people have this role. Give them another one first.'],
    [
      { code: 'needs-permission', values: { permission: 'see-marks', needed: 'see-roster' } },
      'To see marks somebody must also: see who is here.',
    ],
    [
      { code: 'given-from-below', values: { giver: 'learner' } },
      'A role is given by those of the same or a higher rank; Learner is below.',
    ],
    [{ code: 'out-of-range', values: { least: 1, most: 100 } }, 'Choose 1 to 100.'],
  ])('say what is wrong: %o', (wrong, sentence) => {
    expect(problemSentence({ where: 'x', ...wrong } as never, () => 'Learner')).toBe(sentence)
  })

  it('offer nothing to change to those who may not', async () => {
    const { page: shown } = await page('roles', { 'GET /rules': book({ mayChange: false }) })
    expect(shown.findAll('button')).toEqual([])
    expect(shown.text()).not.toContain('Administrators')
  })
})

describe('rules, changed', () => {
  const change = async (answers: Parameters<typeof serve>[0]) => {
    const shown = await page('roles', answers)
    await shown.page.get('button[aria-label="Change: Assistant"]').trigger('click')
    return shown
  }
  const box = (shown: Awaited<ReturnType<typeof page>>['page'], label: string) =>
    shown
      .findAll('label')
      .find((each) => each.text() === label)!
      .get('input')

  it('say whom a change affects before it is put in force, and are taken back', async () => {
    const { page: shown, asked } = await change({
      'PUT /rules': (_request, body: { apply: boolean }) =>
        body.apply
          ? { ...nothing, version: 4 }
          : { ...nothing, affected: [{ permission: 'see-marks', gain: false, people: 31, sites: 12 }] },
    })
    await box(shown, 'see marks').setValue(false)
    await settled()
    expect(shown.text()).toContain('31 people in 12 sites could no longer: see marks.')
    await shown
      .findAll('button')
      .find((each) => each.text() === 'Put these rules in force')!
      .trigger('click')
    await settled()
    const put = asked.filter(({ call }) => call === 'PUT /rules').at(-1)!
    expect(put.headers.get('If-Match')).toBe('"3"')
    expect((put.body as { rules: Rules }).rules.roles[1]!.permissions).toEqual(['enter', 'see-roster'])
    expect(lastDone.sentence).toBe('The rules are changed. Version 4 holds.')
    undoLast()
    await settled()
    const back = asked.filter(({ call }) => call === 'PUT /rules').at(-1)!
    expect((back.body as { rules: Rules }).rules).toEqual(rules())
  })

  it('bring along what a permission needs, and say what cannot be at its place', async () => {
    const wrong = { where: 'roles/assistant/givenBy', code: 'no-such-giver', values: {} }
    const { page: shown, asked } = await change({ 'PUT /rules': { ...nothing, problems: [wrong] } })
    await box(shown, 'see who is here').setValue(false)
    await box(shown, 'see marks').setValue(false)
    await box(shown, 'enter marks').setValue(true)
    await settled()
    expect((asked.at(-1)!.body as { rules: Rules }).rules.roles[1]!.permissions).toEqual([
      'enter',
      'enter-marks',
      'see-marks',
      'see-roster',
    ])
    expect(shown.get('[role="alert"]').text()).toContain('A role that gives it does not exist.')
    expect(
      shown
        .findAll('button')
        .find((each) => each.text() === 'Put these rules in force')!
        .attributes('disabled'),
    ).toBeDefined()
  })

  it('are not lost when somebody else was quicker', async () => {
    const { page: shown } = await change({
      'PUT /rules': (_request, body: { apply: boolean }) =>
        body.apply ? problem('stale', 412, 'Somebody else changed this in the meantime.') : nothing,
    })
    await box(shown, 'see marks').setValue(false)
    await settled()
    await shown
      .findAll('button')
      .find((each) => each.text() === 'Put these rules in force')!
      .trigger('click')
    await settled()
    expect(lastDone.sentence).toContain('Somebody else changed this')
    expect((box(shown, 'see marks').element as HTMLInputElement).checked).toBe(false)
  })
})

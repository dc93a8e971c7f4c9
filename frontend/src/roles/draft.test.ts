import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { RuleBook, Rules } from '@/shared/api'
import { queries } from '@/shared/queries'
import { lastDone, undoLast } from '@/shared/undo'
import { t } from '@/shared/words'
import { problem, serve, show } from '@/testing/server'
import { kindWords, listed, maySentences, mayWords, problemSentence, useRules } from './rules'

const rules = (name = 'Learner'): Rules =>
  ({
    roles: [{ code: 'learner', name, bands: [] }],
    numbers: [],
    limits: { seats: 100 },
    nicknames: [],
    siteKinds: [],
    question: '',
    outside: [],
  }) as never
const book = (more: Partial<RuleBook> = {}) =>
  ({
    version: 3,
    rules: rules(),
    mayChange: true,
    permissions: [],
    standards: [],
    usualLimits: rules().limits,
    madeAt: '',
    madeBy: null,
    ...more,
  }) as RuleBook
const nothing = { problems: [], affected: [], numbers: [], sites: { overSeats: 0, overLeads: 0 }, version: 3 }

beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }))
afterEach(() => void vi.useRealTimers())
const settled = async (ms = 300) => {
  await flushPromises()
  await vi.advanceTimersByTimeAsync(ms)
  await flushPromises()
}
async function begin(answers: Parameters<typeof serve>[0] = {}) {
  const asked = serve({ 'GET /rules': book(), 'PUT /rules': nothing, ...answers })
  const { page } = show({
    setup: () => {
      const all = useRules()
      return { all, said: all.wrongAt }
    },
    template: '<p>{{ all.busy.value }} {{ all.changed.value }} {{ said("roles/learner").join("|") }}</p>',
  })
  await flushPromises()
  return { page, asked, ...(page.vm as unknown as { all: ReturnType<typeof useRules> }).all }
}

describe('words of rules', () => {
  it('are lists as people write them', () => {
    expect([listed([]), listed(['a']), listed(['a', 'b']), listed(['a', 'b', 'c'])]).toEqual([
      '',
      'a',
      'a and b',
      'a, b and c',
    ])
    expect(mayWords(['enter', 'let-in'])).toBe(`${t('may.enter')} and ${t('may.let-in')}`)
    expect([kindWords([]), kindWords(['staff', 'learner'])]).toEqual([
      t('rules.nobody'),
      `${t('rules.kinds.staff')} and ${t('rules.kinds.learner')}`,
    ])
  })

  it.each([
    [['do-work', 'read-closed', 'enter-draft', 'enter']],
    [['see-marks', 'see-activity', 'see-unlisted', 'see-roster']],
    [['export-progress', 'show-items', 'make-items', 'enter-marks']],
    [['arrange-sections', 'arrange-groups', 'write-to-people', 'label-people']],
    [['run-site', 'see-history', 'see-as', 'let-in', 'keep-doors']],
  ] as Parameters<typeof maySentences>[])('belong together, in one order: %s', (permissions) => {
    expect(maySentences(permissions)).toEqual([t('rules.may', { what: mayWords(permissions.toReversed()) })])
    expect(maySentences([])).toEqual([])
  })

  it('say how many it is about, and in words which permission and role', () => {
    const say = (code: string, values: Record<string, unknown>) =>
      problemSentence({ where: 'x', code, values } as never, (role) => `<${role}>`)
    expect(say('still-held', { people: 1 })).toBe(t('rules.problem.still-held', { n: 1 }, 1))
    expect(say('still-held', { people: 3 })).toBe(t('rules.problem.still-held', { n: 3 }, 3))
    expect(say('given-from-below', { giver: 'learner' })).toContain('<learner>')
    expect(say('needs-permission', { permission: 'see-marks', needed: 'see-roster' })).toBe(
      t('rules.problem.needs-permission', { permission: t('may.see-marks'), needed: t('may.see-roster') }, 1),
    )
  })
})

describe('a draft of rules', () => {
  it('is a copy, looked at while it is written, and dropped', async () => {
    const { edit, draft, changed, rules: shown, drop, asked, preview, looking } = await begin()
    expect([draft.value, changed.value, shown.value]).toEqual([null, false, rules()])
    const own = edit()
    expect(own).toEqual(rules())
    expect(edit()).toEqual(own)
    await settled()
    expect([changed.value, looking.value, asked.length]).toEqual([false, false, 1])
    own.roles[0]!.name = 'Pupil'
    draft.value = { ...own }
    // What is not looked at yet is not put in force, from the first moment on.
    expect(looking.value).toBe(true)
    await settled(299)
    expect([looking.value, asked.length]).toEqual([true, 1])
    await settled(1)
    expect(looking.value).toBe(false)
    expect([changed.value, shown.value!.roles[0]!.name]).toEqual([true, 'Pupil'])
    expect(asked[1]).toMatchObject({ call: 'PUT /rules', body: { rules: rules('Pupil'), apply: false } })
    expect(preview.value).toEqual(nothing)
    drop()
    expect(looking.value).toBe(false)
    await settled()
    expect([draft.value, changed.value, asked.length]).toEqual([null, false, 2])
  })

  it('says at its place what is wrong with it, while it is one', async () => {
    const problems = [
      { where: 'roles/learner', code: 'still-held', values: { people: 3 } },
      { where: 'roles/learner/bands', code: 'out-of-range', values: { least: 1, most: 9 } },
      { where: 'roles/learners', code: 'out-of-range', values: { least: 2, most: 9 } },
    ]
    const { page, edit, draft, wrongAt, drop } = await begin({ 'PUT /rules': { ...nothing, problems } })
    expect(wrongAt('roles/learner')).toEqual([])
    draft.value = { ...edit(), nicknames: [['a']] }
    await settled()
    expect(wrongAt('roles/learner')).toEqual([
      t('rules.problem.still-held', { n: 3 }, 3),
      t('rules.problem.out-of-range', { least: 1, most: 9 }, 1),
    ])
    expect(page.text()).toContain(wrongAt('roles/learner').join('|'))
    expect(wrongAt('numbers')).toEqual([])
    drop()
    expect(wrongAt('roles/learner')).toEqual([])
  })

  it('is put in force, and those of before again by undo', async () => {
    const anew = vi.spyOn(queries, 'invalidateQueries')
    const { edit, draft, save, asked, busy } = await begin({
      'PUT /rules': (request: Request, body: { apply: boolean }) =>
        body.apply ? { ...nothing, version: Number(request.headers.get('If-Match')!.slice(1, -1)) + 1 } : nothing,
    })
    await save()
    expect(asked).toHaveLength(1)
    draft.value = { ...edit(), nicknames: [['a']] }
    const saving = save()
    expect(busy.value).toBe(true)
    await saving
    const put = asked.at(-2)!.call.startsWith('PUT') ? asked.at(-2)! : asked.at(-1)!
    expect(put).toMatchObject({ body: { rules: { nicknames: [['a']] }, apply: true } })
    expect(put.headers.get('If-Match')).toBe('"3"')
    expect([draft.value, busy.value, lastDone.sentence]).toEqual([null, false, t('rules.preview.did', { version: 4 })])
    const kinds = () => anew.mock.calls.map(([filter]) => (filter as { queryKey: string[] }).queryKey[0])
    expect(kinds()).toEqual(['rules', 'platform', 'platform-log', 'roster', 'site', 'card'])
    anew.mockClear()
    undoLast()
    await settled()
    const back = asked.findLast(({ call }) => call.startsWith('PUT'))!
    expect([back.body, back.headers.get('If-Match')]).toEqual([{ rules: rules(), apply: true }, '"4"'])
    expect(kinds().slice(0, 6)).toEqual(['rules', 'platform', 'platform-log', 'roster', 'site', 'card'])
    anew.mockRestore()
  })

  it('stays when it could not be put in force, and what is so now is fetched when it was too late', async () => {
    let kind = 'not-ready'
    const { edit, draft, save, asked, busy } = await begin({
      'PUT /rules': (_: Request, body: { apply: boolean }) =>
        body.apply ? problem(kind, 409, 'These rules are not possible.') : nothing,
    })
    draft.value = { ...edit(), nicknames: [['a']] }
    await save()
    expect([lastDone.sentence, draft.value !== null, busy.value]).toEqual([
      'These rules are not possible.',
      true,
      false,
    ])
    const fetched = () => asked.filter(({ call }) => call === 'GET /rules').length
    expect(fetched()).toBe(1)
    kind = 'stale'
    await save()
    expect(fetched()).toBe(2)
  })

  it('of an earlier version is put in force as a new one', async () => {
    const { edit, draft, putBack, asked, busy } = await begin({
      'GET /rules': (request: Request) =>
        new URL(request.url).searchParams.get('version') === '1' ? book({ version: 1, rules: rules('Pupil') }) : book(),
      'PUT /rules': (_: Request, body: { apply: boolean }) => (body.apply ? { ...nothing, version: 4 } : nothing),
    })
    draft.value = { ...edit(), nicknames: [['a']] }
    const going = putBack(1)
    expect(busy.value).toBe(true)
    await putBack(1)
    await going
    const puts = asked.filter(({ call, body }) => call === 'PUT /rules' && (body as { apply: boolean }).apply)
    expect(puts.map(({ body }) => body)).toEqual([{ rules: rules('Pupil'), apply: true }])
    expect(puts[0]!.headers.get('If-Match')).toBe('"3"')
    expect([draft.value, busy.value]).toEqual([null, false])
    serve({ 'GET /rules': () => problem('not-found', 404, 'This version of the rules is not here.') })
    await putBack(9)
    expect([lastDone.sentence, busy.value]).toEqual(['This version of the rules is not here.', false])
  })

  it('calls a role as it does itself, or by its code', async () => {
    const { roleName, edit, draft } = await begin()
    expect([roleName('learner'), roleName('gone')]).toEqual(['Learner', 'gone'])
    draft.value = { ...edit(), roles: rules('Pupil').roles }
    expect(roleName('learner')).toBe('Pupil')
  })
})

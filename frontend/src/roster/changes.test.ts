import { flushPromises } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { queries } from '@/shared/queries'
import { tellEach } from '@/shared/tell'
import { lastDone } from '@/shared/undo'
import { t, tIn } from '@/shared/words'
import { person, problem, serve, show, site, standing } from '@/testing/server'
import { useChanges } from './changes'

const LISTS = `POST /sites/${site.id}/change-lists`
const ada = person('Ada', 'Byron')
const line = (more: object = {}) => ({
  lines: [
    {
      verdict: 'ready',
      before: standing(),
      after: null,
      outlook: [],
      reasons: [],
      cautions: [],
      told: null,
      entry: 12,
      line: null,
      ...more,
    },
  ],
})
const changes = () =>
  show({ setup: () => useChanges(() => site), template: '<p />' }).page.vm as unknown as ReturnType<typeof useChanges>
const did = (what: string, role = 'learner') =>
  tIn('did', what, { name: 'Ada Byron', role, outlook: t('outlook.none') })

afterEach(() => void (tellEach.value = false))

describe('a change of one person', () => {
  it('is made, said, and can be taken back', async () => {
    const anew = vi.spyOn(queries, 'invalidateQueries')
    const asked = serve({ [LISTS]: line() })
    const { change, busy } = changes()
    expect(await change(ada, { verb: 'remove', version: 3 })).toBe(true)
    expect(asked[0]!.body).toEqual({ apply: true, lines: [{ verb: 'remove', version: 3, person: ada.id }] })
    expect(lastDone).toMatchObject({ sentence: did('remove'), more: '', site: site.id, entry: 12, wrong: false })
    expect(did('remove')).toContain('Ada Byron')
    expect(anew.mock.calls.map(([filter]) => (filter as { queryKey: string[] }).queryKey[0])).toContain('roster')
    expect(busy).toBe(false)
    anew.mockRestore()
  })

  it('is made once, however often it is asked for meanwhile', async () => {
    let answer = (_: object) => {}
    const asked = serve({ [LISTS]: () => new Promise<object>((resolve) => (answer = resolve)) })
    const page = show({
      setup: () => useChanges(() => ({ id: site.id, timeZone: site.timeZone })),
      template: '<p>{{ busy }}</p>',
    }).page
    const { change } = page.vm as unknown as ReturnType<typeof useChanges>
    expect(page.text()).toBe('false')
    const first = change(ada, { verb: 'remove' })
    await flushPromises()
    expect(page.text()).toBe('true')
    expect(await change(ada, { verb: 'remove' })).toBe(false)
    answer(line())
    expect(await first).toBe(true)
    await flushPromises()
    expect([asked.length, page.text()]).toEqual([1, 'false'])
  })

  it('says that nothing changed, that it was asked for, and as what somebody is in', async () => {
    serve({ [LISTS]: line({ verdict: 'nothing-to-do', told: 'mail' }) })
    tellEach.value = true
    await changes().change(ada, { verb: 'remove' })
    expect([lastDone.sentence, lastDone.more]).toEqual([did('nothing'), ''])
    serve({ [LISTS]: line({ before: null, after: standing({ role: 'day-guest' }) }) })
    await changes().change(ada, { verb: 'let-in', role: 'day-guest' })
    expect(lastDone.sentence).toBe(did('let-in', 'day guest'))
    serve({ [LISTS]: line({ before: null, cautions: [{ code: 'waits-for-approval', values: {} }] }) })
    await changes().change(ada, { verb: 'let-in' })
    expect(lastDone.sentence).toBe(did('asked', ''))
    expect(did('asked', '')).not.toBe(did('let-in', ''))
    serve({ [LISTS]: line({ cautions: [{ code: 'account-closed', values: {} }] }) })
    await changes().change(ada, { verb: 'resume' })
    expect(lastDone.sentence).toBe(did('resume'))
    expect(lastDone.more).toBe(t('note.account-closed'))
  })

  it('says how somebody is told, where they are', async () => {
    const asked = serve({ [LISTS]: line({ told: 'mail', cautions: [{ code: 'account-closed', values: {} }] }) })
    await changes().change(ada, { verb: 'pause' })
    expect([asked[0]!.body as object, lastDone.more]).toEqual([
      { apply: true, lines: [{ verb: 'pause', person: ada.id }] },
      t('note.account-closed'),
    ])
    tellEach.value = true
    await changes().change(ada, { verb: 'pause' })
    expect(asked[1]!.body).toMatchObject({ tell: '' })
    expect(lastDone.more).toBe(t('note.account-closed') + ' ' + t('tell.one.mail'))
    serve({ [LISTS]: line() })
    await changes().change(ada, { verb: 'pause' })
    expect(lastDone.more).toBe('')
  })

  it.each([
    ['/lines/0/untilDay', 'The last day comes first.'],
    ['/lines/0/fromDay', 'This is no day.'],
  ])('says at the day what is wrong with it: %s', async (pointer, detail) => {
    const errors = [{ pointer, code: 'day', detail }]
    serve({ [LISTS]: () => problem('invalid', 422, 'Look at the days.', { errors }) })
    lastDone.sentence = 'before'
    const page = show({ setup: () => useChanges(() => site), template: '<p>{{ wrongDay }}</p>' }).page
    const { change } = page.vm as unknown as ReturnType<typeof useChanges>
    expect(page.text()).toBe('')
    expect(await change(ada, { verb: 'pause' })).toBe(false)
    await flushPromises()
    expect([page.text(), lastDone.sentence]).toEqual([detail, 'before'])
    serve({ [LISTS]: line() })
    await change(ada, { verb: 'pause' })
    await flushPromises()
    expect(page.text()).toBe('')
  })

  it('says why it cannot be, and who changed what since', async () => {
    const refused = line({ verdict: 'refused', reasons: [{ code: 'last-lead', values: {} }] }).lines[0]
    serve({ [LISTS]: () => problem('not-ready', 409, 'See its reasons.', { line: refused }) })
    expect(await changes().change(ada, { verb: 'remove' })).toBe(false)
    expect([lastDone.sentence, lastDone.wrong]).toEqual([t('note.last-lead'), true])
    const since = [
      { actor: 'Mara', verb: 'pause', at: null },
      { actor: 'Tobias', verb: 'remove', at: null },
    ]
    serve({ [LISTS]: () => problem('stale', 412, 'Somebody else changed this.', { since }) })
    await changes().change(ada, { verb: 'remove', version: 2 })
    const what = since
      .map((each) => t('trouble.sinceOne', { actor: each.actor, verb: tIn('log.verbs', each.verb) }))
      .join('; ')
    expect(lastDone.sentence).toBe('Somebody else changed this. ' + t('trouble.since', { what }))
    expect(what).toContain('Mara')
    serve({ [LISTS]: () => problem('stale', 412, 'Somebody else changed this.') })
    await changes().change(ada, { verb: 'remove', version: 2 })
    expect(lastDone.sentence).toBe('Somebody else changed this.')
  })
})

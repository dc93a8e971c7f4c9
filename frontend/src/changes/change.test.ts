import { describe, expect, it, vi } from 'vitest'
import type { ChangeListSummary } from '@/shared/api'
import { queries } from '@/shared/queries'
import { t } from '@/shared/words'
import { serve, site, standing } from '@/testing/server'
import { addressOf, change, sayLine, stateOf, takeSitesBack } from './changeLists'

const list = (more: Partial<ChangeListSummary>) => ({ id: 'l', site: null, ...more }) as ChangeListSummary
const here = { id: site.id, title: site.title }

describe('a change list', () => {
  it('is worked on where its kind is', () => {
    const query = { changeList: 'l' }
    expect([
      addressOf(list({ kind: 'pasted', site: here })),
      addressOf(list({ kind: 'pasted' })),
      addressOf(list({ kind: 'people', site: here })),
      addressOf(list({ kind: 'sites' })),
      addressOf(list({ kind: 'accounts' })),
    ]).toEqual([
      { name: 'roster', params: { site: site.id }, query },
      { name: 'people', query },
      { name: 'people', query },
      { name: 'make-sites', query },
      { name: 'make-accounts', query },
    ])
  })

  it.each([
    ['draft', null, null, 'draft', 'brass'],
    ['applying', null, null, 'applying', 'brass'],
    ['applying', null, 'busy', 'stopped', 'clay'],
    ['applying', 'x', null, 'applying', 'brass'],
    ['applied', null, null, 'applied', ''],
    ['applied', null, 'busy', 'applied', ''],
    ['applied', 'x', null, 'undone', 'soft'],
    ['dropped', null, null, 'dropped', 'soft'],
  ] as const)('stands: %s, undone by %s, trouble %s: %s', (state, undoneBy, trouble, word, tone) => {
    expect(stateOf({ state, undoneBy, trouble })).toEqual({ word, tone })
    expect(t(`changeLists.state.${word}`, { done: 1, total: 2 })).not.toContain('changeLists.state')
  })

  it('says of a line how somebody stood before and stands now', () => {
    const role = (code: string | null | undefined) => `The ${code}`
    expect(change({ before: null, after: standing() }, role, [])).toBe(`${t('change.notHere')} → the learner`)
    expect(change({ before: standing({ state: 'paused' }), after: null }, role, [])).toBe(
      `${t('state.paused').toLowerCase()} → ${t('change.notHere')}`,
    )
  })

  it.each([
    [['e'], ['m'], {}, 'Evening → Morning'],
    [[], ['m'], {}, 'no section → Morning'],
    [['e'], [], {}, 'Evening → no section'],
    [['e', 'm'], ['m'], {}, 'Evening, Morning → Morning'],
    [['e'], ['m'], { role: 'assistant' }, 'learner, Evening → assistant, Morning'],
    [['e'], ['e'], { role: 'assistant' }, 'learner → assistant'],
    [['e'], ['e'], { state: 'removed' }, 'learner, Evening → removed'],
  ] as const)('says which sections change: %j, %j, %j', (before, after, more, said) => {
    const sections = [
      { id: 'e', name: 'Evening', retired: true },
      { id: 'm', name: 'Morning', retired: false },
    ]
    const line = {
      before: standing({ sections: [...before] }),
      after: standing({ sections: [...after], ...more }),
    }
    expect(change(line, (code) => code ?? '', sections)).toBe(said)
  })

  it('says in words what became of a line', () => {
    const line = {
      position: 1,
      site: { ...here, timeZone: 'UTC' },
      person: { id: 'p', name: 'Ada Byron' },
      text: '',
      verb: 'let-in',
      role: 'learner',
      reasons: [{ code: 'no-seat', values: { seats: 30, held: 30 } }],
      before: null,
      after: null,
      line: null,
      message: null,
    }
    const said = (verdict: 'waits-for-seat' | null) => sayLine({ ...line, verdict } as never, String)
    expect(said('waits-for-seat')).toContain('30')
    expect(said(null)).not.toContain('undefined')
  })

  it('of sites is taken back, and what stays says why', async () => {
    const anew = vi.spyOn(queries, 'invalidateQueries')
    const asked = serve({
      'POST /site-batches/l/undo': {
        lines: [
          { site: here, verdict: 'ready', detail: null },
          { site: { id: 's', title: 'Choir' }, verdict: 'refused', detail: 'People were let in.' },
          { site: { id: 'r', title: 'Jazz' }, verdict: 'refused', detail: 'It was opened.' },
        ],
      },
    })
    expect(await takeSitesBack('l')).toBe(
      [
        t('changeLists.left', { title: 'Choir', detail: 'People were let in.' }),
        t('changeLists.left', { title: 'Jazz', detail: 'It was opened.' }),
      ].join(' '),
    )
    expect(asked).toHaveLength(1)
    expect(anew.mock.calls).toEqual([[{ queryKey: ['changeLists'] }]])
    anew.mockRestore()
  })
})

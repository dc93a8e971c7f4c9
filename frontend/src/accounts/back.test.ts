import { afterEach, describe, expect, it, vi } from 'vitest'
import { queries } from '@/shared/queries'
import { t } from '@/shared/words'
import { serve } from '@/testing/server'
import { accountNote, takeAccountsBack } from './accounts'
import { cards } from './cards'
import { takeMergeBack } from './merging'

const anew = vi.spyOn(queries, 'invalidateQueries')
const fetched = () => anew.mock.calls.map(([filter]) => (filter as { queryKey: string[] }).queryKey[0])
afterEach(() => anew.mockClear())

describe('accounts', () => {
  it('are taken back, and who stays says why', async () => {
    const asked = serve({
      'POST /account-batches/l/undo': {
        ready: 1,
        left: [
          { row: 2, name: 'Ada Byron', why: 'signed-in' },
          { row: 3, name: 'Max Born', why: 'in-use' },
        ],
      },
    })
    expect(await takeAccountsBack('l')).toBe(
      [t('accounts.left.signed-in', { name: 'Ada Byron' }), t('accounts.left.in-use', { name: 'Max Born' })].join(' '),
    )
    expect(t('accounts.left.in-use', { name: 'Max Born' })).toContain('Max Born')
    expect(asked.map(({ call, body }) => [call, body])).toEqual([['POST /account-batches/l/undo', { apply: true }]])
    expect(fetched()).toEqual(['changeLists', 'accounts', 'directory', 'messages'])
  })

  it('say what is wrong with a row, by its field where there is one', () => {
    expect(accountNote({ code: 'taken', values: { field: 'number' } })).not.toContain('accounts.note')
    expect(accountNote({ code: 'has-account', values: {} })).toBe(t('accounts.note.has-account', { field: '' }))
    expect(accountNote({ code: 'missing', values: { field: 'name' } })).toBe(t('accounts.note.missing-name'))
  })

  it('have no cards that were not made just now', () => {
    expect(cards.value).toEqual([])
  })
})

describe('two who were merged', () => {
  it('are parted again, and shown anew', async () => {
    const asked = serve({ 'POST /merges/l/undo': { changeList: 'm' } })
    expect(await takeMergeBack('l')).toBe('')
    expect(asked.map(({ call, body }) => [call, body])).toEqual([['POST /merges/l/undo', { apply: true }]])
    expect(fetched()).toEqual(['person', 'duplicates', 'directory', 'changeLists'])
  })
})

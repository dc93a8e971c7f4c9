import { describe, expect, it, vi } from 'vitest'
import type { Message } from '@/shared/api'
import { queries } from '@/shared/queries'
import { lastDone } from '@/shared/undo'
import { t, tIn } from '@/shared/words'
import { serve } from '@/testing/server'
import { KINDS, sendAgain, STATES, stateSentence, toneOf, withdraw } from './messages'

const message = (more: Partial<Message>) => ({ state: 'held', waits: null, sentAt: null, ...more }) as Message
const at = (instant: string) => `<${instant}>`

describe('a message', () => {
  it.each([
    [{ state: 'held', waits: 61 }, t('messages.state.held', { n: 2 }, 2)],
    [{ state: 'held', waits: 60 }, t('messages.state.held', { n: 1 }, 1)],
    [{ state: 'held', waits: 0 }, t('messages.state.going')],
    [{ state: 'held', waits: null }, t('messages.state.going')],
    [{ state: 'delayed', waits: 121 }, t('messages.state.delayed', { n: 3 }, 3)],
    [{ state: 'delayed', waits: null }, t('messages.state.delayed', { n: 0 }, 0)],
    [{ state: 'sent', sentAt: 'then' }, t('messages.state.sent', { at: '<then>' })],
    [{ state: 'sent', sentAt: null }, t('messages.state.sent', { at: '' })],
    [{ state: 'bounced' }, t('messages.state.bounced', { at: '' })],
    [{ state: 'withdrawn' }, t('messages.state.withdrawn', { at: '' })],
  ] as [Partial<Message>, string][])('says how it stands: %o', (more, said) => {
    expect(stateSentence(message(more), at)).toBe(said)
    expect(said).not.toMatch(/messages\.state|undefined/)
  })

  it('says when it goes, where it waits for the end of quiet hours', () => {
    const said = stateSentence(message({ waits: 3_600 }), (instant) => String(Math.round(Date.parse(instant) / 60_000)))
    const minute = Math.round(Date.now() / 60_000) + 60
    expect([minute - 1, minute, minute + 1].map((n) => t('messages.state.later', { at: String(n) }))).toContain(said)
  })

  it('has a name for every kind and state, and a colour where somebody has to look', () => {
    expect(KINDS.map((kind) => tIn('messages.kind', kind)).filter((name) => name.startsWith('messages.'))).toEqual([])
    expect(STATES.map(toneOf)).toEqual(['brass', '', 'brass', 'clay', 'soft'])
  })

  it('is sent once more, and what could not be says why', async () => {
    const anew = vi.spyOn(queries, 'invalidateQueries')
    const asked = serve({
      'POST /messages/again': {
        queued: 2,
        left: [
          { id: 'a', name: 'Ada Byron', why: 'no-address' },
          { id: 'b', name: 'Max Born', why: 'no-address' },
        ],
      },
      'POST /messages/withdraw': { withdrawn: 3 },
    })
    await sendAgain(['a', 'b'])
    expect(asked[0]!.body).toEqual({ messages: ['a', 'b'] })
    expect(lastDone.sentence).toBe(t('messages.again', { n: 2 }, 2))
    expect(lastDone.sentence).toContain('2')
    expect(lastDone.more).toBe(
      ['Ada Byron', 'Max Born'].map((name) => t('messages.why.no-address', { name })).join(' '),
    )
    expect(anew.mock.calls.map(([filter]) => (filter as { queryKey: string[] }).queryKey[0])).toEqual([
      'messages',
      'changeLists',
      'accounts',
    ])
    await withdraw(['c'])
    expect(asked[1]!.body).toEqual({ messages: ['c'] })
    expect(lastDone.sentence).toBe(t('messages.withdrawn', { n: 3 }, 3))
    expect(lastDone.sentence).toContain('3')
    expect(anew).toHaveBeenCalledTimes(6)
    anew.mockRestore()
  })
})

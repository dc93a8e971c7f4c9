import { flushPromises } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { trialSentence } from './mail'

describe('a test message', () => {
  it('is told in a sentence: sent, kept inside, refused in the words of the server, or nobody there', async () => {
    await flushPromises()
    const to = 'me@example.org'
    expect(trialSentence({ sent: true, reply: '', inside: false }, to)).toContain('took the message for me@example.org')
    expect(trialSentence({ sent: true, reply: '', inside: true }, to)).toContain('nothing went outside')
    expect(trialSentence({ sent: false, reply: '550 No', inside: false }, to)).toBe(
      'The server did not take it: 550 No',
    )
    expect(trialSentence({ sent: false, reply: '', inside: false }, to)).toContain('no mail server')
  })
})

import { api, take, type Message } from '@/shared/api'
import { refresh } from '@/shared/queries'
import { done } from '@/shared/undo'
import { t } from '@/shared/words'

export const KINDS = [
  'welcome',
  'let-in',
  'role-changed',
  'removed',
  'password',
  'invitation',
  'reminder',
  'seat-offered',
  'request-answered',
  'quiet-warning',
  'wishes',
  'placed',
  'choosing',
  'grouped',
  'written',
  'registration',
] as const
export const STATES = ['held', 'sent', 'delayed', 'bounced', 'withdrawn'] as const
/** Somebody who is not in the directory yet. */
export interface Sample {
  given: string
  family: string
  login: string
  email: string | null
  division: string
}
export type MessageState = Message['state']

const again = () => refresh('messages', 'changeLists', 'accounts')

/** Sends messages once more, and says which could not be. */
export async function sendAgain(messages: string[]): Promise<void> {
  const { queued, left } = await take(api.POST('/messages/again', { body: { messages } }))
  done(
    t('messages.again', { n: queued }, queued),
    undefined,
    left.map((each) => t(`messages.why.${each.why}`, { name: each.name })).join(' '),
  )
  await again()
}

/** Withdraws what is still held. */
export async function withdraw(messages: string[]): Promise<void> {
  const { withdrawn } = await take(api.POST('/messages/withdraw', { body: { messages } }))
  done(t('messages.withdrawn', { n: withdrawn }, withdrawn))
  await again()
}

/** How a message stands: on its way in so many seconds, sent at, or what the server said. */
export function stateSentence(message: Message, at: (instant: string) => string): string {
  const minutes = Math.ceil((message.waits ?? 0) / 60)
  // What waits for the end of quiet hours is said by the hour at which it goes.
  if (message.state === 'held' && minutes > 15)
    return t('messages.state.later', { at: at(new Date(Date.now() + minutes * 60_000).toISOString()) })
  if (message.state === 'held')
    return message.waits ? t('messages.state.held', { n: minutes }, minutes) : t('messages.state.going')
  if (message.state === 'delayed') return t('messages.state.delayed', { n: minutes }, minutes)
  return t(`messages.state.${message.state}`, { at: message.sentAt ? at(message.sentAt) : '' })
}

export const toneOf = (state: MessageState) =>
  ({ held: 'brass', delayed: 'brass', bounced: 'clay', withdrawn: 'soft', sent: '' })[state]

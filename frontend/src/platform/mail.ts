import { ref } from 'vue'
import { api, take, type MailTrial, type Settings } from '@/shared/api'
import { t } from '@/shared/words'

export type MailSet = Settings['mail']
export type LetterheadSet = Settings['letterheads'][number]

/** Where encrypted connections of a kind are mostly answered. */
export const PORTS: Record<MailSet['security'], number> = { tls: 465, starttls: 587, none: 25 }

export const emptyLetterhead = (division: string | null): LetterheadSet => ({
  division,
  sender: '',
  replyTo: '',
  footer: '',
  quietFrom: '',
  quietUntil: '',
})

/** The password of the mail server as it was typed; it is no setting, and is kept with them. */
export const typedPassword = ref('')

export async function keepTypedPassword() {
  if (!typedPassword.value) return
  await take(api.PUT('/settings/mail-password', { body: { password: typedPassword.value } }))
  typedPassword.value = ''
}

/** What a test message came to, in a sentence. */
export function trialSentence(trial: MailTrial, to: string): string {
  if (trial.sent) return t(trial.inside ? 'platform.mail.trial.inside' : 'platform.mail.trial.sent', { to })
  return trial.reply ? t('platform.mail.trial.refused', { reply: trial.reply }) : t('platform.mail.trial.silent')
}

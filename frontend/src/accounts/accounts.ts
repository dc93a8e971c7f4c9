import { api, take } from '@/shared/api'
import { refresh } from '@/shared/queries'
import { inSentence, isSaid, t, tIn } from '@/shared/words'

/** What may be said of somebody in a row, in this order. */
export const FIELDS = ['given', 'family', 'email', 'number', 'level'] as const
export type Typed = Record<(typeof FIELDS)[number], string>

/** A note about a row of accounts, as a sentence. */
export function accountNote(note: { code: string; values: Record<string, unknown> }): string {
  const field = String(note.values.field ?? '')
  // What is wrong with a field by itself has a sentence of its own for each.
  const own = `${note.code}-${field}`
  if (isSaid('accounts.note', own)) return tIn('accounts.note', own, note.values)
  return tIn('accounts.note', note.code, { ...note.values, field: field ? inSentence(tIn('facts', field)) : '' })
}

/** Takes the accounts of a change list back; answers who had to stay, and why. */
export async function takeAccountsBack(changeList: string): Promise<string> {
  const { left } = await take(
    api.POST('/account-batches/{changeList}/undo', { params: { path: { changeList } }, body: { apply: true } }),
  )
  await refresh('changeLists', 'accounts', 'directory', 'messages')
  return left.map((each) => t(`accounts.left.${each.why}`, { name: each.name })).join(' ')
}

import { api, take } from '@/shared/api'
import { done, refreshSite } from '@/shared/undo'
import { isSaid, t, tIn } from '@/shared/words'

/** Of so many it is said one by one what became of them. */
const SAID = 4

/** Answers those who wait at the doors of a site, or moves one up; says what became of each. */
export async function answerWaiting(site: string, waiters: number[], say: 'yes' | 'no' | 'up', why = '') {
  const { items } = await take(
    api.POST('/sites/{site}/waiting', { params: { path: { site } }, body: { waiters, answer: say, why } }),
  )
  const told = items
    .slice(0, SAID)
    .map((each) =>
      tIn('doors.line.did', isSaid('doors.line.did', each.code) ? each.code : 'other', { name: each.name }),
    )
  done(told.join(' ') + (items.length > SAID ? ' …' : ''))
  await refreshSite()
}

// All of them is said on purpose.
const chosen = (ids: string[]) => (ids.length ? { invitations: ids } : { all: true })

/** Sends invitations once more: some, or all that nobody answered. */
export async function inviteAgain(site: string, door: string, ids: string[]) {
  const { done: n } = await take(
    api.POST('/sites/{site}/doors/{door}/invitations/again', { params: { path: { site, door } }, body: chosen(ids) }),
  )
  done(t('doors.invite.didAgain', { n }, n))
  await refreshSite()
}

/** Takes invitations back: some, or all that nobody answered. */
export async function withdrawInvitations(site: string, door: string, ids: string[]) {
  const { done: n } = await take(
    api.POST('/sites/{site}/doors/{door}/invitations/withdraw', {
      params: { path: { site, door } },
      body: chosen(ids),
    }),
  )
  done(t('doors.invite.didWithdraw', { n }, n))
  await refreshSite()
}

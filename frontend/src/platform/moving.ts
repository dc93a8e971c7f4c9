import { api, take } from '@/shared/api'
import { refresh } from '@/shared/queries'

/** What a move between divisions changes everywhere. */
export const afterMoving = () =>
  refresh('settings', 'settings-versions', 'platform', 'platform-log', 'sites', 'people', 'person', 'changeLists')

/** Puts back what a change list moved between divisions. */
export async function moveDivisionBack(changeList: string): Promise<string> {
  await take(api.POST('/division-moves/{changeList}/undo', { params: { path: { changeList } }, body: { apply: true } }))
  await afterMoving()
  return ''
}

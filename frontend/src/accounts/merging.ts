import { api, take } from '@/shared/api'
import { refresh } from '@/shared/queries'

/** Parts again what a change list made one. */
export async function takeMergeBack(changeList: string): Promise<string> {
  await take(api.POST('/merges/{changeList}/undo', { params: { path: { changeList } }, body: { apply: true } }))
  await refresh('person', 'duplicates', 'directory', 'changeLists')
  return ''
}

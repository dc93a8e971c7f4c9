import { api, take } from '@/app/api'
import { queries } from '@/app/queries'

/** Parts again what a sheet made one. */
export async function takeMergeBack(sheet: string): Promise<string> {
  await take(api.POST('/merges/{sheet}/undo', { params: { path: { sheet } }, body: { apply: true } }))
  await Promise.all(
    ['person', 'doubles', 'directory', 'sheets'].map((key) => queries.invalidateQueries({ queryKey: [key] })),
  )
  return ''
}

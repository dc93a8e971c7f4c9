import { api, take, type CarriedBack } from '@/shared/api'
import { refresh } from '@/shared/queries'
import { refreshSite } from '@/shared/undo'
import { t } from '@/shared/words'

/** What sites that are merged or divided change everywhere. */
export async function afterCarrying() {
  await refreshSite()
  await refresh('sections', 'doors', 'changeLists', 'items')
}

const KINDS = {
  'site-merge': '/site-merges/{changeList}/undo',
  'site-split': '/site-splits/{changeList}/undo',
  'term-change': '/term-changes/{changeList}/undo',
} as const
export type CarryKind = keyof typeof KINDS
export const isCarrying = (kind: string): kind is CarryKind => kind in KINDS

/** What taking back that sites were merged, or sections taken out, would do, or did. */
export const carryBack = async (kind: CarryKind, changeList: string, apply: boolean): Promise<CarriedBack> =>
  take(api.POST(KINDS[kind], { params: { path: { changeList } }, body: { apply } }))

/** Takes it back, and says who stayed. */
export async function takeCarryingBack(kind: CarryKind, changeList: string): Promise<string> {
  const { stay } = await carryBack(kind, changeList, true)
  await afterCarrying()
  return stay ? t('sections.merge.stayed', { n: stay }, stay) : ''
}

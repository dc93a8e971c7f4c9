import type { RouteLocationRaw } from 'vue-router'
import { api, take, type SheetPage, type SheetRecord } from '@/app/api'
import { queries } from '@/app/queries'
import { lineSentences, type RoleName } from '@/app/sentences'
import { t } from '@/app/words'

/** Where a draft is worked on. */
export function addressOf(sheet: Pick<SheetRecord, 'id' | 'kind' | 'site'>): RouteLocationRaw {
  if (sheet.kind === 'pasted' && sheet.site)
    return { name: 'roster', params: { site: sheet.site.id }, query: { sheet: sheet.id } }
  return {
    name: sheet.kind === 'sites' ? 'make-sites' : sheet.kind === 'accounts' ? 'make-accounts' : 'people',
    query: { sheet: sheet.id },
  }
}

/** How a sheet stands, as a word and how it looks. */
export function stateOf(sheet: Pick<SheetRecord, 'state' | 'undoneBy' | 'trouble'>): { word: string; tone: string } {
  if (sheet.state === 'applied' && sheet.undoneBy) return { word: 'undone', tone: 'soft' }
  if (sheet.state === 'applying' && sheet.trouble) return { word: 'stopped', tone: 'clay' }
  return { word: sheet.state, tone: { draft: 'brass', applying: 'brass', applied: '', dropped: 'soft' }[sheet.state] }
}

type Line = SheetPage['lines'][number]
/** What became of a line, in words; its days are those of its site. */
export function sayLine(line: Line, roleName: RoleName): string {
  const said = { ...line, outlook: [], cautions: [], verdict: line.verdict ?? ('ready' as const) }
  return lineSentences(said, line.site.timeZone, roleName).join(' ')
}

/** Before and after of a line: "not here → learner". */
export function change(line: Pick<Line, 'before' | 'after'>, roleName: RoleName): string {
  const word = (standing: Line['before']) => {
    if (!standing) return t('sheets.notHere')
    return standing.state === 'current'
      ? roleName(standing.role).toLowerCase()
      : t('state.' + standing.state).toLowerCase()
  }
  return `${word(line.before)} → ${word(line.after)}`
}

/** Takes back the sites a sheet made; answers what had to stay, and why. */
export async function takeSitesBack(sheet: string): Promise<string> {
  const { lines } = await take(api.POST('/site-batches/{sheet}/undo', { params: { path: { sheet } } }))
  await queries.invalidateQueries({ queryKey: ['sheets'] })
  return lines
    .filter((line) => line.detail)
    .map((line) => t('makeSites.left', { title: line.site.title, detail: line.detail! }))
    .join(' ')
}

/** A row of a sheet of sites: what was asked for, and the site that came of it. */
export interface SiteMade {
  number: number
  title: string
  code: string
  site: string | null
  gone?: boolean
  problems?: { detail: string }[]
}

import type { RouteLocationRaw } from 'vue-router'
import { api, take, type ChangeList, type ChangeListSummary } from '@/shared/api'
import { refresh } from '@/shared/queries'
import { lineSentences, type RoleName } from '@/shared/sentences'
import { inSentence, t } from '@/shared/words'

/** Where a draft is worked on. */
export function addressOf(changeList: Pick<ChangeListSummary, 'id' | 'kind' | 'site'>): RouteLocationRaw {
  if (changeList.kind === 'pasted' && changeList.site)
    return { name: 'roster', params: { site: changeList.site.id }, query: { changeList: changeList.id } }
  const pages: Partial<Record<ChangeListSummary['kind'], string>> = {
    sites: 'make-sites',
    accounts: 'make-accounts',
    'term-change': 'term-change',
  }
  return { name: pages[changeList.kind] ?? 'people', query: { changeList: changeList.id } }
}

/** How a change list stands, as a word and how it looks. */
export function stateOf(changeList: Pick<ChangeListSummary, 'state' | 'undoneBy' | 'trouble'>): {
  word: ChangeListSummary['state'] | 'undone' | 'stopped'
  tone: string
} {
  if (changeList.state === 'applied' && changeList.undoneBy) return { word: 'undone', tone: 'soft' }
  if (changeList.state === 'applying' && changeList.trouble) return { word: 'stopped', tone: 'clay' }
  return {
    word: changeList.state,
    tone: { draft: 'brass', applying: 'brass', applied: '', dropped: 'soft' }[changeList.state],
  }
}

type Line = ChangeList['lines'][number]
/** What became of a line, in words; its days are those of its site. */
export function sayLine(line: Line, roleName: RoleName): string {
  const said = { ...line, outlook: [], cautions: [], verdict: line.verdict ?? ('ready' as const) }
  return lineSentences(said, line.site.timeZone, roleName).join(' ')
}

const INSIDE = new Set<string>(['current', 'paused', 'upcoming'])
/** Before and after of a line: "not here → learner", and where only sections are others: "Evening → Morning". */
export function change(
  line: Pick<Line, 'before' | 'after'>,
  roleName: RoleName,
  sections: ChangeList['sections'],
): string {
  const word = (standing: Line['before']) => {
    if (!standing) return t('change.notHere')
    return standing.state === 'current' ? inSentence(roleName(standing.role)) : inSentence(t(`state.${standing.state}`))
  }
  const within = (standing: Line['before']) =>
    sections
      .filter(({ id }) => standing && INSIDE.has(standing.state) && standing.sections.includes(id))
      .map(({ name }) => name)
      .filter((name, n, all) => all.indexOf(name) === n)
      .join(', ')
  const [before, after] = [word(line.before), word(line.after)]
  const [out, into] = [within(line.before), within(line.after)]
  if (out === into) return `${before} → ${after}`
  if (before === after) return `${out || t('change.noSection')} → ${into || t('change.noSection')}`
  return [before, out].filter(Boolean).join(', ') + ' → ' + [after, into].filter(Boolean).join(', ')
}

/** Takes back the sites a change list made; answers what had to stay, and why. */
export async function takeSitesBack(changeList: string): Promise<string> {
  const { lines } = await take(api.POST('/site-batches/{changeList}/undo', { params: { path: { changeList } } }))
  await refresh('changeLists')
  return lines
    .filter((line) => line.detail)
    .map((line) => t('changeLists.left', { title: line.site.title, detail: line.detail! }))
    .join(' ')
}

/** A row of a change list of sites: what was asked for, and the site that came of it. */
export interface SiteMade {
  number: number
  title: string
  code: string
  site: string | null
  gone?: boolean
  problems?: { detail: string }[]
}

import { readLook } from '@/shared/appearance'
import { api, take, type Settings, type SettingsBook, type SettingsPreview } from '@/shared/api'
import { useDrafted, type Versioned } from '@/shared/drafted'
import { isDay } from '@/shared/days'
import { FOUR_KINDS } from '@/shared/kinds'
import { ownLocale } from '@/shared/own'
import { refresh } from '@/shared/queries'
import { inSentence, t, tIn } from '@/shared/words'
import { divisionOptions } from '@/ui/options'
import { keepTypedPassword } from './mail'

export type DivisionSet = Settings['divisions'][number]
export type TermSet = Settings['terms'][number]
export type DaysOffSet = Settings['daysOff'][number]
type Problem = SettingsPreview['problems'][number]
type Difference = SettingsPreview['differences'][number]

const SETTINGS: Versioned<Settings, SettingsBook, SettingsPreview> = {
  name: 'settings',
  read: (version) => take(api.GET('/settings', { params: { query: { version } } })),
  of: (book) => book.settings,
  look: (settings, signal) => take(api.PUT('/settings', { signal, body: { settings, apply: false } })),
  apply: async (settings, seen) => {
    const params = { header: { 'If-Match': `"${seen}"` } }
    const came = await take(api.PUT('/settings', { params, body: { settings, apply: true } }))
    await keepTypedPassword()
    return came
  },
  afterwards: () =>
    Promise.all([
      readLook(),
      refresh('settings', 'settings-versions', 'first-steps', 'platform', 'platform-log', 'sites', 'people'),
    ]),
  did: (version) => t('platform.did', { version }),
}

/** A division as it is read: with how many are above it. */
export interface DivisionRow {
  division: DivisionSet
  depth: number
}

/** Divisions as they are read: each followed by those below it, those beside one another by name. */
export function inOrder(
  divisions: readonly DivisionSet[],
  nameOf: (division: DivisionSet) => string = (division) => division.name,
): DivisionRow[] {
  const codes = new Set(divisions.map((each) => each.code))
  const above = (each: DivisionSet) => (each.parent && codes.has(each.parent) ? each.parent : '')
  const rows: DivisionRow[] = []
  const walk = (of: string, depth: number) => {
    const here = divisions.filter((each) => above(each) === of)
    for (const division of here.toSorted((a, b) => nameOf(a).localeCompare(nameOf(b)))) {
      rows.push({ division, depth })
      walk(division.code, depth + 1)
    }
  }
  walk('', 0)
  // Those in a ring are shown as well: what is wrong with them is said there.
  const shown = new Set(rows.map(({ division }) => division.code))
  return [...rows, ...divisions.filter((each) => !shown.has(each.code)).map((division) => ({ division, depth: 0 }))]
}

/** The sentence of something that is wrong with settings. */
export const problemSentence = ({ code, values }: Problem): string => {
  const counted = values.people ?? values.sites ?? values.divisions
  return tIn('platform.problem', code, values as Record<string, string | number>, Number(counted ?? 1))
}

/** What one thing becomes: a sentence, and a line for each field. */
export function differenceLines({ of, which, how, fields }: Difference): { sentence: string; fields: string[] } {
  const said = (field: string, value: string) => {
    if (of === 'mail' && field === 'carrier') return tIn('platform.mail.by', value || 'unset')
    if (of === 'mail' && field === 'security') return tIn('platform.mail.secure', value)
    return value === 'yes' || value === 'no' ? t(`platform.preview.${value}`) : value
  }
  const called = (field: string) =>
    tIn('platform.preview.field', of === 'mail' && field === 'from' ? 'mailFrom' : field)
  return {
    sentence: tIn('platform.preview.difference', `${of}.${how}`, { which: which || t('platform.everything') }),
    fields:
      of === 'platform'
        ? []
        : fields.map(({ field, before, after }) => {
            const values = {
              field: called(field),
              before: said(field, before),
              after: said(field, after),
            }
            if (before && after) return t('platform.preview.was', values)
            return after ? t('platform.preview.set', values) : t('platform.preview.emptied', values)
          }),
  }
}

/** The levels of a division in words, such as "Year 1 to Year 6". */
export function levelWords(division: DivisionSet): string {
  const { levels } = division
  if (!levels) return t(`platform.division.levelsAs.${division.parent ? 'above' : 'numbers'}`)
  const names = levels.names
  if (!names.length) return inSentence(t('platform.division.levelsAs.none'))
  return t('platform.division.levelRun', { first: names[0]!, last: names.at(-1)! }, names.length > 1 ? 2 : 1)
}

/** What is only missing yet, and is said once all of it is looked at. */
const MISSING: readonly string[] = [
  'no-day',
  'no-name',
  'no-host',
  'no-address',
  'no-site',
  'no-role',
  'no-labels',
  'no-choices',
]

/** The settings, and a draft of others. Example: `const { settings, edit, wrongAt } = useSettings()`. */
export function useSettings() {
  const { content: settings, ...all } = useDrafted(SETTINGS)
  const { changed, preview } = all

  /** What is wrong with one part, by the beginning of its place; what is only missing yet is said beside it. */
  const wrongAt = (where: string): string[] =>
    changed.value
      ? (preview.value?.problems ?? [])
          .filter((problem) => problem.where === where || problem.where.startsWith(where + '/'))
          .filter(({ code, where }) => !MISSING.includes(code) || where === 'name')
          .map(problemSentence)
      : []

  const known = (part: 'divisions' | 'terms' | 'details' | 'kinds') =>
    new Set(all.book.value?.settings[part].map(({ code }) => code))

  return { ...all, settings, wrongAt, known }
}

export type AllSettings = ReturnType<typeof useSettings>

/** What each part of the page gets. */
export interface PartOfSettings {
  settings: Settings
  mayChange: boolean
  wrongAt: (where: string) => string[]
  edit: () => Settings
  /** Codes of what holds already, and not only in the draft. */
  known: (part: 'divisions' | 'terms' | 'details' | 'kinds') => Set<string>
}

/** Divisions to choose from, each as far in as it is below others, after "the whole platform". */
export const scopeOptions = (divisions: readonly DivisionSet[]) => [
  { value: '', label: t('platform.everything') },
  ...divisionOptions(
    inOrder(divisions)
      .map(({ division }) => division)
      .filter(({ retired }) => !retired),
  ),
]

/** Kinds of people there are in a draft, called as those of them together. */
export const kindsOf = ({ kinds }: Settings): { code: string; name: string }[] => [
  ...FOUR_KINDS.map((code) => ({ code, name: t(`platform.starter.kind.${code}`) })),
  ...kinds.map(({ code, name }) => ({ code, name })),
]

/** From one day to another, as people write it; a single day once. */
export function spanWords(from: string, until: string): string {
  const format = new Intl.DateTimeFormat(ownLocale, { dateStyle: 'medium', timeZone: 'UTC' })
  return isDay(from) && isDay(until) ? format.formatRange(new Date(from), new Date(until)) : ''
}

/** The terms of the last year there is: those that begin some days less than a year before the last one, or later. */
export function lastYear(terms: readonly TermSet[]): TermSet[] {
  const days = terms.map((each) => each.startsOn).filter(isDay)
  const last = days.toSorted().at(-1)
  if (!last) return []
  const before = new Date(new Date(last).getTime() - 51 * 7 * 86_400_000).toISOString().slice(0, 10)
  return terms.filter((each) => isDay(each.startsOn) && isDay(each.endsOn) && each.startsOn > before)
}

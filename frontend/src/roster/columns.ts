import type { Platform, RosterRow } from '@/shared/api'
import { detailOf, detailWords, type DetailColumn } from '@/shared/details'
import { day, listName, type RoleName } from '@/shared/sentences'
import { t } from '@/shared/words'
import { kindName } from '@/shared/kinds'
import type { RowColumn } from '@/ui/columns'

export const COLUMNS = [
  'name',
  'kind',
  'level',
  'division',
  'number',
  'role',
  'section',
  'state',
  'since',
  'seen',
  'work',
  'labels',
  'groups',
] as const
/** Those the server sorts by. */
export const SORTABLE = [
  'name',
  'kind',
  'level',
  'division',
  'number',
  'role',
  'section',
  'state',
  'since',
  'seen',
] as const
export type Sortable = (typeof SORTABLE)[number]
export const sortable = (column: Column): column is Sortable => (SORTABLE as readonly string[]).includes(column)
type Standing = (typeof COLUMNS)[number]
export type Column = Standing | DetailColumn
const WEIGHTS: Record<Standing, number> = {
  name: 1.9,
  kind: 1.15,
  level: 0.8,
  division: 1.35,
  number: 1,
  role: 1.15,
  section: 1,
  state: 1.35,
  since: 0.9,
  seen: 1.2,
  work: 1.05,
  labels: 1.2,
  groups: 1.2,
}

type Details = Platform['details']
const standing = (column: Column): column is Standing => (COLUMNS as readonly string[]).includes(column)
const detail = (column: Column, details: Details) => details.find(({ code }) => code === detailOf(column))

/** The heading of a column. */
export const heading = (column: Column, details: Details): string =>
  standing(column) ? t(`roster.col.${column}`) : (detail(column, details)?.name ?? '')

/** Columns of a roster as its table has them. */
export const rowColumns = (columns: readonly Column[], details: Details = []): RowColumn[] =>
  columns.map((key) => ({
    key,
    label: heading(key, details),
    weight: standing(key) ? WEIGHTS[key] : 1.1,
    sortable: sortable(key),
    always: key === 'name',
    // Shown when they are asked for; exports have them, too.
    optional: !standing(key) || key === 'groups',
  }))

/**
 * What a row says in a column.
 *
 * @param sections names of sections by their ids
 */
export function cell(
  row: RosterRow,
  column: Column,
  zone: string,
  roleName: RoleName,
  details: Details = [],
  sections: (ids: readonly string[]) => string = () => '',
): string {
  const { person, standing } = row
  const kept = detail(column, details)
  if (kept) return detailWords(kept, row.details[kept.code])
  switch (column) {
    case 'name':
      return listName(person)
    case 'kind':
      return kindName(person)
    case 'level':
      return person.level === null ? '' : String(person.level)
    case 'division':
      return person.division.name
    case 'number':
      return person.number ?? ''
    case 'role':
      return roleName(standing.role)
    case 'section':
      return sections(standing.sections)
    case 'state':
      return (
        t(`state.${row.because === 'waits-for-approval' ? 'approval' : standing.state}`) +
        (row.because === 'account-closed' && standing.state === 'current' ? t('roster.closedAccount') : '')
      )
    case 'since':
      return day(standing.since, zone)
    case 'work':
      return row.work ? t('roster.work', row.work) : ''
    case 'labels':
      return row.labels.join(', ')
    case 'groups':
      return row.groups.join(', ')
    case 'seen':
      return row.lastSeen ? day(row.lastSeen, zone) : t('roster.never')
    default:
      return ''
  }
}

import type { RosterRow } from '@/shared/api'
import { day, listName, type RoleName } from '@/shared/sentences'
import { t } from '@/shared/words'
import type { RowColumn } from '@/ui/columns'

export const COLUMNS = [
  'name',
  'kind',
  'level',
  'division',
  'number',
  'role',
  'state',
  'since',
  'seen',
  'work',
  'labels',
] as const
/** Those the server sorts by. */
export const SORTABLE = ['name', 'kind', 'level', 'division', 'number', 'role', 'state', 'since', 'seen'] as const
export type Sortable = (typeof SORTABLE)[number]
export const sortable = (column: Column): column is Sortable => (SORTABLE as readonly string[]).includes(column)
export type Column = (typeof COLUMNS)[number]
const WEIGHTS: Record<Column, number> = {
  name: 2,
  kind: 1.15,
  level: 0.85,
  division: 1.35,
  number: 1,
  role: 1.15,
  state: 1.25,
  since: 0.9,
  seen: 1.1,
  work: 1.05,
  labels: 1.2,
}

/** Columns of a roster as its table has them. */
export const rowColumns = (columns: readonly Column[]): RowColumn[] =>
  columns.map((key) => ({
    key,
    label: t(`roster.col.${key}`),
    weight: WEIGHTS[key],
    sortable: sortable(key),
    always: key === 'name',
  }))

/** What a row says in a column. */
export function cell(row: RosterRow, column: Column, zone: string, roleName: RoleName): string {
  const { person, standing } = row
  switch (column) {
    case 'name':
      return listName(person)
    case 'kind':
      return t(`kind.${person.kind}`)
    case 'level':
      return person.level === null ? '' : String(person.level)
    case 'division':
      return person.division.name
    case 'number':
      return person.number ?? ''
    case 'role':
      return roleName(standing.role)
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
    case 'seen':
      return row.lastSeen ? day(row.lastSeen, zone) : t('roster.never')
  }
}

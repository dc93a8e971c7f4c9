import type { Platform } from './api'
import { isDay } from './days'
import { ownLocale } from './own'

type Detail = Pick<Platform['details'][number], 'type'>

/** What is kept under a detail, as people write it. */
export function detailWords({ type }: Detail, value: string | undefined): string {
  if (!value) return ''
  if (type === 'date' && isDay(value))
    return new Intl.DateTimeFormat(ownLocale, { dateStyle: 'medium', timeZone: 'UTC' }).format(new Date(value))
  return type === 'number' && !Number.isNaN(Number(value))
    ? new Intl.NumberFormat(ownLocale, { maximumFractionDigits: 4 }).format(Number(value))
    : value
}

/** Column of a table for a detail. */
export type DetailColumn = `detail-${string}`
export const detailColumn = (code: string): DetailColumn => `detail-${code}`
export const detailOf = (column: string): string | undefined => /^detail-(.+)$/.exec(column)?.[1]

/** What an address asks of details, such as `instrument=viola&mark=10..15`. */
export const readWanted = (asked: string): Map<string, string> => new Map(new URLSearchParams(asked))
export const writeWanted = (wanted: ReadonlyMap<string, string>): string =>
  new URLSearchParams([...wanted].filter(([, value]) => value !== '' && value !== '..')).toString()

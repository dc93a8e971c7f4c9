import { ownLocale } from './own'

/** What a typed day is read by. */
export interface DayFrame {
  /** Today, as YYYY-MM-DD. */
  today: string
  /** The first day that matters here (of a term), as YYYY-MM-DD: the letter t stands for it. */
  first?: string
  /** Says whether 7/9 is the 7th of September. */
  locale?: string
}

const two = (n: number) => String(n).padStart(2, '0')
const utc = (day: string) => new Date(day + 'T00:00:00Z')
const LONG = 86_400_000

/** Whether a text is a day that there is, as YYYY-MM-DD. */
export function isDay(text: string): boolean {
  if (!/^\d{4}-\d\d-\d\d$/.test(text)) return false
  const date = utc(text)
  return !Number.isNaN(date.getTime()) && date.toISOString().startsWith(text)
}

/** A day so many days later, as YYYY-MM-DD. */
export const daysLater = (day: string, days: number) =>
  new Date(utc(day).getTime() + days * LONG).toISOString().slice(0, 10)

/** The day that an instant falls on in a zone, as YYYY-MM-DD. */
export function dayIn(instant: Date, zone: string): string {
  const parts = new Intl.DateTimeFormat('en-CA', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' })
  return parts.format(instant)
}

/** A day as a field shows it, with the month as a word, so that nobody takes the month for the day: "7 Sept 2026". */
export function writtenDay(day: string, locale = ownLocale): string {
  if (!isDay(day)) return day
  const format = new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' })
  return format.format(utc(day))
}

/** A day of this year or near it: "7 Sept". */
export function shortDay(day: string, locale = ownLocale): string {
  return new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'short', timeZone: 'UTC' }).format(utc(day))
}

/** A day in numbers, in the order that is typed: "07/09/2026". */
export function numericDay(day: string, locale = ownLocale): string {
  const format = new Intl.DateTimeFormat(locale, {
    day: '2-digit',
    month: '2-digit',
    year: 'numeric',
    timeZone: 'UTC',
  })
  return format.format(utc(day))
}

type Part = 'day' | 'month' | 'year'

/** In which order day, month and year are written in numbers. */
export function dayOrder(locale = ownLocale): Part[] {
  return new Intl.DateTimeFormat(locale, { day: '2-digit', month: '2-digit', year: 'numeric' })
    .formatToParts(0)
    .map((part) => part.type)
    .filter((type): type is Part => type === 'day' || type === 'month' || type === 'year')
}

const folded = (text: string) =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036f.]/g, '')
    .toLowerCase()

const known = new Map<string, [string, number][]>()

/** Names of months of a locale, long and short, each with its number from 1. */
function monthNames(locale: string): [string, number][] {
  const before = known.get(locale)
  if (before) return before
  const names = Array.from({ length: 12 }, (_, month) => month).flatMap((month) =>
    (['long', 'short'] as const).map((style): [string, number] => {
      const format = new Intl.DateTimeFormat(locale, { day: 'numeric', month: style, timeZone: 'UTC' })
      const name = format.formatToParts(Date.UTC(2026, month, 1)).find((part) => part.type === 'month')
      return [folded(name?.value ?? ''), month + 1]
    }),
  )
  known.set(locale, names)
  return names
}

/** The month that a word of three letters or more begins, if it begins only one. */
function monthOf(word: string, locale: string): number | undefined {
  const typed = folded(word)
  if (typed.length < 3) return undefined
  const found = new Set(
    [...monthNames(locale), ...monthNames('en-GB')]
      .filter(([name]) => name.startsWith(typed))
      .map(([, month]) => month),
  )
  return found.size === 1 ? [...found][0] : undefined
}

function made(year: number, month: number, day: number): string | undefined {
  const text = `${year}-${two(month)}-${two(day)}`
  return isDay(text) ? text : undefined
}

/** The day of that name which is nearest to today, when no year was typed; the later one of two as near. */
function nearest(month: number, day: number, today: string): string | undefined {
  const year = Number(today.slice(0, 4))
  const far = (each: string) => Math.abs(utc(each).getTime() - utc(today).getTime())
  return [year + 1, year, year - 1]
    .map((each) => made(each, month, day))
    .filter((each): each is string => each !== undefined)
    .sort((a, b) => far(a) - far(b))[0]
}

/**
 * The day that somebody typed, as YYYY-MM-DD, or nothing when it is none: 2026-09-07, 7/9/2026, 7.9., 070926, 7 Sep,
 * Sep 7 2026, Mon 7 Sept, t (the term's first day), +7 (in a week), -1. A year of two figures is of this century.
 */
export function readDay(typed: string, frame: DayFrame): string | undefined {
  const { today, first, locale = ownLocale } = frame
  const text = typed.trim()
  if (/^t$/i.test(text)) return first
  if (/^[+-]\d{1,4}$/.test(text)) return daysLater(today, Number(text))
  if (/^\d{4}-\d\d?-\d\d?$/.test(text)) {
    const [year, month, day] = text.split('-').map(Number)
    return made(year!, month!, day!)
  }
  const words = text.split(/[\s,./-]+/).filter(Boolean)
  const numbers = words.filter((word) => /^\d+$/.test(word))
  const months = words.map((word) => monthOf(word, locale)).filter((month) => month !== undefined)
  const yearOf = (number: string | undefined) =>
    number === undefined ? undefined : number.length === 2 ? 2000 + Number(number) : Number(number)
  if (months.length === 1 && (numbers.length === 1 || numbers.length === 2)) {
    const [day, year] = numbers[0]!.length === 4 ? [numbers[1], numbers[0]] : numbers
    const wanted = yearOf(year)
    return wanted === undefined ? nearest(months[0]!, Number(day), today) : made(wanted, months[0]!, Number(day))
  }
  if (words.length !== numbers.length) return undefined
  const order = dayOrder(locale)
  const short = order.filter((part) => part !== 'year')
  if (numbers.length === 1) {
    const figures = numbers[0]!
    if (figures.length !== 6 && figures.length !== 8) return undefined
    let rest = figures
    const cut = order.map((part) => {
      const length = part === 'year' ? figures.length - 4 : 2
      const piece = rest.slice(0, length)
      rest = rest.slice(length)
      return piece
    })
    const at = (part: Part) => cut[order.indexOf(part)]!
    return made(yearOf(at('year'))!, Number(at('month')), Number(at('day')))
  }
  if (numbers.length === 2) {
    return nearest(Number(numbers[short.indexOf('month')]), Number(numbers[short.indexOf('day')]), today)
  }
  if (numbers.length !== 3) return undefined
  const at = (part: Part) => numbers[order.indexOf(part)]!
  return made(yearOf(at('year'))!, Number(at('month')), Number(at('day')))
}

/** The time that somebody typed, as HH:MM, or nothing when it is none: 9, 9:30, 930, 09.30, 9h30, 2 pm. */
export function readTime(typed: string): string | undefined {
  const parts = /^(\d{1,2})(?:[:.h ]?([0-5]\d))?\s*(am|pm)?$/i.exec(typed.trim())
  if (!parts) return undefined
  const half = parts[3]?.toLowerCase()
  let hour = Number(parts[1])
  if (half && (hour < 1 || hour > 12)) return undefined
  if (half) hour = (hour % 12) + (half === 'pm' ? 12 : 0)
  return hour < 24 ? `${two(hour)}:${parts[2] ?? '00'}` : undefined
}

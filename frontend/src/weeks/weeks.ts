import type { components } from '@/shared/schema'
import { shortDay, writtenDay } from '@/shared/days'
import { ownLocale } from '@/shared/own'
import { day } from '@/shared/sentences'
import { t } from '@/shared/words'

type Schemas = components['schemas']
export type Week = Schemas['Week']
export type WeekDay = Schemas['WeekDay']
export type MeetingShown = Schemas['MeetingShown']
export type Occasion = Schemas['Occasion']
export type Hours = Schemas['Hours']
export type HoursOfSite = Schemas['HoursOfSite']
export type HoursWanted = Schemas['HoursWanted']
export type ClashedPerson = Schemas['ClashedPerson']

const clocks = new Map<string, Intl.DateTimeFormat>()
/** How a zone's clock on the wall is written. */
function clock(zone: string): Intl.DateTimeFormat {
  const known = clocks.get(zone)
  if (known) return known
  const made = new Intl.DateTimeFormat(ownLocale, { hour: '2-digit', minute: '2-digit', timeZone: zone })
  clocks.set(zone, made)
  return made
}

/** Example: "09:30". */
export const timeIn = (instant: string, zone: string) => clock(zone).format(new Date(instant))

/** Minutes since midnight by the clock of a zone. */
export function minuteIn(instant: string, zone: string): number {
  const parts = new Intl.DateTimeFormat('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    timeZone: zone,
  }).format(new Date(instant))
  const [hour = 0, minute = 0] = parts.split(':').map(Number)
  return hour * 60 + minute
}

/** Example: "9:30–11:00". */
export const between = ({ from, until }: { from: string; until: string }, zone: string) =>
  t('weeks.at', { from: timeIn(from, zone), until: timeIn(until, zone) })

/** A time as HH:MM, as people write it. */
const written = (time: string) => timeIn(`2026-01-05T${time}:00Z`, 'UTC')
const later = (time: string, minutes: number) => {
  const [hour = 0, minute = 0] = time.split(':').map(Number)
  const all = (hour * 60 + minute + minutes) % 1440
  return `${String(Math.floor(all / 60)).padStart(2, '0')}:${String(all % 60).padStart(2, '0')}`
}

/** The name of a day of the week, 1 for Monday. */
export function weekday(n: number, style: 'long' | 'short' = 'short'): string {
  const date = new Date(Date.UTC(2026, 0, 4 + n))
  return new Intl.DateTimeFormat(ownLocale, { weekday: style, timeZone: 'UTC' }).format(date)
}

/** Example: "Monday, 30 Nov". */
export function dayName(each: string, style: 'long' | 'short' = 'long'): string {
  const format = new Intl.DateTimeFormat(ownLocale, { weekday: style, day: 'numeric', month: 'short', timeZone: 'UTC' })
  return format.format(new Date(each + 'T00:00:00Z'))
}

const listed = (names: string[]) => new Intl.ListFormat(ownLocale, { type: 'unit' }).format(names)

/** Example: "12, Quay House"; nothing where no room is known. */
export const placeOf = ({ room, building }: { room?: string; building?: string }) =>
  room && building ? t('weeks.hours.place', { room, building }) : room || building || ''

/** When hours meet. Example: "Mon, Thu, 9:30–11:00"; hours of a clock elsewhere say which. */
export function whenOf(hours: HoursWanted & { meetings?: number }): string {
  const when = clockOf(hours)
  return hours.zone ? t('weeks.hours.sayZone', { when, zone: hours.zone.replaceAll('_', ' ') }) : when
}

function clockOf(hours: HoursWanted & { meetings?: number }): string {
  const from = written(hours.time)
  const until = written(later(hours.time, hours.minutes))
  const days = listed((hours.days ?? []).map((n) => weekday(n)))
  if (hours.days?.length)
    return (hours.every ?? 1) > 1
      ? t('weeks.hours.sayEvery', { days, n: hours.every, from, until })
      : t('weeks.hours.sayWeekly', { days, from, until })
  if (!hours.rule) return t('weeks.hours.sayOnce', { day: writtenDay(hours.first), from, until })
  // They are counted once they are saved.
  const some = { day: shortDay(hours.first), from, until }
  return hours.meetings === undefined
    ? t('weeks.hours.sayRuled', some)
    : t('weeks.hours.sayRule', { ...some, n: hours.meetings })
}

/** When and where hours of a section meet, in a few words. */
export const hoursOf = (all: readonly Hours[] | undefined, section: string) =>
  (all ?? [])
    .filter((hours) => hours.section === section)
    .map((hours) => [whenOf(hours), placeOf(hours)].filter(Boolean).join(' · '))
    .join(' · ')

/** What a meeting is called: its site, section and name, as far as one sees them. */
export function nameOf(occasion: Occasion, site = true): string {
  if (!occasion.site) return t('weeks.taken')
  const parts = [site ? occasion.site.name : '', occasion.section ?? '', occasion.name].filter(Boolean)
  return parts.join(' · ') || t('weeks.whole')
}

/** The time that two take both, the first time. */
const both = ({ one, other }: Schemas['Clash']) => ({
  from: one.from > other.from ? one.from : other.from,
  until: one.until < other.until ? one.until : other.until,
})

/** Two that are at the same time, and when. */
export const clashOf = (clash: Schemas['Clash'], zone: string) =>
  t('weeks.both', {
    one: nameOf(clash.one),
    other: nameOf(clash.other),
    at: day(clash.one.from, zone) + ', ' + between(both(clash), zone),
  })

/** What hours are changed from, as they are asked for again. */
export const wantedOf = ({ id, section, name, first, time, minutes, days, every, ...hours }: Hours): HoursWanted => ({
  id,
  section,
  name,
  first,
  time,
  minutes,
  days,
  every,
  until: hours.until,
  rule: hours.rule,
  room: hours.room,
  building: hours.building,
  rests: hours.rests,
  changes: hours.changes,
  zone: hours.zone,
})

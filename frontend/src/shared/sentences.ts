import type { Person, Reason, RoleOption, ChangeLine, Stretch } from './api'
import { platformNow } from './clock'
import { ownLocale } from './own'
import { t, tIn } from './words'

type Values = Record<string, unknown>
export type RoleName = (code: string | null | undefined) => string

/** A day as people write it; the year only when it is not this one. */
export function day(instant: string | null | undefined, zone: string, now = platformNow()): string {
  if (!instant) return ''
  const date = new Date(instant)
  const year = date.getUTCFullYear() === now.getUTCFullYear() ? undefined : 'numeric'
  return new Intl.DateTimeFormat(ownLocale, { day: 'numeric', month: 'short', year, timeZone: zone }).format(date)
}

/** The last day that a half-open window includes. */
export function lastDay(until: string | null | undefined, zone: string, now = platformNow()): string {
  return until ? day(new Date(new Date(until).getTime() - 1000).toISOString(), zone, now) : ''
}

export function dayAndTime(instant: string, zone: string): string {
  return new Intl.DateTimeFormat(ownLocale, {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    timeZone: zone,
  }).format(new Date(instant))
}

export function fullName(person: Pick<Person, 'given' | 'family' | 'preferred'>): string {
  return `${person.preferred ?? person.given} ${person.family}`
}

/** A name with the one in the papers beside a preferred one, where it is said who somebody was taken for. */
export function knownName(person: Pick<Person, 'given' | 'family' | 'preferred' | 'former'>): string {
  return (
    (person.preferred ? `${person.preferred} (${person.given}) ${person.family}` : fullName(person)) +
    (person.former ? ', ' + t('card.formerly', { name: person.former }) : '')
  )
}

/** "Family, Given", as lists are sorted, with the name in the papers behind a preferred one. */
export function listName(person: Pick<Person, 'given' | 'family' | 'preferred'>): string {
  return person.preferred
    ? `${person.family}, ${person.preferred} (${person.given})`
    : `${person.family}, ${person.given}`
}

export function givers(codes: unknown, roleName: RoleName): string {
  const names = Array.isArray(codes) ? codes.map((code) => roleName(String(code)).toLowerCase()) : []
  return [...names, t('change.administrator')].join(', ')
}

/** A note of a change list line, or an option of a role, as one sentence. */
export function noteSentence(
  note: { code: string; values: Values; givers?: string[] },
  zone: string,
  roleName: RoleName,
): string {
  const values = note.values
  return tIn(
    'note',
    note.code,
    {
      ...values,
      at: day(values.at as string, zone),
      until: lastDay(values.until as string, zone),
      kind: typeof values.kind === 'string' ? tIn('kind', values.kind).toLowerCase() : '',
      role: roleName(values.role as string).toLowerCase(),
      givers: givers(values.givers ?? note.givers, roleName),
    },
    typeof values.pieces === 'number' ? values.pieces : 1,
  )
}

export const optionSentence = (option: RoleOption, zone: string, roleName: RoleName) =>
  noteSentence({ ...option, values: option.values as Values }, zone, roleName)

export const lineSentences = (line: ChangeLine, zone: string, roleName: RoleName) =>
  [...line.reasons, ...line.cautions]
    .map((note) => noteSentence(note as { code: string; values: Values }, zone, roleName))
    .filter(Boolean)

/** What follows from now on: "Paused until 3 Dec, then current to the end of the site." */
export function outlookSentence(stretches: Stretch[], zone: string, roleName: RoleName): string {
  const parts = stretches.slice(0, 4).map((each, index) =>
    t(
      ['ended', 'removed', 'blocked'].includes(each.state) || !each.role || each.role === stretches[index - 1]?.role
        ? 'outlook.bare'
        : 'outlook.as',
      {
        state: t(`state.${each.state}`).toLowerCase(),
        role: roleName(each.role).toLowerCase(),
        until: each.until
          ? t('reason.until', { day: lastDay(each.until, zone) })
          : ['ended', 'removed', 'blocked', 'waiting'].includes(each.state)
            ? ''
            : t('outlook.open'),
        then: index ? t('outlook.then') : '',
      },
    ),
  )
  const said = parts.join(', ')
  return said ? said[0]!.toUpperCase() + said.slice(1) + '.' : t('outlook.none')
}

/** How somebody was and will be somewhere: what is past in the past ("Came 9 Sept."), then what follows from now on. */
export function courseSentence(stretches: Stretch[], zone: string, roleName: RoleName, now = platformNow()): string {
  const over = (each: Stretch) => !!each.until && new Date(each.until) <= now
  const came = stretches.find(
    (each) => ['current', 'paused'].includes(each.state) && (!each.from || new Date(each.from) <= now),
  )
  const rest = stretches.filter((each) => !over(each))
  return [
    came?.from ? t('outlook.came', { day: day(came.from, zone, now) }) : '',
    rest.length || !came ? outlookSentence(rest, zone, roleName) : '',
  ]
    .filter(Boolean)
    .join(' ')
}

export function doorSentence(kind: string, name: string): string {
  return tIn('door', kind, { name })
}

/** One cause of a reason, for staff or for the person. */
export function causeSentence(
  cause: Reason['causes'][number],
  entry: Reason['entry'],
  who: 'staff' | 'you',
  zone: string,
  roleName: RoleName,
): string {
  const values = cause.values as Values
  const until = values.until ? t('reason.until', { day: lastDay(values.until as string, zone) }) : ''
  const code = cause.code === 'let-in' && entry === 'look-only' ? 'let-in-look' : cause.code
  return tIn(`reason.${who}`, code, {
    role: roleName(values.role as string).toLowerCase(),
    until,
    at: day(values.at as string, zone),
    from: day(values.from as string, zone),
    seats: values.seats,
    opens: values.opens ? t('reason.opens', { day: day(values.opens as string, zone) }) : '',
    door:
      values.doorKind && values.doorKind !== 'staff'
        ? t('reason.byDoor', { door: doorSentence(String(values.doorKind), String(values.door ?? '')) })
        : '',
  })
}

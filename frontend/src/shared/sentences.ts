import type { Person, Reason, RoleOption, ChangeLine, Stretch } from './api'
import { platformNow } from './clock'
import { ownLocale } from './own'
import { inSentence, isSaid, t, tIn } from './words'

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

/** What somebody is called besides, each in words: "formerly Silva". */
export const furtherNames = (person: Pick<Person, 'further'>): string[] =>
  person.further.map(({ kind, given, family }) =>
    t(`card.further.${kind}`, { name: [given, family].filter(Boolean).join(' ') }),
  )

/** A name with the one in the papers beside a preferred one, where it is said who somebody was taken for. */
export function knownName(person: Pick<Person, 'given' | 'family' | 'preferred' | 'further'>): string {
  return (
    (person.preferred ? `${person.preferred} (${person.given}) ${person.family}` : fullName(person)) +
    furtherNames(person)
      .map((said) => ', ' + said)
      .join('')
  )
}

/** "Family, Given", as lists are sorted, with the name in the papers behind a preferred one. */
export function listName(person: Pick<Person, 'given' | 'family' | 'preferred'>): string {
  return person.preferred
    ? `${person.family}, ${person.preferred} (${person.given})`
    : `${person.family}, ${person.given}`
}

export function givers(codes: unknown, roleName: RoleName): string {
  const names = Array.isArray(codes) ? codes.map((code) => inSentence(roleName(String(code)))) : []
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
      otherSite: (values.otherSite as string) || t('clash.other'),
      when: typeof values.at === 'string' ? dayAndTime(values.at, zone) : '',
      until: lastDay(values.until as string, zone),
      kind: inSentence(
        typeof values.own === 'string' ? values.own : typeof values.kind === 'string' ? tIn('kind', values.kind) : '',
      ),
      role: inSentence(roleName(values.role as string)),
      section: Array.isArray(values.sections) ? values.sections.join(', ') : (values.section as string),
      givers: givers(values.givers ?? note.givers, roleName),
    },
    typeof values.pieces === 'number' ? values.pieces : typeof values.times === 'number' ? values.times : 1,
  )
}

export const optionSentence = (option: RoleOption, zone: string, roleName: RoleName) =>
  noteSentence({ ...option, values: option.values as Values }, zone, roleName)

export const lineSentences = (line: ChangeLine, zone: string, roleName: RoleName) =>
  [...line.reasons, ...line.cautions]
    .map((note) => noteSentence(note as { code: string; values: Values }, zone, roleName))
    .filter(Boolean)

/** A stretch of time as a part of a sentence that begins with it, or that it stands inside. */
function stretchWords(each: Stretch, before: Stretch | undefined, zone: string, roleName: RoleName): string {
  const over = ['ended', 'removed', 'blocked'].includes(each.state)
  const state = t(`state.${each.state}`)
  const values = {
    state: before ? inSentence(state) : state,
    role: inSentence(roleName(each.role)),
    day: each.until ? lastDay(each.until, zone) : '',
  }
  const how = over || !each.role || each.role === before?.role ? 'is' : 'as'
  if (each.until) return t(`outlook.${how}-until`, values)
  return t(over || each.state === 'waiting' ? `outlook.${how}` : `outlook.${how}-open`, values)
}

/** What follows from now on: "Paused until 3 Dec, then current to the end of the site." */
export function outlookSentence(stretches: Stretch[], zone: string, roleName: RoleName): string {
  const [first, ...later] = stretches.slice(0, 4)
  if (!first) return t('outlook.none')
  const what = later.reduce(
    (before, each, place) => t('outlook.then', { before, after: stretchWords(each, stretches[place], zone, roleName) }),
    stretchWords(first, undefined, zone, roleName),
  )
  return t('outlook.all', { what })
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

/** By what somebody came in, where staff did not let them in: a sentence of its own. */
export function doorSentence(kind: string, name: string): string {
  return isSaid('reason.byDoor', kind) ? tIn('reason.byDoor', kind, { name: name || tIn('door.plain', kind) }) : ''
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
  const code = cause.code === 'let-in' && entry === 'look-only' ? 'let-in-look' : cause.code
  const more = values.until ? code + '-until' : values.opens ? code + '-opens' : ''
  const said = tIn(`reason.${who}`, isSaid(`reason.${who}`, more) ? more : code, {
    role: inSentence(roleName(values.role as string)),
    until: values.until ? lastDay(values.until as string, zone) : '',
    at: day(values.at as string, zone),
    from: day(values.from as string, zone),
    opens: day(values.opens as string, zone),
    section: values.section,
    seats: values.seats,
  })
  const door = who === 'staff' ? doorSentence(String(values.doorKind ?? 'staff'), String(values.door ?? '')) : ''
  return [said, door].filter(Boolean).join(' ')
}

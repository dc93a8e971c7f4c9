import { useQuery } from '@tanstack/vue-query'
import qrcode from 'qrcode-generator'
import { computed, type Ref } from 'vue'
import { api, take, type Door, type DoorRequest, type Platform, type Site } from '@/shared/api'
import { platformNow } from '@/shared/clock'
import { listed } from '@/shared/lists'
import { day, lastDay } from '@/shared/sentences'
import { inSentence, t, tIn } from '@/shared/words'

export const KINDS = ['key', 'invitation', 'request', 'preview'] as const
export type Kind = (typeof KINDS)[number]
export type Terms = NonNullable<Door['terms']>

/** Every way into a site. Example: `const { doors, refetch } = useDoors(id)`. */
export function useDoors(site: Ref<string>) {
  const { data, error, isPending, refetch } = useQuery({
    queryKey: ['doors', site],
    staleTime: 0,
    refetchInterval: 15_000,
    queryFn: () => take(api.GET('/sites/{site}/doors', { params: { path: { site: site.value } } })),
  })
  return { doors: computed(() => data.value?.items ?? []), error, isPending, refetch }
}

/** Who waits at the doors of a site. */
export function useWaiting(site: Ref<string>) {
  const { data, refetch } = useQuery({
    queryKey: ['waiting', site],
    queryFn: () => take(api.GET('/sites/{site}/waiting', { params: { path: { site: site.value } } })),
    refetchInterval: 15_000,
  })
  return { waiting: computed(() => data.value?.items ?? []), refetch }
}

/** The terms a door begins with: for learners of the site's division and levels, to the end of the term. */
export const firstTerms = (kind: Kind, site: Site): Required<Omit<DoorRequest, 'key'>> & { key: string | null } => ({
  kind,
  name: '',
  key: null,
  role: 'learner',
  place: 'none',
  section: null,
  fromDay: null,
  untilDay: null,
  seats: null,
  divisions: kind === 'preview' ? [] : [site.division.code],
  lowest: kind === 'preview' ? null : (site.levels?.lowest ?? null),
  highest: kind === 'preview' ? null : (site.levels?.highest ?? null),
  domains: [],
  approval: kind === 'request',
  waiting: true,
  accounts: false,
  stay: 'site',
  stayDay: null,
  quietDays: null,
  quietMeetings: null,
  meets: [],
  offerHours: 14,
  answerDays: 14,
  remindDays: 5,
  holds: false,
  shows: ['leads'],
  anyone: false,
  about: '',
})
export type Draft = ReturnType<typeof firstTerms>

export const draftOf = (door: Door): Draft => ({
  ...(door.terms as Terms),
  kind: door.kind as Kind,
  name: door.name,
  key: null,
})

interface Names {
  platform?: Platform
  site: Site
  roleName: (code: string) => string
}
/** A part of a sentence; those of keys are shown in their own letters. */
export interface Part {
  text: string
  key?: boolean
}

/** Stands where the key will be: a character that nobody types. */
const KEY = '\uE000'

/** Who may come, in one sentence; that of a key has a place for it. */
function beginning(door: Door, terms: Terms, role: string): string {
  if (door.kind === 'preview') return t(terms.anyone ? 'doors.say.lookAnyone' : 'doors.say.look')
  const values = { role, key: KEY }
  if (door.kind === 'invitation') return t(terms.approval ? 'doors.say.invitationAsk' : 'doors.say.invitation', values)
  if (door.kind === 'request') return t(terms.approval ? 'doors.say.requestAsk' : 'doors.say.request', values)
  return t(terms.approval ? 'doors.say.keyAsk' : 'doors.say.key', values)
}

/** For whom a door is, where it is not for everybody. */
function only(door: Door, terms: Terms, names: Names): string {
  if (door.kind === 'invitation' || (door.kind === 'preview' && terms.anyone)) return ''
  const { divisions, lowest, highest, domains } = terms
  const who = [
    ...divisions.map((code) => names.platform?.divisions.find((each) => each.code === code)?.name ?? code),
    lowest && highest && door.kind !== 'preview' ? t('doors.say.levels', { lowest, highest }) : '',
    domains.length && door.kind !== 'preview' ? t('doors.say.domains', { domains: domains.join(', ') }) : '',
  ].filter(Boolean)
  return who.length ? t('doors.say.only', { who: who.join('; ') }) : ''
}

function hours({ fromDay, untilDay }: Terms, zone: string): string {
  const from = fromDay ? dayOf(fromDay, zone) : ''
  const until = untilDay ? dayOf(untilDay, zone) : ''
  if (from) return until ? t('doors.say.hours.between', { from, until }) : t('doors.say.hours.from', { from })
  return until ? t('doors.say.hours.until', { until }) : ''
}

/** What holds for those who come in through a door. */
function inside(door: Door, terms: Terms, { site }: Names): string[] {
  const { section, stayDay, seats, quietDays, quietMeetings, answerDays, remindDays } = terms
  const place = { section: site.sections.find((each) => each.id === section)?.name ?? '' }
  const invitation = [
    t('doors.say.answer', { n: answerDays }, answerDays),
    remindDays ? t('doors.say.remind', { n: remindDays }, remindDays) : '',
    terms.holds ? t('doors.say.holds') : '',
  ]
  return [
    terms.place === 'none' ? '' : t(`doors.say.place.${terms.place}`, place),
    seats ? t('doors.say.seats', { n: seats }, seats) : '',
    t(`doors.say.stay.${terms.stay}`, { day: stayDay ? dayOf(stayDay, site.timeZone) : '' }),
    quietDays ? t('doors.say.quietDays', { n: quietDays }, quietDays) : '',
    quietMeetings ? t('doors.say.quietMeetings', { n: quietMeetings }, quietMeetings) : '',
    terms.accounts ? t('doors.say.accounts') : '',
    ...(door.kind === 'invitation' ? invitation : []),
  ]
}

/** What a door does, in short sentences: "With the key … people may join as learner. They stay until 18 Dec." */
export function sentence(door: Door, names: Names): Part[] {
  const terms = door.terms as Terms | null
  if (!terms) return [{ text: tIn('doors.by', door.kind) }]
  const role = inSentence(names.roleName(terms.role))
  const seen = (['always', ...terms.shows] as const).map((each) => t(`doors.say.shows.${each}`))
  const said = [
    beginning(door, terms, role),
    only(door, terms, names),
    hours(terms, names.site.timeZone),
    ...(door.kind === 'preview' ? [t('doors.say.sees', { what: listed(seen) })] : inside(door, terms, names)),
  ]
  const [before, after] = said.filter(Boolean).join(' ').split(KEY)
  return after === undefined
    ? [{ text: before! }]
    : [{ text: before! }, { text: door.key ?? '…', key: true }, { text: after }]
}

export const plain = (parts: Part[]) => parts.map((part) => part.text).join('')
/** A calendar day, which is the same everywhere. */
const dayOf = (calendar: string, zone: string) => day(`${calendar}T12:00:00Z`, zone)

/** What a door does by itself next, and when: "shuts after 2 Oct". */
export function nextSentence(door: Door, zone: string): string {
  if (!door.next) return ''
  const { what, at, n } = door.next
  return t(
    `doors.next.${what}`,
    { n: n ?? 0, day: what === 'shuts' ? lastDay(at, zone) : relative(at, zone) },
    what === 'lapse' ? n : 1,
  )
}

function relative(instant: string, zone: string): string {
  const said = day(instant, zone)
  const now = platformNow()
  if (said === day(now.toISOString(), zone)) return t('doors.next.today')
  return said === day(new Date(now.getTime() + 86_400_000).toISOString(), zone) ? t('doors.next.tomorrow') : said
}

export const glyphOf = (state: Door['state']): 'open' | 'draft' | 'closed' =>
  state === 'open' ? 'open' : state === 'by-approval' ? 'draft' : 'closed'

/** The page where a key opens; the key is in the part of the address that no server is sent. */
export const joinPage = () => `${location.origin}/join`
export const linkOf = (key: string) => `${joinPage()}#${key}`

/** The squares of a QR code (ISO/IEC 18004) as one path, one unit each, and how many there are on a side. */
export function squares(text: string): { path: string; size: number } {
  const code = qrcode(0, 'M')
  code.addData(text)
  code.make()
  const size = code.getModuleCount()
  let path = ''
  for (let row = 0; row < size; row++)
    for (let column = 0; column < size; column++) if (code.isDark(row, column)) path += `M${column} ${row}h1v1h-1z`
  return { path, size }
}

/** Copies a text where the browser lets one; says whether it did. */
export async function copied(text: string): Promise<boolean> {
  try {
    await navigator.clipboard.writeText(text)
    return true
  } catch {
    return false
  }
}

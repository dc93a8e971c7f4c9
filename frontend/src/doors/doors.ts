import { useQuery } from '@tanstack/vue-query'
import qrcode from 'qrcode-generator'
import { computed, type Ref } from 'vue'
import { api, take, type Door, type DoorRequest, type Platform, type Site } from '@/shared/api'
import { platformNow } from '@/shared/clock'
import { day, lastDay } from '@/shared/sentences'
import { t, tIn } from '@/shared/words'

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

/**
 * The sentence of a door: "Anyone from Millrace Seniors with the key … may join as learner into section Morning, …".
 */
export function sentence(door: Door, names: Names): Part[] {
  const terms = door.terms
  if (!terms) return [{ text: tIn('doors.by', door.kind) }]
  const say = (key: string, values: Record<string, unknown> = {}) => tIn('doors.say', key, values)
  const division = (code: string) => names.platform?.divisions.find((each) => each.code === code)?.name ?? code
  const zone = names.site.timeZone
  const hours = [
    terms.fromDay && say('hours.from', { day: dayOf(terms.fromDay, zone) }),
    terms.untilDay && say('hours.until', { day: dayOf(terms.untilDay, zone) }),
  ]
  if (door.kind === 'preview') {
    const more = terms.shows.map((each) => ', ' + say('shows.' + each)).join('')
    return [
      {
        text:
          list([
            say(terms.anyone ? 'lookAnyone' : terms.divisions.length ? 'anyone' : 'lookPeople'),
            !terms.anyone && terms.divisions.length
              ? say('from', { divisions: terms.divisions.map(division).join(', ') })
              : '',
            say('look'),
            ...hours,
            say('sees', { more }),
          ]) + '.',
      },
    ]
  }
  const role = names.roleName(terms.role).toLowerCase()
  const who =
    door.kind === 'invitation'
      ? [say('invited')]
      : [
          say('anyone'),
          terms.divisions.length ? say('from', { divisions: terms.divisions.map(division).join(', ') }) : '',
          terms.lowest && terms.highest ? say('levels', { lowest: terms.lowest, highest: terms.highest }) : '',
          terms.domains.length ? say('domains', { domains: terms.domains.join(', ') }) : '',
        ]
  const may = [
    say(terms.approval ? 'mayAsk' : 'may', { role }),
    say('place.' + terms.place, { section: names.site.sections.find((each) => each.id === terms.section)?.name ?? '' }),
    ...hours,
  ]
  const rest = [
    terms.seats ? say('seats', { n: terms.seats }) : '',
    say('stay.' + terms.stay, { day: terms.stayDay ? dayOf(terms.stayDay, zone) : '' }),
  ]
  const end = [
    terms.quietDays ? say('quietDays', { n: terms.quietDays }) : '',
    terms.quietMeetings ? say('quietMeetings', { n: terms.quietMeetings }) : '',
    terms.accounts ? say('accounts') : '',
    door.kind === 'invitation'
      ? list([
          say('answer', { n: terms.answerDays }),
          terms.remindDays ? say('remind', { n: terms.remindDays }) : '',
          terms.holds ? say('holds') : '',
        ])
      : '',
  ].filter(Boolean)
  const tail = [list(may), ...rest].filter(Boolean).join(', ') + (end.length ? '; ' + end.join('; ') : '') + '.'
  if (door.kind === 'key')
    return [{ text: `${list(who)} ${say('withKey')} ` }, { text: door.key ?? '…', key: true }, { text: ' ' + tail }]
  return [{ text: `${list(who)} ${door.kind === 'request' ? say('withList') + ' ' : ''}${tail}` }]
}

export const plain = (parts: Part[]) => parts.map((part) => part.text).join('')
const list = (parts: unknown[]) => parts.filter(Boolean).join(' ')
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

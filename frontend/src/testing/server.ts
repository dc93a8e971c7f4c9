import { VueQueryPlugin } from '@tanstack/vue-query'
import { mount, type ComponentMountingOptions } from '@vue/test-utils'
import { vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import type { Candidate, JoinLook, Person, Site, Standing } from '@/shared/api'
import { queries } from '@/shared/queries'

type Answer = object | ((request: Request, body: never) => object | Promise<object>)
export interface Asked {
  call: string
  body: unknown
  headers: Headers
}

/** Waits until something holds, also on a busy machine. */
export const eventually = (check: () => void) => vi.waitFor(check, { timeout: 10_000 })

/**
 * Stands in for the server: answers by "METHOD /path", and remembers what was asked. Anything else gets a 404 problem.
 */
export function serve(answers: Record<string, Answer>): Asked[] {
  const asked: Asked[] = []
  vi.stubGlobal('fetch', async (request: Request) => {
    const url = new URL(request.url)
    const text = await request.text()
    const body = text ? JSON.parse(text) : undefined
    const call = `${request.method} ${url.pathname.replace('/api/v1', '')}`
    asked.push({ call: call + url.search, body, headers: request.headers })
    const found = answers[call]
    if (!found) return problem('not-found', 404, `Nobody answers ${call}.`)
    const answer = typeof found === 'function' ? await found(request, body as never) : found
    return answer instanceof Response
      ? answer
      : new Response(JSON.stringify(answer), { headers: { 'Content-Type': 'application/json' } })
  })
  return asked
}

export function problem(kind: string, status: number, detail: string, more: object = {}): Response {
  return new Response(JSON.stringify({ type: 'urn:mint-door:problem:' + kind, title: kind, status, detail, ...more }), {
    status,
    headers: { 'Content-Type': 'application/problem+json' },
  })
}

const ROLES = [
  ['lead-tutor', 'Lead tutor'],
  ['co-tutor', 'Co-tutor'],
  ['learner', 'Learner'],
  ['day-guest', 'Day guest'],
]
const division = { code: 'seniors', name: 'Seniors', parent: null, levels: null }

export const platform = {
  now: '2026-11-24T09:00:00Z',
  divisions: [division, { code: 'faculty', name: 'Faculty', parent: null, levels: null }],
  highestLevel: 10,
  siteKinds: [
    { code: 'course', name: 'Course', glyph: '', seats: null },
    { code: 'club', name: 'Club', glyph: '', seats: null },
  ],
  mayMakeIn: ['seniors'],
  kinds: [],
  details: [],
  terms: [{ code: 'autumn', name: 'Autumn', startsOn: '2026-09-07', endsOn: '2026-12-18' }],
  roles: ROLES.map(([code, name], index) => ({
    code,
    name,
    standard: '',
    rank: 9 - index,
    lead: index === 0,
    takesSeat: code === 'learner',
    listed: true,
    caution: null,
    permissions: [],
  })),
}

export const site = {
  id: '00000000-0000-7000-8000-000000000001',
  code: 'HET-2',
  title: 'Harmony',
  kind: 'course',
  division,
  term: { code: 'autumn', name: 'Autumn', startsOn: '2026-09-07', endsOn: '2026-12-18' },
  levels: null,
  state: 'open',
  opensAt: '2026-09-07T00:00:00Z',
  closesAt: null,
  timeZone: 'UTC',
  seats: 30,
  learners: 24,
  staff: 3,
  leadLimit: 10,
  sections: [{ id: '00000000-0000-7000-8000-00000000000a', name: 'Morning', retired: false }],
  apart: false,
  several: false,
  seesAll: true,
  version: 4,
  standing: null,
  administrator: false,
  may: ['see-roster', 'see-unlisted', 'let-in', 'run-site', 'see-history'],
  seenAs: null,
  entry: null,
} as Site

export const standing = (more: Partial<Standing> = {}): Standing => ({
  state: 'current',
  role: 'learner',
  roles: ['learner'],
  since: '2026-09-06T10:00:00Z',
  from: '2026-09-06T10:00:00Z',
  until: null,
  sections: [],
  ...more,
})

export const person = (given: string, family: string, more: Partial<Person> = {}): Person => ({
  id: `00000000-0000-7000-8000-${(given + family)
    .split('')
    .reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 1e11, 7)
    .toString()
    .padStart(12, '0')}`,
  given,
  family,
  preferred: null,
  further: [],
  kind: 'learner',
  ownKind: null,
  level: 7,
  division,
  number: '2041010',
  login: null,
  email: null,
  ...more,
})

export const candidate = (who: Person, more: Partial<Candidate> = {}): Candidate => ({
  person: who,
  visibility: 'full',
  standing: null,
  suggested: 'learner',
  options: ROLES.map(([role]) => ({
    role: role!,
    allowed: role === 'learner' || role === 'day-guest',
    code: role === 'learner' ? 'fits' : role === 'day-guest' ? 'cautioned' : 'wrong-kind',
    values: (role === 'day-guest' ? { caution: 'Mind the end.' } : { kind: 'learner' }) as Record<string, string>,
    givers: [],
    also: [],
    not: [],
  })),
  asks: false,
  ...more,
})

/** What one stands before at a door. */
export const joinLook = (more: Partial<JoinLook> = {}): JoinLook => ({
  site: {
    id: site.id,
    title: 'Harmony',
    kind: 'course',
    division: 'Seniors',
    term: 'Autumn',
    timeZone: 'UTC',
    opensAt: null,
  },
  leads: ['Mara Lindqvist'],
  role: { code: 'learner', name: 'Learner', caution: null },
  state: 'open',
  fromAt: null,
  untilAt: null,
  about: '',
  sections: [],
  asks: false,
  questions: [],
  question: '',
  accounts: false,
  levels: null,
  invitation: null,
  you: null,
  admission: null,
  clash: null,
  ...more,
})

/** What somebody reads there: runs of blanks are one, as in a browser. */
export const read = (shown: { text(): string }) => shown.text().replace(/\s+/g, ' ')

/** Puts a component on the page, with the platform known, its own addresses, and nothing left from the test before. */
export function show<T>(component: T, options: ComponentMountingOptions<T> = {}) {
  queries.clear()
  queries.setQueryData(['platform'], platform)
  const nowhere = { template: '<div />' }
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      'sign-in',
      'new-site',
      'roster',
      'landing',
      'history',
      'settings',
      'site-list',
      'seen',
      'first-day-check',
      'first-day-checks',
      'why',
      'person-history',
      'people',
      'changeLists',
      'make-sites',
      'make-accounts',
      'duplicates',
      'merge',
      'cards',
      'doors',
      'arrivals',
      'renew-keys',
      'join',
      'open-doors',
      'rooms',
    ]
      .map((name) => ({ name, path: `/${name}/:site?`, component: nowhere }))
      .concat(
        { name: 'person', path: '/person/:person', component: nowhere },
        { name: 'person-week', path: '/person/:person/week', component: nowhere },
        { name: 'groups', path: '/groups/:site/:split?', component: nowhere },
        { name: 'cohorts', path: '/cohorts', component: nowhere },
        { name: 'cohort', path: '/cohorts/:cohort', component: nowhere },
        { name: 'site-cohorts', path: '/cohorts-of/:site', component: nowhere },
        { name: 'site-forecast', path: '/forecast-of/:site', component: nowhere },
        { name: 'person-forecast', path: '/person/:person/forecast', component: nowhere },
        { name: 'term-change', path: '/term', component: nowhere },
        { name: 'messages', path: '/messages/:part?', component: nowhere },
        { name: 'rules', path: '/rules/:part?', component: nowhere },
        { name: 'platform', path: '/platform/:part?', component: nowhere },
        { name: 'change-list', path: '/changeList/:changeList', component: nowhere },
        { name: 'poster', path: '/poster/:site/:door', component: nowhere },
        { name: 'preview', path: '/look/:door', component: nowhere },
        { name: 'any', path: '/:any(.*)*', component: nowhere },
      ),
  })
  const all = {
    attachTo: document.body,
    ...options,
    global: { plugins: [[VueQueryPlugin, { queryClient: queries }], router] },
  }
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- the types of mount do not go through a generic
  const page = mount(component as any, all as any)
  return { page, router }
}

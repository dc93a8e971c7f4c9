import { flushPromises } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { computed } from 'vue'
import type { Door } from '@/shared/api'
import { setPlatformClock } from '@/shared/clock'
import { t } from '@/shared/words'
import { platform, serve, show, site } from '@/testing/server'
import {
  copied,
  draftOf,
  firstTerms,
  glyphOf,
  joinPage,
  KINDS,
  linkOf,
  nextSentence,
  plain,
  sentence,
  squares,
  useDoors,
  useWaiting,
  type Terms,
} from './doors'

setPlatformClock('2026-11-24T09:00:00Z')
afterEach(() => vi.unstubAllGlobals())
const first = (kind: (typeof KINDS)[number]) => firstTerms(kind, site)
const door = (kind: Door['kind'], of: Partial<Terms> = {}, more: Partial<Door> = {}) => {
  const { kind: _, name: __, key: ___, ...terms } = first(kind as 'key')
  return {
    kind,
    name: 'Poster',
    key: 'reed-amber',
    terms: { ...terms, divisions: [], ...of },
    next: null,
    ...more,
  } as Door
}
const names = { platform: platform as never, site, roleName: (code: string) => `The ${code}` }
const said = (kind: Door['kind'], of: Partial<Terms> = {}) => plain(sentence(door(kind, of), names))

describe('a door begins', () => {
  it.each([
    ['key', { divisions: ['seniors'], lowest: 6, highest: 8, approval: false }],
    ['invitation', { divisions: ['seniors'], lowest: 6, highest: 8, approval: false }],
    ['request', { divisions: ['seniors'], lowest: 6, highest: 8, approval: true }],
    ['preview', { divisions: [], lowest: null, highest: null, approval: false }],
  ] as const)('as a %s', (kind, more) => {
    expect(firstTerms(kind, { ...site, levels: { lowest: 6, highest: 8 } })).toEqual({
      kind,
      name: '',
      key: null,
      role: 'learner',
      place: 'none',
      section: null,
      fromDay: null,
      untilDay: null,
      seats: null,
      domains: [],
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
      ...more,
    })
    expect([first(kind).lowest, first(kind).highest]).toEqual([null, null])
  })

  it('as it is, where it is changed, with its key left alone', () => {
    const own = door('request', { approval: true, seats: 3 })
    expect(draftOf(own)).toEqual({ ...own.terms, kind: 'request', name: 'Poster', key: null })
  })
})

describe('the sentence of a door', () => {
  it('has nothing left to fill in', () => {
    const all = said('key', {
      divisions: ['seniors', 'gone'],
      lowest: 6,
      highest: 8,
      domains: ['example.org', 'example.net'],
      fromDay: '2026-11-30',
      untilDay: '2026-12-02',
      seats: 24,
      stay: 'day',
      stayDay: '2026-12-18',
      quietDays: 21,
      quietMeetings: 3,
      accounts: true,
      place: 'fixed',
      section: site.sections[0]!.id,
    })
    expect(all).not.toMatch(/[{}]|doors\.|undefined|null/)
  })

  it.each([
    [{ divisions: ['seniors', 'gone'] }, 'Only for: Seniors; gone.'],
    [{ lowest: 6, highest: 8 }, 'Only for: levels 6 to 8.'],
    [{ domains: ['example.org', 'x.net'] }, 'Only for: addresses at example.org, x.net.'],
    [{ divisions: ['seniors'], lowest: 6, highest: 8 }, 'Only for: Seniors; levels 6 to 8.'],
    [{ approval: true }, 'With the key reed-amber, people may ask to join as the learner.'],
    [{ approval: false, role: 'day-guest' }, 'people may join as the day-guest.'],
    [{ fromDay: '2026-11-30' }, 'It is open from 30 Nov.'],
    [{ untilDay: '2026-12-02' }, 'It is open until 2 Dec.'],
    [{ fromDay: '2026-11-30', untilDay: '2026-12-02' }, 'It is open from 30 Nov until 2 Dec.'],
    [{ place: 'fixed', section: site.sections[0]!.id }, 'They come into section Morning.'],
    [{ place: 'emptiest' }, 'They come into the emptiest section.'],
    [{ place: 'choice' }, 'They choose a section.'],
    [{ seats: 24 }, 'It has room for 24 people.'],
    [{ seats: 1 }, 'It has room for 1 person.'],
    [{ stay: 'term' }, 'They stay to the end of the term.'],
    [{ stay: 'day', stayDay: '2026-12-18' }, 'They stay until 18 Dec.'],
    [{ quietDays: 21 }, 'Whoever stays away for 21 days frees the seat.'],
    [{ quietMeetings: 1 }, 'Whoever misses 1 meeting frees the seat.'],
    [{ accounts: true }, 'Who has no account makes one on the way.'],
  ] as [Partial<Terms>, string][])('says %o, and only where it is so', (of, part) => {
    expect(said('key', of)).toContain(part)
    expect(said('key')).not.toContain(part)
  })

  it.each([{ lowest: 6 }, { highest: 8 }] as Partial<Terms>[])('says levels only from one to another: %o', (of) => {
    expect(said('key', of)).toBe(said('key'))
  })

  it('shows a key in its own letters, and a gap where it may not be shown', () => {
    expect(sentence(door('key'), names)).toEqual([
      { text: 'With the key ' },
      { text: 'reed-amber', key: true },
      { text: ', people may join as the learner. They stay to the end of the site.' },
    ])
    expect(sentence(door('key', {}, { key: null }), names)[1]).toEqual({ text: '…', key: true })
  })

  it('asks from a list, and invites whom it knows', () => {
    expect(said('request', { approval: false })).toMatch(
      /^People find the site under “Sites to join” and may join as the learner\./,
    )
    expect(said('request', { approval: true })).toContain('and may ask to join as the learner.')
    expect(said('invitation', { divisions: ['seniors'] })).toBe(
      'Whoever is invited may join as the learner. They stay to the end of the site. An invitation is open for 14 ' +
        'days. A reminder goes out after 5 days.',
    )
    expect(said('invitation', { remindDays: null, answerDays: 1 })).toMatch(/ An invitation is open for 1 day\.$/)
    expect(said('invitation', { holds: true })).toMatch(/ An open invitation keeps a seat\.$/)
    expect(said('key')).not.toContain('nvitation')
  })

  it('of a look in says who may, and what they see', () => {
    expect(said('preview', { anyone: true, divisions: ['seniors'], shows: [] })).toBe(
      'Anyone may look in without joining, also without an account. They see: title, division, term.',
    )
    expect(said('preview', { divisions: ['seniors'], shows: ['leads', 'sections'] })).toBe(
      'Everybody with an account may look in without joining. Only for: Seniors. ' +
        'They see: title, division, term, who leads it and its sections.',
    )
    expect(said('preview', { shows: [], untilDay: '2026-12-02' })).toBe(
      'Everybody with an account may look in without joining. It is open until 2 Dec. ' +
        'They see: title, division, term.',
    )
  })

  it('of one that others keep says what it is', () => {
    expect(plain(sentence(door('cohort', {}, { terms: null }), names))).toBe(t('doors.by.cohort'))
    expect(plain(sentence(door('key'), { ...names, platform: undefined }))).toBe(said('key'))
  })
})

describe('a door', () => {
  it.each([
    ['opens', '2026-11-24T17:00:00Z', 0, t('doors.next.opens', { day: t('doors.next.today') }, 1)],
    ['opens', '2026-11-25T17:00:00Z', 0, t('doors.next.opens', { day: t('doors.next.tomorrow') }, 1)],
    ['opens', '2026-11-26T17:00:00Z', 0, t('doors.next.opens', { day: '26 Nov' }, 1)],
    ['shuts', '2026-11-26T00:00:00Z', 0, t('doors.next.shuts', { day: '25 Nov' }, 1)],
    ['lapse', '2026-11-26T17:00:00Z', 1, t('doors.next.lapse', { n: 1, day: '26 Nov' }, 1)],
    ['lapse', '2026-11-26T17:00:00Z', 2, t('doors.next.lapse', { n: 2, day: '26 Nov' }, 2)],
  ] as const)('%s next at %s (%s)', (what, at, n, words) => {
    expect(nextSentence(door('key', {}, { next: { what, at, n } }), 'UTC')).toBe(words)
    expect(words).not.toContain('doors.next')
  })

  it('looks as it stands', () => {
    expect((['open', 'by-approval', 'shut', 'not-yet', 'over'] as const).map(glyphOf)).toEqual([
      'open',
      'draft',
      'closed',
      'closed',
      'closed',
    ])
  })

  it('has an address whose key no server is sent', () => {
    expect([joinPage(), linkOf('reed-amber')]).toEqual([
      location.origin + '/join',
      location.origin + '/join#reed-amber',
    ])
  })

  it('has a code of as many squares as it needs, each one drawn where it is dark', () => {
    const { path, size } = squares('x')
    expect(size).toBe(21)
    const drawn = path.match(/M\d+ \d+h1v1h-1z/g)!
    expect(drawn.join('')).toBe(path)
    const dark = new Set(drawn.map((each) => each.match(/\d+ \d+/)![0]))
    // A finder: a ring of seven by seven around three by three (ISO/IEC 18004).
    for (let row = 0; row < 7; row++)
      for (let column = 0; column < 7; column++) {
        const ring = Math.max(Math.abs(row - 3), Math.abs(column - 3))
        expect(dark.has(`${column} ${row}`)).toBe(ring !== 2)
      }
    expect([...dark].every((each) => each.split(' ').every((place) => Number(place) < 21))).toBe(true)
    expect(squares('x'.repeat(100)).size).toBeGreaterThan(21)
  })

  it('is copied where the browser lets one', async () => {
    const texts: string[] = []
    vi.stubGlobal('navigator', { clipboard: { writeText: async (text: string) => void texts.push(text) } })
    expect(await copied('reed-amber')).toBe(true)
    expect(texts).toEqual(['reed-amber'])
    vi.stubGlobal('navigator', { clipboard: { writeText: () => Promise.reject(new Error('no')) } })
    expect(await copied('reed-amber')).toBe(false)
  })

  it('and who waits at it are asked for by the site', async () => {
    const asked = serve({
      [`GET /sites/${site.id}/doors`]: { items: [{ name: 'Poster' }] },
      [`GET /sites/${site.id}/waiting`]: { items: [{ id: 7 }] },
    })
    const id = computed(() => site.id)
    const { page } = show({
      setup: () => ({ ...useDoors(id), ...useWaiting(id) }),
      template: '<p>{{ doors.map((each) => each.name) }} {{ waiting.map((each) => each.id) }}</p>',
    })
    expect(page.text()).toBe('[] []')
    await flushPromises()
    expect(page.text().replace(/\s/g, '')).toBe('["Poster"][7]')
    expect(asked.map(({ call }) => call)).toEqual([`GET /sites/${site.id}/doors`, `GET /sites/${site.id}/waiting`])
  })
})

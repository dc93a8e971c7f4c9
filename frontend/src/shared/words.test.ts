import { expect, it, vi } from 'vitest'
import { readFileSync, readdirSync } from 'node:fs'
import { types } from '../../words.mjs'
import { partsOf } from '@/testing/pages'
import { pages } from '../../pages.mjs'
import { pluralForm, t, type Key } from './words'

type Catalogue = Record<string, object | string>
const HERE = 'frontend/src/shared/words/'
const rooms = Object.fromEntries(
  readdirSync(HERE + 'en').map((file) => [
    file.replace('.json', ''),
    JSON.parse(readFileSync(`${HERE}en/${file}`, 'utf8')) as Catalogue,
  ]),
)
/** Which catalogue a part of it stands in. Example: `log` → `history`. */
const roomOf = new Map(Object.entries(rooms).flatMap(([room, of]) => Object.keys(of).map((part) => [part, room])))

/** Every sentence of the catalogue with its address. */
function* sentences(of: object, address = ''): Generator<[string, string]> {
  for (const [name, value] of Object.entries(of)) {
    if (typeof value === 'string') yield [address + name, value]
    else yield* sentences(value as object, `${address}${name}.`)
  }
}
const all = Object.values(rooms).flatMap((room) => [...sentences(room)])

/** The keys that a source says whole, and the groups that it takes the sentence of a code from. */
function keysIn(text: string): { whole: string[]; groups: string[] } {
  const found = (pattern: RegExp) => [...text.matchAll(pattern)].map(([, key]) => key!)
  return {
    whole: found(/'([a-zA-Z]+(?:\.[\w-]+)+)'/g).concat(found(/\bt\('(level)'/g)),
    groups: [
      ...found(/'([a-zA-Z]+(?:\.[\w-]+)*\.)'/g),
      ...found(/`([a-zA-Z]+(?:\.[\w-]+)*\.)\$\{/g),
      // What `tIn` and `isSaid` take a code's sentence from, also one of two.
      ...[...text.matchAll(/\b(?:tIn|isSaid)\((?=([^,]{0,120}))/g)].flatMap(([, given]) =>
        [...given!.matchAll(/['`]([a-zA-Z]+(?:\.[\w-]+)*)(?:['`]|\.\$\{)/g)].map(([, group]) => group + '.'),
      ),
      ...(/<HelpWord\b/.test(text) ? ['glossary.terms.'] : []),
    ],
  }
}

it('has no sentence that cannot be said, for none, one or many', () => {
  const error = vi.spyOn(console, 'error').mockImplementation(() => {})
  const say = t as (key: string, values: object, n: number) => string
  for (const [address, text] of all) {
    const values = Object.fromEntries([...text.matchAll(/\{(\w+)\}/g)].map(([, name]) => [name, 'x']))
    for (const n of text.includes(' | ') ? [0, 1, 2] : [1]) {
      const said = say(address, values, n)
      expect(said, address).not.toBe(address)
      if (text !== '') expect(said, address).not.toBe('')
      expect(said, address).not.toMatch(/[{}]/)
    }
  }
  expect(error).not.toHaveBeenCalled()
  error.mockRestore()
})

it('is loaded with each page, with all that the page says', () => {
  const found = pages()
  expect(found.length).toBeGreaterThan(30)
  for (const { page, rooms: loaded } of found) {
    const missing = new Set<string>()
    for (const [file, text] of partsOf(page)) {
      const { whole, groups } = keysIn(text)
      for (const key of [...whole, ...groups]) {
        const room = roomOf.get(key.split('.')[0]!)
        if (room && !loaded.includes(room)) missing.add(`${room} (${key} in ${file.split('/src/')[1]})`)
      }
    }
    expect([...missing], page).toEqual([])
  }
})

it('loads nothing with a page that the page never says', () => {
  for (const { page, own } of pages()) {
    const said = new Set<string | undefined>()
    for (const [, text] of partsOf(page)) {
      const { whole, groups } = keysIn(text)
      for (const key of [...whole, ...groups]) said.add(roomOf.get(key.split('.')[0]!))
    }
    expect(
      own.filter((room) => !said.has(room)),
      page,
    ).toEqual([])
  }
})

it('stands in no two catalogues, and its keys are known to the compiler', () => {
  expect(roomOf.size).toBe(Object.values(rooms).flatMap((room) => Object.keys(room)).length)
  expect(readFileSync(HERE + 'keys.d.ts', 'utf8'), 'Run: npm run words').toBe(types())
})

it('has the same sentences with the same values in every language', () => {
  const shape = (text: string) => [...text.matchAll(/\{(\w+)\}/g)].map(([, name]) => name).sort()
  const english = Object.fromEntries(all.map(([address, text]) => [address, [...new Set(shape(text))]]))
  for (const language of readdirSync(HERE).filter((name) => !/\.|^en$|-XA$/.test(name))) {
    const other = readdirSync(HERE + language).flatMap((file) => [
      ...sentences(JSON.parse(readFileSync(`${HERE}${language}/${file}`, 'utf8')) as Catalogue),
    ])
    const said = Object.fromEntries(other.map(([address, text]) => [address, [...new Set(shape(text))]]))
    expect(said, language).toEqual(english)
  }
})

it.each([
  ['en', 0, 3, 0],
  ['en', 1, 3, 1],
  ['en', 2, 3, 2],
  ['en', 0, 2, 1],
  ['en', 1, 2, 0],
  ['en-GB', 21, 3, 2],
  ['de', 1, 3, 1],
  ['pl', 0, 5, 0],
  ['pl', 1, 5, 1],
  ['pl', 3, 5, 2],
  ['pl', 5, 5, 3],
  ['pl', 5, 4, 2],
  ['ja', 1, 1, 0],
  ['ja', 0, 2, 0],
  ['ja', 7, 2, 1],
])('takes for %s and %i of %i forms the one at %i', (locale, count, forms, place) => {
  expect(pluralForm(locale, count, forms)).toBe(place)
})

it('counts in digits, and one is one', () => {
  for (const [address, text] of all) {
    const [, one] = text.split(' | ')
    if (one === undefined) continue
    expect(one, address).not.toMatch(
      /^[Oo]ne (?!of)|\b1 (people|staff are|(?!is\b|was\b|has\b|means\b|needs\b|asks\b|waits\b)[a-z]+[^s]s)\b/,
    )
  }
})

it('is short: who reads it may have English as a second language', () => {
  const long = all.filter(([, text]) => text.split(' | ').some((form) => form.length > 160))
  expect(long.map(([address]) => address)).toEqual([])
})

it('has one word for one thing: none of those that were given up', () => {
  const given = [
    /\b(take|took|taken|keep|kept) .{0,20}\bout\b/,
    /\b(take|taken|taking|took) .{0,20}\bback\b/,
    /\bcame back\b/,
    /\b(by hand|look-in|list of sites|waiting line|logbook|post room|mailbox(es)?|outsiders?|rehears\w+)\b/,
    /\b(sheets?|desk|ajar|tally|turnover|never mind|not now|other eyes|house|hall)\b/,
    /\bin (my|your|their|the) reach\b|\bways? in\b/,
  ]
  for (const [address, text] of all) for (const word of given) expect(text, address).not.toMatch(word)
})

it('has what is used, and nothing else', () => {
  const files = import.meta.glob<string>(['../**/*.vue', '../**/*.ts'], {
    query: '?raw',
    import: 'default',
    eager: true,
  })
  const used = Object.entries(files).flatMap(([file, text]) => (/\.(test|d)\.ts$/.test(file) ? [] : [keysIn(text)]))
  const whole = new Set(used.flatMap((each) => each.whole))
  const groups = [...new Set(used.flatMap((each) => each.groups))]
  const keys = all.map(([address]) => address)
  const unused = keys.filter((key) => !whole.has(key) && !groups.some((group) => key.startsWith(group)))
  expect(unused).toEqual([])
  const missing = [...whole].filter(
    (key) => roomOf.has(key.split('.')[0]!) && !keys.some((each) => each === key || each.startsWith(key + '.')),
  )
  expect(missing).toEqual([])
  expect(t('undo.undo' satisfies Key)).toBe('Undo')
})

import { expect, it, vi } from 'vitest'
import { readFileSync } from 'node:fs'
import { openParts } from '@/testing/openParts'
import { t } from './words'

const catalogue = (name: string) =>
  JSON.parse(readFileSync(`frontend/src/shared/words/${name}.json`, 'utf8')) as Record<string, object | string>
const first = catalogue('en.first')
const rest = catalogue('en')

/** Every sentence of the catalogue with its address. */
function* sentences(of: object, address = ''): Generator<[string, string]> {
  for (const [name, value] of Object.entries(of)) {
    if (typeof value === 'string') yield [address + name, value]
    else yield* sentences(value as object, `${address}${name}.`)
  }
}

it('has no sentence that cannot be said, for none, one or many', () => {
  const error = vi.spyOn(console, 'error').mockImplementation(() => {})
  for (const [address, text] of sentences({ ...first, ...rest })) {
    const values = Object.fromEntries([...text.matchAll(/\{(\w+)\}/g)].map(([, name]) => [name, 'x']))
    for (const n of text.includes(' | ') ? [0, 1, 2] : [1]) {
      const said = t(address, values, n)
      expect(said, address).not.toBe(address)
      if (text !== '') expect(said, address).not.toBe('')
      expect(said, address).not.toMatch(/[{}]/)
    }
  }
  expect(error).not.toHaveBeenCalled()
  error.mockRestore()
})

it('has the words of every page that opens without signing in among those that are loaded first', () => {
  const later = Object.keys(rest).filter((room) => !(room in first))
  for (const [file, text] of openParts()) {
    for (const room of later) expect(text, file).not.toMatch(new RegExp(`\\$?\\bt\\([^)]*['"\`]${room}\\.`))
  }
})

const all = [...sentences(first), ...sentences(rest)]

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
  const texts = Object.entries(files).flatMap(([file, text]) => (/\.(test|d)\.ts$/.test(file) ? [] : [text]))
  const found = (pattern: RegExp) => texts.flatMap((text) => [...text.matchAll(pattern)].map(([, key]) => key!))
  const literals = new Set([...found(/'([a-zA-Z]+(?:\.[\w-]+)+)'/g), ...found(/'(level)'/g)])
  const prefixes = [
    ...new Set([...found(/'([a-zA-Z]+(?:\.[\w-]+)*\.)'/g), ...found(/`([a-zA-Z]+(?:\.[\w-]+)*\.)\$\{/g)]),
  ]
  const keys = all.map(([address]) => address)
  const unused = keys.filter((key) => !literals.has(key) && !prefixes.some((prefix) => key.startsWith(prefix)))
  expect(unused).toEqual([])
  const rooms = new Set(keys.map((key) => key.split('.')[0]))
  const missing = [...literals].filter(
    (key) => rooms.has(key.split('.')[0]!) && !keys.some((each) => each === key || each.startsWith(key + '.')),
  )
  expect(missing).toEqual([])
  for (const term of found(/<HelpWord\s[^>]*(?<!:)term="([\w-]+)"/g))
    expect(keys).toContain(`glossary.terms.${term}.means`)
})

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

import { expect, it, vi } from 'vitest'
import { readFileSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
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

/** A page with all parts that it is made of. */
function* partsOf(file: string, seen = new Set<string>()): Generator<[string, string]> {
  if (seen.has(file)) return
  seen.add(file)
  const text = readFileSync(file, 'utf8').replace(/\/\*\*[^]*?\*\//g, '')
  yield [file, text]
  for (const [, from] of text.matchAll(/(?:from |import\()'([.@]\/[^']+)'/g)) {
    const path = from!.startsWith('@') ? resolve('frontend/src', from!.slice(2)) : resolve(dirname(file), from!)
    if (path.endsWith('.vue') || !path.includes('/shared/')) {
      yield* partsOf(path.endsWith('.vue') ? path : path + '.ts', seen)
    }
  }
}

it('has the words of every page that opens without signing in among those that are loaded first', () => {
  const router = readFileSync('frontend/src/app/router.ts', 'utf8')
  const open = [...router.matchAll(/import\('@\/([^']+)'\),\s+meta: \{ open: true \}/g)].map(([, page]) => page!)
  expect(open).toContain('doors/JoinPage.vue')
  const later = Object.keys(rest).filter((room) => !(room in first))
  for (const page of open) {
    for (const [file, text] of partsOf(resolve('frontend/src', page))) {
      for (const room of later) expect(text, file).not.toMatch(new RegExp(`\\$?\\bt\\([^)]*['"\`]${room}\\.`))
    }
  }
})

import { readFileSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
import { pages } from '../../pages.mjs'

/** A page with all parts that it is made of: each file with its text, without what is said about it. */
export function* partsOf(file: string, seen = new Set<string>()): Generator<[string, string]> {
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

/** The pages that open without signing in and all parts they are made of: each file with its text. */
export const openParts = (): [string, string][] =>
  pages()
    .filter(({ open }) => open)
    .flatMap(({ page }) => [...partsOf(page)])

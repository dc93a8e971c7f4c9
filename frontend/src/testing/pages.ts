import { readFileSync } from 'node:fs'
import { dirname, resolve } from 'node:path'

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

/** A page of the router: its file, whether it opens without signing in, and the catalogues loaded with it. */
export interface PageOf {
  page: string
  open: boolean
  /** The catalogues that its own route names. */
  own: string[]
  /** All catalogues that are there: its own, those of the frame it stands in, and what every page has. */
  rooms: string[]
}

/** Every page, as the router names them. */
export function pages(): PageOf[] {
  const router = readFileSync('frontend/src/app/router.ts', 'utf8')
  const frames: [RegExp, string[]][] = []
  const found = router.split('component: ').flatMap((part, place, all) => {
    const page = /^\(\) => import\('([@.])\/([^']+)'\)/.exec(part)
    // That of all parts is for whoever works on them.
    if (!page || page[2] === 'PartsPage.vue') return []
    const record = part.split('{ path:')[0]!
    const own = [...(/words: \[([^\]]*)\]/.exec(record)?.[1] ?? '').matchAll(/'(\w+)'/g)].map(([, room]) => room!)
    const open = /open: true/.test(record)
    // The pages of a site stand in a frame that has its own.
    if (/children: \[/.test(record)) frames.push([/\n {6}\],/, own])
    const before = all.slice(place - 1, place).join('')
    if (frames.length && frames[0]![0].test(before)) frames.pop()
    const framed = frames.flatMap(([, rooms]) => rooms)
    return [
      {
        page: resolve('frontend/src', page[1] === '.' ? 'app' : '', page[2]!),
        open,
        own,
        rooms: [...new Set(['open', ...(open ? [] : ['common']), ...own, ...framed])],
      },
    ]
  })
  if (found.length < 30 || !found.some((each) => each.open)) throw new Error('The pages are not found in the router.')
  return found
}

/** The pages that open without signing in and all parts they are made of: each file with its text. */
export const openParts = (): [string, string][] =>
  pages()
    .filter(({ open }) => open)
    .flatMap(({ page }) => [...partsOf(page)])

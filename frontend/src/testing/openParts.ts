import { readFileSync } from 'node:fs'
import { dirname, resolve } from 'node:path'

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

/** The pages that open without signing in and all parts they are made of: each file with its text. */
export function openParts(): [string, string][] {
  const router = readFileSync('frontend/src/app/router.ts', 'utf8')
  const open = [...router.matchAll(/import\('@\/([^']+)'\),\s+meta: \{ open: true \}/g)].map(([, page]) => page!)
  if (!open.includes('doors/JoinPage.vue')) throw new Error('No pages are found that open without signing in.')
  return open.flatMap((page) => [...partsOf(resolve('frontend/src', page))])
}

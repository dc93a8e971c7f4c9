import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'

/** Every page, as the router names them. */
export function pages() {
  const router = readFileSync('frontend/src/app/router.ts', 'utf8')
  const frames = []
  const found = router.split('component: ').flatMap((part, place, all) => {
    const page = /^\(\) => import\('([@.])\/([^']+)'\)/.exec(part)
    // That of all parts is for whoever works on them.
    if (!page || page[2] === 'PartsPage.vue') return []
    const record = part.split('{ path:')[0]
    const own = [...(/words: \[([^\]]*)\]/.exec(record)?.[1] ?? '').matchAll(/'(\w+)'/g)].map(([, room]) => room)
    const open = /open: true/.test(record)
    const file = resolve('frontend/src', page[1] === '.' ? 'app' : '', page[2])
    // The pages of a site stand in a frame that has its own.
    if (/children: \[/.test(record)) frames.push({ end: /\n {6}\],/, file, rooms: own })
    const before = all.slice(place - 1, place).join('')
    if (frames.length && frames[0].end.test(before)) frames.pop()
    const framed = frames.flatMap(({ rooms }) => rooms)
    return [
      {
        page: file,
        open,
        own,
        frames: frames.map((frame) => frame.file).filter((frame) => frame !== file),
        rooms: [...new Set(['open', ...(open ? [] : ['common']), ...own, ...framed])],
      },
    ]
  })
  if (found.length < 30 || !found.some((each) => each.open)) throw new Error('The pages are not found in the router.')
  return found
}

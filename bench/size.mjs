// What two addresses load at first, gzipped, from the build's manifest: script and style of joining and of the roster,
// the fonts apart, and in how many files. Exits 1 when it is more than the bounds. Usage: node bench/size.mjs
import { readFileSync } from 'node:fs'
import { relative } from 'node:path'
import { gzipSync } from 'node:zlib'
import { pages } from '../frontend/pages.mjs'

const BOUNDS = { joining: 150, roster: 330, fonts: 120 }
/** Six at a time are asked for where a browser is not served by a newer protocol. */
const FILES = { joining: 12, roster: 36 }
const folder = new URL('../public/build/', import.meta.url)
const manifest = JSON.parse(readFileSync(new URL('.vite/manifest.json', folder)))

/** All files that pages bring with them, those they load only when used left out. */
function filesOf(...pages) {
  const files = new Set()
  const seen = new Set()
  const load = (name) => {
    if (seen.has(name)) return
    seen.add(name)
    const chunk = manifest[name]
    if (!chunk) throw new Error(`The build has no ${name}.`)
    for (const file of [chunk.file, ...(chunk.css ?? [])]) files.add(file)
    for (const each of chunk.imports ?? []) load(each)
  }
  for (const page of ['index.html', ...pages]) load(page)
  return files
}

const source = (file) => relative('frontend', file)
const page = pages().find((each) => each.page.endsWith('/RosterPage.vue'))
const files = filesOf(
  ...page.rooms.filter((room) => room !== 'open').map((room) => `src/shared/words/en/${room}.json`),
  'src/app/inside.ts',
  ...[...page.frames, page.page].map(source),
)
const kilobytes = (bytes) => Math.round(bytes / 102.4) / 10
const weight = (some) =>
  kilobytes(
    [...some].reduce((sum, file) => sum + gzipSync(readFileSync(new URL(file, folder)), { level: 5 }).length, 0),
  )
const roster = weight(files)
const joined = filesOf('src/doors/JoinPage.vue')
const joining = weight(joined)

// Of each family a browser fetches the files whose letters are on the page: for our names that is latin and latin-ext.
const css = [...files]
  .filter((file) => file.endsWith('.css'))
  .map((file) => readFileSync(new URL(file, folder), 'utf8'))
  .join('')
const fonts = new Set([...css.matchAll(/url\(\/?([^)]*?-latin(?:-ext)?-[^)]*?\.woff2)\)/g)].map(([, file]) => file))
const fontBytes = kilobytes([...fonts].reduce((sum, file) => sum + readFileSync(new URL(file, folder)).length, 0))

const inFiles = (some, bound) => `in ${some.size} files (bound ${bound})`
console.log(
  `joining: ${joining} kB of script and style (bound ${BOUNDS.joining}) ${inFiles(joined, FILES.joining)}; ` +
    `first load of the roster: ${roster} kB (bound ${BOUNDS.roster}) ${inFiles(files, FILES.roster)}, ` +
    `${fontBytes} kB of fonts (bound ${BOUNDS.fonts})`,
)
for (const font of fonts) console.log(`  ${kilobytes(readFileSync(new URL(font, folder)).length)} kB ${font}`)
const tooMany = joined.size > FILES.joining || files.size > FILES.roster
const tooMuch = joining > BOUNDS.joining || roster > BOUNDS.roster || fontBytes > BOUNDS.fonts
if (tooMany || tooMuch) process.exitCode = 1

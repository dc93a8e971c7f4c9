// What the roster's address loads at first, gzipped, from the build's manifest: script and style, and fonts apart.
// Exits 1 when it is more than the bounds. Usage: node bench/size.mjs [--json]
import { readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'

const BOUNDS = { code: 330, fonts: 120 }
const folder = new URL('../public/build/', import.meta.url)
const manifest = JSON.parse(readFileSync(new URL('.vite/manifest.json', folder)))
const files = new Set()
const seen = new Set()

function load(name) {
  if (seen.has(name)) return
  seen.add(name)
  const chunk = manifest[name]
  if (!chunk) throw new Error(`The build has no ${name}.`)
  for (const file of [chunk.file, ...(chunk.css ?? [])]) files.add(file)
  for (const each of chunk.imports ?? []) load(each)
}

load('index.html')
for (const page of ['src/sites/SiteFrame.vue', 'src/desk/RosterPage.vue']) load(page)
const kilobytes = (bytes) => Math.round(bytes / 102.4) / 10
const code = kilobytes(
  [...files].reduce((sum, file) => sum + gzipSync(readFileSync(new URL(file, folder)), { level: 5 }).length, 0),
)

// Of each family a browser fetches the files whose letters are on the page: for our names that is latin and latin-ext.
const css = [...files]
  .filter((file) => file.endsWith('.css'))
  .map((file) => readFileSync(new URL(file, folder), 'utf8'))
  .join('')
const fonts = new Set([...css.matchAll(/url\(\/?([^)]*?-latin(?:-ext)?-[^)]*?\.woff2)\)/g)].map(([, file]) => file))
const fontBytes = kilobytes([...fonts].reduce((sum, file) => sum + readFileSync(new URL(file, folder)).length, 0))

if (process.argv.includes('--json')) console.log(JSON.stringify({ code, fonts: fontBytes, bounds: BOUNDS }))
else {
  console.log(
    `first load of the roster: ${code} kB of script and style (bound ${BOUNDS.code}), ${fontBytes} kB of fonts ` +
      `(bound ${BOUNDS.fonts})`,
  )
  for (const font of fonts) console.log(`  ${kilobytes(readFileSync(new URL(font, folder)).length)} kB ${font}`)
}
if (code > BOUNDS.code || fontBytes > BOUNDS.fonts) process.exitCode = 1

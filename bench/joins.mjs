// Coming in through a door: one after the other beside an empty route, a thousand at once for two hundred seats, and
// with accounts made on the way. Run by bin/bench. Environment: MINT_DOOR_URL, PASSWORD, VISITORS (a JSON file of
// session cookies).
import { spawnSync } from 'node:child_process'
import { readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const base = process.env.MINT_DOOR_URL + '/api/v1'
const cookies = JSON.parse(readFileSync(process.env.VISITORS, 'utf8'))
const SINGLE = 60
const SEATS = 200
let held = true
const say = (line, ok) => {
  held &&= ok ?? true
  console.log(line + (ok === undefined ? '' : ok ? '   held' : '   NOT HELD'))
}
const median = (times) => times.toSorted((a, b) => a - b)[times.length >> 1]

async function call(cookie, method, path, body, headers = {}) {
  const started = performance.now()
  const response = await fetch(base + path, {
    method,
    headers: {
      'X-Mint-Door': '1',
      ...(cookie ? { Cookie: cookie } : {}),
      ...(body ? { 'Content-Type': 'application/json' } : {}),
      ...headers,
    },
    body: body && JSON.stringify(body),
  })
  const text = await response.text()
  const ms = performance.now() - started
  if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${text.slice(0, 300)}`)
  return { ms, body: text ? JSON.parse(text) : null, headers: response.headers }
}

const signedIn = await call('', 'POST', '/sign-in', { login: 'ingrid.solheim', password: process.env.PASSWORD })
const administrator = signedIn.headers.getSetCookie()[0].split(';')[0]
const platform = (await call(administrator, 'GET', '/platform')).body
const code = 'J' + Date.now().toString(36).toUpperCase()
const site = (
  await call(administrator, 'POST', '/sites', {
    title: 'Bench of joins',
    code,
    kind: 'course',
    division: 'millrace',
    term: platform.terms[0].code,
    seats: SINGLE + SEATS,
  })
).body
const version = (await call(administrator, 'GET', `/sites/${site.id}`)).body.version
await call(administrator, 'PUT', `/sites/${site.id}/life`, { state: 'open' }, { 'If-Match': `"${version}"` })
const door = (await call(administrator, 'POST', `/sites/${site.id}/doors`, { waiting: true })).body

const empty = []
const single = []
for (const cookie of cookies.slice(0, SINGLE)) {
  for (let n = 0; n < 3; n++) empty.push((await call(`mint_door=${cookie}`, 'GET', '/alive')).ms)
  single.push((await call(`mint_door=${cookie}`, 'POST', '/join', { key: door.key })).ms)
}
const ratio = median(single) / median(empty)
say(
  `one person comes in with a key                ${median(single).toFixed(1)} ms, empty route ` +
    `${median(empty).toFixed(1)} ms: ratio ${ratio.toFixed(2)}   bound 6`,
  ratio <= 6,
)

const file = join(tmpdir(), `burst-${process.pid}.json`)
writeFileSync(file, JSON.stringify({ key: door.key, cookies: cookies.slice(SINGLE), atATime: 100 }))
const { stdout, stderr } = spawnSync(process.execPath, [new URL('burst.mjs', import.meta.url).pathname], {
  env: { ...process.env, BURST: file },
  encoding: 'utf8',
})
rmSync(file)
if (!stdout) throw new Error(stderr)
const burst = JSON.parse(stdout)
const people = cookies.length - SINGLE
const right =
  burst.passages.in === SEATS && burst.passages.line === people - SEATS && Object.keys(burst.statuses).join() === '200'
say(
  `${people.toLocaleString('en')} people with a key at once, ${SEATS} seats       ${burst.passages.in ?? 0} in, ` +
    `${burst.passages.line ?? 0} in line, answers ${JSON.stringify(burst.statuses)}`,
  right,
)
const rate = people / burst.seconds
say(
  `  ${rate.toFixed(0)} a second, median ${(burst.median / 1000).toFixed(2)} s, p95 ${(burst.p95 / 1000).toFixed(2)} ` +
    `s of those who stand 100 at a time   bound 30 a second`,
  rate >= 30,
)

const open = (
  await call(administrator, 'POST', `/sites/${site.id}/doors`, {
    role: 'learner',
    waiting: true,
    accounts: true,
    divisions: ['millrace'],
    lowest: 6,
    highest: 10,
  })
).body
const MADE = 120
const began = performance.now()
const made = []
await Promise.all(
  Array.from({ length: 8 }, async (_, lane) => {
    for (let n = lane; n < MADE; n += 8)
      made.push(
        (
          await call('', 'POST', '/join/account', {
            key: open.key,
            given: 'Bench',
            family: `Visitor ${code} ${n}`,
            level: 7,
            password: 'three small boats',
          })
        ).ms,
      )
  }),
)
const seconds = (performance.now() - began) / 1000
say(
  `${MADE} people with accounts made on the way      ${(MADE / seconds).toFixed(0)} a second, p95 ` +
    `${made.toSorted((a, b) => a - b)[Math.floor(MADE * 0.95)].toFixed(0)} ms, of which hashing a password is the ` +
    `most`,
)
process.exit(held ? 0 : 1)

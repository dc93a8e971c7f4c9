// Many people with a valid key at once: each one request, sent again under the same idempotency key until it is
// answered. Environment: MINT_DOOR_URL, BURST (a JSON file: key, cookies, and how many at a time). Prints a JSON of
// what came of it.
import { Agent, request } from 'node:http'
import { readFileSync } from 'node:fs'

const { key, cookies, atATime } = JSON.parse(readFileSync(process.env.BURST, 'utf8'))
const base = new URL('/api/v1/join', process.env.MINT_DOOR_URL)
const agent = new Agent({ keepAlive: process.env.KEEP_ALIVE !== '0', maxSockets: atATime })
const longest = Date.now() + 240_000

function once(cookie, idempotency) {
  return new Promise((resolve) => {
    const body = JSON.stringify({ key })
    const call = request(
      {
        agent,
        host: base.hostname,
        port: base.port,
        method: 'POST',
        path: base.pathname,
        timeout: 90_000,
        headers: {
          'X-Mint-Door': '1',
          Cookie: `mint_door=${cookie}`,
          'Content-Type': 'application/json',
          'Content-Length': Buffer.byteLength(body),
          'Idempotency-Key': idempotency,
        },
      },
      (response) => {
        let text = ''
        response
          .setEncoding('utf8')
          .on('data', (part) => (text += part))
          .on('end', () => resolve({ status: response.statusCode, text }))
          .on('error', () => resolve({ status: 0, text: '' }))
      },
    )
    call.on('timeout', () => call.destroy())
    call.on('error', () => resolve({ status: 0, text: '' }))
    call.end(body)
  })
}

const passages = {}
const statuses = {}
const times = []
let again = 0
let first = null
async function visitor(cookie, index) {
  const started = process.hrtime.bigint()
  for (let tries = 0; Date.now() < longest; tries++) {
    const { status, text } = await once(cookie, `burst-${index}-${cookie.slice(0, 8)}`)
    // Nobody there, or somebody on the way down: the same request once more.
    if (status === 0 || status === 502 || status === 503) {
      again++
      await new Promise((wait) => setTimeout(wait, 150 + 20 * Math.min(tries, 40)))
      continue
    }
    times.push(Number(process.hrtime.bigint() - started) / 1e6)
    statuses[status] = (statuses[status] ?? 0) + 1
    let answer = {}
    try {
      answer = JSON.parse(text)
    } catch {
      first ??= text.slice(0, 300)
    }
    if (status >= 400) first ??= text.slice(0, 300)
    const passage = answer.passage ?? answer.code ?? 'none'
    passages[passage] = (passages[passage] ?? 0) + 1
    return
  }
  statuses.never = (statuses.never ?? 0) + 1
}

const began = Date.now()
const left = cookies.map((cookie, index) => [cookie, index])
await Promise.all(
  Array.from({ length: atATime }, async () => {
    for (let next = left.shift(); next; next = left.shift()) await visitor(...next)
  }),
)
times.sort((a, b) => a - b)
process.stdout.write(
  JSON.stringify({
    passages,
    statuses,
    again,
    seconds: (Date.now() - began) / 1000,
    median: times[times.length >> 1] ?? 0,
    p95: times[Math.floor(times.length * 0.95)] ?? 0,
    first,
  }),
)
process.exit(0)

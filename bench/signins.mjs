// Whether the time of an answer tells if there is an account: wrong passwords for known, unknown and closed ones,
// interleaved. And a school that comes in at once: 500 right passwords from one address. Run by bin/bench. Environment:
// MINT_DOOR_URL, PASSWORD, KNOWN and CLOSED (files of login names, one a line).
import { readFileSync } from 'node:fs'
import { Agent, request } from 'node:http'

const url = new URL('/api/v1/sign-in', process.env.MINT_DOOR_URL)
const agent = new Agent({ keepAlive: true, maxSockets: 1 })
const many = new Agent({ keepAlive: true, maxSockets: 4 })
const logins = (name) => readFileSync(process.env[name], 'utf8').trim().split('\n')

/** Answers status and milliseconds. */
const signIn = (login, password, over = agent) =>
  new Promise((resolve, reject) => {
    const started = process.hrtime.bigint()
    const headers = { 'X-Mint-Door': '1', 'Content-Type': 'application/json' }
    const call = request(url, { agent: over, method: 'POST', headers }, (response) => {
      response.resume().on('end', () => {
        resolve({ status: response.statusCode, ms: Number(process.hrtime.bigint() - started) / 1e6 })
      })
    })
    call.on('error', reject)
    call.end(JSON.stringify({ login, password }))
  })
const median = (values) => values.toSorted((a, b) => a - b)[values.length >> 1]

const known = logins('KNOWN')
const closed = logins('CLOSED')
const tries = 200
if (known.length < tries || closed.length < tries) throw new Error('Too few accounts to try.')
const times = { known: [], unknown: [], closed: [] }
for (let n = -20; n < tries; n++) {
  const who = { known: known.at(n), unknown: `nobody.of.that.name${n}`, closed: closed.at(n) }
  for (const kind of Object.keys(times)) {
    const { status, ms } = await signIn(who[kind], 'a wrong guess')
    if (status !== 401) throw new Error(`${kind}: ${status}`)
    if (n >= 0) times[kind].push(ms)
  }
}
const medians = Object.entries(times).map(([kind, values]) => [kind, median(values)])
const ratio = Math.max(...medians.map(([, ms]) => ms)) / Math.min(...medians.map(([, ms]) => ms))
const said = medians.map(([kind, ms]) => `${kind} ${ms.toFixed(1)} ms`).join(', ')
console.log(`failed sign-ins: ${said}; ratio ${ratio.toFixed(3)}, bound 1.1   ${ratio <= 1.1 ? 'held' : 'NOT HELD'}`)

const began = Date.now()
const school = Array.from({ length: 500 }, (_, n) => signIn(known[n % known.length], process.env.PASSWORD, many))
const refused = (await Promise.all(school)).filter(({ status }) => status !== 200).length
const seconds = (Date.now() - began) / 1000
const inTime = refused === 0 && seconds < 300
console.log(
  `500 sign-ins from one address in ${seconds.toFixed(0)} s, ${refused} refused   ${inTime ? 'held' : 'NOT HELD'}`,
)
agent.destroy()
many.destroy()
process.exitCode = ratio <= 1.1 && inTime ? 0 : 1

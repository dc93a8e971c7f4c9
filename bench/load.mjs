// What others notice while the most expensive requests there are run as fast as they are taken: by somebody who is not
// signed in, and by a tutor. Run by bin/bench. Environment: MINT_DOOR_URL, PASSWORD, SECONDS.
import { Agent } from 'node:http'
import { exchange } from './session.mjs'

const seconds = Number(process.env.SECONDS ?? 20)
const MEDIAN = 300
const P95 = 1_000

/** As `exchange()`; where nothing is answered the status is 0. */
const ask = (agent, method, path, content, cookie = '') =>
  exchange(process.env.MINT_DOOR_URL, agent, method, path, content, cookie).catch(() => ({ status: 0, ms: 0, cookie }))
const one = new Agent({ keepAlive: true, maxSockets: 1 })
const signIn = async (login) => {
  const { status, cookie } = await ask(
    one,
    'POST',
    '/sign-in',
    JSON.stringify({ login, password: process.env.PASSWORD }),
  )
  if (status !== 200) throw new Error(`${login}: ${status}`)
  return cookie
}
const tutor = await signIn('mara.lindqvist')
const other = await signIn('ingrid.solheim')
const sites = JSON.parse((await ask(one, 'GET', '/sites?scope=run&limit=200', undefined, tutor)).text).items
const large = sites.toSorted((a, b) => b.learners - a.learners)[0].id

const numbers = JSON.stringify({ key: 'x', section: Array.from({ length: 60_000 }, (_, n) => n) })
const small = JSON.stringify({ key: 'berry-berry-54877-guitar-comb', why: 'x'.repeat(15_000) })
const wrong = JSON.stringify({ login: 'nobody.of.that.name', password: 'a wrong guess' })
const rows = JSON.stringify({ text: 'a;'.repeat(449_000), apply: false })
const people = Array.from({ length: 9_000 }, (_, n) => `Given${n};Family${n};given${n}@example.org;7`).join('\n')
const accounts = JSON.stringify({ text: people, apply: false })
const pasted = JSON.stringify({
  text: Array.from({ length: 2_000 }, (_, n) => `Anna Lindqvist ${n}`).join('\n'),
  role: null,
})
const reach = JSON.stringify({ kind: 'key', role: 'learner', lowest: 1, highest: 10 })
const from = {
  outside: [
    ['/join/look', numbers],
    ['/join/look', small],
    ['/sign-in', wrong],
    ['/join/account', numbers],
  ],
  tutor: [
    ['/account-batches', rows],
    ['/account-batches', accounts],
    [`/sites/${large}/intake`, pasted],
    [`/sites/${large}/door-reach`, reach],
  ],
}

/** Runs some requests over and over, sixteen at a time, while somebody else asks who they are. */
async function while_(name, expensive, cookie) {
  const many = new Agent({ keepAlive: true, maxSockets: 16 })
  const end = Date.now() + 1_000 * seconds
  const statuses = {}
  const worker = async (n) => {
    for (let k = n; Date.now() < end; k++) {
      const [path, body] = expensive[k % expensive.length]
      const { status } = await ask(many, 'POST', path, body, cookie)
      statuses[status] = (statuses[status] ?? 0) + 1
    }
  }
  const load = Array.from({ length: name === 'nobody' ? 0 : 16 }, (_, n) => worker(n))
  const times = []
  let refused = 0
  while (Date.now() < end) {
    const { status, ms } = await ask(one, 'GET', '/me', undefined, other)
    times.push(ms)
    refused += Number(status !== 200)
    await new Promise((resolve) => setTimeout(resolve, 20))
  }
  await Promise.all(load)
  many.destroy()
  times.sort((a, b) => a - b)
  const [median, p95] = [times[times.length >> 1], times[Math.floor(times.length * 0.95)]]
  const held = median <= MEDIAN && p95 <= P95 && refused === 0
  const answers = Object.entries(statuses)
    .map(([status, times]) => `${status}: ${times}`)
    .join(', ')
  console.log(
    `GET /me while ${name} asks expensive things: median ${median.toFixed(0)} ms (bound ${MEDIAN}), ` +
      `p95 ${p95.toFixed(0)} ms (bound ${P95}), ` +
      `${refused} refused; the others were answered ${answers || '–'}   ${held ? 'held' : 'NOT HELD'}`,
  )
  return held
}

const held = [
  await while_('nobody', [], ''),
  await while_('somebody outside', from.outside, ''),
  await while_('a tutor', from.tutor, tutor),
]
one.destroy()
process.exitCode = held.every(Boolean) ? 0 : 1

// Measures the served application against an empty route behind the same firewall, interleaved on one connection.
// Run by bin/bench. Environment: MINT_DOOR_URL, PEOPLE (a tab-separated file of people to look for), ROUNDS.
import { Agent } from 'node:http'
import { readFileSync } from 'node:fs'
import { session } from './session.mjs'

const address = process.env.MINT_DOOR_URL
const rounds = Number(process.env.ROUNDS ?? 200)
const agent = new Agent({ keepAlive: true, maxSockets: 1 })

const tutor = session(address, agent)
const administrator = session(address, agent)
await tutor('POST', '/sign-in', { login: 'mara.lindqvist', password: process.env.PASSWORD })
await administrator('POST', '/sign-in', { login: 'ingrid.solheim', password: process.env.PASSWORD })

const sites = (await tutor('GET', '/sites?scope=run&limit=200')).body.items
const large = sites.toSorted((a, b) => b.learners - a.learners)[0]
if (!large || large.learners < 4900) throw new Error('The large platform is not furnished: no site of 5,000 people.')

// Chance that falls the same way every time (mulberry32).
let seed = 20261124
const chance = () => {
  seed = (seed + 0x6d2b79f5) | 0
  let t = Math.imul(seed ^ (seed >>> 15), 1 | seed)
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296
}
const between = (low, high) => low + Math.floor(chance() * (high - low + 1))

// People picked at random bring common names as often as they are common. What is typed of them is mixed.
const people = readFileSync(process.env.PEOPLE, 'utf8')
  .trim()
  .split('\n')
  .map((line) => line.split('\t'))
const ways = [
  ([given]) => given.slice(0, between(2, 4)),
  ([, family]) => family.slice(0, between(2, 5)),
  ([given]) => given,
  ([, family]) => family,
  ([given, family]) => `${given} ${family}`,
  ([given, family]) => `${family}, ${given.slice(0, 2)}`,
  ([given, family]) => `${given.slice(0, 2)} ${family.slice(0, 3)}`,
  ([given, family]) => `${given} ${family}`.normalize('NFD').replaceAll(/\p{M}/gu, ''),
  ([, , number]) => number,
  ([, , number]) => number.slice(0, between(3, 5)),
  ([, , , login]) => login,
  ([, , , , email]) => email,
]
const queries = people
  .map((person, index) => ways[index % ways.length](person))
  .filter((typed) => typed && typed !== 'NULL')

const logged = async () => (await tutor('GET', `/sites/${large.id}/history`)).body.items[0]?.sequence ?? 0
// People who never were here, others each time the benchmark runs: every round leaves them a grant more.
const newcomers = []
for (let skip = Math.floor((await logged()) / 10_000) % 40, cursor = ''; newcomers.length < 60; skip--) {
  const of = `kind=learner&division=${large.division.code}&limit=100&cursor=${cursor}`
  const page = (await administrator('GET', '/directory?' + of)).body
  cursor = page.next
  if (skip > 0) continue
  const lines = page.items.map((item) => ({ person: item.person.id, verb: 'let-in' }))
  const looked = (await tutor('POST', `/sites/${large.id}/change-lists`, { lines, apply: false })).body.lines
  newcomers.push(...looked.filter((line) => line.verdict === 'ready' && !line.before).map((line) => line.person.id))
}

const letIn = async (round) => {
  const person = newcomers[round % newcomers.length]
  const { ms, body } = await tutor('POST', `/sites/${large.id}/change-lists`, {
    lines: [{ person, verb: 'let-in', role: 'learner' }],
  })
  if (body.lines[0].verdict !== 'ready') throw new Error(`not let in: ${JSON.stringify(body.lines[0])}`)
  await tutor('POST', `/sites/${large.id}/history/${body.lines[0].entry}/undo`)
  return ms
}
// A thousand people of the large site, paused as one change list in one transaction, and taken back; again until its
// history is long.
const LONG = 20_000
const everybody = []
for (let cursor = ''; cursor !== null;) {
  const page = (await tutor('GET', `/sites/${large.id}/roster?role=learner&limit=500&cursor=${cursor}`)).body
  everybody.push(...page.items.map((row) => row.person.id))
  cursor = page.next
}
// Others each time the benchmark runs: nobody is paused a hundred times.
const first = (Math.floor((await logged()) / 10_000) % 4) * 1000
const thousand = everybody.slice(first, first + 1000)
const changeLists = []
while (changeLists.length < 5 || (await logged()) < LONG) {
  const lines = thousand.map((person) => ({ person, verb: 'pause', untilDay: '2026-12-18' }))
  const { ms, body } = await tutor('POST', `/sites/${large.id}/change-lists`, { lines })
  if (body.lines.some((line) => line.verdict !== 'ready')) throw new Error('Not all of a thousand were paused.')
  changeLists.push(ms)
  await tutor('POST', `/sites/${large.id}/change-lists/${body.changeList}/undo`, { apply: true })
}
const asOf = (round) => new Date(Date.UTC(2026, 8, 8 + (round % 70))).toISOString().slice(0, 10)

// Somebody in sixty sites, for their page.
const busy = (await administrator('GET', '/directory?kind=learner&division=millrace&limit=1')).body.items[0].person.id
const others = (await administrator('GET', '/sites?scope=all&division=millrace&limit=120')).body.items
if ((await administrator('GET', `/people/${busy}`)).body.sites.length < 60) {
  const changeList = (await administrator('POST', '/change-lists', { kind: 'people', work: { bench: true } })).body.id
  const lines = others
    .slice(0, 66)
    .map((site) => ({ site: site.id, line: { person: busy, verb: 'let-in', role: 'learner' } }))
  await administrator('POST', `/change-lists/${changeList}/apply`, { lines })
}
const theirs = (await administrator('GET', `/people/${busy}`)).body.sites.length
if (theirs < 60) throw new Error(`Only ${theirs} sites.`)

const work = [
  { what: 'empty route behind the firewall', run: async () => (await tutor('GET', '/alive')).ms },
  {
    what: `sites I run (${sites.length})`,
    bound: 2,
    run: async () => (await tutor('GET', '/sites?scope=run&limit=40')).ms,
  },
  {
    what: 'all sites, first page of 5,000',
    bound: 2,
    run: async () => (await administrator('GET', '/sites?scope=all&limit=40')).ms,
  },
  {
    what: 'today, of who runs sites',
    bound: 3,
    run: async () => (await tutor('GET', '/today')).ms,
  },
  {
    what: 'today, of an administrator of 5,000 sites',
    bound: 3,
    run: async () => (await administrator('GET', '/today')).ms,
  },
  {
    what: 'roster as it stood on a day, first page, 20,000 entries in its history',
    bound: 4,
    run: async (round) => (await tutor('GET', `/sites/${large.id}/roster?limit=100&asOf=${asOf(round)}`)).ms,
  },
  {
    what: `first-day-check: reasons for all ${large.learners.toLocaleString('en')}`,
    bound: 15,
    run: async () => (await tutor('GET', `/sites/${large.id}/first-day-check?day=2026-12-01`)).ms,
  },
  {
    what: 'reasons for a page of 200 people',
    bound: 4,
    run: async () => (await tutor('GET', `/sites/${large.id}/roster?limit=200`)).ms,
  },
  {
    what: `roster, first page of ${large.learners.toLocaleString('en')} people`,
    bound: 2.5,
    run: async () => (await tutor('GET', `/sites/${large.id}/roster?limit=60`)).ms,
  },
  {
    what: `search among 200,000 people (${queries.length} queries)`,
    bound: 2.2,
    bound95: 4,
    run: async (round) =>
      (await tutor('GET', `/sites/${large.id}/intake?q=${encodeURIComponent(queries[round % queries.length])}`)).ms,
  },
  {
    what: `the page of somebody in ${theirs} sites`,
    bound: 5,
    run: async () => (await administrator('GET', `/people/${busy}`)).ms,
  },
  { what: 'let one person in', bound: 3.2, run: letIn },
]

for (const each of work) for (let n = 0; n < 10; n++) await each.run(n)
const times = work.map(() => [])
for (let round = 0; round < rounds; round++)
  for (const [index, each] of work.entries()) times[index].push(await each.run(round))
// Five hundred pasted lines: names in both orders, numbers, addresses, and slips.
const pasted = Array.from({ length: 500 }, (_, n) => {
  const [given, family, number, , email] = people[n % people.length]
  return [
    `${n + 1}. ${given} ${family}`,
    `${family}, ${given}`,
    number,
    `${given} ${family} <${email}>`,
    `${given[0]}. ${family}`,
    `${given} ${family.slice(0, -1)}`,
  ][n % 6]
}).join('\n')
const read = []
for (let n = 0; n < 7; n++) read.push((await tutor('POST', `/sites/${large.id}/intake`, { text: pasted })).ms)
const duplicates = []
for (let n = 0; n < 7; n++) duplicates.push((await administrator('GET', '/duplicates')).ms)
const reach = []
for (let n = 0; n < 7; n++) {
  const sentence = { kind: 'key', role: 'learner', lowest: 1 + n, highest: 10 }
  reach.push((await tutor('POST', `/sites/${large.id}/door-reach`, sentence)).ms)
}
const rules = (await administrator('GET', '/rules')).body.rules
const without = (change) => {
  const other = structuredClone(rules)
  change((code) => other.roles.find((role) => role.code === code))
  return administrator('PUT', '/rules', { rules: other, apply: false })
}
const drop = (of, permission) => (of.permissions = of.permissions.filter((each) => each !== permission))
const ofRole = []
for (let n = 0; n < 5; n++) ofRole.push((await without((role) => drop(role('co-tutor'), 'label-people'))).ms)
const ofBand = []
for (let n = 0; n < 5; n++) {
  const { ms, body } = await without((role) => drop(role('learner').bands[0], 'do-work'))
  if (!body.affected[0]?.people) throw new Error('Nobody is affected by what learners lose.')
  ofBand.push(ms)
}
agent.destroy()

const at = (sorted, share) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]
const results = work.map((each, index) => {
  const sorted = times[index].toSorted((a, b) => a - b)
  return { ...each, median: at(sorted, 0.5), p95: at(sorted, 0.95) }
})
const floor = results[0]
const rows = [['what', 'median ms', 'p95 ms', 'ratio', 'bound', '']]
let held = true
for (const { what, median, p95, bound, bound95 } of results) {
  const row = (name, ratio, limit) => {
    const ok = limit === undefined || ratio <= limit
    held &&= ok
    rows.push([
      name,
      median.toFixed(1),
      p95.toFixed(1),
      ratio.toFixed(2),
      limit?.toFixed(1) ?? '',
      limit === undefined ? '' : ok ? 'held' : 'NOT HELD',
    ])
  }
  row(what, median / floor.median, bound)
  if (bound95) row('  the same, p95 against p95', p95 / floor.p95, bound95)
}
const lasting = (what, times, limit) => {
  const median = at(
    times.toSorted((a, b) => a - b),
    0.5,
  )
  held &&= median <= limit
  rows.push([
    what,
    median.toFixed(0),
    Math.max(...times).toFixed(0),
    '',
    `${limit} ms`,
    median <= limit ? 'held' : 'NOT HELD',
  ])
}
lasting('1,000 people changed as one change list', changeLists, 2000)
lasting('500 pasted lines read among 200,000 people', read, 1000)
lasting('rules changed for a role, looked at among 1,000,000 enrollments', ofRole, 1500)
lasting('the same for some of those who hold it, by their level', ofBand, 1500)
// Counted anew when something was done to people: the longest is one that was.
lasting('reach of a door among 200,000 people', reach, 100)
lasting('who is there twice among 200,000 people', duplicates, 300)
const width = rows[0].map((_, column) => Math.max(...rows.map((row) => row[column].length)))
for (const row of rows)
  console.log(
    row.map((text, column) => (column ? text.padStart(width[column]) : text.padEnd(width[column]))).join('  '),
  )
process.exitCode = held ? 0 : 1

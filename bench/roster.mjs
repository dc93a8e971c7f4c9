// What a roster of 5,000 people costs in 40 sections that do not see one another, beside the empty route behind the
// firewall, measured in turn within one run. Run by bin/bench roster. Environment: MINT_DOOR_URL, PASSWORD, ROUNDS.
import { Agent } from 'node:http'
import { session } from './session.mjs'

const SECTIONS = 40
const AT_ONCE = 500
const rounds = Number(process.env.ROUNDS ?? 60)
const agent = new Agent({ keepAlive: true })
const signedIn = async (login) => {
  const ask = session(process.env.MINT_DOOR_URL, agent)
  await ask('POST', '/sign-in', { login, password: process.env.PASSWORD })
  return ask
}
const tutor = await signedIn('mara.lindqvist')
const sites = (await tutor('GET', '/sites?scope=run&limit=200')).body.items
const large = sites.toSorted((a, b) => b.learners - a.learners)[0]
const site = `/sites/${large.id}`

/** Everybody is put into a section, staff too but for the leads: once, since the platform is kept. */
async function divide() {
  let facts = (await tutor('GET', `${site}/sections`)).body
  if (facts.sections.length < SECTIONS) {
    const sections = Array.from({ length: SECTIONS }, (_, n) => ({ name: `Section ${n + 1}` }))
    const body = { sections, apart: true, several: false }
    facts = (await tutor('PUT', `${site}/sections`, body, { 'If-Match': `"${facts.version}"` })).body
  }
  const ids = facts.sections.map(({ id }) => id)
  for (;;) {
    const page = (await tutor('GET', `${site}/roster?section=none&limit=${AT_ONCE}&unlisted=1`)).body.items
    const left = page.filter(({ standing }) => standing.role !== 'lead-tutor')
    if (!left.length) return ids
    const lines = left.map(({ person }, n) => ({
      person: person.id,
      verb: 'put-in-section',
      section: ids[n % SECTIONS],
    }))
    await tutor('POST', `${site}/change-lists`, { lines })
  }
}
const ids = await divide()
/** Somebody of the staff who is kept to a section: whoever is not there yet is let in. */
async function assistant() {
  const there = (await tutor('GET', `${site}/roster?role=class-assistant&limit=5`)).body.items[0]
  if (there) return there.person.id
  const { items } = (await tutor('GET', '/people?q=an&kind=staff')).body
  for (const each of items) {
    const person = each.person?.id ?? each.id
    const lines = [{ person, verb: 'let-in', role: 'class-assistant', section: ids[0] }]
    const answer = await tutor('POST', `${site}/change-lists`, { lines }).catch(() => null)
    if (answer?.body.lines[0]?.verdict === 'ready') return person
  }
  throw new Error('Nobody could be let in as class assistant.')
}
const as = `&as=person:${await assistant()}`
const get = (path) => async (n) => (await tutor('GET', typeof path === 'function' ? path(n) : path)).ms
const checks = [
  { what: 'empty route behind the firewall', run: get('/alive') },
  { what: 'roster, first page', bound: 4, run: get(`${site}/roster?limit=60`) },
  { what: 'the same in the order of sections', bound: 7.5, run: get(`${site}/roster?limit=60&sort=section`) },
  { what: 'of one section', bound: 6.5, run: get((n) => `${site}/roster?limit=60&section=${ids[n % SECTIONS]}`) },
  { what: 'through the eyes of staff of a section', bound: 6.5, run: get(`${site}/roster?limit=60${as}`) },
  { what: 'the sections and how full they are', bound: 8, run: get(`${site}/sections`) },
]
const times = checks.map(() => [])
for (let n = -5; n < rounds; n++)
  for (const [each, { run }] of checks.entries()) {
    const ms = await run(n + 5)
    if (n >= 0) times[each].push(ms)
  }
const median = (all) => all.toSorted((a, b) => a - b)[all.length >> 1]
const empty = median(times[0])
let held = true
console.log(
  `${large.learners.toLocaleString('en')} learners in ${SECTIONS} sections; median ms, and times the empty route`,
)
for (const [each, { what, bound }] of checks.entries()) {
  const ratio = median(times[each]) / empty
  const holds = !bound || ratio <= bound
  held &&= holds
  console.log(
    what.padEnd(42),
    median(times[each]).toFixed(1).padStart(8),
    ratio.toFixed(2).padStart(8),
    bound ? `bound ${bound}` : '',
    holds ? '' : ' NOT HELD',
  )
}
process.exit(held ? 0 : 1)

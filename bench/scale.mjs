// How the cost of pages grows over platforms of different sizes, measured in turn within one run. Run by
// bin/bench scale. Environment: PLATFORMS (people=address, by blanks, the smallest first), PASSWORD, ROUNDS, and ONLY
// (a regular expression) to measure some of the pages.
import { Agent } from 'node:http'
import { session } from './session.mjs'

const GROWS = 1.5
const rounds = Number(process.env.ROUNDS ?? 40)
const only = new RegExp(process.env.ONLY ?? '')
const agent = new Agent({ keepAlive: true })

/** The pages of one platform: what each is, and how it is asked for; `n` makes each round look for somebody else. */
async function pages(address) {
  const signedIn = async (login) => {
    const ask = session(address, agent)
    await ask('POST', '/sign-in', { login, password: process.env.PASSWORD })
    return ask
  }
  const tutor = await signedIn('mara.lindqvist')
  const administrator = await signedIn('ingrid.solheim')
  const learner = await signedIn('elias.nordahl')
  const sites = (await tutor('GET', '/sites?scope=run&limit=200')).body.items
  const large = sites.toSorted((a, b) => b.learners - a.learners)[0]
  if (!large || large.learners < 4_900) throw new Error(`No site of 5,000 people at ${address}.`)
  const site = `/sites/${large.id}`
  const people = (await tutor('GET', `${site}/roster?role=learner&limit=200`)).body.items.map((row) => row.person)
  const one = (n) => people[(n * 7) % people.length]
  const typed = (n) => {
    const { given, family } = one(n)
    return encodeURIComponent([given, family, `${given} ${family}`, `${given.slice(0, 3)} ${family}`][n % 4])
  }
  const get = (who, path) => (n) => who('GET', typeof path === 'function' ? path(n) : path)
  return [
    ['empty route behind the firewall', get(tutor, '/alive')],
    ['divisions, terms and roles', get(tutor, '/platform')],
    ['sites one runs', get(tutor, '/sites?scope=run&limit=40')],
    ['sites one is in', get(learner, '/sites?scope=in&limit=40')],
    ['all sites', get(administrator, '/sites?scope=all&limit=40')],
    // Words, and words with a digit, that fill a page on each platform.
    [
      'all sites, by a word',
      get(administrator, (n) => `/sites?scope=all&limit=40&q=harmony${n % 2 ? '' : `+${n % 10}`}`),
    ],
    ['a site', get(tutor, site)],
    ['roster of 4,990 people, first page', get(tutor, `${site}/roster?limit=60`)],
    ['the same, by a name', get(tutor, (n) => `${site}/roster?limit=60&q=${typed(n)}`)],
    ['somebody in a site', get(tutor, (n) => `${site}/roster/${one(n).id}`)],
    ['whom to let in, by name', get(tutor, (n) => `${site}/intake?q=${typed(n)}`)],
    ['why somebody can enter', get(tutor, (n) => `${site}/access-check/${one(n).id}`)],
    ['history of a site', get(tutor, `${site}/history`)],
    ['doors of a site', get(tutor, `${site}/doors`)],
    ['first-day check of a site of 4,990', get(tutor, `${site}/first-day-check?day=2026-12-01`)],
    ['first-day check of 40 sites', get(tutor, '/first-day-check?day=2026-12-01')],
    ['people, by name', get(tutor, (n) => `/people?q=${typed(n)}`)],
    ['directory, first page', get(administrator, '/directory')],
    ['directory of a division', get(administrator, '/directory?division=millrace&kind=learner')],
    ['directory, by name', get(administrator, (n) => `/directory?q=${typed(n)}`)],
    ['all about somebody', get(administrator, (n) => `/people/${one(n).id}`)],
    ['history of somebody', get(administrator, (n) => `/people/${one(n).id}/history`)],
    ['history of the platform', get(administrator, '/platform/history')],
    ['change lists', get(administrator, '/change-lists')],
    ['messages', get(administrator, '/messages')],
    ['security log', get(administrator, '/security-log')],
    ['who is there twice', get(administrator, '/duplicates')],
    ['places to join', get(learner, '/open-doors')],
    ['where one waits', get(learner, '/me/waits')],
  ].filter(([what]) => only.test(what))
}

const median = (times) => times.toSorted((a, b) => a - b)[times.length >> 1]
const platforms = []
for (const each of process.env.PLATFORMS.trim().split(/\s+/)) {
  const [people, address] = each.split('=')
  platforms.push({ people: Number(people), pages: await pages(address), times: [] })
}
for (const each of platforms) {
  each.times = each.pages.map(() => [])
  for (const [, run] of each.pages) for (let n = 0; n < 8; n++) await run(n)
}
for (let n = 0; n < rounds; n++)
  for (const page of platforms[0].pages.keys())
    for (const each of platforms) each.times[page].push((await each.pages[page][1](n)).ms)

const sizes = platforms.map((each) => each.people.toLocaleString('en').padStart(10))
console.log('median ms at so many people'.padEnd(42), ...sizes, '   grows by')
let held = true
for (const [page, [what]] of platforms[0].pages.entries()) {
  const medians = platforms.map((each) => median(each.times[page]))
  const grows = Math.max(...medians.slice(1)) / medians[0]
  const holds = grows <= GROWS
  held &&= holds
  const columns = medians.map((ms) => ms.toFixed(1).padStart(10))
  console.log(what.padEnd(42), ...columns, grows.toFixed(2).padStart(11), holds ? '' : ' NOT HELD')
}
console.log(held ? `No page grows by more than ${GROWS}.` : `Some page grows by more than ${GROWS}.`)
process.exit(held ? 0 : 1)

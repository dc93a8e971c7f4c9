// What Lighthouse says of every main view, signed in as who uses it, on a desktop and a phone: performance,
// accessibility, best practices and what finders want. Exits 1 when one of them is below the bound.
// Its multipliers are meant for a machine of its index 1,500 and more; what a slower one takes is taken for less, by
// the same measure, and RAW=1 takes it as it is.
// Of several looks (LOOKS, one if it is not said) the middle one counts.
// Usage: MINT_DOOR_URL=… PASSWORD=… [RAW=1] [LOOKS=3] node bench/pages.mjs [part of a path] [desktop or phone]
import { chromium } from '@playwright/test'
import { LOGINS, views } from '../e2e/views.mjs'

// Not among the libraries of the project: it asks for the latest of something, which no lock file can hold.
const { default: lighthouse, desktopConfig, defaultConfig } = await import(process.env.LIGHTHOUSE)
const { pageFunctions } = await import(new URL('lib/page-functions.js', `file://${process.env.LIGHTHOUSE}`).href)

const BOUND = 95
const LOOKS = Number(process.env.LOOKS ?? 1)
const address = process.env.MINT_DOOR_URL
const PORT = 9333
const SCORES = ['performance', 'accessibility', 'best-practices', 'seo']

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: [`--remote-debugging-port=${PORT}`, '--no-sandbox', '--disable-gpu', '--no-first-run'],
})

/** Signs in, and answers the cookies of the session and the id of a site they run. */
async function signIn(login) {
  const context = await browser.newContext()
  const { request } = context
  const headers = { 'X-Mint-Door': '1' }
  const api = new URL('/api/v1', address).href
  await request.post(`${api}/sign-in`, { headers, data: { login, password: process.env.PASSWORD } })
  const sites = await (await request.get(`${api}/sites?scope=run`, { headers })).json()
  const { id: person } = await (await request.get(`${api}/me`, { headers })).json()
  const found = sites.items?.find(({ title }) => title.startsWith('Harmony')) ?? sites.items?.[0]
  const cookies = await context.cookies()
  await context.close()
  return { cookies: cookies.map(({ name, value }) => `${name}=${value}`).join('; '), site: found?.id, person }
}

const who = {}
for (const [name, login] of Object.entries(LOGINS)) who[name] = await signIn(login)
const shown = (path) => path.replace(who.tutor.site, 'SITE').replace(who.learner.person, 'PERSON')
const pages = views({ site: who.tutor.site, learner: who.learner.person })
  .filter(([, path]) => shown(path).includes(process.argv[2] ?? ''))
  .map(([name, path]) => [name && who[name], path])

// How fast this machine is, by Lighthouse's own measure: asked before each look, since it is not always as fast.
const EXPECTED = 1500
async function indexNow() {
  const probe = await browser.newPage()
  const looks = []
  for (let n = 0; n < 3; n++) looks.push(await probe.evaluate(pageFunctions.computeBenchmarkIndex))
  await probe.close()
  return looks.sort((a, b) => a - b)[1]
}
const calibrated = ({ settings }, speed) => {
  const { cpuSlowdownMultiplier } = settings.throttling
  const throttling = { ...settings.throttling, cpuSlowdownMultiplier: cpuSlowdownMultiplier * speed }
  return { extends: 'lighthouse:default', settings: { ...settings, throttling } }
}

const kinds = [
  ['desktop', desktopConfig],
  ['phone', defaultConfig],
].filter(([kind]) => kind.includes(process.argv[3] ?? ''))

/** What Lighthouse says of a page, and how fast the machine was just before. */
async function look(one, path, config) {
  const index = await indexNow()
  const flags = { port: PORT, logLevel: 'error', extraHeaders: one ? { Cookie: one.cookies } : undefined }
  const options = { ...flags, onlyCategories: SCORES, disableStorageReset: false }
  const speed = process.env.RAW ? 1 : Math.min(1, index / EXPECTED)
  const { lhr } = await lighthouse(address + path, options, calibrated(config, speed))
  return { lhr, index: Math.round(index) }
}

let low = 0
for (const [one, path] of pages) {
  for (const [kind, config] of kinds) {
    const looks = []
    for (let n = 0; n < LOOKS; n++) looks.push(await look(one, path, config))
    const performance = ({ lhr }) => lhr.categories.performance.score
    const { lhr, index } = looks.sort((a, b) => performance(a) - performance(b))[Math.floor(LOOKS / 2)]
    const scores = SCORES.map((name) => Math.round((lhr.categories[name]?.score ?? 0) * 100))
    const failed = SCORES.flatMap((name) =>
      lhr.categories[name].auditRefs
        .filter(({ id, weight }) => weight > 0 && (lhr.audits[id].score ?? 1) < 0.9)
        .map(({ id }) => id),
    )
    const tasks = (lhr.audits['long-tasks']?.details?.items ?? []).map(({ duration }) => Math.round(duration))
    const ms = (name) => Math.round(lhr.audits[name].numericValue)
    const times =
      `FCP ${ms('first-contentful-paint')} LCP ${ms('largest-contentful-paint')} ` +
      `TBT ${ms('total-blocking-time')} SI ${ms('speed-index')} ms (index ${index})`
    const why = `  (${[...new Set(failed)].join(', ')}; long tasks ${tasks.join(' ')})`
    const bad = scores.some((score) => score < BOUND)
    low += Number(bad)
    console.log(
      `${bad ? 'LOW ' : 'good'} ${scores.map((score) => String(score).padStart(3)).join(' ')}  ${kind.padEnd(7)} ` +
        `${shown(path).padEnd(28)} ${times}${bad ? why : ''}`,
    )
  }
}
await browser.close()
console.log(`${SCORES.join(', ')}; ${low} below ${BOUND}`)
process.exitCode = low ? 1 : 0

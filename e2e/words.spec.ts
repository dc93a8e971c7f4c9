import type { Page } from '@playwright/test'
import { atRest, expect, PASSWORD, test } from './door'
import { LOGINS, views, type Who } from './views.mjs'

/** All is in a language made from the English: what stands on a page outside brackets is in no catalogue. */
test.use({ locale: 'en-XA' })

const HEADERS = { 'X-Mint-Door': '1' }

async function enter(page: Page, who: Who | null) {
  await page.context().clearCookies()
  if (who)
    await page.request.post('/api/v1/sign-in', { headers: HEADERS, data: { login: LOGINS[who], password: PASSWORD } })
}

async function ids(page: Page) {
  await enter(page, 'learner')
  const { id: learner } = (await (await page.request.get('/api/v1/me', { headers: HEADERS })).json()) as { id: string }
  await enter(page, 'tutor')
  const sites = await page.request.get('/api/v1/sites?scope=run', { headers: HEADERS })
  const { items } = (await sites.json()) as { items: { id: string; title: string }[] }
  return { learner, site: items.find(({ title }) => title.startsWith('Harmony'))!.id }
}

/** What is opened on a page beside what it begins with: by keys and by the places of things, which have no language. */
type Act = (page: Page) => Promise<unknown>
const typed = (text: string) => async (page: Page) => {
  await page.keyboard.press('i')
  await page.keyboard.type(text)
  await page.locator('.intake li').first().waitFor()
}
const OPENED: [Who, (ids: { site: string }) => string, Act][] = [
  ['tutor', ({ site }) => `/sites/${site}`, typed('petrov')],
  ['tutor', ({ site }) => `/sites/${site}`, typed('khoudri beat')],
  ['tutor', ({ site }) => `/sites/${site}`, (page) => page.getByRole('grid').getByText('Fonoti').click()],
  ['tutor', ({ site }) => `/sites/${site}`, (page) => page.keyboard.press('?')],
  [
    'tutor',
    ({ site }) => `/sites/${site}`,
    async (page) => {
      await page.getByRole('grid').getByRole('checkbox').nth(3).click()
      await page.locator('.picked button').nth(2).click()
    },
  ],
  [
    'tutor',
    ({ site }) => `/sites/${site}/sections`,
    async (page) => {
      await page.locator('.board .top .word').click()
      await page.locator('#merge-site').fill('Jazz')
      await page.getByRole('option').filter({ hasText: 'Jazz' }).first().click()
    },
  ],
  [
    'tutor',
    ({ site }) => `/sites/${site}/sections`,
    async (page) => {
      await page.locator('.board .top .p-button').click()
      await page.locator('.docked fieldset .acts .word').nth(1).click()
    },
  ],
  [
    'tutor',
    ({ site }) => `/sites/${site}/week`,
    async (page) => {
      await page.locator('.top .p-button').last().click()
      await page.locator('.docked .one .word').first().click()
    },
  ],
  ['tutor', ({ site }) => `/sites/${site}/doors`, (page) => page.locator('.new button').first().click()],
  ['tutor', ({ site }) => `/sites/${site}/doors`, (page) => page.locator('.new button').nth(3).click()],
  ['tutor', ({ site }) => `/sites/${site}`, (page) => page.locator('.who').click()],
  ['administrator', () => '/platform/divisions', (page) => page.locator('.acts button').nth(1).click()],
  ['administrator', () => '/platform/terms', (page) => page.locator('.more button').first().click()],
  ['administrator', () => '/platform/starters', (page) => page.locator('.page .p-button').last().click()],
  ['administrator', () => '/platform/labels', (page) => page.locator('.ways input').last().click()],
  ['administrator', () => '/platform/details', (page) => page.locator('.line .word').first().click()],
  ['administrator', () => '/platform/kinds', (page) => page.locator('.line .word').first().click()],
  ['administrator', () => '/rules/kinds', (page) => page.locator('.kind button').nth(1).click()],
]
const FURTHER: [Who, string][] = [
  ['tutor', '/rooms?room=Room+3&building=Mill+Hall'],
  ['learner', '/password'],
  ['tutor', '/glossary'],
  ['tutor', '/keys'],
  ['tutor', '/sites/new'],
  ['tutor', '/sites/make'],
  ['tutor', '/first-day-check'],
  ['tutor', '/no-such-page'],
  ['administrator', '/people/new'],
  ['administrator', '/approvals'],
  ['administrator', '/numbers'],
  ['administrator', '/platform/starters'],
  ['administrator', '/platform/divisions/harbour/move'],
  ['administrator', '/sign-in-cards'],
  ['administrator', '/messages/texts'],
  ['administrator', '/messages/simulated-inbox'],
  ...['compare', 'ladder', 'outside', 'kinds', 'numbers', 'names', 'limits', 'administrators', 'log'].map(
    (part): [Who, string] => ['administrator', `/rules/${part}`],
  ),
  ['administrator', '/first-steps/name'],
  ['administrator', '/first-steps/roles'],
  ['administrator', '/registrations'],
  ['administrator', '/register'],
  ...['general', 'terms', 'days-off', 'messages', 'register', 'versions'].map((part): [Who, string] => [
    'administrator',
    `/platform/${part}`,
  ]),
]

/** What the server answered since: names, titles and whatever else people made. */
function listen(page: Page) {
  let heard: Promise<string[]>[] = []
  const strings = (value: unknown): string[] =>
    typeof value === 'string' || typeof value === 'number'
      ? [String(value)]
      : value && typeof value === 'object'
        ? Object.values(value).flatMap(strings)
        : []
  page.on('response', (response) => {
    if (!response.url().includes('/api/')) return
    heard.push(response.json().then(strings, () => []))
  })
  // What a page shows has been answered by then, but may still be on its way to us.
  return { forget: () => (heard = []), all: async () => (await Promise.all(heard)).flat().join('\n').toLowerCase() }
}

/** Texts of a page that stand outside brackets, with what has room for too little. */
const look = (page: Page) =>
  page.evaluate(() => {
    const shown = (element: Element | null) => !!element?.checkVisibility({ visibilityProperty: true })
    const bare: string[] = []
    const outsideBrackets = (text: string): string =>
      /⟦[^⟦⟧]*⟧/.test(text) ? outsideBrackets(text.replace(/⟦[^⟦⟧]*⟧/g, '')) : text.trim()
    const ours: Text[] = []
    let depth = 0
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = texts.nextNode(); node; node = texts.nextNode()) {
      if (!shown(node.parentElement) || node.parentElement!.closest('script, style, kbd, textarea')) continue
      if (node.textContent!.includes('⟦') && !node.parentElement!.closest('.unseen, .p-hidden-accessible, svg'))
        ours.push(node as Text)
      let outside = ''
      for (const letter of node.textContent ?? '') {
        if (letter === '⟦') depth++
        else if (letter === '⟧') depth--
        else outside += depth > 0 ? '\u0000' : letter
      }
      bare.push(...outside.split(/\u0000+/).map((each) => each.trim()))
    }
    for (const name of ['aria-label', 'placeholder', 'title', 'alt'])
      for (const element of document.querySelectorAll(`[${name}]`))
        if (shown(element)) bare.push(outsideBrackets(element.getAttribute(name)!))
    // What is longer than whatever it is cut off by, up to what can be scrolled.
    const cut: string[] = []
    const range = document.createRange()
    for (const node of ours) {
      range.selectNodeContents(node)
      const { left, right } = range.getBoundingClientRect()
      for (let over = node.parentElement; over && over !== document.body; over = over.parentElement) {
        const { overflowX } = getComputedStyle(over)
        if (overflowX === 'visible') continue
        const room = over.getBoundingClientRect()
        if (overflowX !== 'auto' && overflowX !== 'scroll' && (right > room.right + 1 || left < room.left - 1))
          cut.push(`${over.tagName.toLowerCase()}.${over.className}: ${node.textContent}`)
        break
      }
    }
    const pen = document.createElement('canvas').getContext('2d')!
    for (const field of document.querySelectorAll<HTMLInputElement>('input[placeholder]')) {
      const { font, paddingLeft, paddingRight } = getComputedStyle(field)
      pen.font = font
      const room = field.clientWidth - parseFloat(paddingLeft) - parseFloat(paddingRight)
      if (shown(field) && pen.measureText(field.placeholder).width > room + 1)
        cut.push(`${field.tagName.toLowerCase()}: ${field.placeholder}`)
    }
    return {
      bare: [...new Set(bare)].filter((text) => /\p{L}{2}/u.test(text)),
      cut: [...new Set(cut)],
      wide: document.scrollingElement!.scrollWidth - innerWidth,
    }
  })

/** Days, units, signs and languages, which the browser writes, and addresses. */
const DAYS = '(?:mon|tues?|wed(?:nes)?|thu(?:rs)?|fri|sat(?:ur)?|sun)(?:day)?'
const MONTHS = '(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)\\p{L}*'
const WRITTEN = new RegExp(`^(?:${DAYS}|${MONTHS}|am|pm|at|and|or|mint|door|british|english)$`, 'iu')

/** What somebody made, as it was answered, or a name put together from what was; or what the browser writes. */
function isData(piece: string, data: string): boolean {
  const words = piece.split(/[^\p{L}\p{N}@.'’&-]+/u).filter((word) => /\p{L}{2}/u.test(word) && !WRITTEN.test(word))
  const known = (text: string) => data.includes(text.toLowerCase())
  return (
    known(piece.trim()) || known(words.join(' ')) || words.every((word) => known(word) && /^[\p{Lu}\d]/u.test(word))
  )
}

for (const [width, height] of [
  [1280, 800],
  [390, 844],
] as const)
  test(`every sentence is in the catalogue, and has room where it is longer, at ${width} px`, async ({ page }) => {
    test.setTimeout(400_000)
    const found = await ids(page)
    await page.setViewportSize({ width, height })
    const heard = listen(page)
    let signedIn: Who | null | undefined
    const wrong: string[] = []
    const all: [Who | null, string, Act?][] = [
      ...views(found),
      ...FURTHER,
      // On a phone they are the same parts.
      ...(width < 1000 ? [] : OPENED).map(([who, path, act]): [Who, string, Act] => [who, path(found), act]),
    ]
    for (const [who, path, act] of all) {
      if (who !== signedIn) await enter(page, who)
      signedIn = who
      heard.forget()
      await page.goto(path)
      await atRest(page)
      await act?.(page)
      await page.waitForTimeout(act ? 900 : 150)
      const { bare, cut, wide } = await look(page)
      const data = await heard.all()
      const ours = bare.filter((text) => text.split(/[·,;:()→–—|×…"“”\n]/).some((piece) => !isData(piece, data)))
      wrong.push(...ours.map((text) => `${path} says what is in no catalogue: ${text}`))
      wrong.push(...cut.map((text) => `${path} cuts off ${text}`))
      if (wide > 0) wrong.push(`${path} is wider than the screen by ${wide} px`)
    }
    expect(wrong).toEqual([])
  })

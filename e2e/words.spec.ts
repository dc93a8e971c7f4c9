import type { Page } from '@playwright/test'
import { expect, PASSWORD, test } from './door'
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

/** What the server answered since: names, titles and whatever else people made. */
function listen(page: Page) {
  let heard: string[] = []
  const strings = (value: unknown): string[] =>
    typeof value === 'string' || typeof value === 'number'
      ? [String(value)]
      : value && typeof value === 'object'
        ? Object.values(value).flatMap(strings)
        : []
  page.on('response', (response) => {
    if (!response.url().includes('/api/')) return
    void response.json().then(
      (body) => heard.push(...strings(body)),
      () => {},
    )
  })
  return { forget: () => (heard = []), all: () => heard.join('\n').toLowerCase() }
}

/** Texts of a page that stand outside brackets, with what has room for too little. */
const look = (page: Page) =>
  page.evaluate(() => {
    const shown = (element: Element | null) => !!element?.checkVisibility({ visibilityProperty: true })
    const bare: string[] = []
    let depth = 0
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = texts.nextNode(); node; node = texts.nextNode()) {
      if (!shown(node.parentElement) || node.parentElement!.closest('script, style, kbd, textarea')) continue
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
        if (shown(element))
          bare.push(
            element
              .getAttribute(name)!
              .replace(/⟦[^⟦⟧]*⟧/g, '')
              .trim(),
          )
    const cut = [...document.querySelectorAll<HTMLElement>('body *')].filter((element) => {
      if (!shown(element) || element.closest('.unseen, .p-hidden-accessible, svg, [aria-hidden=true]')) return false
      const said = [...element.childNodes].some((each) => each.nodeType === 3 && each.textContent!.includes('⟦'))
      const { overflowX } = getComputedStyle(element)
      return said && overflowX !== 'visible' && element.scrollWidth > element.clientWidth + 1
    })
    return {
      bare: [...new Set(bare)].filter((text) => /\p{L}{2}/u.test(text)),
      cut: cut.map((element) => `${element.tagName.toLowerCase()}.${element.className}: ${element.textContent}`),
      wide: document.scrollingElement!.scrollWidth - innerWidth,
    }
    expect(wrong).toEqual([])
  })

/** Days, units and signs, which the browser writes, and addresses. */
const DAYS = '(?:mon|tues?|wed(?:nes)?|thu(?:rs)?|fri|sat(?:ur)?|sun)(?:day)?'
const MONTHS = '(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)\\p{L}*'
const WRITTEN = new RegExp(`^(?:${DAYS}|${MONTHS}|am|pm|at|and|or|mint|door)$`, 'iu')

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
    test.setTimeout(240_000)
    const found = await ids(page)
    await page.setViewportSize({ width, height })
    const heard = listen(page)
    let signedIn: Who | null | undefined
    const wrong: string[] = []
    for (const [who, path] of views(found)) {
      if (who !== signedIn) await enter(page, who)
      signedIn = who
      heard.forget()
      await page.goto(path)
      await page.waitForLoadState('networkidle')
      await page.waitForTimeout(400)
      const { bare, cut, wide } = await look(page)
      const data = heard.all()
      const ours = bare.filter((text) => text.split(/[·,;:()→–—|×…"“”\n]/).some((piece) => !isData(piece, data)))
      wrong.push(...ours.map((text) => `${path} says what is in no catalogue: ${text}`))
      wrong.push(...cut.map((text) => `${path} cuts off ${text}`))
      if (wide > 0) wrong.push(`${path} is wider than the screen by ${wide} px`)
    }
    expect(wrong).toEqual([])
  })

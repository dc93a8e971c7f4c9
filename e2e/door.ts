import { AxeBuilder } from '@axe-core/playwright'
import { expect, test as base, type Locator, type Page } from '@playwright/test'
import { furnishFor, SLOW } from './stage'

export const PASSWORD = 'alder-quay-demo'
export const HARMONY = 'Harmony & Ear Training II'

/** Errors on the page that a test expects, by a part of their text. */
const expected = new WeakMap<Page, string[]>()
export const expectErrors = (page: Page, ...parts: string[]) => expected.set(page, parts)

/**
 * A page that fails its test when anything goes wrong on it unseen: an exception, a blocked style, a failed request.
 */
export const test = base.extend<{ furnished: void }>({
  furnished: [
    async ({ browserName: _ }, use, info) => {
      furnishFor(info.file)
      await use()
    },
    { auto: true },
  ],
  page: async ({ page }, use) => {
    if (SLOW > 1) {
      const machine = await page.context().newCDPSession(page)
      await machine.send('Emulation.setCPUThrottlingRate', { rate: SLOW })
    }
    const wrong: string[] = []
    page.on('pageerror', (error) => wrong.push(error.message))
    page.on('console', (message) => message.type() === 'error' && wrong.push(message.text()))
    await use(page)
    const allowed = expected.get(page) ?? []
    expect(wrong.filter((text) => !allowed.some((part) => text.includes(part)))).toEqual([])
  },
})

/** Signs in, and goes on to the list of sites. */
export async function signIn(page: Page, login: string) {
  await page.goto('/sign-in')
  await page.getByLabel('Login name or e-mail').fill(login)
  await page.getByLabel('Password').fill(PASSWORD)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
  await page.goto('/sites')
  await expect(page).toHaveURL(/\/sites\/(run|in)/)
}

/** By the menu of what is one's own. */
export async function signOut(page: Page) {
  await page.locator('.who').click()
  await page.getByRole('menuitem', { name: 'Sign out' }).click()
}

/** Opens the roster of a site from the list of those one runs. */
export async function openSite(page: Page, title: string) {
  await page.getByRole('link', { name: title, exact: true }).click()
  await expect(page.getByRole('heading', { name: title })).toBeVisible()
  await expect(page.getByRole('grid').getByRole('row').nth(1)).toBeVisible()
}

export const box = (page: Page) => page.getByRole('textbox', { name: 'Let people in' })
export const strip = (page: Page) => page.locator('.strip')
export const row = (page: Page, name: string) => page.getByRole('grid').getByRole('row').filter({ hasText: name })
/** Empties the box and waits until what was found is gone: the rows below move up when it goes. */
export async function emptyBox(page: Page) {
  await box(page).fill('')
  await expect(page.locator('.intake li')).toHaveCount(0)
}
/** A line of the lists under the box, by who is on it. */
export const found = (page: Page, name: string) => page.locator('.intake li').filter({ hasText: name })

/** Pastes a text where the focus is. */
export async function paste(page: Page, text: string) {
  await page.evaluate((text) => {
    const clipboardData = new DataTransfer()
    clipboardData.setData('text/plain', text)
    document.activeElement?.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }),
    )
  }, text)
}

/** Pastes a list of people into the box of a site: what it was read as. */
export async function pasteList(page: Page, text: string) {
  await box(page).focus()
  await paste(page, text)
  return page.getByRole('complementary', { name: 'A list of people' })
}

/** Chooses from a list of this name, by what it offers. */
export async function choose(on: Page | Locator, name: string | RegExp, option: string | RegExp) {
  const page = 'page' in on ? on.page() : on
  await on
    .getByRole('combobox', { name, exact: typeof name === 'string' })
    .first()
    .click()
  await page.getByRole('option', { name: option, exact: typeof option === 'string' }).click()
  await expect(page.getByRole('listbox')).toHaveCount(0)
}

/** Puts a site on the change list of people and sites. */
export async function addSite(page: Page, title: string) {
  const add = page.getByRole('button', { name: 'Add a site' })
  const find = page.locator('#find-site')
  await expect(add.or(find)).toBeVisible()
  if (await add.isVisible()) await add.click()
  await find.fill(title)
  await page.getByRole('option', { name: title }).first().click()
  await expect(page.getByRole('button', { name: `Take ${title} off the list` })).toBeVisible()
}

/** Opens the latest letter of this name to an address or a part of one, as soon as it is there: letters are held. */
export async function openLetter(page: Page, to: string, name: string) {
  await page.goto('/messages/simulated-inbox')
  await page.getByLabel('To').fill(to)
  // Letters of others are there until those to this address are.
  const theirs = page.getByRole('listitem').filter({ hasText: to })
  await theirs.getByRole('button', { name }).first().click({ timeout: 40_000 })
  return page.locator('.letter')
}

/** Waits until nothing is asked any more; where a page goes on asking, no longer than for anything else. */
export const atRest = (page: Page) => page.waitForLoadState('networkidle', { timeout: 20_000 }).catch(() => {})

/** In dark colours only what has to do with colours is looked at: the rest is the same in light ones. */
export async function expectAccessible(page: Page) {
  await atRest(page)
  // Colours on their way to others are neither the one nor the other.
  await page.evaluate(() =>
    Promise.allSettled(
      document
        .getAnimations()
        .filter((each) => each.effect?.getComputedTiming().endTime !== Infinity)
        .map((each) => each.finished),
    ),
  )
  const look = new AxeBuilder({ page })
  if (await page.evaluate(() => matchMedia('(prefers-color-scheme: dark)').matches)) look.withRules(['color-contrast'])
  const { violations } = await look.analyze()
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.target.join(' ')).join(', ')}`)).toEqual(
    [],
  )
}

export { expect }

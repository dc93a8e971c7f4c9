import type { Page } from '@playwright/test'
import { box, expect, HARMONY, paste, row, signIn, strip, test } from './door'

/** What a person does: each click, each key, each field that is filled counts once. */
class Acts {
  n = 0
  constructor(private page: Page) {}
  async click(role: 'link' | 'button', name: string | RegExp) {
    this.n++
    await this.page.getByRole(role, { name }).first().click()
  }
  async write(label: string, text: string) {
    this.n++
    await expect(this.page.getByLabel(label)).toBeFocused()
    await this.page.keyboard.type(text)
  }
  async paste(text: string) {
    this.n++
    await paste(this.page, text)
  }
}

test('who never was here lets a pasted class of 24 into a new site in a minute and six acts', async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  // A class as somebody has it: family name, given name and number from a register.
  const headers = { 'X-Mint-Door': '1' }
  const api = page.request
  const sites = await (await api.get('/api/v1/sites?scope=run', { headers })).json()
  const from = sites.items.find((site: { title: string }) => site.title === 'The Long Baroque').id
  const roster = await (await api.get(`/api/v1/sites/${from}/roster?role=learner&limit=24`, { headers })).json()
  const people = roster.items.map((each: { person: Record<string, string> }) => each.person)
  const text = people.map((each: Record<string, string>) => `${each.family}, ${each.given}\t${each.number}`).join('\n')
  expect(people).toHaveLength(24)

  await page.goto('/')
  await expect(page.getByRole('link', { name: 'New site' })).toBeVisible()
  const begun = Date.now()
  const acts = new Acts(page)
  await acts.click('link', 'New site')
  await acts.write('Title', 'Baroque reading group')
  await acts.click('button', 'Make the site')
  await expect(page.getByRole('heading', { name: 'Baroque reading group' })).toBeVisible()
  await expect(box(page)).toBeVisible()
  await acts.paste(text)
  await acts.click('button', 'Let 24 in')
  await expect(strip(page)).toContainText('24')
  await expect(page.locator('.counts')).toContainText('24 learners')
  expect(acts.n).toBeLessThanOrEqual(6)
  expect(Date.now() - begun).toBeLessThan(60_000)
})

test('a tutor does a day’s work without a mouse', async ({ page }) => {
  const keys = async (...names: string[]) => {
    for (const name of names) await page.keyboard.press(name)
  }
  /** Goes on by Tab until something of this name has the focus. */
  const tabTo = async (name: string | RegExp, most = 80) => {
    for (let n = 0; n < most; n++) {
      const focused = page.locator(':focus')
      const said = (await focused.count())
        ? await focused.evaluate((each) =>
            (each.getAttribute('aria-label') ?? (each as HTMLElement).innerText ?? '').trim(),
          )
        : ''
      if (typeof name === 'string' ? said === name : name.test(said)) return
      await page.keyboard.press('Tab')
    }
    throw new Error(`No Tab leads to ${name}.`)
  }
  await page.goto('/sign-in')
  await tabTo('', 1).catch(() => {})
  await page.getByLabel('Login name or e-mail').focus()
  await page.keyboard.type('mara.lindqvist')
  await keys('Tab')
  await page.keyboard.type('alder-quay-demo')
  await keys('Enter')
  await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()

  // A decision of Today, settled in its place.
  const asked = page.getByRole('region', { name: /people ask to be let in/ }).getByRole('listitem')
  await expect(asked).toHaveCount(2)
  await tabTo(/^Let in/)
  await keys('Enter')
  await expect(page.getByText(/ask(s)? to be let in/).first()).toContainText(/1 person|1/)

  // To a site by the find box, and somebody let in.
  await page.locator('body').press('/')
  await page.keyboard.type('harmony')
  await expect(page.getByRole('option', { name: /Harmony/ }).first()).toBeVisible()
  await keys('ArrowDown', 'Enter')
  await expect(page.getByRole('heading', { name: HARMONY })).toBeVisible()
  await expect(row(page, 'Bhattarai, Imke')).toBeVisible()
  await page.locator('body').press('i')
  await page.keyboard.type('wrenfield')
  await expect(page.locator('.intake li').first()).toContainText('Tobias Wrenfield')
  await keys('ArrowDown', 'Enter')
  await expect(strip(page)).toContainText('Tobias Wrenfield')

  // Rows by arrows: one is opened, two are chosen and paused, and the last act is undone.
  await keys('Escape')
  await tabTo(/^$|Imke/, 60).catch(() => {})
  await row(page, 'Bhattarai, Imke').focus()
  await keys('ArrowDown', 'Enter')
  await expect(page.getByRole('complementary', { name: /Cosgrave/ })).toBeVisible()
  await keys('Escape')
  await expect(page.getByRole('complementary', { name: /Cosgrave/ })).toBeHidden()
  await expect(page.locator('tr.body:focus')).toBeVisible()
  await keys('Space', 'ArrowDown', 'Space')
  await tabTo('pause')
  await keys('Enter')
  const panel = page.getByRole('complementary', { name: 'Pause 2 people' })
  await expect(panel.getByRole('listitem')).toHaveCount(2)
  await tabTo(/^Pause/)
  await keys('Enter')
  await expect(strip(page)).toContainText(/2/)
  await expect(row(page, 'Cosgrave, Hamza')).toContainText('Paused')
  await page.locator('body').press('u')
  await expect(strip(page)).toContainText('2 changes will be undone.')
  await tabTo('Undo', 160)
  await keys('Enter')
  await expect(row(page, 'Cosgrave, Hamza')).toContainText('Current')

  // The width of a column, the day a roster is looked at, and the way out.
  await row(page, 'Cosgrave, Hamza').focus()
  await keys('Enter')
  await expect(page.getByRole('complementary')).toBeVisible()
  await tabTo('Width of this column')
  const before = (await page.getByRole('complementary').boundingBox())!.width
  await keys('ArrowLeft', 'ArrowLeft')
  expect((await page.getByRole('complementary').boundingBox())!.width).toBeGreaterThan(before + 30)
  await page.getByLabel('on', { exact: true }).focus()
  await page.keyboard.type('+7')
  await keys('Tab')
  await expect(page.getByText('The roster as it stands at the end of 1 Dec')).toBeVisible()
  await page.locator('.who').focus()
  await keys('Enter')
  await expect(page.getByRole('menuitem', { name: 'Sign out' })).toBeVisible()
  await keys('End', 'Enter')
  await expect(page).toHaveURL(/sign-in/)
})

import type { Browser, BrowserContext, Locator, Page } from '@playwright/test'
import { box, expect, expectAccessible, found, openLetter, paste, strip, test } from './door'
import { foundAnew, leaveFounded, STAGE } from './stage'

/** A training company of its own, without levels and terms: founded, and then used as the demo is. */
const OWN = 'quiet-harbour-lamp'
const PEOPLE = [
  'Given name\tFamily name\tE-mail\tKind',
  'Rosalind\tAchterberg\trosalind@brightwater.example\tstaff',
  'Ada\tQuenby\tada@brightwater.example\tlearner',
  'Bruno\tTaszek\tbruno@brightwater.example\tlearner',
  'Cem\tYildiray\tcem@brightwater.example\tlearner',
].join('\n')

/** Counts what a person does: each click, and each field that is filled. */
class Acts {
  n = 0
  readonly begun = Date.now()
  async click(what: Locator) {
    this.n++
    await what.click()
  }
  async fill(what: Locator, text: string) {
    this.n++
    await what.fill(text)
  }
}

test.describe.configure({ mode: 'serial' })
test.afterAll(leaveFounded)

for (const [width, height] of [
  [390, 844],
  [1280, 800],
] as const) {
  test(`from an empty platform to a learner in a site of one’s own, at ${width} px`, async ({ browser }) => {
    test.setTimeout(240_000)
    const way = foundAnew()
    const own = await browser.newContext({ viewport: { width, height }, baseURL: STAGE.url })
    own.setDefaultTimeout(10_000)
    const page = await own.newPage()
    const acts = new Acts()
    const button = (name: string | RegExp) => page.getByRole('button', { name })
    const step = (name: string) => expect(page.getByRole('heading', { level: 2, name })).toBeVisible()

    await page.goto(way)
    await acts.fill(page.getByLabel('New password'), OWN)
    await acts.click(button('Set it and sign in'))

    await step('Name, mark and colour')
    await acts.fill(page.getByLabel('Name of the platform'), 'Brightwater Training')
    await acts.click(page.getByText('Anchor', { exact: true }))
    await acts.fill(page.getByLabel('Or a colour of your own'), '#ffd400')
    await page.getByLabel('Or a colour of your own').blur()
    await expect(page.getByText('too pale to be read')).toBeVisible()
    await acts.click(page.getByText('Sea blue', { exact: true }))
    await acts.click(button(/go on$/))

    await step('Language and time zone')
    await acts.click(button(/go on$/))

    await step('Divisions and levels')
    await acts.click(button('Change Brightwater Training'))
    await acts.click(page.getByRole('radio', { name: 'none: its people have no level' }))
    await acts.click(button(/go on$/))

    await step('Terms')
    await acts.click(button('Leave it out for now'))
    await step('What people’s numbers look like')
    await acts.click(button('Leave it out for now'))

    await step('Roles')
    await acts.click(page.getByRole('radio', { name: 'Training company' }))
    await expect(page.getByRole('heading', { name: 'Trainer', exact: true })).toBeVisible()
    await acts.click(button(/go on$/))

    await step('Mail')
    await acts.click(page.getByRole('radio', { name: 'not at all' }))
    await acts.fill(page.getByLabel('Send a test message to'), 'me@brightwater.example')
    await acts.click(button('Send it'))
    await expect(page.getByText('The message for me@brightwater.example is here')).toBeVisible()
    // What is different now is listed above the button, and moves it.
    await expect(page.getByText('How messages leave the platform:')).toBeVisible()
    await acts.click(button(/go on$/))

    await step('People')
    await acts.click(page.getByRole('link', { name: 'Type or paste people' }))
    await acts.fill(page.getByRole('textbox', { name: 'Rows' }), PEOPLE)
    await acts.click(button('Make 4 accounts'))
    await expect(strip(page)).toContainText('4')
    await acts.click(page.getByRole('link', { name: 'First steps: go on with First site' }))

    await step('First site')
    await acts.click(page.getByRole('link', { name: 'Make the first site' }))
    await acts.fill(page.getByLabel('Title'), 'First aid at work')
    await expect(page.getByText('Term', { exact: true })).toHaveCount(0)
    await acts.click(button('Make the site'))
    await expect(page.getByRole('heading', { name: 'First aid at work' })).toBeVisible()
    await acts.fill(box(page), 'Ada Quenby')
    await acts.click(found(page, 'Ada Quenby').getByRole('button', { name: /Let in/ }))
    await expect(strip(page)).toContainText('Ada Quenby')
    if (width < 500) await acts.click(button('Pages of the site and what it is'))
    await acts.click(button('Open the site'))
    await acts.click(button('Open it now'))
    await expect(strip(page)).toContainText('First aid at work is open.')
    await expect(page.getByRole('link', { name: 'All first steps are done.' })).toBeVisible()

    // The learner of one’s own reads their message, which has not left the platform.
    const learner = await comes(browser, page, 'ada@brightwater.example', { width, height })
    acts.n += 2
    await acts.click(learner.getByRole('link', { name: /First aid at work/ }).first())
    await expect(learner.getByRole('heading', { name: 'First aid at work' })).toBeVisible()
    await expect(learner.getByText('Brightwater Training').first()).toBeAttached()

    expect(acts.n).toBeLessThanOrEqual(60)
    expect(Date.now() - acts.begun).toBeLessThan(600_000)
    await page.goto('/first-steps/name')
    await step('Name, mark and colour')
    await expectAccessible(page)
    await own.close()
  })
}

test('the company is run as the demo is', async ({ browser }) => {
  const own = await browser.newContext({ baseURL: STAGE.url })
  const page = await signedIn(own, 'administrator', OWN)
  await page.goto('/sites')
  await page.getByRole('link', { name: 'First aid at work', exact: true }).click()

  // A pasted list; somebody removed and brought back.
  await box(page).focus()
  await paste(page, 'Bruno Taszek\nAchterberg, Rosalind')
  await page.getByRole('checkbox', { name: 'Yes, let in as second trainer' }).check()
  await page.getByRole('button', { name: 'Let 2 in' }).click()
  const of = (name: string) => page.getByRole('grid').getByRole('row').filter({ hasText: name })
  await expect(of('Taszek')).toBeVisible()
  await of('Taszek').getByRole('checkbox').check()
  await page.getByRole('button', { name: 'remove', exact: true }).click()
  await page.getByRole('button', { name: 'Remove 1' }).click()
  await expect(strip(page)).toContainText('removed')
  await expect(of('Taszek')).toHaveCount(0)
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await expect(strip(page)).toContainText('1 change will be undone.')
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await expect(of('Taszek')).toBeVisible()

  // A door with a key, through which another comes.
  await page.getByRole('link', { name: 'Doors', exact: true }).click()
  await page.getByRole('button', { name: 'Key', exact: true }).click()
  const write = page.getByRole('form', { name: 'Set up a door' })
  await write.getByLabel('Name of the door').fill('Notice board')
  await expect(write.getByRole('status')).toContainText('could come through')
  await expect(write.getByText(/level/i)).toHaveCount(0)
  await write.getByRole('button', { name: 'Set it up' }).click()
  const door = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: 'Notice board' }) })
  const key = (await door.locator('.key').textContent()) ?? ''
  const cem = await comes(browser, page, 'cem@brightwater.example')
  await cem.goto('/join')
  await cem.getByLabel('Key').fill(key)
  await cem.keyboard.press('Enter')
  await cem.getByRole('button', { name: 'Join', exact: true }).click()
  await expect(cem.getByRole('button', { name: 'Join', exact: true })).toHaveCount(0)
  await cem.goto('/')
  await expect(cem.getByRole('link', { name: /First aid at work/ }).first()).toBeVisible()

  await page.goto('/sites/run')
  await page.getByRole('link', { name: 'First aid at work', exact: true }).click()
  await expect(of('Yildiray')).toBeVisible()
  // No word of a school: its people have no levels, its sites no terms.
  await expect(page.getByText(/level/i)).toHaveCount(0)
  await expect(page.getByText(/\bterm\b/i)).toHaveCount(0)
  await own.close()
})

/** Sets the password of somebody by the message they got. */
async function comes(browser: Browser, page: Page, address: string, viewport = { width: 1280, height: 800 }) {
  const letter = await openLetter(page, address, 'Your account at Brightwater Training')
  const link = (await letter.locator('a').getAttribute('href'))!.replace(/^https?:\/\/[^/]+/, '')
  const own = await (await browser.newContext({ viewport, baseURL: STAGE.url })).newPage()
  await own.goto(link)
  await own.getByLabel('New password').fill('three small boats')
  await own.getByRole('button', { name: 'Set it and sign in' }).click()
  await expect(own.getByRole('heading', { name: /^Today/ })).toBeVisible()
  return own
}

async function signedIn(context: BrowserContext, login: string, password: string): Promise<Page> {
  context.setDefaultTimeout(10_000)
  const page = await context.newPage()
  await page.goto('/sign-in')
  await page.getByLabel('Login name or e-mail').fill(login)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
  return page
}

import type { Browser, Page } from '@playwright/test'
import {
  choose,
  expect,
  expectAccessible,
  expectErrors,
  HARMONY,
  openLetter,
  openSite,
  PASSWORD,
  row,
  signIn,
  strip,
  test,
} from './door'

const PHONE = { width: 390, height: 844 }

async function doorsOf(page: Page, title: string) {
  await page.getByRole('link', { name: title, exact: true }).click()
  await expect(page.getByRole('heading', { name: title })).toBeVisible()
  // On a phone the pages of a site are folded.
  const folded = page.getByRole('button', { name: 'Pages of the site and what it is' })
  if (await folded.isVisible()) await folded.click()
  await page.getByRole('link', { name: 'Doors', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Doors', exact: true })).toBeVisible()
}
const door = (page: Page, name: string) =>
  page.getByRole('listitem').filter({ has: page.getByRole('heading', { name }) })
const keyOf = async (page: Page, name: string) => (await door(page, name).locator('.key').textContent()) ?? ''
async function phone(browser: Browser, baseURL: string | undefined): Promise<Page> {
  const context = await browser.newContext({
    viewport: PHONE,
    baseURL,
    locale: 'en-GB',
    timezoneId: 'Europe/Amsterdam',
  })
  return context.newPage()
}
async function sayWho(page: Page, login: string) {
  await page.getByLabel('Login name or e-mail').fill(login)
  await page.getByLabel('Password').fill(PASSWORD)
  await page.getByLabel('Password').press('Enter')
}

test('a door is set up by completing its sentence; a learner comes through it on a phone, by keyboard alone', async ({
  page,
  browser,
  baseURL,
}) => {
  expectErrors(page, '422')
  await signIn(page, 'mara.lindqvist')
  await doorsOf(page, HARMONY)
  await page.getByRole('button', { name: 'Key', exact: true }).click()
  const write = page.getByRole('form', { name: 'Set up a door' })
  await expect(write.getByRole('status')).toContainText(/could come through, 30 seats/)
  await write.getByLabel('Name of the door').fill('Autumn poster')
  await choose(write, 'Into which section', 'into section')
  await choose(write, 'into section', 'Morning')
  await write.getByLabel('up to').fill('5')
  await write.getByLabel('until', { exact: true }).fill('2020-01-01')
  await write.getByRole('button', { name: 'Set it up' }).click()
  await expect(write).toContainText('That day is over already. Choose a later one.')
  await write.getByLabel('until', { exact: true }).fill('2026-12-02')
  await expectAccessible(page)
  await write.getByRole('button', { name: 'Set it up' }).click()
  await expect(strip(page)).toContainText('Autumn poster is set up.')
  await expect(door(page, 'Autumn poster')).toContainText('people may join as learner. Only for: Millrace Seniors')
  await expect(door(page, 'Autumn poster')).toContainText('They come into section Morning. It has room for 5 people.')
  await expect(door(page, 'Autumn poster')).toContainText('shuts after 2 Dec')
  const key = await keyOf(page, 'Autumn poster')
  await door(page, 'Autumn poster').getByRole('link', { name: 'Poster' }).click()
  await expect(page.getByRole('heading', { name: 'Join ' + HARMONY })).toBeVisible()
  await expect(page.locator('article .key')).toHaveText(key)
  await expectAccessible(page)

  const learner = await phone(browser, baseURL)
  await learner.goto('/join')
  await expect(learner.getByLabel('The key')).toBeFocused()
  await learner.keyboard.type(key.toUpperCase().replaceAll('-', ' '))
  await learner.keyboard.press('Enter')
  await expect(learner.getByRole('heading', { name: HARMONY })).toBeVisible()
  await sayWho(learner, 'jelena.castellvi')
  await expect(learner.getByText('You are Jelena Castellvi.')).toBeVisible()
  // Whoever has something else then says that they come all the same, and why.
  await expect(learner.getByText(/You have The Long Baroque at the same time, first on/)).toBeVisible()
  await learner.getByLabel('I come all the same').press('Space')
  await learner.getByLabel('Why (those who run the site read it)').fill('I leave the other one earlier.')
  await learner.keyboard.press('Enter')
  await expect(learner.getByRole('heading', { name: 'You are in.' })).toBeVisible()
  expect(await learner.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  // A reload and the way back are harmless.
  await learner.reload()
  await expect(learner.getByText('You are in already.')).toBeVisible()
  await learner.getByRole('link', { name: 'Go to the site' }).click()
  await expect(learner.getByText('Your section')).toBeVisible()
  await learner.goBack()
  await expect(learner.getByText('You are in already.')).toBeVisible()

  await page.getByRole('link', { name: 'Watch them come in' }).click()
  await expect(page.getByText('1 in', { exact: true })).toBeVisible()
  await expect(page.getByText('Jelena Castellvi')).toBeVisible()
  await page.getByRole('link', { name: 'All doors' }).click()
  await door(page, 'Autumn poster').getByRole('link', { name: 'Who came through', exact: true }).click()
  await expect(row(page, 'Castellvi, Jelena')).toBeVisible()
  await expect(page.getByRole('grid').getByRole('row')).toHaveCount(2)
  // All who came through are removed as a change list, which is looked at first.
  await page.goBack()
  await door(page, 'Autumn poster').getByRole('link', { name: 'Remove all who came through' }).click()
  await expect(page.getByRole('complementary')).toContainText('Jelena Castellvi')
  await page.getByRole('complementary').getByRole('button', { name: 'Close' }).click()

  // Whom a key brought may go again.
  await learner.getByRole('link', { name: 'Go to the site' }).click()
  await learner.getByRole('button', { name: 'Leave this site' }).click()
  await learner.getByRole('button', { name: 'Leave it' }).click()
  await expect(learner.locator('.strip')).toContainText(`You left ${HARMONY}.`)
  await learner.context().close()
})

test('somebody without an account mistypes, is told which, makes one on the way and is in', async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page, 'mara.lindqvist')
  await doorsOf(page, 'Stage Nerves')
  const key = await keyOf(page, 'Flyer in the hall')
  await page.getByRole('link', { name: 'Watch them come in' }).click()
  const visitor = await phone(browser, baseURL)
  await visitor.goto('/join')
  await visitor.getByLabel('The key').fill('q' + key.slice(1))
  await visitor.getByRole('button', { name: 'Go on' }).click()
  await expect(visitor.getByRole('alert')).toContainText('That is almost right: one letter is wrong.')
  await expect(page.getByText('1 mistyping')).toBeVisible()
  await expect(page.getByText('Somebody not signed in')).toBeVisible()
  await visitor.getByLabel('The key').fill(key)
  await visitor.getByRole('button', { name: 'Go on' }).click()
  await visitor.getByRole('button', { name: 'I have none yet' }).click()
  await visitor.getByLabel('Given name').fill('Ylva')
  await visitor.getByLabel('Family name').fill('Strandqvist')
  await choose(visitor, 'Level', '2')
  await visitor.getByLabel('A password').fill('three small boats')
  await visitor.getByRole('button', { name: 'Make my account and join' }).dblclick()
  await expect(visitor.getByRole('heading', { name: 'You are in.' })).toBeVisible()
  await expect(visitor.getByText('You sign in with ylva.strandqvist.')).toBeVisible()
  await expect(page.getByText('Ylva Strandqvist')).toHaveCount(1)
  await visitor.context().close()
})

test('when the seats are gone one waits, a seat that frees is kept for the first, and is taken with one tap', async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page, 'mara.lindqvist')
  await doorsOf(page, 'Jazz Improvisation Workshop')
  const line = page.getByRole('region', { name: 'Waiting for a seat' })
  await expect(line.getByRole('listitem')).toHaveCount(3)
  await expect(line.getByRole('listitem').first()).toContainText('seat kept until')
  const key = await keyOf(page, 'Practice-room door')
  const learner = await phone(browser, baseURL)
  await learner.goto('/join#' + key)
  await sayWho(learner, 'ottilie.vasbrandt')
  await expect(learner.getByText('You would be number 4 on the waiting list')).toBeVisible()
  await learner.getByRole('button', { name: 'Wait for a seat' }).click()
  await expect(learner.getByRole('heading', { name: 'You are number 4 on the waiting list.' })).toBeVisible()
  await page.reload()
  await line.getByRole('button', { name: 'Move to the front: Ottilie Vasbrandt' }).click()
  await line.getByLabel('Why?').fill('Plays the only bassoon')
  await line.getByRole('button', { name: 'Move to the front', exact: true }).click()
  await expect(strip(page)).toContainText('Ottilie is first on the waiting list.')
  await expect(line.getByRole('listitem').first()).toContainText('moved up: Plays the only bassoon')
  await page.getByRole('link', { name: 'Roster', exact: true }).click()
  await page
    .getByRole('grid')
    .getByRole('row')
    .filter({ hasText: 'Current' })
    .filter({ hasText: 'Learner' })
    .first()
    .click()
  await page.getByRole('complementary').getByRole('button', { name: 'Remove', exact: true }).click()
  await page
    .getByRole('complementary')
    .getByRole('button', { name: /^Remove .+$/ })
    .click()
  await expect(strip(page)).toContainText('is removed.')
  await learner.getByRole('link', { name: 'My sites' }).click()
  await expect(learner).toHaveURL(/\/sites\/in/)
  await expect(async () => {
    await learner.reload()
    await expect(learner.getByText(/A seat is kept for you until/)).toBeVisible({ timeout: 10_000 })
  }).toPass()
  await learner.getByRole('button', { name: 'Take the seat: Jazz Improvisation Workshop' }).click()
  await expect(learner.locator('.strip')).toContainText('You are in Jazz Improvisation Workshop.')
  await learner.context().close()
})

test('an address that nobody has is invited; its message answers, makes the account, and is good once', async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page, 'ingrid.solheim')
  await page.goto('/sites/all?q=Stage')
  await doorsOf(page, 'Stage Nerves')
  await door(page, 'Invitation by e-mail').getByRole('button', { name: 'Invitations' }).click()
  const panel = page.getByRole('complementary')
  await expect(panel.getByText('bounced')).toBeVisible()
  await panel.getByLabel('Whom to invite').fill('nadia.osterberg@example.net\nelias.nordahl@example.org\nbroken@@')
  await expect(panel.getByText('nadia.osterberg@example.net')).toBeVisible()
  await expect(panel).toContainText('is no address')
  await panel.getByLabel('A few words to them').fill('We breathe together before every concert.')
  await panel.getByRole('button', { name: 'Invite 2' }).click()
  await expect(strip(page)).toContainText('2 invitations go out in 2 minutes.')
  const letter = await openLetter(page, 'nadia', 'You are invited to join Stage Nerves')
  await expect(letter).toContainText('We breathe together before every concert.')
  const link = /\/invitation#\S+/.exec((await letter.textContent()) ?? '')?.[0] ?? ''

  const visitor = await phone(browser, baseURL)
  await visitor.goto(link)
  await expect(visitor.getByText('You are invited')).toBeVisible()
  await expect(visitor.getByText('The invitation went to nadia.osterberg@example.net.')).toBeVisible()
  await visitor.getByLabel('Given name').fill('Nadia')
  await visitor.getByLabel('Family name').fill('Österberg')
  await visitor.getByLabel('A password').fill('three small boats')
  await visitor.getByRole('button', { name: 'Make my account and join' }).click()
  await expect(visitor.getByRole('heading', { name: 'You are in.' })).toBeVisible()
  await visitor.context().close()

  const other = await phone(browser, baseURL)
  await other.goto(link)
  await expect(other.getByText('You are invited')).toBeVisible()
  await other.getByLabel('Login name or e-mail').fill('yara.brandvold')
  await other.getByLabel('Password').fill(PASSWORD)
  await other.getByRole('button', { name: 'Sign in' }).click()
  await expect(other.getByText('You are Yara Brandvold.')).toBeVisible()
  await expect(other.getByRole('alert')).toContainText('This invitation was answered already.')
  await other.context().close()
})

test('a site is asked from the list, and the answer is one tap away', async ({ page, browser, baseURL }) => {
  const learner = await phone(browser, baseURL)
  await signIn(learner, 'yara.brandvold')
  await learner.getByRole('link', { name: 'Sites to join' }).click()
  await learner.getByRole('button', { name: 'Join: Recital Club' }).click()
  await expect(learner.locator('.strip')).toContainText('You are in Recital Club.')
  await learner.getByRole('button', { name: 'Ask to join: The Long Baroque' }).click()
  await learner.getByLabel('What do you play or sing?').fill('Baroque oboe')
  await choose(learner, 'For how long?', 'More than 3 years')
  await learner.getByRole('button', { name: 'Ask to join', exact: true }).click()
  await expect(learner.locator('.strip')).toContainText('You asked to join The Long Baroque.')
  await signIn(page, 'mara.lindqvist')
  await doorsOf(page, 'The Long Baroque')
  const asking = page.getByRole('region', { name: 'Asking to join' })
  await expect(asking.getByRole('listitem')).toHaveCount(3)
  await expect(asking).toContainText('What do you play or sing? Baroque oboe')
  await expect(asking).toContainText('For how long? More than 3 years')
  await asking.getByRole('button', { name: 'Yes: Yara Brandvold' }).click()
  await expect(strip(page)).toContainText('Yara is in.')
  await learner.goto('/sites/in')
  await expect(learner.getByRole('heading', { name: 'The Long Baroque' })).toBeVisible()
  await learner.context().close()
})

test('one looks in without an account, and keys are renewed for the term to come', async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page, 'mara.lindqvist')
  await page.goto('/keys')
  await expect(page.getByRole('row').filter({ hasText: 'Flyer in the hall' })).toBeVisible()
  const before = await page.getByRole('row').filter({ hasText: 'Late joiners' }).locator('.num').textContent()
  await page.getByRole('checkbox', { name: `Choose Late joiners of ${HARMONY}` }).check()
  await choose(page, 'For the term', 'Winter 2027')
  await expect(page.getByLabel('from', { exact: true })).toHaveValue('11 Jan 2027')
  await page.getByRole('button', { name: 'Renew 1 key' }).click()
  await expect(strip(page)).toContainText('1 key is renewed.')
  await expect(page.getByRole('row').filter({ hasText: 'Late joiners' })).toContainText('not open yet')
  await expect(page.getByRole('row').filter({ hasText: 'Late joiners' }).locator('.num')).not.toHaveText(before ?? '')
  await expectAccessible(page)
  const admin = await phone(browser, baseURL)
  await signIn(admin, 'ingrid.solheim')
  await admin.goto('/sites/all?q=Choral')
  await doorsOf(admin, 'Choral Studio')
  const link = await door(admin, 'Just looking for everybody')
    .getByRole('link', { name: 'See what they see' })
    .getAttribute('href')
  const visitor = await phone(browser, baseURL)
  await visitor.goto(link ?? '')
  await expect(visitor.getByRole('heading', { name: 'Choral Studio' })).toBeVisible()
  await expect(
    visitor.getByText(
      'You look in without joining: you see title, division and term, who leads it and how many are in.',
    ),
  ).toBeVisible()
  await expect(visitor.getByText(/^\d+ in it$/)).toBeVisible()
  await expectAccessible(visitor)
  await admin.context().close()
  await visitor.context().close()
})

test('the doors of a site can be kept by keyboard and read by a screen reader', async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  await openSite(page, HARMONY)
  await page.getByRole('link', { name: 'Doors', exact: true }).press('Enter')
  await expect(door(page, 'Late joiners')).toBeVisible()
  await expectAccessible(page)
  await door(page, 'Late joiners').getByRole('button', { name: 'Shut' }).press('Enter')
  await expect(strip(page)).toContainText('Late joiners is shut.')
  await page.keyboard.press('u')
  await expect(strip(page)).toContainText('Undone: Late joiners is shut.')
  await page.goto('/join')
  await expectAccessible(page)
  // A link that was cut off says so, and the page stands.
  expectErrors(page, '422', '401')
  await page.goto('/join#%E0%')
  await expect(page.getByRole('alert')).toContainText('No door opens with this key.')
})

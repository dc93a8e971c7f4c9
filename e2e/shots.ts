import {
  addSite,
  box,
  choose,
  emptyBox,
  expect,
  expectErrors,
  found,
  HARMONY,
  openSite,
  paste,
  row,
  signIn,
  signOut,
  test,
} from './door'
import { STAGE } from './stage'

// One picture of each main view, made from the demo data. Run by bin/shots.
const folder = 'docs/screenshots/'

test('a lead tutor', async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  await page.goto('/')
  await page.getByText('people ask to be let in').waitFor()
  await page.screenshot({ path: folder + 'today.png' })
  await page.goto('/sites/run')
  await openSite(page, HARMONY)
  await expect(page.locator('tr.body')).toHaveCount(27)
  await page.screenshot({ path: folder + 'roster.png' })
  await box(page).fill('el khoudri')
  await found(page, 'Björn El Khoudri').getByRole('button', { name: 'Let in as learner' }).click()
  await expect(page.locator('.strip')).toContainText('is let in')
  await emptyBox(page)
  await page.getByRole('link', { name: 'Sections' }).click()
  await page.getByRole('option', { name: 'Uhlenhorst, Umut' }).click()
  await page.getByRole('option', { name: 'Fonoti, Lotte' }).click()
  await page.locator('.picked').getByRole('button', { name: 'Morning' }).click()
  await page.getByRole('button', { name: 'Make 2 moves' }).waitFor()
  await page.waitForTimeout(500)
  await page.screenshot({ path: folder + 'sections.png' })
  await page.getByRole('button', { name: 'Put all back' }).click()
  await page.getByRole('link', { name: 'Plan who goes where' }).click()
  await page.getByRole('button', { name: 'Close wishes now' }).click()
  await page.getByRole('button', { name: 'Compute the plan' }).click()
  await page.getByRole('table', { name: 'Who goes where' }).waitFor()
  await page.waitForTimeout(500)
  await page.screenshot({ path: folder + 'plan.png' })
  const harmony = page.url()
  await page.goto('/sites/run')
  await page.getByRole('link', { name: 'Chamber Music Seminar', exact: true }).click()
  await page.getByRole('link', { name: 'Groups', exact: true }).click()
  await page.getByRole('link', { name: 'Quartets, round 2' }).click()
  await page.getByRole('button', { name: 'What they are to be like' }).click()
  await page.getByRole('button', { name: 'Compute the groups' }).click()
  await page.getByText('All that must be kept is kept.').waitFor({ timeout: 60_000 })
  await page.getByRole('button', { name: 'Hide this' }).click()
  await page.waitForTimeout(500)
  await page.screenshot({ path: folder + 'groups.png' })
  await page.getByRole('button', { name: 'Put all back' }).click()
  await page.goto(harmony)
  await page.getByRole('link', { name: 'Items', exact: true }).click()
  await page.getByRole('gridcell', { name: 'Meeting of Evening, part 1', exact: true }).click()
  await page.getByText('people see it').waitFor()
  await page.waitForTimeout(400)
  await page.screenshot({ path: folder + 'items.png' })
  await page.getByRole('link', { name: 'First-day check' }).click()
  await page.getByText('could enter').first().waitFor()
  await page.screenshot({ path: folder + 'first-day-check.png' })
  await page.goto('/changes')
  await page.getByRole('link', { name: 'Go on with it' }).last().click()
  await page
    .getByText(/could enter/)
    .first()
    .waitFor()
  await page.screenshot({ path: folder + 'term-change.png' })
})

test('a lead tutor, further on', async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  await openSite(page, HARMONY)
  await choose(page, 'State', 'who are blocked')
  await expect(page.getByText('1 shown')).toBeVisible()
  const number = (await row(page, 'Petrovanu, Goran').textContent())?.match(/\d{7}/)?.[0] ?? ''
  await page.getByRole('button', { name: 'Show all again' }).click()
  await page.getByRole('textbox', { name: 'Let people in' }).focus()
  await paste(
    page,
    'Harmony list, week 12:\n1. El Khoudri, Beatriz; level 7\n2. Jun Okafor-Reyes – not coming\n' +
      '3. Ilse & Vito Haverbeke (cello)\nEli North – late\nJelena Castellvi instead of Alma Quintero-Vale\n' +
      'Katja Lacroisette, mum.lacroisette@example.com\n',
  )
  await page.getByText(/will join.*seats after/).waitFor()
  await page.getByText('Kept under Changes. You can').waitFor()
  await page.screenshot({ path: folder + 'pasted-list.png' })
  await page.getByRole('complementary').getByRole('button', { name: 'Close' }).click()
  await page.goto('/access-check')
  await page.getByLabel('Who', { exact: true }).fill(number)
  await page.getByRole('option', { name: /Goran Petrovanu/ }).click()
  await page.getByLabel('Which site').fill('HET-2')
  await page.getByRole('option', { name: /Harmony & Ear Training II/ }).click()
  await page.getByText('Cannot enter').first().waitFor()
  await page.screenshot({ path: folder + 'access-check.png' })
})

test('an administrator with people and change lists', async ({ page }) => {
  await signIn(page, 'ingrid.solheim')
  await page.goto('/people?kind=learner&level=7')
  for (const place of [2, 4, 5]) await page.getByRole('grid').getByRole('row').getByRole('checkbox').nth(place).check()
  await page.getByRole('button', { name: 'Into sites…' }).click()
  await addSite(page, 'Brass Lab')
  await addSite(page, HARMONY)
  await page.getByText(/^6 lines: /).waitFor()
  await page.screenshot({ path: folder + 'people.png' })
  await page.getByRole('button', { name: /^Change \d$/ }).click()
  await page.goto('/sites/make')
  await page
    .getByLabel('Rows')
    .fill(
      'Harmony for beginners;;course;Millrace Seniors;Winter 2027;6-8;24;Mara Lindqvist\nWinter ' +
        'choir;WCH;ensemble;Millrace Seniors;Winter 2027;;;Nobody Atall',
    )
  await page.getByText('needs a choice').waitFor()
  await page.getByText('Kept under Changes. You can').waitFor()
})

test('an administrator with somebody', async ({ page }) => {
  await signIn(page, 'ingrid.solheim')
  await page.goto('/people?q=elias+nordahlen')
  await page.getByRole('link', { name: 'Nordahlen, Elias' }).first().click()
  await page.getByText('Messages to them').waitFor()
  await page.getByText('last signed in').or(page.getByText('never signed in')).waitFor()
  await page.waitForTimeout(400)
  await page.screenshot({ path: folder + 'person.png' })
})

test('an administrator at the rules, a cohort and the platform', async ({ page }) => {
  await signIn(page, 'ingrid.solheim')
  await page.goto('/rules')
  await page.getByRole('button', { name: 'Change: Class assistant' }).click()
  await page.getByRole('checkbox', { name: 'see marks' }).uncheck()
  await page.getByText('could no longer').waitFor()
  await page.screenshot({ path: folder + 'rules.png' })
  await page.goto('/cohorts')
  await page.getByRole('link', { name: 'Level 7 strings' }).click()
  await page.getByRole('button', { name: 'Change…' }).first().click()
  await page.getByText(/people would belong now/).waitFor()
  await page.screenshot({ path: folder + 'cohort.png' })
  await page.goto('/platform/divisions')
  await page.getByRole('button', { name: 'Add a division below Harbour Juniors' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Choir School')
  await page.getByRole('radio', { name: 'names of its own' }).check()
  await page.getByLabel('Names, the lowest first').fill('Probationer\nChorister\nHead chorister')
  await page.getByRole('complementary').getByText('a new division').waitFor()
  await page.screenshot({ path: folder + 'platform.png' })
})

test('an administrator, in dark colours', async ({ browser }) => {
  const page = await browser.newPage({
    baseURL: STAGE.url,
    viewport: { width: 1280, height: 800 },
    colorScheme: 'dark',
  })
  await signIn(page, 'ingrid.solheim')
  await page.goto('/messages')
  await page.getByRole('checkbox').nth(3).check()
  await page.getByRole('button', { name: 'You can enter Choral Studio' }).first().click()
  await page.locator('.letter').waitFor()
  await page.screenshot({ path: folder + 'messages-dark.png' })
  await page.close()
})

test('a learner, on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, 'elias.nordahl')
  await page
    .getByRole('link', { name: /^Enter the site/ })
    .first()
    .waitFor()
  await page.goto('/week')
  await page.getByText('at the same time as something else').first().waitFor()
  await page.screenshot({ path: folder + 'own-week.png' })
})

test('the doors of a site, and a learner who comes in on a phone', async ({ page }) => {
  // Whoever is not signed in is told so.
  expectErrors(page, '401')
  await signIn(page, 'mara.lindqvist')
  await page.getByRole('link', { name: 'Jazz Improvisation Workshop', exact: true }).click()
  await page.getByRole('link', { name: 'Doors', exact: true }).click()
  const change = page.getByRole('button', { name: 'Change', exact: true }).first()
  await change.click()
  await page.getByText(/could come through/).waitFor()
  await page.getByRole('heading', { name: 'Practice-room door' }).scrollIntoViewIfNeeded()
  await page.getByRole('button', { name: 'How it filled' }).first().click()
  await page.locator('figure svg').waitFor()
  await page.waitForTimeout(600)
  await page.screenshot({ path: folder + 'doors.png' })
  const key = (await page.locator('.key').first().textContent()) ?? ''
  await signOut(page)
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/join#' + key)
  await page.getByLabel('Login name or e-mail').fill('ottilie.vasbrandt')
  await page.getByLabel('Password').fill('alder-quay-demo')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.getByRole('button', { name: 'Wait for a seat' }).waitFor()
  await page.screenshot({ path: folder + 'join.png' })
})

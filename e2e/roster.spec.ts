import { box, choose, expect, expectErrors, found, HARMONY, openSite, row, signIn, strip, test } from './door'
import { STAGE } from './stage'

test.beforeEach(async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  await openSite(page, HARMONY)
})

test('somebody is found, let in, and comes in themselves', async ({ page, browser }) => {
  await expect(page.getByText('24 learners, 3 staff, 1 unlisted')).toBeVisible()
  await page.keyboard.press('i')
  await expect(box(page)).toBeFocused()
  await page.keyboard.type('khoudri beat')
  const line = found(page, 'Beatriz El KhoudriLearner, level 6')
  await expect(line).toContainText('Millrace Seniors')
  await page.keyboard.press('ArrowDown')
  await expect(line.getByRole('button', { name: 'Let in as learner' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(strip(page)).toContainText('Beatriz El Khoudri is let in as learner.')
  await expect(page.getByText('25 learners, 3 staff, 1 unlisted')).toBeVisible()
  await expect(page.locator('.intake')).toContainText('Already here')

  await line.getByRole('button', { name: /^Show/ }).click()
  const column = page.getByRole('complementary', { name: 'Beatriz El Khoudri' })
  await expect(column).toContainText('Can enter as learner')
  await expect(row(page, 'El Khoudri, Beatriz')).toHaveAttribute('aria-current', 'true')
  const login = ((await column.textContent()) ?? '').match(/beatriz\.el\.khoudri\d*/)?.[0] ?? ''

  const theirs = await browser.newPage({ baseURL: STAGE.url, viewport: { width: 390, height: 844 } })
  await signIn(theirs, login)
  const site = theirs.getByRole('listitem').filter({ hasText: HARMONY })
  await expect(site).toContainText('You can enter.')
  await site.getByRole('link', { name: 'Enter the site' }).click()
  await expect(theirs.getByText('You are here as learner.')).toBeVisible()
  await expect(theirs.getByText('Mara Lindqvist')).toBeVisible()
  await theirs.close()
})

test('roles and places change at once and are taken back: from the strip, with u, and from the history', async ({
  page,
}) => {
  await row(page, 'Cosgrave, Hamza').click()
  const column = page.getByRole('complementary', { name: 'Hamza Cosgrave' })
  await column.getByRole('button', { name: 'Change role' }).click()
  await expect(column).toContainText('A day guest sees everything learners hand in')
  await expect(column).toContainText('Learners may hold it at levels 9 to 10 only.')
  await column.getByRole('button', { name: 'Day guest' }).click()
  await expect(strip(page)).toContainText('Hamza Cosgrave is now day guest.')
  await expect(column).toContainText('Role: day guest, in place of the one they were given, by Mara Lindqvist')
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await expect(row(page, 'Cosgrave, Hamza')).toContainText(/Learner\s*7\s*Learner\s*(Morning|Evening)\s*Current/)

  await column.getByRole('button', { name: 'Remove' }).click()
  await expect(column).toContainText(
    /They can no longer enter, at once\. \d+ pieces of work stay, and so do section and groups\./,
  )
  await column.getByRole('button', { name: 'Remove Hamza Cosgrave' }).click()
  await expect(row(page, 'Cosgrave, Hamza')).toHaveCount(0)
  await expect(column).toContainText('Cannot enter: removed on 24 Nov.')
  await column.getByRole('button', { name: 'Bring back as learner' }).click()
  await expect(row(page, 'Cosgrave, Hamza')).toHaveCount(1)
  await page.getByRole('button', { name: 'Close', exact: true }).first().click()
  await page.locator('body').press('u')
  await expect(strip(page)).toContainText('Undone: Hamza Cosgrave is back as learner.')
  await expect(row(page, 'Cosgrave, Hamza')).toHaveCount(0)

  await page.getByRole('link', { name: 'History' }).click()
  await page
    .getByRole('listitem')
    .filter({ hasText: 'removed Hamza Cosgrave' })
    .getByRole('button', { name: /^Undo/ })
    .click()
  await expect(strip(page)).toContainText('Undone: Mara Lindqvist removed Hamza Cosgrave')
  await page.getByRole('link', { name: 'Roster', exact: true }).click()
  await expect(row(page, 'Cosgrave, Hamza')).toHaveCount(1)
})

test('a pause, dates and a block say what follows before they are made, and are lifted', async ({ page }) => {
  await row(page, 'Bhattarai, Imke').click()
  const column = page.getByRole('complementary', { name: 'Imke Bhattarai' })
  await column.getByRole('button', { name: 'Pause' }).click()
  await column.getByLabel('From').fill('2026-12-01')
  await column.getByLabel('Until and including').fill('2026-12-10')
  await column.getByLabel('Why').fill('On tour.')
  await expect(column).toContainText(
    'Current as learner until 30 Nov, then paused until 10 Dec, then current to the end of the site.',
  )
  await column.getByRole('button', { name: 'Pause Imke Bhattarai' }).click()
  await expect(column).toContainText('Paused: 1 Dec to 10 Dec, by Mara Lindqvist.')
  await expect(column).toContainText('On tour.')
  await expect(column.getByRole('img', { name: /Paused: 1 Dec – 10 Dec/ })).toBeVisible()

  await column.getByRole('button', { name: 'Change dates' }).click()
  await choose(column, 'How long', /^to the end of \w+ 20/)
  await expect(column).toContainText('then current until 18 Dec, then ended.')
  await column.getByRole('button', { name: 'Set these dates' }).click()
  await expect(column).toContainText('Dates: until 18 Dec, in place of those they were given')
  await column.getByRole('button', { name: /^Clear: Paused/ }).click()
  await column.getByRole('button', { name: /^Clear: Dates/ }).click()
  await expect(column.getByText('Set by staff')).toHaveCount(0)

  await column.getByRole('button', { name: 'Block' }).click()
  await expect(column).toContainText('Blocked.')
  await column.getByRole('button', { name: 'Block Imke Bhattarai' }).click()
  await expect(column).toContainText('Cannot enter: blocked.')
  await expect(row(page, 'Bhattarai, Imke')).toHaveCount(0)
  await column.getByRole('button', { name: 'Unblock' }).click()
  await column.getByRole('button', { name: 'Bring back as learner' }).click()
  await expect(row(page, 'Bhattarai, Imke')).toHaveCount(1)
})

test('many are chosen with the keyboard and changed as one change list, reviewed before and undone after', async ({
  page,
}) => {
  const first = row(page, 'Ferreira da Luz, Dmitri')
  await first.click()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('complementary')).toHaveCount(0)
  await first.focus()
  await page.keyboard.press('Space')
  await page.keyboard.press('Shift+ArrowDown')
  await page.keyboard.press('Shift+ArrowDown')
  await expect(page.getByText('3 chosen:')).toBeVisible()
  await row(page, 'Lindqvist, Mara').getByRole('gridcell').first().click()
  await page.getByRole('button', { name: 'pause', exact: true }).click()
  const panel = page.getByRole('complementary', { name: 'Pause 4 people' })
  await panel.getByLabel('Until and including').fill('2026-12-05')
  // Two can be paused; one is paused already and would be for longer; the only lead cannot.
  await expect(panel.getByRole('status')).toHaveText('3 will change. 1 is not possible.')
  await expect(panel.getByRole('listitem').first()).toContainText('An open site needs a lead.')
  await panel.getByRole('button', { name: 'Pause 3' }).click()
  await expect(strip(page)).toContainText('3 people are paused. 1 is skipped.')
  await expect(first).toContainText('Paused')
  await page.locator('body').press('u')
  await expect(strip(page)).toContainText('3 changes will be undone.')
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await expect(strip(page)).toContainText('Undone: 3 people are paused.')
  await expect(first).toContainText('Current')

  await first.focus()
  await page.keyboard.press('Space')
  await page.getByRole('button', { name: /^choose all/ }).click()
  await page.getByRole('button', { name: 'remove', exact: true }).click()
  const out = page.getByRole('complementary')
  await expect(out).toContainText(/This removes \d+ of the \d+ people here/)
  await expect(out.getByRole('button', { name: /^Remove \d+/ })).toBeDisabled()
  await page.getByRole('button', { name: 'choose nobody' }).click()
  await expect(out).toHaveCount(0)
})

test('one box tells apart who is here, was here, is blocked and can be let in', async ({ page }) => {
  const lists = page.locator('.intake h2')
  for (const [typed, list] of [
    ['marchetto bea', 'Already here'],
    ['petrovanu dagny', 'Was here'],
    ['petrovanu goran', 'Blocked'],
    ['2041010', 'Already here'],
    ['mara.lindqvist@example.org', 'Already here'],
  ] as const) {
    await box(page).fill(typed)
    await expect(lists.first()).toHaveText(list)
  }
  await box(page).fill('petrovanu dagny')
  await expect(found(page, 'Dagny Petrovanu').first()).toContainText('Bring back as learner')
  await box(page).fill('2041011')
  await expect(page.getByText('That is no learner number: its check digit says that 1 digit is wrong.')).toBeVisible()
  await box(page).fill('zzzzz')
  await expect(page.getByText('Nobody you can look up has that name, number or e-mail')).toBeVisible()
  await box(page).fill('q')
  await expect(page.getByText('Type 2 characters or more.')).toBeVisible()
})

test('another role and dates are one step away; a day that is over is said at its place', async ({ page }) => {
  expectErrors(page, '422')
  await box(page).fill('wren tobias')
  const line = found(page, 'Tobias Wrenfield')
  await expect(line.getByRole('button', { name: 'Let in as co-tutor' })).toBeVisible()
  await line.getByRole('button', { name: 'Other role or dates' }).click()
  await expect(line).toContainText('Not for this kind of person (staff)')
  await line.getByLabel('until and including').fill('2026-11-01')
  await line.getByRole('button', { name: 'Support aide' }).click()
  await expect(line.getByRole('alert')).toHaveText('The last day is already over. Choose a later one.')
  await line.getByLabel('until and including').fill('2026-12-18')
  await line.getByRole('button', { name: 'Support aide' }).click()
  await expect(strip(page)).toContainText('Tobias Wrenfield is let in as support aide.')
  await expect(page.locator('.intake')).toContainText('Already here')
  await found(page, 'Tobias Wrenfield').getByRole('button', { name: /^Show/ }).click()
  await expect(page.getByRole('complementary')).toContainText('until 18 Dec')
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await expect(strip(page)).toContainText('Undone')
})

test('the address keeps what is looked at, and the rows can be taken away', async ({ page }) => {
  await page.getByRole('columnheader', { name: 'Level' }).click()
  await page.getByRole('columnheader', { name: 'Level' }).click()
  await choose(page, 'State', 'who are removed')
  await page.getByLabel('Filter by name or number').fill('pet')
  await expect(page).toHaveURL(/q=pet/)
  await expect(page).toHaveURL(/state=removed.*|sort=level.*direction=down/)
  await page.reload()
  await expect(page.getByLabel('Filter by name or number')).toHaveValue('pet')
  await expect(row(page, 'Petrovanu, Dagny')).toBeVisible()
  await expect(page.getByRole('columnheader', { name: 'Level' })).toHaveAttribute('aria-sort', 'descending')
  await page.getByRole('button', { name: 'Show all again' }).click()

  await page.getByRole('button', { name: 'show', exact: true }).click()
  await expect(page.getByText('unlisted', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Export or print' }).click()
  for (const column of ['Kind', 'Division', 'Since', 'Last seen', 'Work', 'Labels', 'Groups'])
    await page.getByRole('checkbox', { name: column }).uncheck()
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'CSV file' }).click(),
  ])
  expect(file.suggestedFilename()).toBe('het-2-roster.csv')
  const text = await (await import('node:fs/promises')).readFile(await file.path(), 'utf8')
  const lines = text.split('\r\n')
  expect(lines[0]).toBe('\uFEFFName,Level,Number,Role,Section,State')
  expect(lines.length).toBeGreaterThan(27)
  expect(text).toContain('"Nordahlen, Elias",7,')
  await page.evaluate(() => {
    window.print = () => (document.body.dataset.printed = document.querySelector('.paper')?.textContent ?? '')
  })
  await page.getByRole('button', { name: 'Print', exact: true }).click()
  await expect(page.locator('body')).toHaveAttribute(
    'data-printed',
    /Harmony & Ear Training II.*HET-2.*NameLevelNumberRoleSectionState.*Nordahlen, Elias7/,
  )
})

test('the roster is narrowed in words, looked at on another day, and compared between two', async ({ page }) => {
  await choose(page, 'Narrow it further', 'section')
  await choose(page, 'section', 'in section Morning')
  await choose(page, 'Narrow it further', 'last seen')
  await expect(page).toHaveURL(/section=.*seen=never|seen=never.*section=/)
  await page.reload()
  await expect(page.getByText(/^\d shown$/)).toBeVisible()
  await choose(page, 'last seen', '(none)')
  await expect(page.getByText(/^1\d shown$/)).toBeVisible()
  await page.getByRole('button', { name: 'Show all again' }).click()
  await page.getByLabel('on', { exact: true }).fill('2026-10-01')
  await expect(page.getByText('The roster as it stands at the end of 1 Oct.')).toBeVisible()
  await expect(row(page, 'Petrovanu, Dagny')).toBeVisible()
  await page.getByRole('button', { name: 'Back to now' }).click()
  await expect(row(page, 'Petrovanu, Dagny')).toHaveCount(0)
  await page.getByRole('link', { name: 'History' }).click()
  await page.getByRole('button', { name: 'Compare two days' }).click()
  await page.getByLabel('Between the end of').fill('2026-10-01')
  await expect(page.getByRole('listitem').filter({ hasText: 'Petrovanu, Dagny' }).first()).toContainText(
    'learner, current',
  )
  await page.getByLabel('Names in it').fill('petrovanu dagny')
  await choose(page, 'About what', 'removing')
  await expect(page.getByRole('listitem').filter({ hasText: 'removed Dagny Petrovanu' })).toBeVisible()
  await expect(page.locator('ol > li')).toHaveCount(1)
})

test('fourteen people and more fit on a screen, and a large roster scrolls to its end', async ({ page }) => {
  const rows = page.getByRole('grid').getByRole('row')
  const bottom = page.viewportSize()?.height ?? 0
  const inView = async () => {
    const boxes = await Promise.all((await rows.all()).map((each) => each.boundingBox()))
    return boxes.filter((each) => each && each.y + each.height <= bottom).length
  }
  await expect.poll(inView).toBeGreaterThanOrEqual(15)

  await page.goto('/sites/run')
  await page.getByRole('link', { name: 'The Long Baroque' }).click()
  await rows.nth(1).click()
  // The end is where the last of them is that has arrived.
  await expect(async () => {
    await page.keyboard.press('End')
    await expect(page.locator('tr.body:focus')).toHaveAttribute('aria-rowindex', /^1\d\d$/, { timeout: 3_000 })
  }).toPass()
  expect(await rows.count()).toBeLessThan(70)
})

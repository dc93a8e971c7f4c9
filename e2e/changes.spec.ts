import {
  addSite,
  choose,
  expect,
  expectAccessible,
  expectErrors,
  HARMONY,
  openSite,
  pasteList,
  row,
  signIn,
  strip,
  test,
} from './door'

test('a pasted list is read line by line, settled by keys, left, found again, let in and undone', async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  await openSite(page, HARMONY)
  const panel = await pasteList(
    page,
    'Harmony list:\n2) Bjorn El Khoudri\n3) 2041011\nTobias Wrenfield <tobias.wren@example.org>\n2041010\nAlma ' +
      'Nowhere\nThanks!',
  )
  const sum = panel.locator('.sum')
  await expect(sum).toHaveText(
    /^1 will join, 1 needs a choice, 1 is here already, 2 are unknown; 2\d of 30 seats after\.$/,
  )
  await expect(panel).toContainText('That is no learner number: its check digit says that 1 digit is wrong.')
  await expect(panel.getByRole('listitem').filter({ hasText: 'Bjorn El Khoudri' })).toContainText('Joins as learner.')
  await expectAccessible(page)
  await panel.getByRole('button', { name: 'To the next line that needs a decision' }).click()
  await page.keyboard.press('0')
  await panel
    .getByRole('listitem')
    .filter({ has: page.getByLabel('Line 6') })
    .getByRole('button', { name: 'Keep for an invitation' })
    .click()
  await panel.getByLabel('Yes, let in as co-tutor').check()
  await expect(sum).toHaveText(/^2 will join, 1 is here already;/)
  await expect(panel.getByText('Kept under Changes. You can leave and come back.')).toBeVisible()

  await page.getByRole('navigation', { name: 'Main pages' }).getByRole('link', { name: 'Changes' }).click()
  await page.getByRole('row').filter({ hasText: HARMONY }).getByRole('link', { name: 'Go on with it' }).first().click()
  await expect(sum).toHaveText(/^2 will join, 1 is here already;/)
  await panel.getByRole('button', { name: 'Let 2 in' }).click()
  await expect(strip(page)).toContainText('2 people are let in.')
  await expect(row(page, 'El Khoudri, Björn')).toHaveCount(1)
  await expect(panel).toHaveCount(0)
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await expect(row(page, 'El Khoudri, Björn')).toHaveCount(0)
})

test('several people of a line are lines of their own, and a line is read as somebody says', async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  await openSite(page, HARMONY)
  const panel = await pasteList(
    page,
    'Dear Mara, here they are:\nIlse & Vito Haverbeke (cello)\nEli North – late\nIlse Haverbeke Vito Haverbeke\n' +
      'Jelena Castellvi, mum@example.com, instead of Alma Quintero-Vale\nBest regards,',
  )
  const line = (text: string | RegExp) => panel.getByRole('listitem').filter({ hasText: text })
  await panel.getByText('3 lines need no change').click()
  await expect(line('Vito Haverbeke (cello (remark))')).toContainText('They are here already.')
  await expect(line('Eli North – late (remark)')).toContainText(/Elias Nordahlen.* by the stage name/)
  await expect(line('Jelena Castellvi')).toContainText('Not known as theirs: mum@example.com')
  const both = line('Ilse Haverbeke Vito Haverbeke')
  await both.getByRole('button', { name: 'Read it differently' }).click()
  await expectAccessible(page)
  await both
    .getByRole('listitem')
    .filter({ hasText: 'Vito' })
    .getByRole('checkbox', { name: 'another person begins here' })
    .check()
  await both.getByRole('button', { name: 'Read it so' }).click()
  await expect(both).toHaveCount(0)
  await expect(panel.getByText('5 lines need no change')).toBeVisible()
  await panel.getByText('2 lines mean nobody').click()
  await line('Best regards').getByRole('button', { name: 'A person is meant' }).click()
  await line('Best regards').getByRole('button', { name: 'Read it so' }).click()
  const six = panel.getByRole('listitem').filter({ has: page.getByLabel('Line 6') })
  await expect(six).toContainText('Nobody you can look up is called that.')
  await six.getByRole('button', { name: 'Read it differently' }).click()
  await six.getByRole('button', { name: 'As it was read first' }).click()
  await expect(panel.getByText('2 lines mean nobody')).toBeVisible()
})

test('what was settled by hand is offered first the next time, and can be forgotten', async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  await openSite(page, HARMONY)
  const panel = await pasteList(page, 'Ana Villarroya\nAlma Petrovanu')
  const asks = panel
    .locator('li[data-asks]')
    .filter({ has: page.getByRole('radio') })
    .first()
  await asks.focus()
  await page.keyboard.press('1')
  await panel.getByRole('button', { name: /^Let (one|\d) in$/ }).click()
  await expect(strip(page)).toContainText('let in.')
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  const again = strip(page).getByRole('button', { name: 'Undo' })
  if (await again.isVisible()) await again.click()
  await pasteList(page, 'Ana Villarroya\nAlma Petrovanu')
  await expect(panel).toContainText('chosen so here before')
  await panel.getByText('remembered here').click()
  await panel
    .getByRole('button', { name: /^Forget/ })
    .first()
    .click()
  await expect(panel.getByText('chosen so here before')).toHaveCount(0)
})

test('people are chosen into several sites, all of it is taken back from its change list', async ({ page }) => {
  await signIn(page, 'ingrid.solheim')
  await page.getByRole('navigation', { name: 'Main pages' }).getByRole('link', { name: 'People' }).click()
  await choose(page, 'Kind', 'Learner')
  await choose(page, 'Level', 'level 9')
  for (const place of [1, 2, 3]) await page.getByRole('grid').getByRole('row').getByRole('checkbox').nth(place).check()
  await page.getByRole('button', { name: 'Into sites…' }).click()
  await addSite(page, 'Brass Lab')
  await addSite(page, 'The Long Baroque')
  const panel = page.getByRole('complementary')
  await expect(panel.getByText(/^6 lines: /)).toBeVisible()
  await expectAccessible(page)
  await expect(panel.getByText(/Brass Lab: \d+ of \d+ seats after/)).toBeVisible()
  await panel.getByRole('button', { name: /^Change (one|\d)$/ }).click()
  await expect(strip(page)).toContainText(/changes? (is|are) made/)
  await page.goto('/changes')
  await page.getByRole('row').filter({ hasText: 'People into sites' }).first().getByRole('link').first().click()
  await expect(page.getByText('not here → learner').first()).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Undo all of it…' }).click()
  await page.getByRole('button', { name: /^Undo \d+ lines?$/ }).click()
  await expect(strip(page)).toContainText(/changes? (is|are) undone/)
  await page.getByRole('link', { name: 'The change list it undoes' }).click()
  await expect(page.getByText('Undone', { exact: true })).toBeVisible()
})

test('a long change list is applied by a worker, with a count of how far it is, and can be left', async ({ page }) => {
  await signIn(page, 'ingrid.solheim')
  await page.goto('/people?kind=learner&division=millrace')
  await page.getByRole('grid').getByRole('row').getByRole('checkbox').nth(1).check()
  await page.getByRole('button', { name: /^choose all/ }).click()
  await page.getByRole('button', { name: 'Into sites…' }).click()
  await addSite(page, 'Choral Studio')
  await choose(page.getByRole('complementary'), /^Role/, 'Day guest')
  await page
    .getByRole('complementary')
    .getByRole('button', { name: /^Change \d{3}/ })
    .click()
  await expect(page).toHaveURL(/\/changes\/[0-9a-f-]{36}$/)
  await page.getByRole('link', { name: 'All change lists' }).click()
  const line = page.getByRole('row').filter({ hasText: 'People into sites' }).first()
  await expect(line.getByText('Applied', { exact: true })).toBeVisible({ timeout: 20_000 })
  await line.getByRole('link').first().click()
  await page.getByRole('button', { name: 'Undo all of it…' }).click()
  const back = page.getByRole('button', { name: /^Undo \d+ lines?$/ })
  // More than a fifth of the site: the number is typed.
  await page.getByLabel(/^This removes/).fill((await back.textContent())?.match(/\d+/)?.[0] ?? '')
  await back.click()
  await expect(page.getByRole('heading', { name: 'Undoing' })).toBeVisible()
  await expect(page.getByText('Applied', { exact: true })).toBeVisible({ timeout: 20_000 })
})

test('several sites are made from rows, and taken back', async ({ page }) => {
  // The page of a site that is taken back asks for it once more.
  expectErrors(page, '404')
  await signIn(page, 'ingrid.solheim')
  await page.goto('/sites/make')
  await page
    .getByLabel('Rows')
    .fill(
      'Title\tDivision\tLead tutors\tSeats\nWinter choir\tMillrace Seniors\tMara Lindqvist\t20\nLost ' +
        'site\tNowhere\t\t\nReed circle\tMillrace Seniors\t\tten',
    )
  await expect(page.getByText('1 site will be made, 2 need another look.')).toBeVisible()
  await expect(page.getByText('There is no such division. Write it as it is called here.')).toBeVisible()
  await expect(page.getByText('Write seats as a number, or leave it empty for no limit.')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Make 1 site' }).click()
  await expect(strip(page)).toContainText('1 site is made. It is a draft.')
  await page.getByRole('link', { name: 'Winter choir' }).click()
  await expect(row(page, 'Lindqvist, Mara')).toContainText('Lead tutor')
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await expect(strip(page)).toContainText('Undone')
  await page.goto('/sites/all?q=Winter+choir')
  await expect(page.getByText('No site fits.')).toBeVisible()
})

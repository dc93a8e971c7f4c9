import { readFile } from 'node:fs/promises'
import { choose, expect, expectErrors, HARMONY, openSite, row, signIn, strip, test } from './door'
import { STAGE } from './stage'

test('a role is changed with a look at whom it affects, put in force, felt, and taken back', async ({
  page,
  browser,
}) => {
  await signIn(page, 'ingrid.solheim')
  await page.getByRole('link', { name: 'Rules' }).click()
  await expect(page.getByRole('article').filter({ hasText: 'Class assistant' }).first()).toContainText(
    'For staff, externals and learners. Learners at levels 9 to 10 only.',
  )
  await page.getByRole('button', { name: 'Change: Class assistant' }).click()
  const preview = page.getByRole('complementary', { name: 'What would change' })
  await page.getByRole('checkbox', { name: 'see who is here' }).uncheck()
  await expect(preview).toContainText('To see who is unlisted somebody must also: see who is here.')
  await expect(preview.getByRole('button', { name: 'Put these rules in force' })).toBeDisabled()
  await page.getByRole('checkbox', { name: 'see who is here' }).check()
  await page.getByRole('checkbox', { name: 'see marks' }).uncheck()
  await page.getByRole('checkbox', { name: 'read the history and undo from it' }).check()
  await expect(
    page.getByRole('checkbox', { name: 'let people in and remove them, by the roles they may give' }),
  ).toBeChecked()
  await expect(preview).toContainText('Class assistant: Learners may hold this role, so it cannot let people in.')
  for (const name of ['read the history and undo from it', 'let people in and remove them, by the roles they may give'])
    await page.getByRole('checkbox', { name }).uncheck()
  await expect(preview).toContainText('1 person in 1 site could no longer: see marks.')
  await preview.getByRole('button', { name: 'Put these rules in force' }).click()
  await expect(strip(page)).toContainText('The rules are changed. Version 2 holds.')

  const assistant = await browser.newPage({ baseURL: STAGE.url })
  await signIn(assistant, 'jun.okafor-reyes')
  await assistant.goto('/sites/in')
  await assistant
    .getByRole('listitem')
    .filter({ hasText: HARMONY })
    .getByRole('link', { name: 'Enter the site' })
    .click()
  await assistant.getByRole('link', { name: 'Who is here' }).click()
  await row(assistant, 'Bhattarai, Imke').click()
  await expect(assistant.getByRole('complementary')).toContainText(/\d+ of \d+ pieces of work done/)
  await expect(assistant.getByRole('complementary')).not.toContainText('mean mark')
  await assistant.close()

  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await expect(strip(page)).toContainText('Undone: The rules are changed.')
  await page.getByRole('link', { name: 'What changed' }).click()
  await expect(page.getByRole('listitem').first()).toContainText('changed the rules: version 3')
  await expect(page.getByRole('button', { name: 'Put version 1 in force again' })).toBeVisible()
  await page.getByRole('link', { name: 'Differences' }).click()
  await expect(page.getByText('A class assistant may not enter marks')).toBeVisible()
  await page.getByRole('link', { name: 'Who gives which role' }).click()
  await expect(page.getByText('A co-tutor may give: class assistant, marking assistant')).toBeVisible()
})

test('somebody always administers the platform', async ({ page }) => {
  expectErrors(page, '422')
  await signIn(page, 'ingrid.solheim')
  await page.goto('/rules/administrators')
  await page.getByRole('button', { name: 'Change: Ingrid Solheimsen' }).click()
  await page.getByLabel('Administers the whole platform').uncheck()
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('alert')).toHaveText(
    'Somebody has to administer the platform. Name another administrator first.',
  )
})

test('a lead sees the site as a learner and of one who is paused, and comes back to where they were', async ({
  page,
}) => {
  await signIn(page, 'mara.lindqvist')
  await openSite(page, HARMONY)
  await page.getByRole('button', { name: 'See as…' }).click()
  await choose(page, 'See this site as somebody else', 'As learner')
  await page.locator('.seen').getByRole('button', { name: 'See as…' }).click()
  await expect(page.getByText('You see this site as somebody in the role learner would.')).toBeVisible()
  await expect(page.getByRole('grid').getByRole('columnheader', { name: 'Number' })).toHaveCount(0)
  await expect(page.getByLabel('Let people in')).toHaveCount(0)
  await page.getByRole('button', { name: 'Stop' }).click()
  await page.getByLabel('Filter by name or number').fill('fonoti')
  await expect(page.getByText('1 shown')).toBeVisible()
  await row(page, 'Fonoti, Lotte').click()
  await page.getByRole('button', { name: 'See as Lotte' }).click()
  await expect(page.getByText('You see this site as Lotte Fonoti would.')).toBeVisible()
  await expect(page.getByText('You are paused until 2 Dec.')).toBeVisible()
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(page).toHaveURL(/q=fonoti/)
  await expect(page.getByRole('complementary', { name: 'Lotte Fonoti' })).toBeVisible()
})

test('why somebody cannot enter is answered, fixed step by step, and taken back', async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  await openSite(page, HARMONY)
  await choose(page, 'State', 'who are blocked')
  await expect(page.getByText('1 shown')).toBeVisible()
  const number = (await row(page, 'Petrovanu, Goran').textContent())?.match(/\d{7}/)?.[0] ?? ''
  await page.getByRole('link', { name: 'Check access' }).click()
  await page.getByLabel('Who', { exact: true }).fill(number)
  await page.getByRole('option', { name: /Goran Petrovanu/ }).waitFor()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Somebody else' })).toBeVisible()
  await page.getByLabel('Which site').fill('HET-2')
  await page.getByRole('option', { name: /Harmony & Ear Training II/ }).click()
  const answer = page.locator('.answer')
  await expect(answer).toContainText('Cannot enter: blocked until')
  await expect(answer.getByRole('listitem')).toHaveCount(2)
  await answer.getByRole('button', { name: 'Unblock' }).click()
  await expect(answer).toContainText('Cannot enter: removed on')
  await answer.getByRole('button', { name: 'Bring back' }).click()
  await expect(answer).toContainText('Can enter as learner')
  await expect(answer).toContainText('This lasts until somebody pauses or removes them.')
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await expect(answer).toContainText('Cannot enter: removed on')
  await answer.getByRole('link', { name: 'Open in the roster' }).click()
  await page.getByRole('link', { name: 'What happened to them here' }).click()
  await page
    .getByRole('listitem')
    .filter({ hasText: 'unblocked Goran Petrovanu' })
    .getByRole('button', { name: /^Undo/ })
    .click()
  await expect(strip(page)).toContainText('Undone: Mara Lindqvist unblocked Goran Petrovanu')
})

test('labels are put on one and on many, narrow the roster, and the view is kept', async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  await openSite(page, HARMONY)
  await row(page, 'Bhattarai, Imke').click()
  const column = page.getByRole('complementary', { name: 'Imke Bhattarai' })
  await column.getByLabel('Add a label').fill('plays oboe')
  await column.getByRole('button', { name: 'Put it on' }).click()
  await expect(strip(page)).toContainText('Imke Bhattarai is labelled plays oboe.')
  await column.getByRole('button', { name: 'Close' }).click()
  for (const name of ['Cosgrave, Hamza', 'Fonoti, Lotte', 'Bhattarai, Imke'])
    await row(page, name).getByRole('gridcell').first().click()
  await page.getByRole('button', { name: 'label', exact: true }).click()
  const panel = page.getByRole('complementary', { name: 'Label 3 people' })
  await panel.getByRole('combobox', { name: 'Which label?' }).fill('plays oboe')
  await expect(panel.locator('.follows')).toHaveText('2 will change. 1 needs no change.')
  await panel.getByRole('button', { name: 'Change 2' }).click()
  await expect(strip(page)).toContainText('2 people are labelled plays oboe.')
  await choose(page, 'Narrow it further', 'label')
  await choose(page, 'label', 'labelled plays oboe')
  await expect(page.getByText('3 shown')).toBeVisible()
  await page.getByRole('button', { name: 'Save this view' }).click()
  await page.getByLabel('Name of the view').fill('Oboes')
  await page.getByRole('button', { name: 'Save' }).click()
  await page.getByRole('button', { name: 'Show all again' }).click()
  await choose(page, 'Saved views', 'Oboes')
  await expect(page.getByText('3 shown')).toBeVisible()
  await page.getByRole('button', { name: 'Delete Oboes' }).click()
  await row(page, 'Fonoti, Lotte').click()
  await page.getByRole('complementary').getByRole('button', { name: 'Take plays oboe off' }).click()
  await expect(page.getByText('2 shown')).toBeVisible()
})

test('progress is taken away, also of those who are gone', async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  await openSite(page, HARMONY)
  await page.getByRole('button', { name: 'Export or print' }).click()
  await page.getByLabel('with those who are gone').check()
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Every item (CSV)' }).click(),
  ])
  expect(file.suggestedFilename()).toBe('het-2-progress-items.csv')
  const lines = (await readFile(await file.path(), 'utf8')).split('\r\n')
  expect(lines[0]).toMatch(/^\uFEFFName,Number,Level,Role,State,Last seen,Done,Of,Mean mark,/)
  expect(lines.find((line) => line.includes('Petrovanu, Dagny'))).toMatch(/Removed,.*,[1-9]\d*,11,/)
})

test('all sites are checked at once, and all that can be fixed in one is fixed in one change list', async ({
  page,
}) => {
  await signIn(page, 'mara.lindqvist')
  await page.getByRole('link', { name: 'Check the first day of all sites I run' }).click()
  await page.getByLabel('On', { exact: true }).fill('2026-11-25')
  await page.getByRole('listitem').filter({ hasText: HARMONY }).getByRole('link', { name: 'Look and fix' }).click()
  await expect(page.getByText(/25 Nov, 09:00: \d+ of \d+ could enter\./)).toBeVisible()
  await page.getByRole('button', { name: 'Fix 2 of these in one change list' }).click()
  await page.getByRole('button', { name: 'Fix 2', exact: true }).click()
  await expect(strip(page)).toContainText('It is fixed for 2 people.')
  await expect(page.getByText('1 would be paused')).toHaveCount(0)
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('1 would be paused')).toBeVisible()
})

test('several sites are changed as one change list and taken back as one', async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  for (const title of ['Brass Lab', 'Stage Nerves'])
    await page.getByRole('checkbox', { name: 'Choose ' + title }).check()
  await page.getByRole('button', { name: 'change seats' }).click()
  const panel = page.getByRole('complementary')
  await panel.getByLabel('Seats').fill('12')
  await expect(panel).toContainText('1 site will change.')
  await expect(panel.getByRole('listitem').filter({ hasText: 'Stage Nerves' })).toContainText(
    '18 seats are held, now or later. Choose 18 or more, or remove some people first.',
  )
  await panel.getByRole('button', { name: 'Change 1' }).click()
  await expect(strip(page)).toContainText('The seats of 1 site are changed. 1 is skipped.')
  await expect(page.getByRole('row').filter({ hasText: 'Brass Lab' })).toContainText('0 of 12')
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('row').filter({ hasText: 'Brass Lab' })).toContainText('0 of 16')
})

test('the history tells of one person, here and everywhere', async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  await openSite(page, HARMONY)
  await row(page, 'Nordahlen, Elias').click()
  await page.getByRole('link', { name: 'What happened to them here' }).click()
  await expect(page.getByText('What happened to Elias Nordahlen')).toBeVisible()
  await expect(page.locator('ol > li')).toHaveCount(1)
  await page.getByRole('link', { name: 'In all sites whose history you read' }).click()
  await expect(page.getByRole('heading', { name: 'What happened to Elias Nordahlen' })).toBeVisible()
  await expect(page.getByRole('listitem').first()).toContainText('in Harmony & Ear Training II')
})

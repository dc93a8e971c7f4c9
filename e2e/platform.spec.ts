import { choose, expect, expectAccessible, openLetter, signIn, strip, test } from './door'
import { STAGE } from './stage'

test('a division comes below another, with levels of its own, is offered in forms, and goes again', async ({
  page,
}) => {
  await signIn(page, 'ingrid.solheim')
  await page.getByRole('navigation', { name: 'Main pages' }).getByRole('link', { name: 'Platform' }).click()
  await page.getByRole('button', { name: 'Add a division below Harbour Juniors' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Choir School')
  await expect(page.getByLabel('Short code')).toHaveValue('choir-school')
  await page.getByRole('radio', { name: 'names of its own' }).check()
  await page.getByLabel('Names, the lowest first').fill('Probationer\nChorister\nHead chorister')
  await expect(page.getByRole('complementary')).toContainText('Choir School: a new division.')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Put these settings in force' }).click()
  await expect(strip(page)).toContainText('The settings are changed. Version 2 holds.')
  await expect(page.getByText('Probationer to Head chorister')).toBeVisible()

  await page.goto('/people/new')
  await choose(page, 'Division', 'Choir School')
  await choose(page, 'Level', 'Chorister')
  await page.getByLabel('Given name').fill('Otto')
  await page.getByLabel('Family name').fill('Quillander-Frost')
  await page.getByRole('button', { name: 'Add to the rows' }).click()
  await expect(page.getByRole('row').filter({ hasText: 'Quillander-Frost' }).or(page.locator('li'))).not.toHaveCount(0)
  await expect(page.getByText('Chorister', { exact: false }).first()).toBeVisible()

  await page.goto('/platform/versions')
  await page.getByRole('button', { name: 'Put version 1 in force again' }).click()
  await expect(strip(page)).toContainText('Version 3 holds.')
  await page.getByRole('link', { name: 'Divisions' }).click()
  await expect(page.getByText('Harbour Juniors')).toBeVisible()
  await expect(page.getByText('Choir School')).toHaveCount(0)
})

test('terms of the next year are made by pattern, a holiday is set, and what is wrong is said', async ({ page }) => {
  await signIn(page, 'ingrid.solheim')
  await page.goto('/platform/terms')
  await page.getByRole('button', { name: 'Make those of the next year' }).click()
  await expect(page.getByRole('complementary')).toContainText('Autumn 2027: a new term.')
  await page.getByRole('link', { name: 'Days off' }).click()
  await page.getByRole('button', { name: 'Add days off' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Winter holiday')
  await page.getByLabel('First day').fill('24 Dec 2026')
  await page.getByLabel('Last day').fill('23 Dec 2026')
  await page.getByLabel('Last day').blur()
  await expect(page.getByText('The last day is before the first.').first()).toBeVisible()
  await expect(page.getByRole('button', { name: 'Put these settings in force' })).toBeDisabled()
  await page.getByLabel('Last day').fill('3 Jan 2027')
  await page.getByLabel('Last day').blur()
  await expect(page.getByRole('complementary')).toContainText('Winter holiday: off.')
  await page.getByRole('button', { name: 'Put these settings in force' }).click()
  await expect(strip(page)).toContainText('The settings are changed.')
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('There are no days off yet.')).toBeVisible()
})

test('settings are saved as a file and brought in again after a look', async ({ page }) => {
  await signIn(page, 'ingrid.solheim')
  await page.goto('/platform/versions')
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Save as a file' }).click(),
  ])
  expect(file.suggestedFilename()).toBe('platform.yaml')
  const chunks: Buffer[] = []
  for await (const chunk of await file.createReadStream()) chunks.push(chunk as Buffer)
  const text = Buffer.concat(chunks).toString().replace('name: Faculty', 'name: Teachers')
  const bring = async (buffer: Buffer) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Choose a file' }).click(),
    ])
    await chooser.setFiles({ name: 'platform.yaml', mimeType: 'application/yaml', buffer })
  }
  await bring(Buffer.from(text))
  await expect(page.getByText('Name: Faculty → Teachers')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Put this file in force' }).click()
  await expect(strip(page)).toContainText('platform.yaml is in force.')
  await page.getByRole('link', { name: 'Divisions' }).click()
  await expect(page.getByText('Teachers')).toBeVisible()
})

test('somebody registers with the code of a division, shows their address, and is told yes', async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page, 'ingrid.solheim')
  await page.goto('/platform/register')
  const division = page.locator('section').filter({ hasText: 'Northlight Evening School' })
  await choose(division, 'Who may register', 'who knows the code')
  await division.getByLabel('Code to hand out').fill('Lamp & lantern')
  await division.getByRole('button', { name: 'Keep it' }).click()
  await expect(division.getByRole('button', { name: 'Keep it' })).toHaveCount(0)
  await expect(page.getByRole('complementary')).toContainText('Northlight Evening School: people may register.')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Put these settings in force' }).click()
  await expect(strip(page)).toContainText('The settings are changed.')

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL })
  const theirs = await phone.newPage()
  await theirs.goto('/sign-in')
  await theirs.getByRole('link', { name: 'No account yet? Register' }).click()
  await theirs.getByLabel('Given name').fill('Noor')
  await theirs.getByLabel('Family name').fill('Haddad-Quillander')
  await theirs.getByLabel('E-mail').fill('noor@elm.example')
  await theirs.getByLabel('Code').fill('lantern')
  await theirs.getByRole('button', { name: 'Send me a link' }).click()
  await expect(theirs.getByText('This is not the code of this division.')).toBeVisible()
  await theirs.getByLabel('Code').fill('lamp & lantern')
  await expectAccessible(theirs)
  await theirs.getByRole('button', { name: 'Send me a link' }).click()
  await expect(theirs.getByText('A message is on its way to noor@elm.example.')).toBeVisible()

  const letter = await openLetter(page, 'noor@elm.example', 'Your registration at')
  const link = (await letter.locator('a').getAttribute('href'))!.replace(/^https?:\/\/[^/]+/, '')
  await theirs.goto(link)
  await theirs.getByRole('button', { name: 'Yes, I registered' }).click()
  await expect(theirs.getByText('An administrator looks at it now')).toBeVisible()

  await page.goto('/')
  await page.getByRole('link', { name: '1 person registered and waits for a yes.' }).click()
  await page.getByRole('button', { name: 'Yes to Noor Haddad-Quillander' }).click()
  await expect(strip(page)).toContainText('Noor Haddad-Quillander has an account, and is told.')
  await expect(page.getByText('Nobody waits.')).toBeVisible()
  await phone.close()
})

test('a division is in its starter site by itself, is merged into another, and all of it is put back', async ({
  page,
}) => {
  await signIn(page, 'ingrid.solheim')
  await page.goto('/platform/starters')
  await page.getByRole('button', { name: 'Add a starter site' }).click()
  await page.getByRole('combobox', { name: 'Site' }).fill('recital')
  await page.getByRole('option', { name: 'Recital Club' }).click()
  await choose(page, 'For people of', 'Northlight Evening School')
  await choose(page, 'Come in as', 'Learner')
  await expect(page.getByText('Learners of Northlight Evening School are in Recital Club as Learner.')).toBeVisible()
  const would = page.getByRole('complementary').getByText(/\d+ people come into/)
  await expect(would).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Put these settings in force' }).click()
  await expect(strip(page)).toContainText('The settings are changed.')
  // They come within seconds, without anybody doing anything.
  await page.goto('/sites/all?q=recital')
  await page.getByRole('link', { name: 'Recital Club' }).click()
  await expect(page.getByRole('heading', { name: 'Recital Club' })).toBeVisible()
  const history = page.url() + '/history'
  await expect(async () => {
    await page.goto(history)
    await expect(page.getByText('coming in (by a cohort or division)').first()).toBeVisible({ timeout: 10_000 })
  }).toPass()

  await page.goto('/platform/divisions')
  await page.getByRole('button', { name: 'Change Northlight Evening School' }).click()
  await page.getByRole('link', { name: 'Move what belongs to it' }).click()
  await choose(page, 'Its people go to', 'Millrace Seniors')
  await choose(page, 'Its sites go to', 'Millrace Seniors')
  await page.getByRole('checkbox', { name: 'Retire Northlight Evening School afterwards' }).check()
  await expect(page.getByText('This division is retired. Choose another.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Move', exact: true })).toBeDisabled()
  await page.getByRole('checkbox', { name: 'Retire Northlight Evening School afterwards' }).uncheck()
  await expect(page.getByText(/\d+ people go\./)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Move', exact: true }).click()
  await expect(strip(page)).toContainText('What belonged to Northlight Evening School is moved.')
  await page.goto('/numbers?division=northlight')
  await expect(page.getByText('No site is like that.')).toBeVisible()
  await page.goto('/changes')
  await expect(page.getByText('Northlight Evening School → Millrace Seniors')).toBeVisible()
  await page.getByRole('link', { name: 'Move between divisions' }).click()
  await page.getByRole('button', { name: 'Undo all of it' }).click()
  await expect(strip(page)).toContainText('All who are still there are back.')
  await page.goto('/numbers?division=northlight')
  await expect(page.getByText('Chamber Music Evenings')).toBeVisible()
  await expectAccessible(page)
})

test('a detail of people is made, written, found and shown, and a kind of people is kept to its roles', async ({
  page,
  browser,
}) => {
  await signIn(page, 'ingrid.solheim')
  await page.goto('/platform/details')
  await page.getByRole('button', { name: 'Add a detail' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Concert dress')
  await choose(page, 'What is written there', 'One of a list')
  const list = page.getByLabel('The list, one on each line')
  await list.fill('Small\nsmall\nLarge')
  await expect(page.getByText('The list has “Small” twice').first()).toBeVisible()
  await list.fill('Small\nLarge')
  await page.getByRole('checkbox', { name: 'Staff who look after a person' }).check()
  await expect(page.getByRole('complementary').getByText('Concert dress: a new detail of people.')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Put these settings in force' }).click()
  await expect(strip(page)).toContainText('The settings are changed.')

  const context = await browser.newContext({ baseURL: STAGE.url, viewport: { width: 1280, height: 800 } })
  const tutor = await context.newPage()
  await signIn(tutor, 'mara.lindqvist')
  await tutor.getByRole('link', { name: 'Harmony & Ear Training II', exact: true }).first().click()
  await tutor
    .getByRole('row', { name: /Haverbeke, Ilse/ })
    .getByText('Haverbeke, Ilse')
    .click()
  await tutor.getByRole('link', { name: 'All about them' }).click()
  await tutor.getByRole('button', { name: 'Change details' }).click()
  await choose(tutor, 'Concert dress', 'Large')
  await tutor.getByLabel('Mark so far').fill('very good')
  await tutor.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(tutor.getByText('Write a number with digits only')).toBeVisible()
  await tutor.getByLabel('Mark so far').fill('17,5')
  await tutor.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(strip(tutor)).toContainText('The details of Ilse Haverbeke are changed.')
  await expect(tutor.getByText('17.5')).toBeVisible()

  await tutor.goto('/people')
  await choose(tutor, 'Look for a detail', 'Concert dress')
  await choose(tutor, 'Concert dress', 'Concert dress: Large')
  await expect(tutor.getByText('1 person', { exact: true })).toBeVisible()
  await tutor.getByRole('button', { name: 'Columns' }).click()
  await tutor.getByRole('checkbox', { name: 'Concert dress' }).check()
  await tutor.keyboard.press('Escape')
  await expect(tutor.getByRole('row', { name: /Haverbeke, Ilse/ })).toContainText('Large')
  await expectAccessible(tutor)

  // Whoever is an accompanist is let in as what accompanists may be.
  await page.goto('/people?kind=accompanist')
  await page.getByRole('row').nth(1).getByRole('link').click()
  await expect(page.getByText(/^Accompanist ·/)).toBeVisible()
  await page.getByRole('button', { name: 'Correct names and numbers' }).click()
  await choose(page, 'Kind', 'External')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText(/^Accompanist ·/)).toBeHidden()
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText(/^Accompanist ·/)).toBeVisible()
  await context.close()
})

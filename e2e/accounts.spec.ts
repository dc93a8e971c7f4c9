import {
  choose,
  expect,
  expectAccessible,
  expectErrors,
  HARMONY,
  openLetter,
  openSite,
  row,
  signIn,
  strip,
  test,
} from './door'
import { STAGE } from './stage'

test('a card is made for a learner, signs them in, and is changed for a password of their own', async ({
  page,
  browser,
}) => {
  await signIn(page, 'mara.lindqvist')
  await openSite(page, HARMONY)
  await row(page, 'Cosgrave, Hamza').click()
  await page.getByRole('complementary').getByRole('link', { name: 'All about them' }).click()
  await expect(page.getByRole('heading', { name: 'Hamza Cosgrave' })).toBeVisible()
  await expect(page.getByText(/Can enter as learner/).first()).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Sign-in card' }).click()
  await page.getByLabel('They choose a password of their own').check()
  await page.getByRole('button', { name: 'Make the card' }).click()
  const card = page.getByRole('article')
  await expect(card).toContainText('Hamza Cosgrave')
  await expectAccessible(page)
  const [login = '', password = ''] = await card.locator('dd.num').allTextContents()
  expect(password).toMatch(/^([a-z]+-){4}\d\d$/)
  await page.getByRole('button', { name: 'Done' }).click()
  await expect(page.getByText(password)).toHaveCount(0)

  const theirs = await browser.newPage({ viewport: { width: 390, height: 844 } })
  await theirs.goto(STAGE.url + '/sign-in')
  await theirs.getByLabel('Login name or e-mail').fill(login)
  await theirs.getByLabel('Password').fill(password)
  await theirs.getByRole('button', { name: 'Sign in' }).click()
  await expect(theirs.getByText('Choose one of your own to go on.')).toBeVisible()
  await theirs.getByLabel('Current password').fill(password)
  await theirs.getByLabel('New password').fill('harmony is fun')
  await theirs.getByRole('button', { name: 'Change it' }).click()
  await expect(theirs.getByText('Your password is changed.')).toBeVisible()
  await expect(theirs.getByRole('link', { name: /^Enter the site/ }).first()).toBeVisible()
  await theirs.close()
})

test('an account is closed, with a word on what would have no lead, and opened again', async ({ page }) => {
  await signIn(page, 'ingrid.solheim')
  await page.goto('/people?q=lindqvist+mara')
  await page.getByRole('link', { name: 'Lindqvist, Mara' }).click()
  await page.getByRole('button', { name: 'Close the account…' }).click()
  await expect(page.getByText(/would have no lead who can enter/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await page.goto('/people?q=cosgrave+paula')
  await page.getByRole('link', { name: 'Cosgrave, Paula' }).first().click()
  await page.getByRole('button', { name: 'Close the account…' }).click()
  await page.getByRole('button', { name: 'Close it now' }).click()
  await expect(page.getByText(/· closed since/)).toBeVisible()
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: 'Close the account…' })).toBeVisible()
})

test(
  'rows become accounts: the known are recognised, the doubtful asked about, the wrong said; all of it is taken ' +
    'back',
  async ({ page }) => {
    await signIn(page, 'ingrid.solheim')
    await page.getByRole('navigation', { name: 'Main pages' }).getByRole('link', { name: 'People' }).click()
    await page.getByRole('button', { name: 'Make accounts' }).click()
    await expect(page.getByRole('heading', { name: 'Make accounts' })).toBeVisible()
    await choose(page, 'Division', 'Millrace Seniors')
    await page.getByLabel('Given name').fill('Wilhelmina')
    await page.getByLabel('Family name').fill('Oduya-Larsen')
    await page.getByLabel('E-mail', { exact: true }).fill('wilhelmina.o@example.org')
    await page.getByRole('button', { name: 'Add to the rows' }).click()
    const rows = page.getByRole('textbox', { name: 'Rows' })
    await expect(rows).toHaveValue(
      /^given\tfamily\temail\tnumber\tlevel\nWilhelmina\tOduya-Larsen\twilhelmina\.o@example\.org/,
    )
    await rows.fill(
      'Wilhelmina\tOduya-Larsen\twilhelmina.o@example.org\t7\nOttilie Vasbrandt;8\nTadeusz Wierzbak;3301090\nKit ' +
        'Nobodyson;2041011\nLeif Nobodyson;wilhelmina.o@example.org\nPim van der Zwet;6',
    )
    await expect(page.locator('.follows')).toHaveText(
      '2 accounts will be made, 1 needs a choice, 1 is known already, 2 need another look.',
    )
    await expect(page.getByText('The check digit of this number is wrong')).toBeVisible()
    await expect(page.getByText('Row 1 has this e-mail already.')).toBeVisible()
    await expectAccessible(page)
    await page.getByLabel('It is somebody new').check()
    await page.getByPlaceholder(/^A few words to them/).fill('See you on Monday.')
    await expect(page.getByText('1 person gets a message, 2 minutes after this is applied')).toBeVisible()
    await page.getByRole('button', { name: 'Look at the message' }).click()
    await expect(page.locator('.letter')).toContainText('Hello Wilhelmina,')
    await expect(page.locator('.letter')).toContainText('See you on Monday.')
    await page.getByRole('button', { name: 'Make 3 accounts' }).click()
    await expect(page.getByRole('heading', { name: 'New accounts' })).toBeVisible()
    await expect(page.getByRole('listitem').filter({ hasText: 'Pim van der Zwet' })).toContainText('pim.van-der-zwet')
    await expect(page.getByRole('listitem').filter({ hasText: 'Pim van der Zwet' })).toContainText('no e-mail address')
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Sign-in cards for the 3 without a password' }).click()
    await expect(page.getByRole('button', { name: 'Make 3 cards' })).toBeVisible()
    await page.goBack()
    await page.getByRole('button', { name: 'Undo all of it…' }).click()
    await expect(page.getByText('3 accounts go, and the people who were new.')).toBeVisible()
    await page.getByRole('button', { name: 'Undo 3 accounts' }).click()
    await expect(strip(page)).toContainText('3 accounts are removed again.')
    await page.goto('/people?q=zwet')
    await expect(page.getByText('Nobody fits.')).toBeVisible()
  },
)

test('whoever forgot their password sets a new one by a link that works once', async ({ page, browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL: STAGE.url })
  const theirs = await context.newPage()
  await theirs.goto('/sign-in')
  await theirs.getByRole('link', { name: 'Forgotten your password?' }).click()
  // The page before has a field of that name, too.
  await theirs.getByRole('heading', { name: 'A new password' }).waitFor()
  await theirs.getByLabel('Login name or e-mail').fill('saga.quillander')
  await expectAccessible(theirs)
  await theirs.getByRole('button', { name: 'Send me a link' }).click()
  await expect(theirs.getByText('If there is such an account')).toBeVisible()
  await signIn(page, 'ingrid.solheim')
  const letter = await openLetter(page, 'saga.quillander', 'Set a new password')
  const link = await letter.locator('a').getAttribute('href')
  await theirs.goto(link!.replace(/^https?:\/\/[^/]+/, ''))
  await theirs.getByLabel('New password').fill('the long baroque')
  await theirs.getByRole('button', { name: 'Set it and sign in' }).click()
  await expect(theirs.getByRole('heading', { name: /^Today/ })).toBeVisible()
  await theirs.goto('/sign-in')
  await theirs.goto(link!.replace(/^https?:\/\/[^/]+/, ''))
  await theirs.getByLabel('New password').fill('another one now')
  await theirs.getByRole('button', { name: 'Set it and sign in' }).click()
  await expect(theirs.getByText('This link was used already, or its time is over.')).toBeVisible()
  await context.close()
})

test('two who are one are merged, each site settled, and made two again', async ({ page }) => {
  await signIn(page, 'ingrid.solheim')
  await page.goto('/people/duplicates')
  const pair = page.getByRole('article').filter({ hasText: 'Ottilie Vasbrandt' })
  await expect(pair).toContainText('the same name, one has no number, the same level')
  await expectAccessible(page)
  await pair.getByRole('link', { name: 'Compare and merge' }).click()
  const button = page.getByRole('button', { name: 'Merge them' })
  await expect(page.getByText('Which role in The Long Baroque?')).toBeVisible()
  await expect(button).toBeDisabled()
  // Once it is answered the question is gone.
  await page.getByLabel('Learner', { exact: true }).click()
  await expect(page.getByText('The Long Baroque').last()).toBeVisible()
  await expectAccessible(page)
  await button.click()
  await expect(strip(page)).toContainText('The two are merged: Ottilie Vasbrandt.')
  await page.goto('/people?q=vasbrandt')
  await expect(page.getByText('1 person', { exact: true })).toBeVisible()
  await page.goto('/changes')
  await page.getByRole('link', { name: 'Merge' }).first().click()
  await page.getByRole('button', { name: 'Separate them again' }).click()
  await expect(strip(page)).toContainText('They are two people again.')
  await page.goto('/people/duplicates')
  await expect(pair).toBeVisible()
  await pair.getByRole('button', { name: 'They are two people' }).click()
  await expect(pair).toHaveCount(0)
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await expect(pair).toBeVisible()
})

test('somebody is corrected, noted about, handed what is held, and erased once they left', async ({ page }) => {
  expectErrors(page, '422')
  await signIn(page, 'ingrid.solheim')
  await page.goto('/people?q=tadeusz+wierzbak')
  await page.getByRole('link', { name: 'Wierzbak, Tadeusz' }).first().click()
  await page.getByRole('button', { name: 'Correct names and numbers' }).click()
  await page.getByLabel('Number', { exact: true }).fill('3301091')
  await page.getByLabel('Preferred name').fill('Tad')
  await page.getByRole('button', { name: 'Add a name' }).click()
  await choose(page, 'Other names', 'Stage name')
  await page.getByRole('textbox', { name: 'Given name', exact: true }).last().fill('Ted')
  await page.getByRole('textbox', { name: 'Family name', exact: true }).last().fill('Bramble')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('The check digit of this number is wrong')).toBeVisible()
  await page.getByLabel('Number', { exact: true }).fill('3301090')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Tad Wierzbak' })).toBeVisible()
  await expect(page.getByText('on stage Ted Bramble')).toBeVisible()
  await page.getByPlaceholder(/^A phone call/).fill('Rang: leaves at the end of the week.')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByText('Rang: leaves at the end of the week.')).toBeVisible()
  await expectAccessible(page)
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'as JSON' }).click(),
  ])
  expect(file.suggestedFilename()).toBe('wierzbak-tadeusz.json')
  await page.getByRole('button', { name: 'Erase them…' }).click()
  await expect(page.getByText('This person is still in a site, or will be.')).toBeVisible()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await page.getByRole('link', { name: 'The Long Baroque' }).first().click()
  // The page that is left has a button that begins with the same word: to remove the note.
  await page.getByRole('complementary').getByRole('button', { name: 'Remove', exact: true }).click()
  await page.getByRole('button', { name: 'Remove Tad Wierzbak' }).click()
  await expect(strip(page)).toContainText('is removed')
  await page.goto('/people?q=ted+bramble')
  await page
    .getByRole('link', { name: /Wierzbak, Tad/ })
    .first()
    .click()
  await page.getByRole('button', { name: 'Erase them…' }).click()
  await expect(page.getByText('It cannot be undone.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Erase for good' })).toBeDisabled()
  await page.getByLabel(/^Type Wierzbak/).fill('Wierzbak')
  await page.getByRole('button', { name: 'Erase for good' }).click()
  await expect(strip(page)).toContainText('They are erased.')
  await page.goto('/people?q=tad+wierzbak')
  await expect(page.getByText('1 person', { exact: true })).toBeVisible()
  await expect(page.getByRole('link', { name: /Wierzbak, Tad \(/ })).toHaveCount(0)
})

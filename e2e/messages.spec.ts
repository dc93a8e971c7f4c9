import {
  box,
  choose,
  expect,
  expectAccessible,
  expectErrors,
  found,
  HARMONY,
  openLetter,
  openSite,
  pasteList,
  signIn,
  strip,
  test,
} from './door'

test('a list is let in and told in words of one’s own; what was sent stands on its lines', async ({ page }) => {
  // What a test looks into the frame with is not let run there.
  expectErrors(page, 'Blocked script execution')
  await signIn(page, 'ingrid.solheim')
  await page.goto('/sites/all?q=Brass')
  await page.getByRole('link', { name: 'Brass Lab', exact: true }).click()
  const panel = await pasteList(page, '3300035\nOttilie Vasbrandt 3300019\nBounceby, Nobody')
  await panel.getByLabel('Tell them by e-mail').check()
  await panel.getByPlaceholder(/^A few words to them/).fill('Bring a mouthpiece <b>each</b>.')
  await expect(panel).toContainText('2 people get a message, 2 minutes after this is applied')
  await panel.getByRole('button', { name: 'Look at the message' }).click()
  await expect(panel.locator('.letter')).toContainText('You can enter Brass Lab')
  await expect(panel.locator('.letter')).toContainText('Bring a mouthpiece <b>each</b>.')
  await panel.getByRole('button', { name: 'with layout' }).click()
  await expect(panel.frameLocator('iframe').getByText('Bring a mouthpiece <b>each</b>.')).toBeVisible()
  // Nothing runs in that frame, the checker neither.
  await panel.getByRole('button', { name: 'plain text' }).click()
  await expectAccessible(page)
  await panel.getByRole('button', { name: 'Let 2 in' }).click()
  await expect(strip(page)).toContainText('2 people are let in.')
  await page.goto('/changes')
  await page
    .getByRole('row')
    .filter({ hasText: 'Brass Lab' })
    .getByRole('link', { name: 'List of people' })
    .first()
    .click()
  await expect(page.getByText('They are told by e-mail. “Bring a mouthpiece <b>each</b>.”')).toBeVisible()
  const letter = await openLetter(page, 'ottilie', 'You can enter Brass Lab')
  await expect(letter).toContainText('Bring a mouthpiece <b>each</b>.')
  await page.goto('/changes')
  await page
    .getByRole('row')
    .filter({ hasText: 'Brass Lab' })
    .getByRole('link', { name: 'List of people' })
    .first()
    .click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Vasbrandt' })).toContainText('told')
})

test('undoing in time withdraws what would have been told', async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  await openSite(page, HARMONY)
  await box(page).fill('ottilie vasbrandt')
  await page.getByLabel('Tell them by e-mail').check()
  await found(page, 'Ottilie Vasbrandt').first().getByRole('button', { name: 'Let in as learner' }).click()
  await expect(strip(page)).toContainText('A message goes out in 2 minutes.')
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await expect(strip(page)).toContainText('Undone')
  await page.getByLabel('Tell them by e-mail').uncheck()
  await page.getByRole('link', { name: 'Messages' }).last().click()
  await expect(page.getByRole('row').filter({ hasText: 'Ottilie Vasbrandt' }).first()).toContainText(
    'withdrawn in time',
  )
  await expectAccessible(page)
})

test('what came back is chosen and sent again, and withdrawn while it is held', async ({ page }) => {
  await signIn(page, 'ingrid.solheim')
  await page.getByRole('navigation', { name: 'Main pages' }).getByRole('link', { name: 'Messages' }).click()
  await choose(page, 'How it stands', 'bounced')
  await expect(page.getByText('There is no such mailbox.').first()).toBeVisible()
  await page.getByRole('checkbox').first().check()
  await page.getByRole('button', { name: 'send it again' }).click()
  await expect(strip(page)).toContainText('1 message goes again')
  await choose(page, 'How it stands', 'however it stands')
  await page
    .getByRole('row')
    .filter({ hasText: /goes (at once|within)/ })
    .getByRole('checkbox')
    .first()
    .check()
  await page.getByRole('button', { name: 'withdraw it' }).click()
  await expect(strip(page)).toContainText('1 message is withdrawn.')
  await page
    .getByRole('button', { name: /^You can enter/ })
    .first()
    .click()
  await expect(page.locator('.letter')).toContainText('(link to the site)')
})

test('words of messages: what is wrong is said at the field, markup is harmless, the nearest ones are used', async ({
  page,
}) => {
  expectErrors(page, '422')
  await signIn(page, 'ingrid.solheim')
  await page.goto('/messages/texts')
  await page.getByRole('button', { name: 'let in', exact: true }).click()
  const text = page.getByLabel('Text', { exact: true })
  await text.fill('Hello {nmae}, <script>alert(1)</script> {link')
  await page.getByRole('button', { name: 'Save this text' }).click()
  await expect(page.getByText(/There is nothing to fill in for \{nmae\} here\./)).toBeVisible()
  await text.fill('Hello {given}, <script>alert(1)</script> come in: ')
  await page.getByRole('button', { name: '{link}' }).click()
  await expect(page.locator('.letter')).toContainText('Hello Ingrid, <script>alert(1)</script> come in: http')
  await expectAccessible(page)
  await choose(page, 'Texts of', 'Northlight Evening School')
  await page.getByRole('button', { name: 'let in', exact: true }).click()
  await text.fill('Good evening {given}, {link}')
  await page.getByRole('button', { name: 'Save this text' }).click()
  await expect(strip(page)).toContainText('The text is saved.')
  await expect(page.getByText('The text of the division.').first()).toBeVisible()
  await page.getByRole('button', { name: 'Use the others again' }).click()
  await expect(text).toHaveValue(/let you into \{site\}/)
})

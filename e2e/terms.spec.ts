import { choose, expect, expectAccessible, signIn, strip, test } from './door'

test('a term is changed, and the change is undone as a whole', async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  await page.goto('/changes')
  await page.getByRole('link', { name: 'Go on with it' }).click()
  const harmony = page.getByRole('listitem').filter({ hasText: 'Harmony & Ear Training II: Autumn 2026 → Winter 2027' })
  await expect(harmony).toContainText('22 leave')
  await expect(harmony).toContainText(/Jan.*: 5 of 5 could enter\./)
  await expect(page.getByRole('listitem').filter({ hasText: 'Jazz Improvisation Workshop: Autumn' })).toContainText(
    '3 come',
  )
  await expectAccessible(page)

  // At once it asks for the number of those who lose access.
  await page.getByRole('radio', { name: 'now' }).first().check()
  const asks = page.getByLabel(/Write how many lose access now \(46\)/).last()
  await expect(asks).toBeVisible()
  await expect(page.getByRole('button', { name: 'Change the term of 2 sites' })).toBeDisabled()
  await page.getByRole('radio', { name: 'with the old term' }).check()
  await expect(asks).toBeHidden()
  await page.getByLabel('A list of names or numbers').fill('elias.nordahl@example.org')
  await expect(page.getByText('1 person is found')).toBeVisible()
  await expect(harmony).toContainText('1 is here already')
  await page.getByRole('button', { name: 'Change the term of 2 sites' }).click()
  await expect(strip(page)).toContainText('The term of 2 sites is changed.')
  await expect(page.getByRole('heading', { level: 1, name: /Change of term/ })).toBeVisible()

  await page.goto('/sites/run')
  const row = page.getByRole('row').filter({ hasText: 'Harmony & Ear Training II' }).first()
  await expect(row).toContainText('Winter 2027')
  await page.goto('/changes')
  await page.getByRole('link', { name: 'Change of term' }).first().click()
  await page.getByRole('button', { name: /Undo all of it/ }).click()
  await page.getByRole('button', { name: 'Undo it now' }).click()
  await expect(strip(page)).toContainText('The change of term is undone.')
  await page.goto('/sites/run')
  await expect(row).toContainText('Autumn 2026')
})

test('a site closes with its term, and one like it is made for the next', async ({ page }) => {
  await signIn(page, 'ingrid.solheim')
  await page.goto('/sites/all?q=Brass')
  await page
    .getByRole('checkbox', { name: /Choose .*Brass/ })
    .first()
    .check()
  await page.getByRole('button', { name: 'change the term' }).click()
  await choose(page, 'The next term', 'Spring 2027')
  await page.getByRole('radio', { name: /new ones like them/ }).check()
  await page.getByRole('textbox', { name: 'Short code of the new site' }).fill('BRASS-W')
  await expect(page.getByRole('listitem').filter({ hasText: '(BRASS-W)' })).toContainText('1 of the staff comes along')
  await page.getByRole('button', { name: 'Change the term of 1 site' }).click()
  await expect(strip(page)).toContainText('The term of 1 site is changed.')
  await page.goto('/sites/all?q=BRASS-W')
  await expect(page.getByRole('row').filter({ hasText: 'BRASS-W' })).toBeVisible()
})

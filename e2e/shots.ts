import { box, expect, found, HARMONY, openSite, row, signIn, test } from './door'

// One picture of each main view, made from the demo data. Run by bin/shots.
const folder = 'docs/screenshots/'

test('the porch', async ({ page }) => {
  await page.goto('/sign-in')
  await page.getByRole('button', { name: 'Sign in' }).waitFor()
  await page.screenshot({ path: folder + 'sign-in.png' })
})

test('a lead tutor', async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  await page.getByRole('link', { name: HARMONY, exact: true }).waitFor()
  await page.screenshot({ path: folder + 'sites.png' })
  await openSite(page, HARMONY)
  await page.screenshot({ path: folder + 'roster.png' })
  await box(page).fill('petrov')
  await expect(page.locator('.intake h2')).toHaveText(['Was here', 'Kept out', 'Can be let in'])
  await page.screenshot({ path: folder + 'let-people-in.png' })
  await box(page).fill('el khoudri')
  await found(page, 'Björn El Khoudri').getByRole('button', { name: 'Let in as learner' }).click()
  await expect(page.locator('.strip')).toContainText('is let in')
  await box(page).fill('')
  await row(page, 'Fonoti, Lotte').click()
  await page.getByRole('complementary').getByRole('button', { name: 'Take out' }).click()
  await page.getByText('They lose entry at once.').waitFor()
  await page.screenshot({ path: folder + 'docked-column.png' })
  await page.getByRole('complementary').getByRole('button', { name: 'Close' }).click()
  for (const name of ['Bhattarai, Imke', 'Cosgrave, Hamza', 'Cosgrave, Paula', 'Fonoti, Lotte', 'Lindqvist, Mara']) await row(page, name).getByRole('gridcell').first().click()
  await page.getByRole('button', { name: 'pause', exact: true }).click()
  await page.getByLabel('Until and including').fill('2026-12-05')
  await page.getByRole('complementary').getByRole('listitem').nth(4).waitFor()
  await page.waitForTimeout(500)
  await page.screenshot({ path: folder + 'sheet.png' })
  await page.getByRole('link', { name: 'Rehearsal' }).click()
  await page.getByText('could enter').waitFor()
  await page.screenshot({ path: folder + 'rehearsal.png' })
  await page.getByRole('link', { name: 'Logbook' }).click()
  await page.getByRole('button', { name: 'Compare two days' }).click()
  await page.getByRole('listitem').first().waitFor()
  await page.getByText(/came$/).waitFor()
  await page.screenshot({ path: folder + 'logbook.png' })
})

test('an administrator, in dark colours', async ({ browser }) => {
  const page = await browser.newPage({ baseURL: process.env.MINT_DOOR_URL ?? '', viewport: { width: 1280, height: 800 }, colorScheme: 'dark' })
  await signIn(page, 'ingrid.solheim')
  await page.goto('/sites/all')
  await page.getByRole('link', { name: 'Brass Lab' }).waitFor()
  await page.screenshot({ path: folder + 'all-sites-dark.png' })
  await page.close()
})

test('a learner, on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, 'elias.nordahl')
  await page.getByRole('link', { name: /^Go in/ }).first().waitFor()
  await page.screenshot({ path: folder + 'learner-sites.png' })
  await page.getByRole('link', { name: /^Go in/ }).first().click()
  await page.getByText('Led by').waitFor()
  await page.screenshot({ path: folder + 'learner-landing.png' })
})

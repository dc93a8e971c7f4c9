import { choose, expect, expectErrors, HARMONY, openSite, row, signIn, strip, test } from './door'
import { STAGE } from './stage'
import type { Page } from '@playwright/test'

const column = (page: Page, name: string) => page.getByRole('region', { name, exact: true })
const people = (page: Page, name: string) => column(page, name).getByRole('listbox')
const one = (page: Page, section: string, name: string) => people(page, section).getByRole('option', { name })

test.beforeEach(async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  await openSite(page, HARMONY)
})

test('who came late is put into a section by keys alone, as one change list that is undone', async ({ page }) => {
  await page.getByRole('link', { name: 'Sections' }).click()
  await expect(one(page, 'In no section', 'Uhlenhorst, Umut')).toBeVisible()
  await expect(column(page, 'Evening')).toContainText('10 of 14')
  await people(page, 'In no section').focus()
  await page.keyboard.press('End')
  await page.keyboard.press('Space')
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('Space')
  await expect(page.getByText('2 chosen, put into:')).toBeVisible()
  await page.keyboard.press('2')
  await expect(one(page, 'Evening', 'Uhlenhorst, Umut')).toContainText('to be moved')
  await expect(page.getByText('2 moves, not made yet.')).toBeVisible()
  await page.getByRole('button', { name: 'Make 2 moves' }).press('Enter')
  await expect(strip(page)).toContainText('2 people are in another section.')
  await expect(column(page, 'Evening')).toContainText('12 of 14')
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await strip(page).getByRole('button', { name: /^Undo/ }).first().click()
  await expect(one(page, 'In no section', 'Uhlenhorst, Umut')).toBeVisible()
})

test('somebody is dragged over, and a full section says so before anything is changed', async ({ page }) => {
  await page.getByRole('link', { name: 'Sections' }).click()
  await page.getByRole('button', { name: 'Change the sections' }).click()
  const form = page.getByRole('complementary', { name: 'Change the sections' })
  const evening = form.getByRole('group', { name: 'Evening' })
  expectErrors(page, '422')
  await evening.getByLabel('Seats (empty: no limit)').fill('9')
  await form.getByRole('button', { name: 'Save the sections' }).click()
  await expect(evening.getByRole('alert')).toHaveText('10 learners have a place in it. Choose at least as many seats.')
  await evening.getByLabel('Seats (empty: no limit)').fill('10')
  await form.getByRole('button', { name: 'Save the sections' }).click()
  await expect(strip(page)).toContainText('The sections are changed.')
  await one(page, 'Morning', 'Bhattarai, Imke').locator('.one').dragTo(column(page, 'Evening'))
  await expect(page.getByText('Imke Bhattarai: All 10 seats of Evening are held.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Make the moves' })).toBeDisabled()
  await page.getByRole('button', { name: 'Put all back' }).click()
  await expect(one(page, 'Morning', 'Bhattarai, Imke')).toBeVisible()
})

test('learners and the assistant of a section see its people and no others', async ({ page, browser }) => {
  await expect(row(page, 'Cosgrave, Paula')).toContainText('Evening')
  const theirs = await browser.newPage({ baseURL: STAGE.url, viewport: { width: 390, height: 844 } })
  await signIn(theirs, 'elias.nordahl')
  await theirs.getByRole('listitem').filter({ hasText: HARMONY }).getByRole('link', { name: 'Enter the site' }).click()
  await expect(theirs.getByText('Morning: Mondays and Wednesdays, 9:30 to 11:00. With Jun Okafor-Reyes.')).toBeVisible()
  await theirs.getByRole('link', { name: 'Who is here' }).click()
  await expect(theirs.getByText('12 learners, 3 staff')).toBeVisible()
  await expect(theirs.getByText('Cosgrave, Hamza')).toBeVisible()
  await expect(theirs.getByText('Cosgrave, Paula')).toHaveCount(0)
  await theirs.close()
  const assistants = await browser.newPage({ baseURL: STAGE.url })
  await signIn(assistants, 'jun.okafor-reyes')
  await assistants.goto('/sites/in')
  await assistants.getByRole('link', { name: 'Enter the site' }).click()
  await assistants.getByRole('link', { name: 'Who is here' }).click()
  await expect(row(assistants, 'Cosgrave, Hamza')).toBeVisible()
  await expect(row(assistants, 'Cosgrave, Paula')).toHaveCount(0)
  await assistants.close()
})

test('a list that names what others do not see is found, looked at as one of them, and closed', async ({ page }) => {
  await page.getByRole('link', { name: 'Items', exact: true }).click()
  const leak = '“All meetings” names “Meeting of Evening, part 1”: 15 people see the one and not the other.'
  await expect(page.getByText(leak)).toBeVisible()
  await page.getByRole('button', { name: 'Say who sees “All meetings”' }).click()
  const form = page.getByRole('complementary', { name: 'Who sees “All meetings”' })
  await choose(form, 'Or a sentence with a name', 'Evening only')
  await expect(form).toContainText('So far 26 see it, then 11.')
  await form.getByRole('button', { name: 'Show it so' }).click()
  await expect(strip(page)).toContainText('Who sees “All meetings” is changed.')
  await expect(page.getByText('Nothing looks wrong')).toBeVisible()
  await expect(row(page, 'All meetings')).toContainText('11 of 26')

  await page.goto(
    `${page
      .url()
      .split('?')[0]!
      .replace(/\/items$/, '')}?q=Nordahlen`,
  )
  await row(page, 'Nordahlen, Elias').click()
  await page.getByRole('button', { name: 'See as Elias' }).click()
  await page.getByRole('link', { name: 'Items', exact: true }).click()
  await expect(page.getByRole('heading', { name: /^What .* sees here$/ })).toBeVisible()
  await expect(page.getByText('Meeting of Morning, part 1')).toBeVisible()
  await expect(page.getByText('All meetings')).toHaveCount(0)
})

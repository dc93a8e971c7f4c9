import {
  box,
  choose,
  expect,
  expectAccessible,
  expectErrors,
  found,
  HARMONY,
  openSite,
  row,
  signIn,
  strip,
  test,
} from './door'
import { STAGE } from './stage'
import type { Page } from '@playwright/test'

const column = (page: Page, name: string) => page.getByRole('region', { name, exact: true })
const people = (page: Page, name: string) => column(page, name).getByRole('listbox')
const unfold = (page: Page) => page.getByRole('button', { name: 'Pages of the site and what it is' }).click()
async function goTo(page: Page, title: string) {
  await page.goto('/sites/run')
  await openSite(page, title)
}
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
  // The board has its place again when the column is gone.
  await expect(form).toHaveCount(0)
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
  await expect(page.getByText('You see this site as Elias Nordahlen would.')).toBeVisible()
  await page.getByRole('link', { name: 'Items', exact: true }).click()
  await expect(page.getByRole('heading', { name: /^What .* sees here$/ })).toBeVisible()
  await expect(page.getByText('Meeting of Morning, part 1')).toBeVisible()
  await expect(page.getByText('All meetings')).toHaveCount(0)
})

test('two sites are merged, each role settled, and are two again; a section becomes a site', async ({ page }) => {
  const beside = (name: string) => page.getByRole('complementary', { name })
  await goTo(page, 'Jazz Improvisation Workshop')
  await box(page).fill('jun okafor')
  const jun = found(page, 'Jun Okafor-Reyes')
  await jun.getByRole('button', { name: 'Other role or dates' }).click()
  // Whoever helps in the morning has that at the same time.
  expectErrors(page, '409')
  await jun.getByRole('button', { name: 'Support aide' }).click()
  // Which site that is, is told of people of one's own division.
  await expect(jun).toContainText('They have something else at the same time')
  await jun.getByLabel('Why (staff read it, they do not)').fill('Comes when the morning is over.')
  await jun.getByRole('button', { name: 'In two places at once, on purpose' }).click()
  await expect(strip(page)).toContainText('Jun Okafor-Reyes is let in as support aide.')

  await goTo(page, HARMONY)
  await page.getByRole('link', { name: 'Sections' }).click()
  await page.getByRole('button', { name: 'Merge other sites into this one' }).click()
  await page.keyboard.type('Jazz Impro')
  await page.getByRole('option', { name: /Jazz Improvisation Workshop/ }).click()
  const merge = beside('Merge sites')
  await expect(merge).toContainText('2 of them are here, too. Its section: Jazz Improvisation Workshop.')
  await expect(merge.getByRole('button', { name: 'Merge 1 site into this one' })).toBeDisabled()
  await merge.getByRole('heading', { name: 'Merge sites' }).click()
  await expect(page.getByRole('listbox', { name: 'Option List' })).toHaveCount(0)
  await expectAccessible(page)
  await merge.getByRole('group', { name: 'What is Jun Okafor-Reyes?' }).getByText('Support aide').click()
  await merge.getByRole('button', { name: 'Merge 1 site into this one' }).click()
  await expect(strip(page)).toContainText(`1 site is a section of ${HARMONY} now.`)
  await expect(one(page, 'Jazz Improvisation Workshop', 'Okafor-Reyes, Jun')).toContainText('support aide')
  await expect(one(page, 'Morning', 'Okafor-Reyes, Jun')).toContainText('support aide')
  await page.getByRole('link', { name: 'History' }).click()
  await expect(page.getByText('merged into this site: Jazz Improvisation Workshop')).toBeVisible()
  await page.getByPlaceholder('Names in it').fill('okafor')
  await expect(
    page.getByRole('listitem').filter({ hasText: 'let Jun Okafor-Reyes in as support aide, in Jazz' }),
  ).toBeVisible()
  await strip(page).getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('link', { name: 'Sections' }).click()
  await expect(one(page, 'Morning', 'Okafor-Reyes, Jun')).toContainText('class assistant')
  await expect(column(page, 'Jazz Improvisation Workshop')).toHaveCount(0)

  await page.getByRole('button', { name: 'Change the sections' }).click()
  const evening = beside('Change the sections').getByRole('group', { name: 'Evening' })
  await evening.getByRole('button', { name: 'Make it a site of its own…' }).click()
  const out = beside('Make a site of Evening')
  await expect(out).toContainText('10 people go. You become its lead.')
  await expectAccessible(page)
  await out.getByLabel('Title of the new site').fill('Harmony in the evening')
  await out.getByRole('button', { name: 'Make the site' }).click()
  await expect(strip(page)).toContainText('Harmony in the evening is a site of its own now.')
  await expect(column(page, 'Evening')).toHaveCount(0)
  await goTo(page, 'Harmony in the evening')
  await expect(row(page, 'Cosgrave, Paula')).toBeVisible()
  await page.goto('/changes')
  await page.getByRole('link', { name: 'Making a site of sections' }).click()
  await page.getByRole('button', { name: 'Undo all of it…' }).click()
  await expect(page.getByText('10 people go back to where they were.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo it now' }).click()
  await expect(strip(page)).toContainText('The section is back.')
  await goTo(page, HARMONY)
  await page.getByRole('link', { name: 'Sections' }).click()
  await expect(one(page, 'Evening', 'Cosgrave, Paula')).toBeVisible()
})

test('on a phone a tutor puts somebody into a section and looks who sees an item', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await unfold(page)
  await page.getByRole('link', { name: 'Sections' }).click()
  await one(page, 'In no section', 'Uhlenhorst, Umut').click()
  await page.getByRole('button', { name: 'Morning', exact: true }).click()
  await page.getByRole('button', { name: 'Make 1 move' }).click()
  await expect(strip(page)).toContainText('1 person is in another section.')
  await page.getByRole('combobox', { name: 'Show' }).click()
  await page.getByRole('option', { name: 'Morning (13)' }).click()
  await expect(one(page, 'Morning', 'Uhlenhorst, Umut')).toBeVisible()
  await unfold(page)
  await page.getByRole('link', { name: 'Items', exact: true }).click()
  await page.getByText('Meeting of Morning, part 1').last().click()
  await expect(page.getByText('Uhlenhorst, Umut')).toBeVisible()
  expect(await page.evaluate(() => document.scrollingElement!.scrollWidth - innerWidth)).toBe(0)
})

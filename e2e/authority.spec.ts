import {
  box,
  emptyBox,
  expect,
  expectAccessible,
  expectErrors,
  found,
  openSite,
  row,
  signIn,
  strip,
  test,
} from './door'
import { STAGE } from './stage'

const EVENINGS = 'Songwriting Evenings'

test('a junior of another division waits until their division approves, and is told', async ({ page, browser }) => {
  await signIn(page, 'alma.jagannath')
  await openSite(page, EVENINGS)
  await box(page).fill('2041028')
  await expect(found(page, 'Pip Halvorsdal')).toContainText('Waits for approval by their division first.')
  await found(page, 'Pip Halvorsdal').getByRole('button', { name: 'Let in as learner' }).click()
  await expect(strip(page)).toContainText('Pip Halvorsdal waits for approval as learner.')
  await emptyBox(page)
  await expect(row(page, 'Halvorsdal, Pip')).toContainText('Waiting for approval')
  await row(page, 'Halvorsdal, Pip').click()
  await expect(page.getByRole('complementary')).toContainText(
    'waits for approval by the administrators of their division',
  )
  await expect(page.getByRole('complementary').getByRole('link', { name: 'All about them' })).toHaveCount(0)

  const theirs = await (await browser.newContext({ baseURL: STAGE.url })).newPage()
  await signIn(theirs, 'ingrid.solheim')
  await theirs.getByRole('link', { name: /wait for approval/ }).click()
  await expect(theirs.getByRole('row').filter({ hasText: 'Pip Halvorsdal' })).toContainText('Alma Jagannath')
  await expectAccessible(theirs)
  await theirs.getByRole('button', { name: 'Yes to Pip Halvorsdal' }).click()
  await expect(strip(theirs)).toContainText('Pip Halvorsdal is in Songwriting Evenings.')
  await theirs.close()

  const phone = await browser.newContext({ baseURL: STAGE.url, viewport: { width: 390, height: 844 } })
  const own = await phone.newPage()
  await signIn(own, 'pip.halvorsen')
  await expect(own.getByText('Mara Lindqvist made a sign-in card with a new password for you.')).toBeVisible()
  await expect(own.getByText(/let you into Songwriting Evenings/)).toBeVisible()
  await expectAccessible(own)
  await own.getByRole('button', { name: 'I have read this' }).click()
  await expect(own.getByText('What others did')).toHaveCount(0)
  await own.reload()
  await expect(own.getByRole('link', { name: /^Enter the site/ }).first()).toBeVisible()
  await expect(own.getByText('What others did')).toHaveCount(0)
  await own.getByRole('link', { name: /^Enter the site.*Songwriting Evenings/ }).click()
  await own.getByRole('button', { name: 'Leave this site' }).click()
  await own.getByRole('button', { name: 'Leave it' }).click()
  await expect(own.getByRole('link', { name: /^Enter the site.*Junior String Orchestra/ })).toBeVisible()
  await expect(own.getByRole('link', { name: /^Enter the site.*Songwriting Evenings/ })).toHaveCount(0)
  await own.close()
})

test('one sees where one is signed in, ends what one does not know, and chooses a strong password', async ({
  page,
  browser,
}) => {
  await signIn(page, 'elias.nordahl')
  const other = await browser.newPage({ baseURL: STAGE.url })
  await signIn(other, 'elias.nordahl')
  await page.locator('.who').click()
  await page.getByRole('menuitem', { name: 'Your account' }).click()
  const sessions = page.getByRole('table', { name: 'Where you are signed in' })
  await expect(sessions.getByText('this device')).toBeVisible()
  await sessions.getByRole('button', { name: /^End the session/ }).click()
  await expect(strip(page)).toContainText('That session is ended.')
  await other.reload()
  await expect(other.getByRole('button', { name: 'Sign in' })).toBeVisible()
  await other.close()

  expectErrors(page, '422')
  const form = page.locator('form')
  await form.getByLabel('Current password').fill('alder-quay-demo')
  await form.getByLabel('New password').fill('password')
  await expect(form.getByText('4 more characters at least.')).toBeVisible()
  await form.getByLabel('New password').fill('passwordpassword')
  await expect(form.getByText(/^Guessed/)).toBeVisible()
  await page.getByRole('button', { name: 'Change it' }).click()
  await expect(form.getByRole('alert')).toBeVisible()
  await form.getByLabel('New password').fill('kettle orbit seventeen plums')
  await expect(form.getByText('Very hard to guess.')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Change it' }).click()
  await expect(strip(page)).toContainText('Your password is changed.')
})

test('what matters to the safety of accounts is found, and taken away as lines', async ({ page }) => {
  expectErrors(page, '401')
  await page.goto('/sign-in')
  await page.getByLabel('Login name or e-mail').fill('elias.nordahl')
  await page.getByLabel('Password').fill('a wrong guess')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('alert')).toBeVisible()
  await signIn(page, 'ingrid.solheim')
  await page.goto('/rules')
  await page.getByRole('link', { name: 'Security log' }).click()
  await page.getByRole('textbox', { name: 'Names or an address' }).fill('nordahlen')
  await page.getByRole('combobox', { name: 'anything' }).click()
  await page.getByRole('option', { name: 'failed to sign in' }).click()
  await expect(page.getByRole('option')).toHaveCount(0)
  const rows = page.getByRole('row').filter({ hasText: 'failed to sign in' })
  await expect(rows.first()).toContainText('127.0.0.1')
  await expect(rows.first()).toContainText('Elias Nordahlen')
  await expect(page.getByRole('row').filter({ hasText: 'made a sign-in card' })).toHaveCount(0)
  await expectAccessible(page)
  const saving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save as JSON lines' }).click()
  expect((await saving).suggestedFilename()).toBe('security-log.jsonl')
})

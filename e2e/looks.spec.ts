import { PLATFORM_PARTS } from '../frontend/src/platform/parts'
import {
  box,
  emptyBox,
  expect,
  expectAccessible,
  expectErrors,
  found,
  HARMONY,
  openSite,
  row,
  signIn,
  signOut,
  test,
} from './door'

test.describe.configure({ mode: 'parallel' })

for (const colorScheme of ['light', 'dark'] as const) {
  test.describe(`in ${colorScheme} colours`, () => {
    test.use({ colorScheme })

    test('every main view is accessible', async ({ page }) => {
      test.setTimeout(400_000)
      expectErrors(page, '422', '401')
      await page.goto('/sign-in')
      await page.getByRole('button', { name: 'Sign in' }).waitFor()
      await expectAccessible(page)
      await signIn(page, 'mara.lindqvist')
      await page.getByRole('link', { name: HARMONY, exact: true }).waitFor()
      await page.locator('body').press('?')
      await expectAccessible(page)
      await openSite(page, HARMONY)
      await box(page).fill('wren')
      await found(page, 'Tobias Wrenfield').getByRole('button', { name: 'Other role or dates' }).click()
      await expectAccessible(page)
      await emptyBox(page)
      await row(page, 'Fonoti, Lotte').click()
      await page.getByRole('complementary').getByRole('button', { name: 'Block' }).click()
      await page.getByText('Blocked.').waitFor()
      await page.getByRole('button', { name: 'Export or print' }).click()
      await expectAccessible(page)
      await row(page, 'Fjellanger, Goran').getByRole('gridcell').first().click()
      await page.getByRole('button', { name: 'pause', exact: true }).click()
      await page.getByRole('complementary', { name: 'Pause 1 person' }).getByRole('listitem').waitFor()
      await expectAccessible(page)
      await page.getByRole('link', { name: 'First-day check' }).click()
      await page.getByText('could enter').first().waitFor()
      await expectAccessible(page)
      await page.getByRole('link', { name: 'History' }).click()
      await page.getByRole('listitem').first().waitFor()
      await expectAccessible(page)
      await page.getByRole('link', { name: 'Sections' }).click()
      await page.getByRole('option').first().waitFor()
      await expectAccessible(page)
      await page.getByRole('link', { name: 'Week', exact: true }).click()
      await page.getByRole('button', { name: 'Change the hours' }).click()
      await page.getByRole('complementary').getByRole('button', { name: 'Change', exact: true }).first().click()
      await expectAccessible(page)
      await page.getByRole('complementary').getByRole('button', { name: 'Close' }).click()
      await page.getByRole('link', { name: 'Items', exact: true }).click()
      await page.getByRole('grid').waitFor()
      await expectAccessible(page)
      await page.goto('/first-day-check')
      await page.getByText('could enter').first().waitFor()
      await expectAccessible(page)
      await page.goto('/access-check')
      await page.getByLabel('Who', { exact: true }).fill('fonoti lotte')
      await page
        .getByRole('option', { name: /Lotte Fonoti/ })
        .first()
        .click()
      await expect(page.getByRole('button', { name: 'Somebody else' })).toBeVisible()
      await page.getByLabel('Which site').fill('HET-2')
      await page.getByRole('option', { name: /Harmony & Ear Training II/ }).click()
      await page.getByText('Cannot enter').first().waitFor()
      await expectAccessible(page)
      await page.goto('/sites/run')
      await page.getByRole('checkbox', { name: 'Choose Brass Lab' }).check()
      await page.getByRole('button', { name: 'change seats' }).click()
      await page.getByRole('complementary').getByRole('listitem').waitFor()
      await expectAccessible(page)
      await page.goto('/sites/new')
      await page.getByRole('button', { name: 'Make the site' }).click()
      await page.getByText('Give the site a title.').waitFor()
      await expectAccessible(page)
      await page.goto('/welcome')
      await page.getByRole('heading').waitFor()
      await expectAccessible(page)
    })

    test('what is arranged and drawn is accessible', async ({ page }) => {
      test.setTimeout(400_000)
      await signIn(page, 'mara.lindqvist')
      for (const [path, sign] of [
        ['/', 'Sites I run'],
        ['/changes', 'Changes'],
        ['/messages', 'Messages'],
        ['/people', 'People'],
        ['/keys', 'Renew'],
        ['/rules/table', 'Rules'],
      ] as const) {
        await page.goto(path)
        await page.getByRole('heading', { name: sign }).first().waitFor()
        await expectAccessible(page)
      }
      await page.goto('/sites/run')
      await openSite(page, HARMONY)
      await page.getByRole('button', { name: 'Over time' }).click()
      await page.locator('figure svg').waitFor()
      await page.getByText('The numbers').click()
      await expectAccessible(page)
      await page.getByRole('link', { name: 'Doors' }).click()
      await page.getByRole('button', { name: 'How it filled' }).first().click()
      await page.locator('figure svg').waitFor()
      await expectAccessible(page)
      await page.goto('/people?q=lotte%20fonoti')
      await page
        .getByRole('link', { name: /Fonoti/ })
        .first()
        .click()
      await page
        .getByRole('button', { name: /^More about/ })
        .first()
        .click()
      await expectAccessible(page)
      await signOut(page)
      await signIn(page, 'ingrid.solheim')
      await page.goto('/')
      await page.getByRole('heading', { name: /^Today/ }).waitFor()
      await expectAccessible(page)
    })

    test('the rules and the platform are accessible', async ({ page }) => {
      test.setTimeout(400_000)
      await signIn(page, 'ingrid.solheim')
      for (const part of [
        'compare',
        'ladder',
        'outside',
        'kinds',
        'numbers',
        'limits',
        'administrators',
        'log',
        'roles',
      ]) {
        await page.goto('/rules/' + part)
        await page.getByRole('heading', { name: 'Rules' }).waitFor()
        await page.waitForTimeout(150)
        await expectAccessible(page)
      }
      for (const part of PLATFORM_PARTS) {
        await page.goto('/platform/' + part)
        await page.getByRole('link', { name: 'Days off' }).waitFor()
        await page.waitForTimeout(150)
        await expectAccessible(page)
      }
      for (const step of ['name', 'roles', 'mail', 'people']) {
        await page.goto('/first-steps/' + step)
        await page.getByRole('heading', { level: 2 }).first().waitFor()
        await page.waitForTimeout(150)
        await expectAccessible(page)
      }
      await page.goto('/rules/roles')
      await page.getByRole('button', { name: 'Change: Learner' }).click()
      await page.getByRole('checkbox', { name: 'read it once it is closed' }).uncheck()
      await page.getByText('could no longer').first().waitFor()
      await expectAccessible(page)
    })

    test("a learner's views are accessible on a phone", async ({ page }) => {
      await page.setViewportSize({ width: 390, height: 844 })
      await signIn(page, 'elias.nordahl')
      await page
        .getByRole('link', { name: /^Enter the site/ })
        .first()
        .waitFor()
      await expectAccessible(page)
      await page
        .getByRole('link', { name: /^Enter the site/ })
        .first()
        .click()
      await page.getByText('Led by').waitFor()
      await expectAccessible(page)
    })
  })
}

test('below /api every answer is JSON and guarded, also those of the server in front', async ({ request }) => {
  for (const [method, path, body] of [
    ['GET', '/api', ''],
    ['GET', '/api/v1/nowhere', ''],
    ['GET', '/api/v1/me?q=' + 'x'.repeat(20_000), ''],
    ['POST', '/api/v1/sites', 'x'.repeat(2_200_000)],
    ['POST', '/api/v1/sign-in', JSON.stringify({ login: 'x'.repeat(20_000), password: 'x' })],
    ['PATCH', '/api/v1/me', '{}'],
  ] as const) {
    const answer = await request.fetch(path, {
      method,
      data: body || undefined,
      headers: { 'X-Mint-Door': '1', 'Content-Type': 'application/json' },
    })
    expect(answer.status()).toBeGreaterThanOrEqual(400)
    expect(answer.headers()['content-type']).toBe('application/problem+json')
    expect((await answer.json()).type).toMatch(/^urn:mint-door:problem:/)
    expect(answer.headers()).toMatchObject({
      'x-content-type-options': 'nosniff',
      'x-frame-options': 'DENY',
      'cache-control': expect.stringContaining('no-store'),
      'content-security-policy': expect.stringContaining("default-src 'none'"),
    })
  }
})

test('who is there, and in which site, is asked along with the page, and once', async ({ page, request }) => {
  const asked: string[] = []
  page.on('request', (each) => asked.push(new URL(each.url()).pathname))
  await signIn(page, 'mara.lindqvist')
  await page.goto('/sites/run')
  await openSite(page, HARMONY)
  const path = new URL(page.url()).pathname
  asked.length = 0
  await page.reload()
  await row(page, 'Bhattarai, Imke').waitFor()
  const api = asked.filter((each) => each.startsWith('/api/'))
  expect(api.slice(0, 2).sort()).toEqual(['/api/v1/me', '/api/v1' + path])
  expect(api.filter((each) => each === '/api/v1/me' || each === '/api/v1' + path)).toHaveLength(2)

  const askedWith = async (address: string, by = page.request) => {
    const text = await (await by.get(address)).text()
    return [...text.matchAll(/rel="preload" href="(\/api[^"]*)"/g)].map(([, href]) => href)
  }
  expect(await askedWith(path + '/doors?x=1')).toEqual(['/api/v1/me', '/api/v1' + path])
  for (const other of ['/', '/sites/run', path + '/enter', path + '0', '/sites/%22%3E%3Cb%3E'])
    expect(await askedWith(other)).toEqual(['/api/v1/me'])
  expect(await askedWith('/join?key=x')).toEqual([])
  expect(await askedWith(path, request)).toEqual([])
})

test('pages forbid what they do not need', async ({ page, request }) => {
  const answer = await request.get('/')
  const policy = answer.headers()['content-security-policy'] ?? ''
  expect(policy).toContain("default-src 'none'")
  expect(policy).not.toContain("'unsafe-eval'")
  expect(policy).toMatch(/script-src 'self';/)
  expect(answer.headers()['x-frame-options']).toBe('DENY')
  await signIn(page, 'pip.halvorsen')
  const cookie = (await page.context().cookies()).find((each) => each.name === 'mint_door')
  expect([cookie?.httpOnly, cookie?.sameSite]).toEqual([true, 'Lax'])
  await signOut(page)
  await expect(page).toHaveURL(/sign-in/)
  expect((await page.request.get('/api/v1/me')).status()).toBe(401)
})

test('everything can be reached by the keyboard, and focus is seen', async ({ page }) => {
  await signIn(page, 'mara.lindqvist')
  await page.getByRole('link', { name: HARMONY, exact: true }).focus()
  await page.keyboard.press('Enter')
  await row(page, 'Bhattarai, Imke').waitFor()
  await row(page, 'Bhattarai, Imke').focus()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('complementary', { name: /Cosgrave/ })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('complementary')).toHaveCount(0)
  await expect(page.locator('tr.body:focus')).toContainText('Cosgrave')
  expect(await page.locator('tr.body:focus').evaluate((element) => getComputedStyle(element).outlineStyle)).toBe(
    'solid',
  )
})

import { spawn, type ChildProcess } from 'node:child_process'
import { expect, expectAccessible, test } from './door'

// Every part in every state, as it is while one works on them: by Vite's own server, on loopback.
const PORT = 5197
let server: ChildProcess | undefined

test.beforeAll(async () => {
  server = spawn('npx', ['--no-install', 'vite', '--port', String(PORT), '--strictPort'], { detached: true })
  await new Promise<void>((ready, failed) => {
    server!.stdout!.on('data', (text) => String(text).includes(String(PORT)) && ready())
    server!.on('exit', (code) => failed(new Error(`Vite ended with ${code}.`)))
  })
})
test.afterAll(() => {
  if (server?.pid) process.kill(-server.pid, 'SIGTERM')
})

const platform = { now: '2026-11-26T09:00:00Z', terms: [], roles: [], divisions: [], siteKinds: [], mayMakeIn: [] }

for (const colorScheme of ['light', 'dark'] as const)
  test(`every part is accessible in ${colorScheme} colours, and is worked by keys`, async ({ browser }) => {
    const context = await browser.newContext({ colorScheme, locale: 'en-GB' })
    const page = await context.newPage()
    await page.route('**/api/v1/**', (route) => route.fulfill({ json: platform }))
    await page.goto(`http://127.0.0.1:${PORT}/parts`)
    await expect(page.getByRole('heading', { name: 'Parts' })).toBeVisible({ timeout: 60_000 })
    await expectAccessible(page)
    const list = page.getByRole('combobox', { name: 'Instrument' })
    await list.press('ArrowDown')
    await page.keyboard.press('End')
    await page.keyboard.press('Enter')
    await expect(list).toHaveText('cello')
    const day = page.getByLabel('Until', { exact: true })
    await day.pressSequentially('+7')
    await day.press('Tab')
    await expect(day).toHaveValue('3 Dec 2026')
    await expect(page.getByText('This is not a day.')).toBeVisible()
    await page.getByRole('combobox', { name: 'Find one' }).fill('choice 2')
    await expect(page.getByRole('option')).toHaveCount(6)
    await page.keyboard.press('ArrowDown')
    await page.keyboard.press('Enter')
    await expect(page.getByText('Choice 2', { exact: true })).toBeVisible()
    await context.close()
  })

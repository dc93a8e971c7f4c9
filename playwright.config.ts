import { defineConfig } from '@playwright/test'
import { SLOW, STAGE, STAGES } from './e2e/stage'

// A browser that nobody sits at needs no pages for its own address bar: they cost more than ours. The later list of
// features replaces the one Playwright gives, so that it is said again here.
const needless = [
  'WebUIOmniboxPopup',
  'WebUIOmniboxAimPopup',
  'WebUIOmniboxFullPopup',
  'AimEnabled',
  'AvoidUnnecessaryBeforeUnloadCheckSync',
  'DestroyProfileOnBrowserClose',
  'HttpsUpgrades',
  'HttpsFirstBalancedModeAutoEnable',
  'LensOverlay',
  'MediaRouter',
  'PaintHolding',
  'ThirdPartyStoragePartitioning',
  'OptimizationHints',
  'PreconnectToSearch',
]
const chromium = {
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--disable-features=' + needless.join(),
  ],
}

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  workers: STAGES,
  // A walk takes 10 to 60 s; a machine that is busy now and then takes twice as long.
  timeout: 150_000 * SLOW,
  expect: { timeout: 20_000 },
  reporter: [['list']],
  use: {
    baseURL: STAGE.url,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'Europe/Amsterdam',
    // A trace of what fails, where one is asked for: it costs time.
    trace: process.env.TRACE ? 'retain-on-failure' : 'off',
    launchOptions: chromium,
  },
  projects: [
    { name: 'walk', testMatch: '**/*.spec.ts' },
    // Makes the pictures of docs/screenshots; run by bin/shots.
    { name: 'shots', testMatch: '**/shots.ts' },
  ],
})

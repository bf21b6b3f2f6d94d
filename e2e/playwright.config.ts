import { defineConfig } from '@playwright/test'
import { launchOptions } from '../tools/lib/browser.mjs'

/** What takes longest starts first, so that no core waits for it at the end. */
const longest = /(typed|everyPage)\.spec\.ts$/

export default defineConfig({
  testDir: './test',
  outputDir: '../var/e2e-results',
  fullyParallel: true,
  // A browser often waits for the hand that types: a third one fills two cores.
  workers: 3,
  timeout: 60_000,
  // Two browsers, a server and a database share what may be two slow cores: time alone fails no test.
  expect: { timeout: 20_000 },
  forbidOnly: process.env['CI'] === 'true',
  retries: 0,
  reporter: [['list'], ['json']],
  projects: [
    { name: 'longest', testMatch: longest },
    { name: 'rest', testIgnore: longest },
  ],
  globalSetup: './globalSetup.ts',
  use: {
    viewport: { width: 1280, height: 800 },
    actionTimeout: 20_000,
    trace: 'off',
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions,
  },
})

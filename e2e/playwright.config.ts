import { defineConfig } from '@playwright/test';

/** The real interface in Debian's Chromium. `npm test` brings up a server with a database of its own. */
export default defineConfig({
  testDir: '.',
  workers: 1,
  retries: 0,
  // Far above what is needed: a busy machine must not fail a test. Nothing waits for time itself.
  timeout: 300_000,
  expect: { timeout: 45_000 },
  reporter: [['list'], ['json', { outputFile: process.env.REPORT ?? '/tmp/obelus-playwright.json' }]],
  outputDir: '../test-results',
  use: {
    baseURL: process.env.BASE_URL ?? 'http://127.0.0.1:4610',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
    trace: 'retain-on-failure',
  },
});

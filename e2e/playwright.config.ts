import { defineConfig } from '@playwright/test';
import { CHROMIUM } from '../scripts/lib/chromium';
import { RUN } from '../scripts/lib/run-asked.mjs';

Object.assign(globalThis, { RUN });

const EXPORTS = /(first-stroke|exports|bay)\.spec\.m?[tj]s$/;

/** The real interface in Debian's Chromium. `npm test` brings up a server with a database of its own. */
export default defineConfig({
  // `npm test` makes plain scripts of them first.
  testDir: process.env.PAGE_TESTS ?? '.',
  // Each test has a project of its own, so that any two of them may run side by side.
  fullyParallel: true,
  // One more than there are cores: each waits for the page and the server half of the time.
  workers: 3,
  // Where nobody looks on, a test that failed is tried once more, and named as one that needed it.
  retries: process.env.CI ? 1 : 0,
  // What hangs is found soon; nothing waits for time itself.
  timeout: RUN.isLong ? 1_200_000 : 60_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json', { outputFile: process.env.REPORT ?? '/tmp/obelus-playwright.json' }]],
  outputDir: '../test-results',
  projects: [
    { name: 'editor', testIgnore: EXPORTS },
    // Encoding takes both cores for a while.
    { name: 'exports', testMatch: EXPORTS, timeout: 120_000 },
  ],
  use: {
    baseURL: process.env.BASE_URL ?? 'http://127.0.0.1:4610',
    viewport: { width: 1280, height: 800 },
    colorScheme: 'dark',
    launchOptions: CHROMIUM,
    // Recording every step takes a third of the time of all tests: `--trace on` does it for the one that is looked into.
    trace: 'off',
    screenshot: 'only-on-failure',
  },
});

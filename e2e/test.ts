import { test as alone, type BrowserContext, type Page } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM } from '../scripts/lib/chromium';

export { expect, type Locator, type Page } from '@playwright/test';
/** A test in a browser of its own, which has never seen Obelus: for scripts that are put into the page, and for other themes. */
export { alone };

const VIEW = { width: 1280, height: 800 };
/** So many tests are run in one window: what it holds on to must not add up. */
const TESTS_A_WINDOW = 25;
/** What a test listens to. */
const EVENTS = ['request', 'response', 'console', 'pageerror', 'dialog', 'download', 'popup'] as const;

/** One window that goes from test to test: what the browser made of the scripts when it read them first is made once. */
class Warm {
  private tests = 0;
  private held: Page | null = null;

  constructor(readonly context: BrowserContext) {}

  async page(): Promise<Page> {
    this.held ??= await this.context.newPage();
    return this.held;
  }

  /** As if it had just been opened by somebody who was never here. @param isAnew the window has to be another one. */
  async tidy(isAnew: boolean): Promise<void> {
    const used = await this.page();
    if (isAnew || used.isClosed() || ++this.tests % TESTS_A_WINDOW === 0) this.held = null;
    const page = await this.page();
    for (const other of this.context.pages()) if (other !== page) await other.close();
    for (const event of EVENTS) page.removeAllListeners(event);
    for (const routed of [page, this.context]) await routed.unrouteAll({ behavior: 'ignoreErrors' });
    await Promise.all([this.context.setOffline(false), this.context.clearPermissions()]);
    // Of the same origin, so that the window keeps its process.
    await page.goto('/api/health');
    await page.evaluate(() => sessionStorage.clear());
    const devtools = await this.context.newCDPSession(page);
    await devtools.send('Storage.clearDataForOrigin', {
      origin: new URL(page.url()).origin,
      storageTypes: 'cookies,indexeddb,local_storage,cache_storage,service_workers,file_systems',
    });
    await devtools.detach();
    await page.goto('about:blank');
    await page.mouse.move(-1, -1);
    await page.setViewportSize(VIEW);
    await page.emulateMedia({ colorScheme: 'dark', forcedColors: null, reducedMotion: null });
  }
}

/** A test of the interface, in a window that nobody has used before as far as it can tell. */
export const test = alone.extend<object, { warm: Warm }>({
  warm: [
    async ({ playwright }, use, { project }) => {
      const profile = mkdtempSync(join(tmpdir(), 'obelus-profile-'));
      const { baseURL } = project.use;
      const context = await playwright.chromium.launchPersistentContext(profile, {
        ...CHROMIUM,
        ...(baseURL && { baseURL }),
        viewport: VIEW,
        colorScheme: 'dark',
        locale: 'en-US',
      });
      await use(new Warm(context));
      await context.close();
      rmSync(profile, { recursive: true, force: true });
    },
    { scope: 'worker' },
  ],
  context: async ({ warm }, use) => use(warm.context),
  page: async ({ warm }, use, info) => {
    await use(await warm.page());
    await warm.tidy(info.status !== info.expectedStatus);
  },
});

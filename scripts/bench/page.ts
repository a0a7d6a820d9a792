import { chromium, type Browser, type Page } from '@playwright/test';
import type { Piece } from '../../src/core/document';
import { CHROMIUM } from '../lib/chromium';

/** Where the server to be measured answers. */
export const address = process.env.BASE_URL!;

/**
 * Debian's Chromium without a GPU, at the first page of Obelus.
 * @param more switches of its own that a measurement needs.
 */
export async function openBrowser(
  more: readonly string[] = [],
): Promise<{ readonly browser: Browser; readonly page: Page }> {
  const browser = await chromium.launch({ ...CHROMIUM, args: [...CHROMIUM.args, ...more] });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  // tsx wraps named functions in a helper that the page does not have.
  await page.addInitScript('globalThis.__name = (made) => made');
  await page.goto(address);
  return { browser, page };
}

/** Puts a piece into a project of its own; answers with its id. */
export const putPiece = (page: Page, piece: Piece): Promise<string> =>
  page.evaluate(async (document) => {
    const post = async (path: string, body: unknown) =>
      (
        await fetch(path, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify(body),
        })
      ).json();
    const project = await post('/api/projects', { name: 'Bench' });
    return (await post(`/api/projects/${project.id}/pieces`, { document })).id as string;
  }, piece);

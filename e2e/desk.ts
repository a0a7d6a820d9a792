import { expect, type Locator, type Page } from '@playwright/test';
import type { Piece, Stroke } from '../src/core/document';

/** A piece of which a test looks at the strokes alone; it is for the test to know that there is nothing else. */
type StrokePiece = Omit<Piece, 'layers'> & { layers: Stroke[] };

/** Where in the head of a lane its name is pressed: beside it are switches that come with the pointer. */
export const ON_NAME = { position: { x: 76, y: 10 } };

/** Calls the server beside the page, whatever the page is at. */
export async function api<T>(page: Page, method: string, path: string, body?: unknown): Promise<T> {
  const response = await page.request.fetch(path, { method, ...(body !== undefined && { data: body }) });
  return (await response.json()) as T;
}

/** Makes a piece in a project of its own and opens it in the editor. */
export async function openNew(page: Page, document: Piece): Promise<Desk> {
  const project = await api<{ id: string }>(page, 'POST', '/api/projects', { name: `Test ${document.name}` });
  const piece = await api<{ id: string }>(page, 'POST', `/api/projects/${project.id}/pieces`, { document });
  const desk = new Desk(page, piece.id, project.id);
  await desk.open();
  return desk;
}

/** The editor as a person uses it: by pointer and keyboard on what is seen. */
export class Desk {
  readonly canvas: Locator;
  readonly score: Locator;

  constructor(
    readonly page: Page,
    readonly pieceId: string,
    readonly projectId: string,
  ) {
    this.canvas = page.locator('[data-canvas]');
    this.score = page.locator('[data-score]');
  }

  async open(): Promise<void> {
    await this.page.goto(`/pieces/${this.pieceId}`);
    await expect(this.canvas).toHaveAttribute('data-frame', /\d/);
    await this.page.evaluate(() => document.fonts.ready);
  }

  /** The place of a point of the piece on the screen, with the piece fitted in the canvas as it opens. */
  async at(x: number, y: number): Promise<{ x: number; y: number }> {
    const box = (await this.canvas.boundingBox())!;
    const { size } = await this.document();
    const margin = 28;
    const zoom = Math.min((box.width - 2 * margin) / size.width, (box.height - 2 * margin) / size.height);
    return {
      x: box.x + (box.width - size.width * zoom) / 2 + x * zoom,
      y: box.y + (box.height - size.height * zoom) / 2 + y * zoom,
    };
  }

  async click(x: number, y: number, options: Parameters<Page['mouse']['click']>[2] = {}): Promise<void> {
    const p = await this.at(x, y);
    await this.page.mouse.click(p.x, p.y, options);
  }

  async drag(from: [number, number], to: [number, number]): Promise<void> {
    const a = await this.at(...from);
    const b = await this.at(...to);
    await this.page.mouse.move(a.x, a.y);
    await this.page.mouse.down();
    await this.page.mouse.move((a.x + b.x) / 2, (a.y + b.y) / 2);
    await this.page.mouse.move(b.x, b.y);
    await this.page.mouse.up();
  }

  lane(index: number): Locator {
    return this.score.locator(`[data-row="${index}"]`);
  }

  /** Sets a text as lettering in the middle of the piece, which is selected then. */
  async setText(text: string): Promise<void> {
    await this.step('Trace');
    await this.page.getByRole('button', { name: 'Set type' }).first().click();
    await this.page.getByLabel('Text to set', { exact: true }).fill(text);
    await this.page.keyboard.press('Enter');
    await expect(this.page.getByRole('row', { name: text })).toBeVisible();
  }

  /** Lets the text in hand write itself, in a step that does it, and waits for that: work for seconds where cores are few. */
  async letWrite(): Promise<void> {
    await this.page.getByRole('button', { name: 'Let it write itself' }).click();
    const written = this.page.getByRole('button', { name: 'Find its strokes anew' });
    await expect(written).toBeVisible({ timeout: 25_000 });
  }

  step(name: 'Set up' | 'Trace' | 'Ink' | 'Time'): Promise<void> {
    return this.page.getByRole('radio', { name, exact: true }).click();
  }

  /** Waits until everything done so far is on the server. */
  async saved(): Promise<void> {
    // An edit follows its press by an effect at the latest; then it is saved without the rest that follows each change.
    await this.page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done))));
    await this.page.keyboard.press('Control+s');
    await expect(this.page.locator('[data-save="saved"]')).toBeVisible();
  }

  /** The document as the server has it. */
  async document(): Promise<StrokePiece> {
    const open = await api<{ document: StrokePiece }>(this.page, 'GET', `/api/pieces/${this.pieceId}`);
    return open.document;
  }

  async savedDocument(): Promise<StrokePiece> {
    await this.saved();
    return this.document();
  }

  /** Undoes until nothing is left: how many steps quick nudges make depends on how quick they were. */
  async undoAll(): Promise<void> {
    const undo = this.page.getByRole('button', { name: 'Undo', exact: true });
    while (await undo.isEnabled()) await this.page.keyboard.press('Control+z');
  }

  async showFrame(frame: number): Promise<void> {
    await this.page.getByLabel('Frame', { exact: true }).fill(String(frame));
    await this.page.keyboard.press('Enter');
    await expect(this.canvas).toHaveAttribute('data-frame', String(frame));
  }
}

/** Chooses from a list that opens, by its label and the choice's own words. */
export async function choose(page: Page, list: RegExp, option: string): Promise<void> {
  await page.getByRole('button', { name: list }).click();
  await page.getByRole('option', { name: option, exact: true }).click();
}

/** Types into a field and takes it. */
export async function type(field: Locator, value: string): Promise<void> {
  await field.fill(value);
  await field.press('Enter');
}

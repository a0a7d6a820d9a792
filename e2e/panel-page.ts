import type { Page } from '@playwright/test';
import { buildSync } from 'esbuild';
import { resolve } from 'node:path';
import type { Piece } from '../src/core/document';

/** The panels and the document they change, made into one script for a bare page: no server, no canvas, no score. */
const script = buildSync({
  stdin: {
    contents: `
      import { createElement as h } from 'react';
      import { createRoot } from 'react-dom/client';
      import { QueryClientProvider } from '@tanstack/react-query';
      import { EditStepContext, GlobalStyle, Notices } from '@/ui';
      import { queries } from '@/editor/queries';
      import { InkPanel } from '@/editor/panels/ink';
      import { PlacePanel } from '@/editor/panels/place';
      import { RevealPanel } from '@/editor/panels/reveal';
      import { TimePanel } from '@/editor/panels/time';
      import { DOCUMENT_STEP, loadPiece, select, undo, useEditor } from '@/editor/state';
      const PANELS = { ink: InkPanel, place: PlacePanel, reveal: RevealPanel, time: TimePanel };
      globalThis.obelus = {
        mount(panel, piece, layers) {
          loadPiece(piece);
          useEditor.setState({ step: panel });
          select({ layers });
          createRoot(document.getElementById('root')).render(
            h(QueryClientProvider, { client: queries },
              h(EditStepContext, { value: DOCUMENT_STEP }, h(GlobalStyle), h(PANELS[panel]), h(Notices))));
        },
        piece: () => useEditor.getState().piece,
        steps: () => useEditor.getState().past.length,
        showFrame: (frame) => useEditor.setState({ frame }),
        undo,
      };`,
    resolveDir: resolve(import.meta.dirname, '..'),
    loader: 'tsx',
  },
  bundle: true,
  write: false,
  format: 'iife',
  jsx: 'automatic',
  tsconfig: resolve(import.meta.dirname, '../tsconfig.json'),
  define: { 'process.env.NODE_ENV': '"production"', 'import.meta.url': '"http://localhost/"' },
  logLevel: 'error',
}).outputFiles[0]!.text;

export type PanelName = 'ink' | 'place' | 'reveal' | 'time';

interface Mounted {
  mount(panel: PanelName, piece: Piece, layers: readonly string[]): void;
  piece(): Piece;
  steps(): number;
  showFrame(frame: number): void;
  undo(): void;
}
declare global {
  var obelus: Mounted;
}

/** Shows one panel alone, with some layers of a piece selected. */
export async function mountPanel(
  page: Page,
  panel: PanelName,
  piece: Piece,
  layers: readonly string[],
): Promise<void> {
  await page.setContent('<div id="root" style="width: 250px; padding: 12px"></div>');
  await page.addScriptTag({ content: script });
  await page.evaluate(([name, document, ids]) => globalThis.obelus.mount(name, document, ids), [
    panel,
    piece,
    layers,
  ] as const);
}

/** The document as the panel has made it. */
export const pieceIn = (page: Page): Promise<Piece> => page.evaluate(() => globalThis.obelus.piece());
export const stepsIn = (page: Page): Promise<number> => page.evaluate(() => globalThis.obelus.steps());
export const undoIn = (page: Page): Promise<void> => page.evaluate(() => globalThis.obelus.undo());
export const showFrameIn = (page: Page, frame: number): Promise<void> =>
  page.evaluate((to) => globalThis.obelus.showFrame(to), frame);

import { changed, textsOf, writesItself, type Piece } from '@/core/document';
import { bookName, type GlyphBooks } from '@/player/filled';
import type { Reel } from '@/player/element';
import { faceFor } from '../lettering';
import { makeGlyphBook } from './make-glyph-book';
import { playerScript } from './bundle';

/** Books of the faces that a page may fill texts in; faces that are not here any more have none. */
async function booksOf(piece: Piece): Promise<GlyphBooks> {
  const texts = piece.fields.flatMap((field) => (field.kind === 'text' ? textsOf(piece, field) : []));
  const books: Record<string, GlyphBooks[string]> = {};
  for (const text of texts.filter((one) => !writesItself(piece, one))) {
    const { setting } = text;
    const loaded = await faceFor(setting.face).catch(() => null);
    if (loaded) books[bookName(setting)] ??= makeGlyphBook(loaded, setting.features);
  }
  return books;
}

/** What of a piece a page is given: nothing that is only for working on it. */
export async function reelOf(piece: Piece, first: number, last: number, over: string | null): Promise<Reel> {
  const shown = { ...changed<Piece>(piece, { workRange: undefined }), underlays: [] };
  return { piece: shown, first, last, over, books: await booksOf(piece) };
}

/** JSON that may stand within a page: nothing in it ends a script. */
export const jsonInPage = (value: unknown): string => JSON.stringify(value).replace(/</g, '\\u003c');

const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => `&#${sign.codePointAt(0)};`);

interface Page {
  readonly reel: Reel;
  readonly plays: 'once' | 'again';
}

/** A page of its own that plays a piece: it needs no other file, and no server. */
export async function pageOf({ reel, plays }: Page): Promise<string> {
  const { text: script } = await playerScript();
  const { name, size } = reel.piece;
  return `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escaped(name)}</title>
<style>
html, body { height: 100%; margin: 0; }
body { display: grid; place-items: center; overflow: hidden; }
obelus-piece { width: min(100vw, calc(100vh * ${size.width} / ${size.height})); }
</style>
<obelus-piece autoplay controls${plays === 'again' ? ' loop' : ''}>
<script type="application/json">${jsonInPage(reel)}</script>
</obelus-piece>
<script type="module">${script.replace(/<\/script/gi, '<\\/script')}</script>
</html>
`;
}

/** A page that shows how the element is put on a page. */
export const examplePage = (
  reel: Reel,
  script: string,
  file: string,
  plays: 'once' | 'again',
): string => `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<title>${escaped(reel.piece.name)}</title>
<!-- Files that a page fetches need a server, however small; the page of its own needs none. -->
<script type="module" src="${script}"></script>
<obelus-piece src="${escaped(encodeURI(file))}" autoplay${plays === 'again' ? ' loop' : ''}></obelus-piece>
</html>
`;

import { cases, someOf } from '@/core/testing/cases';
import { anyPair, FEATURES, pieceWith } from '@/core/testing/feature-pieces';
import { evaluate } from '@/core/scene';
import { gzipSync } from 'node:zlib';
import { setText, type Shaper } from '@/core/lettering';
import type { SetText, TextSetting } from '@/core/document';
import { seeded } from '@/core/testing/families';
import { shaperOf } from '@/player/glyph-book';
import { faceFor } from '../lettering';
import { SHIPPED_FACES } from '../lettering/shipped-faces';
import { smallPiece } from '../testing';
import { bundleForPages } from './bundle';
import { jsonInPage, makeGlyphBook, pageOf, playerScript, reelOf } from '.';

test('the player is small, and takes nothing from elsewhere', async () => {
  const { text } = await playerScript();
  expect(gzipSync(text).length).toBeLessThan(72_500);
  expect(text).not.toMatch(/https?:\/\/(?!www\.w3\.org)/);
});

test('whatever a piece may have, the player evaluates it as the editor does', async () => {
  const script = await bundleForPages({
    stdin: { contents: "export { evaluate } from '@/core/scene';", resolveDir: process.cwd() },
    format: 'cjs',
  });
  const page = { exports: {} as { evaluate: typeof evaluate } };
  new Function('module', 'exports', script)(page, page.exports);
  const pieces = [
    ...FEATURES.map((feature) => pieceWith(feature)),
    ...[...cases(10, 500)].map((seed) => pieceWith(...anyPair(seed))),
  ];
  const differ: string[] = [];
  for (const piece of pieces)
    for (const frame of [0, 10, 24, 40]) {
      const list = (of: typeof evaluate): string => {
        try {
          return JSON.stringify(of(piece, frame));
        } catch (error) {
          return String(error);
        }
      };
      const [own, theirs] = [list(evaluate), list(page.exports.evaluate)];
      if (own !== theirs) differ.push(`${piece.name}, frame ${frame}: ${theirs.slice(0, 80)}`);
    }
  expect(differ).toEqual([]);
});

/** Words as names and titles have them, of Latin letters with and without accents. */
const WORDS = [
  'Alma Claman',
  'Tide keeper, Skerrow Mouth',
  'AVATAR To Wy. fi ffl office',
  'Håkon Öster-Ivø',
  '“Reed” – cutter’s 1874',
];
/** Beyond Latin-1 letters are there, without kerning of their own. */
const BEYOND = 'Žofie Łąka, Šárka Ğül';

/** Faces of every kind in which a letter depends on the one before alone; what others choose by context, a page does not know. */
const FACES = [
  'quicksand',
  'work-sans',
  'lora',
  'eb-garamond',
  'oswald',
  'barlow-condensed',
  'fredoka',
  'nunito',
];

/** Which outlines stand where; of glyphs that share a cluster it does not matter which letter each counts to. */
const placed = ({ glyphs, outlines }: SetText) =>
  glyphs.map(({ outline, x, y }) => [outlines[outline], x, y]);

test('a book of glyphs sets Latin words as HarfBuzz does, kerning and ligatures included', async () => {
  const told: string[] = [];
  for (const { id, weights } of someOf(
    SHIPPED_FACES.filter(({ id }) => FACES.includes(id)),
    4,
  )) {
    const weight = Number(Object.keys(weights)[0]);
    const face = await faceFor({ id, weight });
    const book = shaperOf(makeGlyphBook(face));
    for (const text of WORDS) {
      const setting: TextSetting = {
        text,
        face: { id, weight },
        size: 100,
        tracking: 0,
        leading: 1.2,
        align: 'left',
      };
      const [own, page] = [setText(setting, face), setText(setting, book)];
      // Letters that the face or the book lacks are named, not compared.
      if (own.missing.length > 0 || page.missing.length > 0) continue;
      const same = JSON.stringify(placed(own)) === JSON.stringify(placed(page));
      if (!same) told.push(`${id}: ${text}`);
    }
    const wide = (shaper: Shaper) =>
      shaper.shape(BEYOND, { ligatures: true }).reduce((sum, g) => sum + (g.glyph === 0 ? 0 : g.advance), 0);
    const lacks = [face, book].some((one) =>
      one.shape(BEYOND, { ligatures: true }).some((g) => g.glyph === 0),
    );
    if (!lacks) expect(Math.abs(wide(book) / wide(face) - 1)).toBeLessThan(0.03);
  }
  expect(told).toEqual([]);
});

test('tracking turns ligatures off in a book too', async () => {
  const face = await faceFor({ id: 'eb-garamond', weight: 400 });
  const book = shaperOf(makeGlyphBook(face));
  const count = (ligatures: boolean) => book.shape('office', { ligatures }).length;
  expect([count(true), count(false)]).toEqual([face.shape('office', { ligatures: true }).length, 6]);
});

test('what a page is given holds nothing that is only for working, and can’t end its script', async () => {
  const evil = '</script><script>alert(1)</script>';
  const piece = { ...smallPiece(evil), workRange: { from: 1, to: 5 } };
  const reel = await reelOf(piece, 0, 11, null);
  expect(reel.piece).not.toHaveProperty('workRange');
  expect(jsonInPage(reel)).not.toContain('<');
  expect(JSON.parse(jsonInPage(reel))).toEqual(JSON.parse(JSON.stringify(reel)));
  const page = await pageOf({ reel, plays: 'once' });
  expect(page.match(/<\/script>/g)).toHaveLength(2);
  expect(page).not.toContain('<script>alert');
  // Any name is a title and nothing else.
  const random = seeded(5);
  for (let i = 0; i < 50; i++) {
    const name = Array.from({ length: 12 }, () => '<>&"\'/scriptt -!'[Math.floor(random() * 16)]).join('');
    const html = await pageOf({ reel: { ...reel, piece: { ...piece, name } }, plays: 'again' });
    expect(html.match(/<script\b/g)).toHaveLength(2);
  }
});

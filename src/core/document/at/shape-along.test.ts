import fc from 'fast-check';
import { withKey } from '../../timing';
import { addLayers } from '../edits/layers';
import { newLettering, newPiece } from '../schema/new-piece';
import type { Lettering, SetText, TextShape } from '../schema/piece';
import { settleAxes, shapeAlong } from './shape-along';

/** A text of one letter, as wide and high as said. */
const shape = (width: number, height: number): TextShape => ({
  outlines: { '1': `M0 0L${width} 0L${width} ${-height}Z` },
  glyphs: [
    { outline: '1', x: 0, y: 0, cluster: 0 },
    { outline: '1', x: width + 10, y: 0, cluster: 1 },
  ],
  scale: 0.5,
  missing: ['☃'],
});
const AXES = [
  { tag: 'wght', places: [100, 400, 900] },
  { tag: 'wdth', places: [75, 100] },
] as const;
/** Even along each axis between places, bent at 400. */
const at = (weight: number, width: number): TextShape =>
  shape(weight < 400 ? weight : 400 + 2 * (weight - 400), width * 10);
const ALONG: NonNullable<SetText['along']> = {
  axes: AXES,
  shapes: AXES[0].places.flatMap((weight) => AXES[1].places.map((width) => at(weight, width))),
};
const near = (n: number) => Math.round(n * 100) / 100;

test('at any place of its axes a text is what lies evenly between those round it; beyond the ends it is as at the ends', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 1000, noNaN: true }),
      fc.double({ min: 50, max: 120, noNaN: true }),
      (weight, width) => {
        const found = shapeAlong(ALONG, [weight, width]);
        const held = at(Math.min(900, Math.max(100, weight)), Math.min(100, Math.max(75, width)));
        const numbers = (text: TextShape) =>
          [...text.outlines['1']!.matchAll(/-?[\d.]+/g)].map(([n]) => near(Number(n)));
        numbers(found).forEach((n, i) => {
          if (Math.abs(n - numbers(held)[i]!) > 0.011) throw new Error(`${n} for ${numbers(held)[i]}`);
        });
        return Math.abs(found.glyphs[1]!.x - held.glyphs[1]!.x) < 0.01 && found.missing[0] === '☃';
      },
    ),
  );
});

test('letters drawn otherwise at the next place are those of the nearer one', () => {
  const other: TextShape = { ...shape(20, 20), outlines: { '1': 'M0 0Q5 5 10 0Z' } };
  const along = { axes: [{ tag: 'wght', places: [0, 10] }], shapes: [shape(10, 10), other] };
  expect(shapeAlong(along, [4]).outlines).toEqual(shape(10, 10).outlines);
  expect(shapeAlong(along, [6]).outlines).toEqual(other.outlines);
  expect(shapeAlong(along, [6]).glyphs[1]!.x).toBeCloseTo(26);
});

test('a text none of whose axes has keys stands still where they stood; one that has keeps them all', () => {
  const setting = {
    text: 'ab',
    face: { id: 'instrument-sans', weight: 300, along: ['wght', 'wdth'] },
    ...{ size: 100, tracking: 0, leading: 1.2, align: 'left' as const },
  };
  const made: Lettering = {
    ...newLettering('a', 'A', setting, { ...at(300, 100), along: ALONG }, { x: 0, y: 0 }),
    axes: { wght: 650, wdth: 80 },
  };
  const piece = addLayers(newPiece('Along'), [made]);
  const [still] = settleAxes(piece).layers as [Lettering];
  expect(still.setting.face).toEqual({ id: 'instrument-sans', weight: 650, axes: { wdth: 80 } });
  expect(still.set).toEqual(shapeAlong(ALONG, [650, 80]));
  expect(still).not.toHaveProperty('axes');
  const keyed = { ...made, axes: { wght: withKey(650, 10, 650), wdth: 80 } };
  const kept = addLayers(newPiece('Along'), [keyed]);
  expect(settleAxes(kept)).toBe(kept);
});

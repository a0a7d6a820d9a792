import { corner, type Path } from '../../geometry';
import { valueAt, type Easing } from '../../timing';
import { readPiece } from '../read/read-piece';
import { newLettering, newPiece, newStroke } from '../schema/new-piece';
import { lettersOf, strokeById, strokesOf, type Lettering, type Piece } from '../schema/piece';
import { settlePiece } from '../settle/settle-piece';
import { setCount } from './arrive';
import { cueStrokes, leadersIn } from './cues';
import { fieldValue, fillNumber, offeredFields } from './fields';
import { groupLayers } from './groups';
import { guarded } from './guarded';
import { setKey, shiftStrokes } from './keys';
import { addLayers, removeLayers } from './layers';
import { tieCounts } from './ties';

const path: Path = { closed: false, points: [corner(0, 0), corner(300, 0)] };
const text = (words: string): Lettering =>
  newLettering(
    'n',
    'Number',
    {
      ...{
        text: words,
        face: { id: 'none', weight: 400 },
        size: 60,
        tracking: 0,
        leading: 1.2,
        align: 'left',
      },
    },
    { outlines: {}, glyphs: [], scale: 1, missing: [] },
  );
const EASINGS: readonly Easing[] = [
  { type: 'linear' },
  { type: 'bezier', x1: 0.2, y1: 0.9, x2: 0.3, y2: 1 },
  { type: 'steps', count: 5, jump: 'end' },
  { type: 'hold' },
];
const numberAt = (piece: Piece, frame: number): number => valueAt(lettersOf(piece)[0]!.count!.value, frame);
const headAt = (piece: Piece, frame: number): number => valueAt(strokesOf(piece)[0]!.window.head, frame);

/** A ring whose head goes to a share, and a number that counts to something by keys of its own. */
function ring(easing: Easing, share: number, to: number): Piece {
  let piece = addLayers({ ...newPiece('Ring'), length: 100 }, [newStroke('s', 'Ring', path), text('# m')]);
  piece = setKey(setKey(piece, 's', 'head', 10, 0, easing), 's', 'head', 50, share, easing);
  piece = setCount(piece, ['n'], { value: 0, places: 0 });
  return setKey(setKey(piece, 'n', 'count.value', 0, 0), 'n', 'count.value', 80, to);
}

test('a number tied to a ring is, at every frame, as far as the head is, whatever the easing and however it is retimed', () => {
  for (const easing of EASINGS)
    for (const [share, to] of [
      [1, 100],
      [0.82, 4.1],
      [0.5, -30],
    ] as const) {
      let piece = settlePiece(null, tieCounts(ring(easing, share, to), ['n'], 's'));
      expect(readPiece(JSON.parse(JSON.stringify(piece)) as unknown)).toEqual({ ok: true, piece });
      const { all } = lettersOf(piece)[0]!.count!.follows!;
      // A number that counted to something goes on counting to it; one that did not counts to a hundred.
      expect(all).toBeCloseTo(to > 0 ? to / share : 100, 4);
      piece = settlePiece(piece, shiftStrokes(piece, ['s'], 17));
      const off = Array.from({ length: 100 }, (_, frame) =>
        Math.abs(numberAt(piece, frame) - all * headAt(piece, frame)),
      );
      expect(Math.max(...off)).toBeLessThan(1e-5 * Math.max(1, Math.abs(all)));
    }
});

test('what is tied is told when it is changed by itself, filled by way of its ring, and stays when the ring goes', () => {
  const tied = settlePiece(null, tieCounts(ring(EASINGS[0]!, 0.8, 80), ['n'], 's'));
  const { piece, held } = guarded(tied, (p) => setKey(p, 'n', 'count.value', 50, 12));
  expect(piece.layers).toEqual(tied.layers);
  expect(held.map(({ words }) => words)).toEqual([
    'The number of “Number” goes with the head of “Ring”: it was left as it is.',
  ]);
  const free = held[0]!.wayOut.edit(tied);
  expect(lettersOf(free)[0]!.count).toEqual({ value: lettersOf(tied)[0]!.count!.value, places: 0 });

  // Filled with the field of the number alone; over the full path the ring is full and the number goes on.
  const field = offeredFields(tied, ['n']).find(({ kind }) => kind === 'number')!;
  for (const [to, head] of [
    [40, 0.4],
    [100, 1],
    [250, 1],
  ] as const) {
    const filled = settlePiece(tied, fillNumber(tied, field, to));
    expect(fieldValue(filled, field)).toBeCloseTo(to, 4);
    expect(headAt(filled, 99)).toBeCloseTo(head, 9);
  }
  const alone = settlePiece(tied, removeLayers(tied, ['s']));
  expect(lettersOf(alone)[0]!.count!.value).toEqual(lettersOf(tied)[0]!.count!.value);
});

test('from a whole word the stroke leads that an accent begins nearest to, at the place where it does', () => {
  const at = (id: string, x: number) =>
    newStroke(id, id, { closed: false, points: [corner(x, 0), corner(x, 100)] });
  let piece = addLayers(newPiece('Word'), [at('a', 0), at('b', 190), at('c', 400)]);
  const accent = { closed: false, points: [corner(215, 60), corner(260, 20)] };
  piece = addLayers(piece, [newStroke('dot', 'Dot', accent), newStroke('far', 'Far', path)]);
  piece = groupLayers(piece, ['a', 'b', 'c'], { id: 'w', name: 'Word' });
  expect(leadersIn(piece, ['dot', 'far'], 'w')).toEqual([
    { id: 'dot', to: 'b' },
    { id: 'far', to: 'a' },
  ]);
  // One of the word itself waits for another of it, never for itself.
  expect(leadersIn(piece, ['b'], 'w')).toEqual([{ id: 'b', to: 'a' }]);
  const [pair] = leadersIn(piece, ['dot'], 'w');
  const cued = strokeById(cueStrokes(piece, ['dot'], pair!.to), 'dot')!;
  expect(cued.cue).toMatchObject({ to: 'b', at: 0.6 });
});

import { corner } from '../../geometry';
import { cases } from '../../testing/cases';
import { seeded } from '../../testing/families';
import { cueStrokes } from '../edits/cues';
import { groupLayers, setLine } from '../edits/groups';
import { addLayers } from '../edits/layers';
import { applyManner } from '../edits/manner';
import { moveLayers } from '../edits/placing';
import { newPiece, newStroke } from '../schema/new-piece';
import { strokeById, type Piece, type Stroke } from '../schema/piece';
import { TIED_PROPERTIES } from '../schema/ties';
import { settlePiece } from './settle-piece';

const line = (id: string, x: number, y: number, more: Partial<Stroke> = {}): Stroke => ({
  ...newStroke(id, id, { closed: false, points: [corner(x, y), corner(x + 60, y + 20)] }),
  ...more,
});
const boxRound = (to: string): Stroke['fitted'] =>
  ({ to, as: 'box', padX: 10, padY: 5, from: 'left', radius: 0 }) as never;
const pathOf = (to: string, offset = 0) => [{ property: 'path' as const, to, factor: 1, offset }];
const settle = (before: Piece | null, piece: Piece): Piece => settlePiece(before, piece);
const xs = (piece: Piece, id: string) => strokeById(piece, id)!.path.points.map(({ x }) => x);

test('a box round a stroke whose path follows another goes along with that one at once', () => {
  const made = settle(
    null,
    addLayers(newPiece('P'), [
      line('u', 0, 0, { fitted: boxRound('s')! }),
      line('s', 0, 0, { ties: pathOf('r') }),
      line('r', 100, 100),
    ]),
  );
  const moved = settle(made, moveLayers(made, ['r'], { x: 300, y: 0 }));
  expect(xs(moved, 's')).toEqual(xs(moved, 'r'));
  expect(xs(moved, 'u')).toEqual(xs(made, 'u').map((x) => expect.closeTo(x + 300)));
  expect(settle(moved, moved)).toBe(moved);
});

test('what keeps to its own box by way of others stays as it was, and the rest follows', () => {
  const piece = addLayers(newPiece('P'), [
    line('a', 0, 0, { ties: pathOf('b', 30) }),
    line('b', 0, 50, { fitted: boxRound('a')! }),
    line('c', 0, 0, { ties: pathOf('d') }),
    line('d', 200, 200),
  ]);
  const settled = settle(null, piece);
  expect([xs(settled, 'a'), xs(settled, 'b')]).toEqual([xs(piece, 'a'), xs(piece, 'b')]);
  expect(xs(settled, 'c')).toEqual(xs(piece, 'd'));
  expect(settle(settled, settled)).toBe(settled);
});

/** Strokes that follow one another in every way at once. */
function tangled(seed: number): Piece {
  const random = seeded(seed);
  const count = 3 + Math.floor(random() * 6);
  const other = (i: number) => `s${(i + 1 + Math.floor(random() * (count - 1))) % count}`;
  const later = (i: number) => (i + 1 < count ? `s${i + 1 + Math.floor(random() * (count - i - 1))}` : null);
  const strokes = Array.from({ length: count }, (_, i) => {
    const to = later(i);
    const property = TIED_PROPERTIES[Math.floor(random() * 4)]!;
    return line(`s${i}`, random() * 500, random() * 300, {
      ...(to && random() < 0.5 && { ties: [{ property, to, factor: random() * 2, offset: random() * 20 }] }),
      ...(random() < 0.4 && { fitted: boxRound(other(i))! }),
      ...(random() < 0.2 && { between: { from: other(i), to: other(i), arch: random() * 40, gap: 5 } }),
    });
  });
  let piece = addLayers(newPiece('P'), strokes);
  const ids = strokes.map(({ id }) => id);
  piece = applyManner(piece, ids, {
    kind: 'on',
    from: 'start',
    onAt: 0,
    onFrames: 10 + Math.floor(random() * 20),
  } as never);
  if (random() < 0.4) {
    piece = groupLayers(piece, ids.slice(0, 2), { id: 'g', name: 'G' });
    if (random() < 0.6) piece = setLine(piece, 'g', 'after');
  }
  for (const [i, id] of ids.entries()) {
    const to = later(i);
    if (to && random() < 0.5)
      piece = cueStrokes(piece, [id], to, { at: random(), offset: Math.floor(random() * 9) });
  }
  return piece;
}

test('settled once more, whatever follows whatever, a piece is the same object', () => {
  for (const seed of cases(120, 5000)) {
    const raw = tangled(seed);
    const first = settle(null, raw);
    expect([seed, settle(first, first) === first]).toEqual([seed, true]);
    const moved = settle(first, moveLayers(first, [`s${seed % 3}`], { x: 40 + seed, y: 7 }));
    expect([seed, settle(moved, moved) === moved]).toEqual([seed, true]);
    // As the same document read anew, where nothing is the same object.
    const read = JSON.parse(JSON.stringify(moved)) as Piece;
    expect(settle(read, read)).toEqual(moved);
  }
});

import { settingOf } from '../../testing/unset-text';
import { windowAt } from '../at/window-at';
import { groupsAround, membersOf } from '../parts/grouped';
import { readPiece } from '../read/read-piece';
import { newLettering, newPiece } from '../schema/new-piece';
import { partWithId, strokesOf, type Piece } from '../schema/piece';
import { settlePiece } from '../settle/settle-piece';
import { standingBox } from './arrange';
import { drawRound, knockOut } from './draw-round';
import { addLayers } from './layers';

const SET = {
  outlines: { '1': 'M0 0L200 0L200 -80L0 -80Z' },
  glyphs: [{ outline: '1', x: 0, y: 0, cluster: 0 }],
  ...{ scale: 1, missing: [] },
};
const piece = addLayers(newPiece('Round', undefined, undefined, 100), [
  newLettering('t', 'Ebb', settingOf('Ebb'), SET, { x: 400, y: 500, colour: '#43b3a0' }),
]);
const drawing = { way: 'down', from: 'start', frame: 8 } as const;
const settled = (p: Piece) => settlePiece(null, p);
const sound = (p: Piece) => readPiece(JSON.parse(JSON.stringify(p)));

test('a rule lies under the text, as long as it and in its colour, and writes itself on from the frame it came at', () => {
  const ruled = settled(drawRound(piece, 't', 'under', ['u'], drawing));
  expect(sound(ruled).ok).toBe(true);
  const [rule] = strokesOf(ruled);
  const [text, box] = [standingBox(ruled, 't', 0)!, standingBox(ruled, 'u', 0)!];
  expect(rule!.ink.colour).toBe('#43b3a0');
  expect(box.top).toBeGreaterThan(text.bottom);
  expect(rule!.path.points.map(({ x }) => x)).toEqual([text.left, text.right]);
  expect([8, 20].map((frame) => windowAt(rule!, frame).head)).toEqual([0, 1]);
  expect(windowAt(rule!, 14).head).toBeGreaterThan(0);
});

test('slices of a box fill it behind the text without a gap, one after another', () => {
  const ids = ['s0', 's1', 's2', 's3'];
  for (const way of ['down', 'up', 'left', 'right'] as const) {
    const boxed = settled(drawRound(piece, 't', 'slice', ids, { ...drawing, way }));
    expect(sound(boxed).ok).toBe(true);
    expect(boxed.layers.map(({ id }) => id)).toEqual([...ids, 't']);
    const [text, ...slices] = ['t', ...ids].map((id) => standingBox(boxed, id, 99)!);
    const across = way === 'left' || way === 'right';
    const [start, end] = across ? (['left', 'right'] as const) : (['top', 'bottom'] as const);
    const inOrder = [...slices].sort((a, b) => a[start] - b[start]);
    expect(inOrder[0]![start]).toBeLessThan(text![start]);
    expect(inOrder.at(-1)![end]).toBeGreaterThan(text![end]);
    inOrder.slice(1).forEach((slice, i) => expect(slice[start]).toBeLessThanOrEqual(inOrder[i]![end] + 1e-6));
    // Where one is drawn fully the next, two frames behind, is not yet.
    const heads = strokesOf(boxed).map((stroke) => windowAt(stroke, 20).head);
    expect(heads[0]).toBe(1);
    heads.slice(1).forEach((head, i) => expect(head).toBeLessThan(heads[i]!));
  }
});

test('knocked out, text and box are one group in which the text is cut out of the box', () => {
  const boxed = drawRound(piece, 't', 'slice', ['s0', 's1'], drawing);
  const cut = settled(knockOut(boxed, 't', ['s0', 's1'], 'g'));
  expect(sound(cut).ok).toBe(true);
  expect(membersOf(cut, 'g').map(({ id }) => id)).toEqual(['s0', 's1', 't']);
  expect(partWithId(cut, 't')!.blend).toBe('xor');
  expect(groupsAround(cut, partWithId(cut, 't') as never)[0]!.name).toBe('Ebb, boxed');
});

test('there is nothing to draw round what is not there', () => {
  expect(drawRound(piece, 'gone', 'box', ['b'], drawing)).toBe(piece);
});

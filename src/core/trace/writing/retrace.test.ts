import { retrace, type RetraceOptions, type TracedStroke } from '..';
import {
  addLayers,
  applyManner,
  isCorrected,
  keyedSpan,
  movePoints,
  newPiece,
  newStroke,
  strokesOf,
  updateStrokes,
} from '../../document';
import { lineShape, type Path } from '../../geometry';
import { landingEasing } from '../../timing';

const traced = (path: Path): TracedStroke => ({
  path,
  width: 10,
  widths: null,
  cap: 'round',
  endCap: 'round',
  kind: 'line',
  piece: 1,
  freeStart: true,
  freeEnd: true,
});
const lines = [0, 100, 200, 300].map((x) => traced(lineShape({ x, y: 0 }, { x: x + 10, y: 200 })));
let count = 0;
const options: RetraceOptions = {
  source: 'word',
  colour: '#ede6d8',
  keepWidths: true,
  name: (i) => `Letter ${i + 1}`,
  newId: () => `new-${++count}`,
};

test('tracing again keeps ids, names, timing and hand corrections of strokes that still match', () => {
  const before = addLayers(newPiece('Trace'), [
    newStroke('own', 'Own', lineShape({ x: 5, y: 5 }, { x: 9, y: 9 })),
  ]);
  const first = retrace(before, lines, options);
  expect(first).toMatchObject({ added: 4, kept: 0, corrected: 0, removed: 0 });
  const [a, b] = first.ids as [string, string];
  let piece = applyManner(first.piece, [a], {
    kind: 'on',
    from: 'start',
    onAt: 40,
    onFrames: 9,
    offAt: 0,
    easing: landingEasing(0.5),
  });
  // The second stroke is corrected by hand; the last will not be found again, nor the third, which was corrected too.
  piece = updateStrokes(piece, [b], (s) => ({
    ...s,
    name: 'Mine',
    path: movePoints(s.path, { x: 3, y: 0 }, [1]),
  }));
  piece = updateStrokes(piece, [first.ids[2]!], (s) => ({
    ...s,
    path: movePoints(s.path, { x: 2, y: 2 }, [0]),
  }));
  expect(
    strokesOf(piece)
      .filter(isCorrected)
      .map((s) => s.id),
  ).toEqual([b, first.ids[2]]);

  const moved = [lines[1]!, lines[0]!, traced(lineShape({ x: 700, y: 0 }, { x: 705, y: 190 }))].map((s) =>
    traced(movePoints(s.path, { x: 1, y: 1 })),
  );
  const again = retrace(piece, moved, options);
  expect(again).toMatchObject({ added: 1, kept: 2, corrected: 2, removed: 1 });
  const strokes = strokesOf(again.piece);
  const byId = (id: string) => strokes.find((s) => s.id === id)!;
  // Not corrected: the new path, the old timing. Corrected: the hand's path and name.
  expect(byId(a).path).toBe(moved[1]!.path);
  expect(keyedSpan(byId(a))).toEqual({ first: 40, last: 49 });
  expect(byId(b)).toMatchObject({ name: 'Mine', path: { points: [{}, { x: 113 }] } });
  expect(byId(first.ids[2]!)).toBeDefined();
  expect(strokes.some((s) => s.id === first.ids[3])).toBe(false);
  expect(byId('own')).toBe(strokesOf(piece)[0]);
  // In the order of the new trace.
  expect(again.ids.slice(0, 2)).toEqual([b, a]);
});

test('a stroke written the other way still matches', () => {
  const first = retrace(newPiece('T'), [lines[0]!], options);
  const turned = traced(lineShape({ x: 10, y: 200 }, { x: 0, y: 0 }));
  expect(retrace(first.piece, [turned], options)).toMatchObject({ kept: 1, added: 0, removed: 0 });
});

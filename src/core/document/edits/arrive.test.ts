import { lineShape } from '../../geometry';
import { unsetText } from '../../testing/unset-text';
import { keysOf, valueAt } from '../../timing';
import { readPiece } from '../read/read-piece';
import { newPiece, newStroke } from '../schema/new-piece';
import { lettersOf, type Piece } from '../schema/piece';
import { changeArrival, comeAt, setArrival } from './arrive';
import { addLayers } from './layers';

const piece = addLayers(newPiece('Arrivals', undefined, undefined, 120), [
  unsetText('a', 'Ebb'),
  unsetText('b', 'Ebb'),
  newStroke('line', 'Line', lineShape({ x: 0, y: 0 }, { x: 200, y: 0 })),
]);
const arrival = (p: Piece, id = 'a') => lettersOf(p).find((one) => one.id === id)!.arrival;
const shown = (p: Piece, frame: number) => valueAt(arrival(p)!.shown, frame);

test('text comes at the frame it is told, is there in between, and is gone before the piece ends', () => {
  for (const frame of [0, 10, 60, 110]) {
    const coming = comeAt(piece, ['a'], frame, { from: 'below' });
    expect(readPiece(JSON.parse(JSON.stringify(coming))).ok).toBe(true);
    const frames = keysOf(arrival(coming)!.shown).map((key) => key.frame);
    expect(frames[0]).toBe(frame);
    expect(frames).toEqual([...frames].sort((x, y) => x - y));
    expect([shown(coming, frames[0]!), shown(coming, frames[1]!), shown(coming, frames[3]!)]).toEqual([
      0, 1, 0,
    ]);
    // It can be read for as long as it took to come, at least.
    expect(frames[2]! - frames[1]!).toBeGreaterThanOrEqual(frames[1]! - frames[0]!);
    if (frame <= 60) expect(frames[3]!).toBeLessThan(120);
  }
});

test('parts of how it comes change alone; what is taken away is as if it had never been said', () => {
  const coming = comeAt(piece, ['a', 'b'], 10, { from: 'below', by: 'letter' });
  const lined = changeArrival(coming, ['a'], { line: 'line', within: 12 });
  expect(arrival(lined)).toEqual({ ...arrival(coming), line: 'line', within: 12 });
  expect(arrival(lined, 'b')).toBe(arrival(coming, 'b'));
  expect(arrival(changeArrival(lined, ['a'], { line: undefined, within: undefined }))).toEqual(
    arrival(coming),
  );
  // What did not come at all yet comes as a new arrival does, changed in that part.
  expect(arrival(changeArrival(piece, ['a'], { fade: true }))).toMatchObject({ fade: true });
  expect(arrival(setArrival(lined, ['a'], () => null))).toBeUndefined();
});

test('only lettering comes and goes', () => {
  const coming = comeAt(piece, ['line', 'a'], 0);
  expect(coming.layers[2]).toBe(piece.layers[2]);
});

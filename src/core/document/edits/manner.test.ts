import fc from 'fast-check';
import { corner, ellipseShape, measurePath, type Path } from '../../geometry';
import { inkedLengths, runsOf } from '../../ink';
import { keysOf, LINEAR, valueAt } from '../../timing';
import { arrivalFrame } from '../at/arrival-frame';
import { windowAt } from '../at/window-at';
import { updateStrokes } from '../parts/update';
import { readPiece } from '../read/read-piece';
import { mannerOf, type MannerParts } from '../schema/manner';
import { newPiece, newStroke } from '../schema/new-piece';
import { OWN_MANNERS } from '../schema/own-manners';
import { strokeById, type Piece, type Stroke } from '../schema/piece';
import { settlePiece } from '../settle/settle-piece';
import { groupLayers, setLine } from './groups';
import { changeKey, moveKeys, retimeKeys, setKey } from './keys';
import { addLayers } from './layers';
import { applyManner, changeManner, mannerNow, reapplyManner, setByHand } from './manner';

const line: Path = { closed: false, points: [corner(0, 0), corner(400, 0)] };
const ring = ellipseShape({ x: 0, y: 0 }, { x: 300, y: 200 });
const piece = addLayers(newPiece('Manners', undefined, undefined, 200), [
  newStroke('a', 'A', line),
  newStroke('ring', 'Ring', ring),
]);
const of = (p: Piece, id = 'a'): Stroke => strokeById(p, id)!;
const given = (parts: MannerParts, id = 'a') => of(applyManner(piece, [id], { onAt: 10, ...parts }), id);

/** Px that are inked at a frame, and between which places. */
function inked(stroke: Stroke, frame: number) {
  const { length } = measurePath(stroke.path);
  return runsOf(windowAt(stroke, frame), stroke.path.closed).flatMap(
    (run) => inkedLengths(run, length, stroke.path.closed) ?? [],
  );
}
const amount = (stroke: Stroke, frame: number) =>
  inked(stroke, frame).reduce((sum, s) => sum + s.to - s.from, 0);

test('whatever the manner, ink grows from nothing to all of it and leaves again, in a readable document', () => {
  for (const id of ['a', 'ring'] as const) {
    const whole = measurePath(of(piece, id).path).length;
    for (const from of ['start', 'middle', 'end', 'ends', 'point'] as const) {
      for (const leaves of ['onward', 'back'] as const) {
        const parts = {
          kind: 'both',
          from,
          leaves,
          origin: 0.3,
          onFrames: 20,
          offFrames: 10,
          hold: 30,
        } as const;
        const stroke = given({ ...parts, easing: LINEAR, offEasing: LINEAR }, id);
        expect(readPiece({ ...piece, layers: [stroke] })).toMatchObject({ ok: true });
        const seen = Array.from({ length: 100 }, (_, f) => amount(stroke, f));
        expect(seen[10]).toBeCloseTo(0, 6);
        expect(seen[30]).toBeCloseTo(whole, 6);
        expect(seen[59]).toBeCloseTo(whole, 6);
        expect(seen[70]).toBeCloseTo(0, 6);
        for (let f = 11; f <= 30; f++) expect(seen[f]! >= seen[f - 1]! - 1e-9).toBe(true);
        for (let f = 61; f <= 70; f++) expect(seen[f]! <= seen[f - 1]! + 1e-9).toBe(true);
      }
    }
  }
});

test('ink grows where the manner says', () => {
  const half = (from: MannerParts['from'], id = 'a', origin = 0.25) =>
    inked(given({ kind: 'on', from, origin, onFrames: 20, easing: LINEAR }, id), 20);
  expect(half('ends')).toEqual([
    { from: 0, to: 100 },
    { from: 300, to: 400 },
  ]);
  expect(half('middle')).toEqual([{ from: 100, to: 300 }]);
  expect(half('point')).toEqual([{ from: 50, to: 250 }]);
  // On a ring it goes both ways round from the place, and the two meet on the far side.
  const { length } = measurePath(ring);
  const [round] = half('point', 'ring', 0.25);
  expect((round!.from + round!.to) / 2).toBeCloseTo(
    length * 0.25 + (round!.from > length * 0.5 ? length : 0),
    4,
  );
  expect(half('ends', 'ring')).toHaveLength(1);
});

test('a travelling window keeps its length in px, share or frames, grows in at the start and shrinks out at the end', () => {
  for (const [unit, value] of [
    ['px', 80],
    ['share', 0.2],
  ] as const) {
    const stroke = given({ kind: 'pass', onFrames: 40, length: { value, unit }, easing: LINEAR });
    for (let f = 10; f <= 50; f += 0.5) {
      const gone = ((f - 10) / 40) * 480;
      expect(amount(stroke, f)).toBeCloseTo(Math.min(gone, 80, 480 - gone), 6);
    }
  }
  const late = given({ kind: 'pass', onFrames: 40, length: { value: 6, unit: 'frames' }, easing: LINEAR });
  expect(inked(late, 30)).toEqual([{ from: 140, to: 200 }]);
  expect(amount(late, 55.9)).toBeGreaterThan(0);
  expect(amount(late, 56)).toBe(0);
  // Its length follows the path, not a number reckoned once.
  const px = given({ kind: 'pass', length: { value: 80, unit: 'px' }, onFrames: 40, easing: LINEAR });
  const longer = { ...px, path: { closed: false, points: [corner(0, 0), corner(900, 0)] } };
  expect(amount(longer, 30)).toBeCloseTo(80, 6);
});

test('others can be cued to where a travelling window is', () => {
  const stroke = given({ kind: 'pass', onFrames: 40, length: { value: 80, unit: 'px' }, easing: LINEAR });
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 1, noNaN: true }),
      fc.constantFrom('head' as const, 'tail' as const),
      (at, part) => {
        const frame = arrivalFrame(stroke, part, at)!;
        expect(windowAt(stroke, frame)[part]).toBeCloseTo(at, 5);
      },
    ),
  );
  expect(arrivalFrame(given({ kind: 'on' }), 'tail', 0.5)).toBeNull();
});

test('a manner given anew changes only what it says otherwise, and keeps what was set by hand', () => {
  const first: MannerParts = { kind: 'both', onFrames: 20, offFrames: 10 };
  let p = applyManner(piece, ['a'], { ...first, onAt: 10 }, 'Mine');
  // By hand: a rest in the middle, a later arrival, another easing where it leaves.
  p = setKey(p, 'a', 'head', 22, 0.4);
  p = moveKeys(p, [{ stroke: 'a', part: 'head', index: 2 }], 6);
  p = changeKey(p, [{ stroke: 'a', part: 'tail', index: 0 }], { easing: LINEAR });
  expect(setByHand(of(p), false)).toBe(true);
  const spring = { type: 'spring', mass: 1, stiffness: 120, damping: 14 } as const;
  const again = of(reapplyManner(p, ['a'], { ...first, easing: spring, offFrames: 14 }, 'Mine'));
  const head = keysOf(again.window.head);
  expect(head.map((key) => [key.frame, key.value])).toEqual([
    [10, 0],
    [22, 0.4],
    [36, 1],
  ]);
  expect(head[0]!.easing).toEqual(spring);
  const tail = keysOf(again.window.tail);
  expect(tail[1]!.frame - tail[0]!.frame).toBe(14);
  expect(tail[0]!.easing).toEqual(LINEAR);
  expect(again.manner).toEqual({ name: 'Mine', way: mannerOf({ ...first, easing: spring, offFrames: 14 }) });
  // Asked to start over, it does.
  const over = of(applyManner(p, ['a'], { ...first }));
  expect(keysOf(over.window.head)).toHaveLength(2);
  expect(keysOf(over.window.head)[0]!.frame).toBe(10);
});

test('giving the same manner twice changes nothing, whichever it is and wherever the stroke was moved', () => {
  for (const { manner, name } of OWN_MANNERS) {
    const once = applyManner(piece, ['a', 'ring'], { ...manner, onAt: 17 }, name);
    const twice = reapplyManner(once, ['a', 'ring'], manner, name);
    expect(twice).toEqual(once);
    expect(setByHand(of(once), false)).toBe(false);
    // A manner that comes another way takes its place at the same start.
    const other = of(reapplyManner(once, ['a'], { kind: 'on', from: 'end' }));
    expect(valueAt(other.window.tail, 17)).toBe(1);
  }
  const bare = updateStrokes(piece, ['a'], (stroke) => stroke);
  expect(of(reapplyManner(bare, ['a'], { kind: 'on' })).manner?.name).toBe('own manner');
});

test('numbers of a manner are what they are now: after a retime, and typed back to what they were', () => {
  const first = applyManner(
    piece,
    ['a', 'ring'],
    { kind: 'both', onFrames: 20, offFrames: 10, hold: 30, onAt: 10 },
    'Mine',
  );
  const keys = (['head', 'tail'] as const).flatMap((part) =>
    keysOf(of(first).window[part]).map((_, index) => ({ stroke: 'a', part, index })),
  );
  const slower = retimeKeys(first, keys, (frame) => 10 + (frame - 10) * 2);
  expect(mannerNow(of(slower), false)).toMatchObject({ onFrames: 40, offFrames: 20, hold: 60 });
  // Another easing leaves the times that each of them has.
  const eased = changeManner(slower, ['a', 'ring'], { easing: LINEAR }, 'Mine');
  expect(mannerNow(of(eased), false)).toMatchObject({ onFrames: 40, offFrames: 20, hold: 60 });
  expect(mannerNow(of(eased, 'ring'), true)).toMatchObject({ onFrames: 20, offFrames: 10, hold: 30 });
  expect(of(eased).manner).toEqual(of(eased, 'ring').manner);
  // The number that the manner says already is taken all the same.
  const back = changeManner(eased, ['a', 'ring'], { onFrames: 20 }, 'Mine');
  expect(mannerNow(of(back), false)).toMatchObject({ onFrames: 20, offFrames: 20 });
});

test('strokes timed as one keep what was set by hand in their line when its manner is given anew', () => {
  const group = groupLayers(piece, ['a', 'ring'], { id: 'g', name: 'G' });
  for (const how of ['together', 'after'] as const) {
    const lined = reapplyManner(setLine(group, 'g', how), ['g'], { kind: 'on', onFrames: 30 }, 'Mine');
    const line = (p: Piece) => p.groups[0]!.line!;
    const byHand = settlePiece(
      lined,
      setKey(moveKeys(lined, [{ stroke: 'g', part: 'head', index: 1 }], 8), 'g', 'head', 12, 0.3),
    );
    expect(setByHand(line(byHand), false)).toBe(true);
    const spring = { type: 'spring', mass: 1, stiffness: 120, damping: 14 } as const;
    const again = settlePiece(
      byHand,
      reapplyManner(byHand, ['g'], { kind: 'on', onFrames: 30, easing: spring }, 'Mine'),
    );
    const head = keysOf(line(again).window.head);
    expect(head.map((key) => key.frame)).toEqual(keysOf(line(byHand).window.head).map((key) => key.frame));
    expect(head[1]!.value).toBe(0.3);
    expect(head[0]!.easing).toEqual(spring);
    expect(readPiece(again).ok).toBe(true);
  }
});

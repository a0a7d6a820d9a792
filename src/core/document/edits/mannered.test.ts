import { corner, ellipseShape, type Path } from '../../geometry';
import { readPiece } from '../read/read-piece';
import { mannerOf } from '../schema/manner';
import { newPiece, newStroke } from '../schema/new-piece';
import { strokesOf, type Piece } from '../schema/piece';
import { settlePiece } from '../settle/settle-piece';
import { groupLayers, setLine } from './groups';
import { changeKey, moveKeys, retimeKeys } from './keys';
import { addLayers } from './layers';
import { applyManner } from './manner';
import { commonManner, commonTimes, countSetByHand, mannerBearers, writeAnew } from './mannered';

const line: Path = { closed: false, points: [corner(0, 0), corner(400, 0)] };
const piece = addLayers(newPiece('Mannered', undefined, undefined, 200), [
  newStroke('a', 'A', line),
  newStroke('b', 'B', line),
  newStroke('ring', 'Ring', ellipseShape({ x: 0, y: 0 }, { x: 300, y: 200 })),
]);
const ALL = ['a', 'b', 'ring'];
const MANNER = mannerOf({ kind: 'both', from: 'start', onFrames: 20, offFrames: 10, hold: 30 });
const written = applyManner(piece, ALL, { ...MANNER, onAt: 10 }, 'Both ways');
const bearers = (p: Piece, ids = ALL) =>
  mannerBearers(
    p,
    strokesOf(p).filter(({ id }) => ids.includes(id)),
  );

test('what all bear alike is said, with the lengths of time that they have now; where they differ nothing is', () => {
  expect(commonManner(bearers(piece))).toBeNull();
  expect(commonTimes(bearers(piece))).toEqual({ onFrames: null, offFrames: null, hold: null });
  expect(commonManner(bearers(written))).toEqual({ name: 'Both ways', way: MANNER });
  expect(commonTimes(bearers(written))).toEqual({ onFrames: 20, offFrames: 10, hold: 30 });
  // One is retimed to half the speed: it bears the manner still, and its times are no longer those of the others.
  const keys = ['head', 'tail'].flatMap((part) => [0, 1].map((index) => ({ stroke: 'b', part, index })));
  const slow = retimeKeys(written, keys, (frame) => 10 + (frame - 10) * 2);
  expect(commonManner(bearers(slow))).toEqual({ name: 'Both ways', way: MANNER });
  expect(commonTimes(bearers(slow))).toEqual({ onFrames: null, offFrames: null, hold: null });
  expect(commonTimes(bearers(slow, ['b']))).toEqual({ onFrames: 40, offFrames: 20, hold: 60 });
  const other = applyManner(written, ['b'], { ...MANNER, onAt: 10 }, 'Another name');
  expect(commonManner(bearers(other))).toBeNull();
});

test('keys that were set by hand are counted, and gone when it is written anew', () => {
  expect(countSetByHand(bearers(written))).toBe(0);
  let touched = changeKey(written, [{ stroke: 'a', part: 'head', index: 1 }], { value: 0.8 });
  touched = changeKey(touched, [{ stroke: 'ring', part: 'head', index: 0 }], { easing: { type: 'hold' } });
  // A key that was only moved is still the manner's: its time is what was changed.
  touched = moveKeys(touched, [{ stroke: 'b', part: 'head', index: 1 }], 3);
  expect(countSetByHand(bearers(touched))).toBe(2);
  const anew = writeAnew(touched, ['a', 'ring'], MANNER, 'Both ways');
  expect(countSetByHand(bearers(anew))).toBe(0);
  expect(commonManner(bearers(anew))).toEqual({ name: 'Both ways', way: MANNER });
  // What was not asked about keeps its key.
  expect(strokesOf(anew)[1]).toBe(strokesOf(touched)[1]);
});

test('strokes that a line times as one bear its manner; beside one that stands alone each bears its own', () => {
  const grouped = groupLayers(written, ['a', 'b'], { id: 'g', name: 'Word' });
  const lined = settlePiece(null, setLine(grouped, 'g', 'together'));
  expect(bearers(lined, ['a', 'b']).map(({ id }) => id)).toEqual(['g']);
  expect(bearers(lined).map(({ id }) => id)).toEqual(ALL);
  const anew = writeAnew(lined, ['g'], { ...MANNER, onFrames: 44 }, 'Slowly');
  expect(commonTimes(bearers(anew, ['a', 'b'])).onFrames).toBe(44);
  expect(readPiece(JSON.parse(JSON.stringify(anew))).ok).toBe(true);
});

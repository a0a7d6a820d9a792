import fc from 'fast-check';
import { corner, measurePath, type Path } from '../../geometry';
import { inkedLengths } from '../../ink';
import { LINEAR, type Easing } from '../../timing';
import { windowAt, windowOf } from '../at/window-at';
import { keyedById } from '../keys/key-bearers';
import { asWholes, gathered, groupsAround, membersOf } from '../parts/grouped';
import { readPiece } from '../read/read-piece';
import { newPiece, newStroke } from '../schema/new-piece';
import { strokesOf, type Piece } from '../schema/piece';
import { settlePiece } from '../settle/settle-piece';
import { groupLayers, joinedWhereTheyStand, setLine } from './groups';
import { changeKey, moveKeys, setKey } from './keys';
import { addLayers, removeLayers, reorderLayers } from './layers';
import { applyManner } from './manner';
import { ungroup } from './ungroup';

const line = (x: number, length: number): Path => ({
  closed: false,
  points: length > 0 ? [corner(x, 0), corner(x + length, 0)] : [corner(x, 0)],
});
const LENGTHS = [120, 60, 0, 300, 20];
const piece = addLayers(
  newPiece('Groups', undefined, undefined, 200),
  LENGTHS.map((length, i) => newStroke(`s${i}`, `S ${i}`, line(i * 400, length))),
);
const ids = (p: Piece) => p.layers.map((layer) => layer.id);
const grouped = (members: readonly string[], id = 'g') =>
  gathered(groupLayers(piece, members, { id, name: 'Group' }));
const settled = (p: Piece) => settlePiece(null, p);

test('a group stands together where its first layer does, whatever is done to the order', () => {
  expect(ids(grouped(['s1', 's3', 's4']))).toEqual(['s0', 's1', 's3', 's4', 's2']);
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.subarray(ids(piece), { minLength: 1 }), fc.integer({ min: 0, max: 5 })), {
        maxLength: 8,
      }),
      (moves) => {
        let p = gathered(groupLayers(grouped(['s1', 's3']), ['s0', 's4'], { id: 'h', name: 'H' }));
        for (const [moved, to] of moves) {
          p = gathered(joinedWhereTheyStand(reorderLayers(p, moved, to), moved));
          const runs = p.layers.map((layer) => layer.group ?? null).filter((g, i, all) => g !== all[i - 1]);
          const named = runs.filter((g) => g !== null);
          expect(new Set(named).size).toBe(named.length);
          expect(p.groups.map((g) => g.id).sort()).toEqual([...named].sort());
          expect(ids(p).sort()).toEqual(ids(piece).sort());
        }
      },
    ),
  );
  // Moved in between the others it joins them; taken out it leaves; the last one takes the group with it.
  const p = grouped(['s1', 's2', 's3']);
  const joined = joinedWhereTheyStand(reorderLayers(p, ['s0'], 2), ['s0']);
  expect(joined.layers.find((l) => l.id === 's0')!.group).toBe('g');
  const left = joinedWhereTheyStand(reorderLayers(p, ['s2'], 5), ['s2']);
  expect(left.layers.find((l) => l.id === 's2')!.group).toBeUndefined();
  expect(gathered(removeLayers(p, ['s1', 's2', 's3'])).groups).toEqual([]);
  expect(ungroup(p, ['g']).layers.some((l) => l.group)).toBe(false);
});

test('groups lie in groups: together in their order, taken as a whole, apart again without losing their place', () => {
  const tree = fc.array(fc.subarray(ids(piece), { minLength: 1 }), { minLength: 1, maxLength: 4 });
  fc.assert(
    fc.property(tree, fc.nat(4), (sets, taken) => {
      let p = piece;
      sets.forEach((set, i) => {
        p = settled(groupLayers(p, set, { id: `g${i}`, name: `G ${i}` }));
        // What was grouped last is a whole, and stands together.
        const own = p.groups.find((group) => group.id === `g${i}`);
        if (!own) return;
        const members = membersOf(p, own.id).map((layer) => layer.id);
        expect(set.every((id) => members.includes(id))).toBe(true);
        expect(asWholes(p, members)).toHaveLength(1);
        const at = members.map((id) => ids(p).indexOf(id));
        expect(Math.max(...at) - Math.min(...at)).toBe(members.length - 1);
      });
      expect(readPiece(p).ok).toBe(true);
      expect(ids(p).sort()).toEqual(ids(piece).sort());
      const gone = p.groups[taken % p.groups.length]!;
      const apart = settled(ungroup(p, [gone.id]));
      expect(apart.groups.some((group) => group.id === gone.id)).toBe(false);
      expect(ids(apart).sort()).toEqual(ids(piece).sort());
      // Everything else lies in the groups it lay in.
      for (const layer of apart.layers) {
        const before = groupsAround(
          p,
          p.layers.find((one) => one.id === layer.id)!,
        ).map((group) => group.id);
        expect(groupsAround(apart, layer).map((group) => group.id)).toEqual(
          before.filter((id) => id !== gone.id),
        );
      }
    }),
  );
});

const whole = LENGTHS.reduce((sum, length) => sum + Math.max(1, length), 0);
const inkOf = (p: Piece, frame: number) =>
  strokesOf(p).map((stroke) => {
    const length = Math.max(1, measurePath(stroke.path).length);
    const inked = inkedLengths(windowAt(stroke, frame), length, false);
    return inked ? [inked.from, inked.to] : null;
  });

/** Where ink of a line lies on its strokes laid end to end. */
function expected(p: Piece, frame: number) {
  const window = windowOf(keyedById(p, 'g')!.window!, whole, null, frame);
  let before = 0;
  return LENGTHS.map((length) => {
    const own = Math.max(1, length);
    const at = (v: number) => Math.min(own, Math.max(0, v * whole - before));
    const [from, to] = [at(window.tail), at(window.head)];
    before += own;
    return to > from ? [from, to] : null;
  });
}

test('strokes timed as one are one line: ink runs over their lengths end to end, by any curve', () => {
  const curves: Easing[] = [
    LINEAR,
    { type: 'bezier', x1: 0.4, y1: -0.3, x2: 0.2, y2: 1.4 },
    { type: 'bounce', way: 'out' },
  ];
  for (const easing of curves) {
    let p = settled(setLine(grouped(ids(piece)), 'g', 'after'));
    p = settled(setKey(p, 'g', 'head', 10, 0, easing));
    p = settled(setKey(p, 'g', 'head', 60, 1));
    p = settled(setKey(setKey(p, 'g', 'tail', 80, 0, easing), 'g', 'tail', 110, 1));
    expect(readPiece(p)).toMatchObject({ ok: true });
    for (let f = 0; f <= 120; f += 1.25) {
      const [now, should] = [inkOf(p, f), expected(p, f)];
      now.forEach((ink, i) => {
        if (ink === null || should[i] === null)
          expect(amountOf(ink) + amountOf(should[i]!)).toBeLessThan(1e-6);
        else {
          expect(ink[0]).toBeCloseTo(should[i]![0]!, 6);
          expect(ink[1]).toBeCloseTo(should[i]![1]!, 6);
        }
      });
    }
  }
});
const amountOf = (ink: number[] | null) => (ink ? ink[1]! - ink[0]! : 0);

test('a window travels over all strokes of a line, its length counted over them', () => {
  for (const [unit, value, px] of [
    ['px', 90, 90],
    ['share', 0.25, whole * 0.25],
  ] as const) {
    const made = setLine(grouped(ids(piece)), 'g', 'after');
    const window = {
      head: {
        keys: [
          { frame: 0, value: 0, easing: LINEAR },
          { frame: 100, value: 1, easing: LINEAR },
        ],
      },
      tail: 0,
      slide: 0,
      travel: { length: value, unit },
    };
    const p = settled({ ...made, groups: made.groups.map((g) => ({ ...g, line: { ...g.line!, window } })) });
    for (let f = 1; f < 100; f += 3) {
      const sum = inkOf(p, f).reduce((total, ink) => total + amountOf(ink), 0);
      const gone = (f / 100) * (whole + px);
      expect(sum).toBeCloseTo(Math.min(gone, px, whole + px - gone), 5);
    }
  }
});

test('strokes timed together share one window; apart again they keep what they have', () => {
  const timed = applyManner(grouped(['s0', 's1', 's3']), ['s0'], { kind: 'on', onAt: 4, onFrames: 12 });
  const together = settled(setLine(timed, 'g', 'together'));
  const windows = ['s0', 's1', 's3'].map((id) => strokesOf(together).find((s) => s.id === id)!.window);
  expect(new Set(windows.map((w) => JSON.stringify(w))).size).toBe(1);
  const moved = settled(moveKeys(together, [{ stroke: 'g', part: 'head', index: 1 }], 5));
  expect(strokesOf(moved).find((s) => s.id === 's3')!.window.head).toMatchObject({
    keys: [{ frame: 4 }, { frame: 21 }],
  });
  // What is set on one of them gives way to the line.
  const strayed = settled(changeKey(moved, [{ stroke: 's1', part: 'head', index: 0 }], { value: 0.4 }));
  expect(strayed.layers).toEqual(moved.layers);
  const apart = settled(setLine(moved, 'g', null));
  expect(apart.groups[0]!.line).toBeUndefined();
  expect(apart.layers).toEqual(moved.layers);
});

import fc from 'fast-check';
import { corner } from '../../geometry';
import { times } from '../../testing/cases';
import { worldOf } from '../at/world';
import { updateParts } from '../parts/update';
import { readPiece } from '../read/read-piece';
import { newMask } from '../schema/mask';
import { newPiece, newStroke } from '../schema/new-piece';
import { partWithId, strokeById, type Piece, type Stroke } from '../schema/piece';
import { placementAbout, type Placement } from '../schema/placement';
import { revealThrough } from '../schema/reveal';
import { settlePiece } from '../settle/settle-piece';
import { cueStrokes } from './cues';
import { duplicateLayers, fragmentOf, withFragment } from './fragment';
import { groupLayers, setLine } from './groups';
import { guarded } from './guarded';
import { setInk } from './ink';
import { addLayers } from './layers';
import { setMasks } from './masks';
import { addPin, canCarry, setBlend, setParent } from './place';
import { moveLayers } from './placing';
import { withPath } from './points';
import { setReveal } from './reveal';
import { tieStrokes } from './ties';
import { takeApart, ungroup } from './ungroup';

const line = (id: string, y: number): Stroke =>
  newStroke(id, id.toUpperCase(), { closed: false, points: [corner(10, y), corner(200, y + 30)] });
const start = (): Piece =>
  addPin(
    addLayers(
      newPiece('Apart'),
      ['a', 'b', 'c', 'd', 'e'].map((id, i) => line(id, 40 * i)),
    ),
    {
      id: 'pin',
      name: 'Pin',
      x: {
        keys: [
          { frame: 0, value: 5, easing: { type: 'linear' } },
          { frame: 40, value: 300, easing: { type: 'linear' } },
        ],
      },
      y: 12,
    },
  );

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const value = (min: number, max: number) =>
  fc.oneof(
    number(min, max),
    fc.tuple(number(min, max), number(min, max)).map(([from, to]) => ({
      keys: [
        { frame: 3, value: from, easing: { type: 'linear' as const } },
        { frame: 33, value: to, easing: { type: 'linear' as const } },
      ],
    })),
  );
const placement: fc.Arbitrary<Placement> = fc
  .record({
    x: value(-200, 200),
    y: value(-200, 200),
    scaleX: value(0.3, 3),
    scaleY: value(0.3, 3),
    rotation: value(-3, 3),
    skewX: value(-1, 1),
    pivotX: number(0, 300),
    pivotY: number(0, 300),
  })
  .map((parts) => ({ ...placementAbout({ x: 0, y: 0 }), ...parts }));

const FRAMES = [0, 7, 18, 33, 60];
const worlds = (piece: Piece) =>
  ['a', 'b', 'c', 'd', 'e'].map((id) => FRAMES.map((frame) => worldOf(piece, partWithId(piece, id)!, frame)));

test('a group that was placed, keyed or carried is taken apart and nothing in it moves', () => {
  fc.assert(
    fc.property(
      placement,
      fc.option(placement),
      fc.option(placement),
      fc.constantFrom(null, 'pin', 'e'),
      fc.boolean(),
      fc.boolean(),
      (outer, ofB, ofC, parent, nested, carries) => {
        let piece = groupLayers(start(), ['a', 'b', 'c'], { id: 'g', name: 'G' });
        if (nested) piece = groupLayers(piece, ['b', 'c'], { id: 'h', name: 'H' });
        piece = updateParts(piece, ['g'], (part) => ({ ...part, place: outer }));
        if (ofB) piece = updateParts(piece, ['b'], (part) => ({ ...part, place: ofB }));
        if (ofC) piece = updateParts(piece, [nested ? 'h' : 'c'], (part) => ({ ...part, place: ofC }));
        if (parent) piece = setParent(piece, 'g', parent, 0);
        // Something outside is carried by the group.
        if (carries) piece = setParent(piece, 'd', 'g', 0);
        const before = worlds(piece);
        const { piece: apart, lost } = takeApart(piece, 'g', 10);
        // The first layer has no place of its own, so that all can be handed on.
        expect(lost).toEqual([]);
        expect(apart.groups.some((group) => group.id === 'g')).toBe(false);
        expect(readPiece(apart).ok).toBe(true);
        worlds(apart).forEach((frames, i) =>
          frames.forEach((m, k) =>
            m.forEach((v, j) => expect(v).toBeCloseTo(before[i]![k]![j]!, 5 - Math.log10(1 + Math.abs(v)))),
          ),
        );
      },
    ),
    { numRuns: times(50, 4000) },
  );
});

test('what a group that is taken apart can’t hand on is told, and stays as it stands at the frame', () => {
  const keyed = {
    keys: [
      { frame: 0, value: 0, easing: { type: 'linear' as const } },
      { frame: 50, value: 2, easing: { type: 'linear' as const } },
    ],
  };
  let piece = groupLayers(start(), ['a', 'b'], { id: 'g', name: 'G' });
  piece = updateParts(piece, ['g', 'a', 'b'], (part) => ({
    ...part,
    place: { ...placementAbout({ x: 9, y: 9 }), rotation: keyed, opacity: part.id === 'g' ? 0.5 : 1 },
  }));
  piece = setBlend(piece, ['g'], 'multiply');
  const { piece: apart, lost } = takeApart(piece, 'g', 25);
  for (const words of [/movement/, /fades as one/, /blends as one/]) expect(lost.join()).toMatch(words);
  const at = (p: Piece) => ['a', 'b'].map((id) => worldOf(p, partWithId(p, id)!, 25));
  at(apart).forEach((m, i) => m.forEach((v, j) => expect(v).toBeCloseTo(at(piece)[i]![j]!, 6)));
  expect(strokeById(apart, 'a')).toMatchObject({ blend: 'multiply', place: { opacity: 0.5 } });
});

test('masks, mattes and what was seen through the group follow its members', () => {
  let piece = groupLayers(start(), ['a', 'b'], { id: 'g', name: 'G' });
  const mask = newMask('M', { kind: 'ellipse', x: 1, y: 2, radiusX: 3, radiusY: 4 });
  piece = setMasks(piece, 'g', [mask]);
  piece = setReveal(setReveal(piece, ['g'], revealThrough(['c'])), ['d'], revealThrough(['e', 'g']));
  const apart = ungroup(piece, ['g']);
  expect(strokeById(apart, 'd')!.reveal!.through).toEqual(['e', 'a', 'b']);
  for (const id of ['a', 'b'])
    expect(strokeById(apart, id)).toMatchObject({ masks: [mask], reveal: { through: ['c'] } });
});

test('a copied group is a group of its own, and what names something in it names the copy', () => {
  let piece = groupLayers(start(), ['a', 'b', 'c', 'd'], { id: 'g', name: 'Waves' });
  piece = groupLayers(piece, ['b', 'c'], { id: 'h', name: 'Inner' });
  piece = setReveal(piece, ['a'], revealThrough(['h']));
  piece = tieStrokes(piece, ['b'], { property: 'width', to: 'c', factor: 2, offset: 0 });
  piece = cueStrokes(piece, ['c'], 'a');
  piece = setParent(piece, 'd', 'a', 0);
  piece = cueStrokes(piece, ['d'], 'e');
  let n = 0;
  const { piece: twice, ids } = duplicateLayers(piece, ['a', 'b', 'c', 'd'], () => `n${++n}`);
  expect(readPiece(twice).ok).toBe(true);
  expect(twice.layers.map((layer) => layer.id)).toEqual(['a', 'b', 'c', 'd', ...ids, 'e']);
  expect(twice.groups.map((group) => group.name)).toEqual(['Waves', 'Inner', 'Waves 2', 'Inner']);
  const [outer, inner] = twice.groups.slice(2);
  expect(inner!.group).toBe(outer!.id);
  const [a, b, c, d] = ids.map((id) => strokeById(twice, id)!);
  expect(a!.reveal!.through).toEqual([inner!.id]);
  expect(b!.ties![0]!.to).toBe(c!.id);
  expect(c!.cue!.to).toBe(a!.id);
  expect(d!.place!.parent!.to).toBe(a!.id);
  // What names something outside still does.
  expect(d!.cue!.to).toBe('e');
  // Settled, nothing of the originals has changed.
  expect(settlePiece(piece, twice).layers.slice(0, 4)).toEqual(piece.layers.slice(0, 4));
  // In another piece the copy stands by itself.
  const elsewhere = withFragment(newPiece('Other'), fragmentOf(piece, ['b', 'c']), () => `m${++n}`);
  expect(elsewhere.piece.groups).toMatchObject([{ name: 'Inner' }]);
  expect(elsewhere.piece.groups[0]).not.toHaveProperty('group');
});

test('nothing is offered to be carried by what it carries', () => {
  let piece = groupLayers(start(), ['a', 'b'], { id: 'g', name: 'G' });
  piece = setParent(piece, 'c', 'a', 0);
  const carriers = (id: string) => ['a', 'b', 'c', 'd', 'g', 'pin'].filter((to) => canCarry(piece, to, id));
  expect(carriers('g')).toEqual(['d', 'pin']);
  expect(carriers('a')).toEqual(
    ['b', 'd', 'g', 'pin'].filter((id) => id !== 'g' || canCarry(piece, 'g', 'a')),
  );
  expect(carriers('c')).toEqual(['a', 'b', 'd', 'g', 'pin']);
});

test('locked layers stay as they are whatever is done; how they are listed may change', () => {
  const locked = updateParts(start(), ['b'], (part) => ({ ...part, locked: true }));
  const all = ['a', 'b', 'c', 'd', 'e'];
  for (const change of [
    (p: Piece) => setInk(p, all, { width: 33 }),
    (p: Piece) => moveLayers(p, all, { x: 5, y: 5 }),
    (p: Piece) => setReveal(p, all.slice(0, 2), revealThrough(['e'])),
    (p: Piece) => ({ ...p, layers: [] }),
  ]) {
    const { piece, held } = guarded(locked, change);
    expect(strokeById(piece, 'b')).toEqual(strokeById(locked, 'b'));
    expect(held.map((one) => one.id)).toEqual(['b']);
    expect(guarded(held[0]!.wayOut.edit(locked), change).held).toEqual([]);
  }
  const listed = guarded(locked, (p) =>
    updateParts(groupLayers(p, ['a', 'b'], { id: 'g', name: 'G' }), ['b'], (part) => ({
      ...part,
      hidden: true,
      name: 'New',
    })),
  );
  expect(listed.held).toEqual([]);
  expect(strokeById(listed.piece, 'b')).toMatchObject({ hidden: true, name: 'New', group: 'g' });
});

test('a change that what is followed undoes is refused with its reason and a way out', () => {
  let piece = tieStrokes(start(), ['a'], { property: 'path', to: 'b', factor: 1, offset: 0 });
  piece = setLine(groupLayers(piece, ['c', 'd'], { id: 'g', name: 'Pair' }), 'g', 'together');
  piece = settlePiece(piece, piece);
  const bent = (p: Piece) => withPath(p, 'a', { closed: false, points: [corner(0, 0), corner(9, 9)] });
  const refused = guarded(piece, bent);
  expect(refused.held[0]!.words).toMatch(/path of “A” follows “B”/);
  const free = refused.held[0]!.wayOut.edit(piece);
  expect(strokeById(guarded(free, bent).piece, 'a')!.path.points).toHaveLength(2);
  expect(guarded(free, bent).held).toEqual([]);
  const timed = guarded(piece, (p) =>
    updateParts(p, ['c'], (part) => ({ ...part, window: { head: 0.5, tail: 0, slide: 0 } })),
  );
  expect(timed.held[0]!.words).toMatch(/timed with its group “Pair”/);
  // Strokes that follow are no fault of an edit of what they follow.
  expect(guarded(piece, (p) => moveLayers(p, ['b'], { x: 3, y: 0 })).held).toEqual([]);
});

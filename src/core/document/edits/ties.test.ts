import { corner, measurePath, pointAtLength, smooth, type Path } from '../../geometry';
import { readPiece } from '../read/read-piece';
import type { Ink } from '../schema/ink';
import { DEFAULT_INK, newPiece, newStroke } from '../schema/new-piece';
import { strokeById, type Piece } from '../schema/piece';
import type { Tie } from '../schema/ties';
import { settleTies } from '../settle/settle-ties';
import { setInk } from './ink';
import { addLayers, removeLayers } from './layers';
import { moveLayers } from './placing';
import { applyStyle, bearersOf, differs, leaveStyle, putStyle, removeStyle } from './styles';
import { changeTies, cutTies, followersOf, tieFault, tieStrokes } from './ties';

const path: Path = {
  closed: false,
  points: [smooth(0, 0, { x: 60, y: 40 }), smooth(200, 80, { x: 60, y: 0 })],
};
const piece = (): Piece =>
  addLayers(
    newPiece('Ties'),
    ['a', 'b', 'c'].map((id) => newStroke(id, id.toUpperCase(), path)),
  );
const tie = (property: Tie['property'], to: string, factor = 1, offset = 0): Tie => ({
  property,
  to,
  factor,
  offset,
});
const ink = (p: Piece, id: string): Ink => strokeById(p, id)!.ink;

test('a tied width follows, with factor and offset, through a chain and through keys', () => {
  let p = tieStrokes(piece(), ['b'], tie('width', 'a', 2, 1));
  p = tieStrokes(p, ['c'], tie('width', 'b', 0.5));
  p = settleTies(setInk(p, ['a'], { width: 30 }));
  expect([ink(p, 'b').width, ink(p, 'c').width]).toEqual([61, 30.5]);
  const easing = { type: 'linear' } as const;
  p = settleTies(setInk(p, ['a'], { width: { keys: [{ frame: 3, value: 10, easing }] } }));
  expect(ink(p, 'c').width).toEqual({ keys: [{ frame: 3, value: 10.5, easing }] });
  // Nothing changed, nothing made anew.
  expect(settleTies(p)).toBe(p);
});

test('colour, dashes and path follow; the path set aside keeps its distance', () => {
  let p = tieStrokes(piece(), ['b'], tie('colour', 'a', 0.5));
  p = tieStrokes(p, ['b'], tie('path', 'a', 1, 20));
  p = tieStrokes(p, ['b'], tie('dashes', 'a', 3));
  const dashes = {
    pattern: [4, 2],
    unit: 'px',
    phase: 1,
    flow: 'stay',
    speed: { value: 0, unit: 'px', seamless: true },
    fit: false,
    corners: false,
    grow: 0,
  } as const;
  p = settleTies(setInk(p, ['a'], { colour: '#ffffff', dashes }));
  p = settleTies(moveLayers(p, ['a'], { x: 300, y: 50 }));
  expect(ink(p, 'b').dashes!.pattern).toEqual([12, 6]);
  // Half of white's OKLab lightness.
  expect(ink(p, 'b').colour).toBe('#636363');
  const [from, to] = [strokeById(p, 'a')!.path, strokeById(p, 'b')!.path].map(measurePath);
  for (let k = 0; k <= 20; k++) {
    const q = pointAtLength(to!, (to!.length * k) / 20);
    let near = Infinity;
    for (let i = 0; i <= 400; i++) {
      const a = pointAtLength(from!, (from!.length * i) / 400);
      near = Math.min(near, Math.hypot(a.x - q.x, a.y - q.y));
    }
    expect(Math.abs(near - 20)).toBeLessThan(0.4);
  }
});

test('a parallel of a path with corners meets at them; nothing turns back in bends tighter than the distance', () => {
  const zig: Path = { closed: false, points: [corner(0, 0), corner(200, 0), corner(200, 150)] };
  let p = addLayers(newPiece('P'), [newStroke('a', 'A', zig), newStroke('b', 'B', zig)]);
  p = tieStrokes(p, ['b'], tie('path', 'a', 1, 30));
  expect(strokeById(p, 'b')!.path.points.map(({ x, y }) => [Math.round(x), Math.round(y)])).toEqual([
    [0, 30],
    [170, 30],
    [170, 150],
  ]);
});

test('circles are refused in words, and by the reader; different properties may cross', () => {
  let p = tieStrokes(piece(), ['b'], tie('width', 'a'));
  p = tieStrokes(p, ['c'], tie('width', 'b'));
  expect(tieFault(p, ['a'], tie('width', 'c'))).toMatch(/“C” already follows “A”.*Cut that tie first/);
  expect(tieFault(p, ['a'], tie('width', 'a'))).toMatch(/itself/);
  expect(tieFault(p, ['a'], tie('colour', 'c'))).toBeNull();
  const circle = {
    ...p,
    layers: p.layers.map((layer) => (layer.id === 'a' ? { ...layer, ties: [tie('width', 'c')] } : layer)),
  };
  const read = readPiece(circle);
  expect(read.ok === false && read.faults[0]).toMatchObject({ path: 'layers.0.ties' });
});

test('a cut tie leaves the value; so does a followed stroke that goes', () => {
  let p = settleTies(setInk(tieStrokes(piece(), ['b'], tie('width', 'a', 3)), ['a'], { width: 9 }));
  expect(followersOf(p, 'a').map(({ stroke }) => stroke.id)).toEqual(['b']);
  const gone = settleTies(removeLayers(p, ['a']));
  expect(ink(gone, 'b').width).toBe(27);
  p = settleTies(setInk(cutTies(p, ['b'], 'width'), ['a'], { width: 1 }));
  expect(ink(p, 'b').width).toBe(27);
  expect(strokeById(p, 'b')).not.toHaveProperty('ties');
});

test('a style changes all that bear it; leaving or removing it changes nothing to see', () => {
  const fine: Ink = { ...DEFAULT_INK, width: 3 };
  let p = putStyle(piece(), { id: 'fine', name: 'Fine', ink: fine });
  p = applyStyle(p, ['a', 'c'], 'fine');
  p = putStyle(p, { id: 'fine', name: 'Fine', ink: { ...fine, width: 5 } });
  expect(['a', 'b', 'c'].map((id) => ink(p, id).width)).toEqual([5, 12, 5]);
  expect(bearersOf(p, 'fine').map((s) => s.id)).toEqual(['a', 'c']);
  p = setInk(p, ['a'], { width: 8 });
  expect(differs(ink(p, 'a'), p.styles[0]!)).toBe(true);
  p = removeStyle(leaveStyle(p, ['a']), 'fine');
  expect(['a', 'c'].map((id) => [ink(p, id).width, strokeById(p, id)!.style])).toEqual([
    [8, undefined],
    [5, undefined],
  ]);
  expect(readPiece(JSON.parse(JSON.stringify(p))).ok).toBe(true);
});

test('how far strokes follow is changed for those that follow by it, and for no other', () => {
  let p = tieStrokes(piece(), ['b', 'c'], tie('width', 'a', 2, 1));
  p = tieStrokes(p, ['c'], tie('colour', 'a'));
  p = settleTies(setInk(p, ['a'], { width: 30 }));
  const changed = changeTies(p, ['a', 'b'], 'width', { factor: 3 });
  expect([ink(changed, 'b').width, ink(changed, 'c').width]).toEqual([91, 61]);
  expect(strokeById(changed, 'a')).toBe(strokeById(p, 'a'));
  expect(changeTies(p, ['a', 'b'], 'path', { factor: 3 })).toBe(p);
  expect(
    followersOf(changeTies(p, ['c'], 'colour', { offset: 0.1 }), 'a').map(({ tie: t }) => t.offset),
  ).toEqual([1, 1, 0.1]);
});

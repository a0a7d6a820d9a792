import fc from 'fast-check';
import {
  addLayers,
  DEFAULT_INK,
  newArt,
  newPiece,
  newStroke,
  setPlace,
  worldOf,
  partWithId,
  type Piece,
} from '@/core/document';
import { applyMatrix, corner, smooth, type Path } from '@/core/geometry';
import { evaluate } from '@/core/scene';
import { endDrag, loadPiece, select, useEditor, useTools } from '../state';
import { cornersOf, framed } from './frames';
import { gripsOf } from './grips';
import { handleAt, layerAt, placeOn, pointAt, REACH } from './hit';
import { onionItems } from './onion';
import { snapped, snapTargets } from './snapping';
import { pointerAt } from './tools/input-for-tests';
import { fit, panBy, toPiece, toScreen, useView, zoomBy, type View } from './view';

const wave: Path = { closed: false, points: [smooth(100, 200, { x: 60, y: -80 }), corner(400, 200)] };
const rule: Path = { closed: false, points: [corner(100, 400), corner(500, 400)] };
const square = {
  data: 'M600 100L700 100L700 200L600 200Z',
  fill: '#ffffff',
  fillOpacity: 1,
  rule: 'nonzero' as const,
  line: null,
  transform: [1, 0, 0, 1, 0, 0] as const,
};
const piece = addLayers(newPiece('Canvas', { width: 800, height: 600 }), [
  newArt('art', 'Art', { shapes: [square], groups: [] }, [1, 0, 0, 1, 0, 0]),
  newStroke('wave', 'Wave', wave),
  newStroke('rule', 'Rule', rule),
]);
const view: View = { zoom: 0.5, x: 30, y: 20, fitted: false };
const on = (x: number, y: number) => toScreen(view, { x, y });

beforeEach(() => {
  loadPiece(piece);
  useTools.setState({ snapping: true, grid: null });
  useView.setState({ ...view, viewport: { width: 500, height: 400 } });
});

describe('the view', () => {
  test('maps there and back, and holds the place under the pointer while it zooms', () => {
    const number = fc.double({ min: -2000, max: 2000, noNaN: true });
    fc.assert(
      fc.property(number, number, fc.double({ min: 0.3, max: 3, noNaN: true }), (x, y, factor) => {
        useView.setState(view);
        const at = toScreen(useView.getState(), { x, y });
        zoomBy(factor, at);
        panBy(0, 0);
        const back = toPiece(useView.getState(), at);
        expect(back.x).toBeCloseTo(x, 6);
        expect(back.y).toBeCloseTo(y, 6);
      }),
    );
  });

  test('fitted, all of the piece is seen in the middle with a margin around it', () => {
    fit(piece.size);
    const now = useView.getState();
    const [a, b] = [toScreen(now, { x: 0, y: 0 }), toScreen(now, { x: 800, y: 600 })];
    expect(Math.min(a.x, a.y)).toBeGreaterThanOrEqual(28 - 1e-9);
    expect(a.x + b.x).toBeCloseTo(500);
    expect(a.y + b.y).toBeCloseTo(400);
  });
});

describe('what is under the pointer', () => {
  test('within eight pixels of the screen, at any zoom: points, handles, places on a path', () => {
    for (const [off, hit] of [
      [0, true],
      [REACH - 0.5, true],
      [REACH + 0.5, false],
    ] as const) {
      const point = on(400, 200);
      expect(pointAt(wave, { x: point.x + off, y: point.y }, view) === 1).toBe(hit);
      const handle = on(160, 120);
      expect(handleAt(wave, [0], { x: handle.x, y: handle.y - off }, view) !== null).toBe(hit);
      const place = on(300, 400);
      expect(placeOn(rule, { x: place.x, y: place.y + off }, view) !== null).toBe(hit);
    }
    // Only handles that are shown can be taken; a point without handles has none.
    expect(handleAt(wave, [], on(160, 120), view)).toBeNull();
    expect(handleAt(rule, [0, 1], on(100, 400), view)).toBeNull();
  });

  test('the topmost visible layer: strokes by their ink, art by its box; what is locked lets art below be taken', () => {
    expect(layerAt(piece, on(300, 400), view)?.id).toBe('rule');
    expect(layerAt(piece, on(300, 300), view)).toBeNull();
    expect(layerAt(piece, on(650, 150), view)?.id).toBe('art');
    const hide = (id: string, part: object): Piece => ({
      ...piece,
      layers: piece.layers.map((layer) => (layer.id === id ? { ...layer, ...part } : layer)),
    });
    expect(layerAt(hide('rule', { hidden: true }), on(300, 400), view)).toBeNull();
    expect(layerAt(hide('art', { locked: true }), on(650, 150), view)).toBeNull();
    // A wide pen is taken anywhere on its ink.
    const wide = addLayers(newPiece('Wide', piece.size), [
      newStroke('w', 'W', rule, { ...DEFAULT_INK, width: 120 }),
    ]);
    loadPiece(wide);
    expect(layerAt(wide, on(300, 455), view)?.id).toBe('w');
    expect(layerAt(wide, on(300, 465), view)).toBeNull();
  });

  test('what is placed is found where it stands', () => {
    const moved = setPlace(piece, 'rule', 0, { x: 0, y: 120, rotation: 0 });
    loadPiece(moved);
    expect(layerAt(moved, on(300, 520), view)?.id).toBe('rule');
    expect(layerAt(moved, on(300, 400), view)).toBeNull();
  });
});

describe('snapping', () => {
  test('draws to points, paths, guides and the middle, not to what is itself on the move; not at all when it is off', () => {
    loadPiece({ ...piece, guides: [{ axis: 'x', at: 250 }] });
    const all = snapTargets({});
    expect(snapped({ x: 404, y: 203 }, all)).toMatchObject({
      point: { x: 400, y: 200 },
      snap: { says: 'point of Wave' },
    });
    expect(snapped({ x: 260, y: 90 }, all).point).toEqual({ x: 250, y: 90 });
    expect(snapped({ x: 560, y: 306 }, all)).toMatchObject({ point: { y: 300 }, snap: { says: 'middle' } });
    const without = snapTargets({ strokes: ['wave'] });
    expect(without.points.some(({ says }) => says === 'point of Wave')).toBe(false);
    // Within one stroke: level with its other points.
    const own = snapTargets({ strokes: ['wave'], path: wave, points: [1] });
    expect(snapped({ x: 560, y: 206 }, own).point.y).toBe(200);
    useTools.setState({ snapping: false });
    expect(snapped({ x: 404, y: 203 }, all)).toEqual({ point: { x: 404, y: 203 }, snap: null });
  });
});

describe('frames around', () => {
  test('are as many as asked for, within the piece, fainter the further they are, each side in its colour', () => {
    const still = evaluate(piece, 0).items.length;
    expect(still).toBeGreaterThan(0);
    const items = onionItems(piece, 50, { shown: true, before: 2, after: 1, every: 4 });
    expect(items).toHaveLength(3);
    expect(items.map((item) => item.opacity)).toEqual([
      expect.closeTo(0.2625),
      expect.closeTo(0.42),
      expect.closeTo(0.42),
    ]);
    const tints = items.map((item) => JSON.stringify(item.kind === 'group' && item.filters));
    expect(tints[0]).toBe(tints[1]);
    expect(tints[2]).not.toBe(tints[0]);
    expect(onionItems(piece, 2, { shown: true, before: 3, after: 0, every: 4 })).toHaveLength(0);
  });
});

describe('grips', () => {
  const place = () => {
    useEditor.setState({ step: 'place', tool: 'select', frame: 0 });
    select({ layers: ['art'] });
    return gripsOf(useEditor.getState());
  };
  const now = () => partWithId(useEditor.getState().piece, 'art')!;

  test('art that is chosen is framed with its corners, each opposite another; a stroke is not', () => {
    select({ layers: ['art'] });
    const frame = framed(useEditor.getState())!;
    expect(frame.bounds).toEqual({ left: 600, top: 100, right: 700, bottom: 200 });
    for (const { at, opposite } of cornersOf(frame.bounds)) {
      expect(at.x + opposite.x).toBe(1300);
      expect(at.y + opposite.y).toBe(300);
    }
    select({ layers: ['wave'] });
    expect(framed(useEditor.getState())).toBeNull();
  });

  test('a corner sizes, the knob turns, the middle moves; what is taken stays under the pointer', () => {
    const { grips } = place();
    const corner = grips.find(({ shape, at }) => shape === 'square' && at.x === 700 && at.y === 200)!;
    corner.take(pointerAt(700, 200))(pointerAt(750, 250));
    endDrag();
    expect(now().place).toMatchObject({ scaleX: 2, scaleY: 2 });
    const grown = applyMatrix(worldOf(useEditor.getState().piece, now(), 0), { x: 700, y: 200 });
    expect(grown).toEqual({ x: expect.closeTo(750), y: expect.closeTo(250) });
    const middle = gripsOf(useEditor.getState()).grips.find(({ shape }) => shape === 'cross')!;
    // Nothing is drawn to what lies near: the numbers count.
    useTools.setState({ snapping: false });
    middle.take(pointerAt(650, 150))(pointerAt(660, 130));
    useTools.setState({ snapping: true });
    endDrag();
    expect(now().place).toMatchObject({ x: 10, y: -20 });
    const turn = gripsOf(useEditor.getState()).grips.find(({ shape }) => shape === 'turn')!;
    const { x, y } = turn.at;
    // A quarter round the pivot, which stands at 660, 130 now.
    const quarter = pointerAt(660 - (y - 130), 130 + (x - 660));
    turn.take(pointerAt(x, y))(quarter);
    endDrag();
    expect(now().place!.rotation).toBeCloseTo(Math.PI / 2);
  });

  test('Shift holds a move to one axis and a turn to steps of fifteen degrees; Alt skews a side', () => {
    const { grips } = place();
    grips.find(({ shape }) => shape === 'cross')!.take(pointerAt(650, 150))(
      pointerAt(690, 155, { shift: true }),
    );
    endDrag();
    expect(now().place).toMatchObject({ x: 40, y: 0 });
    const turn = gripsOf(useEditor.getState()).grips.find(({ shape }) => shape === 'turn')!;
    turn.take(pointerAt(turn.at.x, turn.at.y))(pointerAt(turn.at.x + 30, turn.at.y, { shift: true }));
    endDrag();
    const steps = (now().place!.rotation as number) / (Math.PI / 12);
    expect(steps).toBeCloseTo(Math.round(steps));
    expect(Math.round(steps)).not.toBe(0);
  });

  test('what is locked shows its box and no grips', () => {
    loadPiece({
      ...piece,
      layers: piece.layers.map((layer) => (layer.id === 'art' ? { ...layer, locked: true } : layer)),
    });
    const { lines, grips } = place();
    expect(lines.length).toBeGreaterThan(0);
    expect(grips).toEqual([]);
  });
});

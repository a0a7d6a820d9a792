import fc from 'fast-check';
import {
  addLayers,
  newArt,
  newPiece,
  newStroke,
  readPiece,
  setPlace,
  strokeById,
  strokesOf,
  worldOf,
} from '@/core/document';
import { applyMatrix, corner, measurePath, pathBounds, smooth } from '@/core/geometry';
import {
  loadPiece,
  NOTHING,
  redo,
  undo,
  useEditor,
  useTools,
  type Selection,
  type Step,
  type Tool,
} from '../../state';
import { useView } from '../view';
import {
  freehandTool,
  orderTool,
  penTool,
  pressTool,
  selectTool,
  shapeTool,
  type CanvasTool,
  type PointerInput,
} from '.';
import { pointerAt } from './input-for-tests';
import { times } from '@/core/testing/cases';

const square = {
  data: 'M0 0L120 0L120 120L0 120Z',
  fill: '#ffffff',
  fillOpacity: 1,
  rule: 'nonzero' as const,
  line: null,
  transform: [1, 0, 0, 1, 0, 0] as const,
};
const piece = setPlace(
  addLayers(newPiece('Tools', { width: 800, height: 600 }), [
    newArt('art', 'Art', { shapes: [square], groups: [] }, [1, 0, 0, 1, 560, 80]),
    newStroke('wave', 'Wave', {
      closed: false,
      points: [smooth(100, 200, { x: 60, y: -80 }), corner(300, 240), smooth(480, 200, { x: 30, y: 60 })],
    }),
    newStroke('ring', 'Ring', {
      closed: true,
      points: [corner(120, 380), corner(320, 380), corner(220, 520)],
    }),
  ]),
  'ring',
  0,
  { x: 260, rotation: 0.4, scaleX: 1.3 },
);
const view = { zoom: 0.5, x: 40, y: 30, fitted: false };
const TOOLS: Partial<Record<Tool, () => CanvasTool>> = {
  select: selectTool,
  pen: penTool,
  freehand: freehandTool,
  shape: shapeTool,
  order: orderTool,
};
const state = useEditor.getState;

const clock = { now: 0 };
/** What a tool hears where the pointer is at a place of the piece, 8 ms after it was heard last. */
const at = (x: number, y: number, keys: Partial<PointerInput> = {}): PointerInput =>
  pointerAt(x, y, { time: (clock.now += 8), ...keys });

beforeEach(() => {
  loadPiece(piece);
  useTools.setState({ snapping: false, grid: null, shape: 'rectangle', radius: 0, correction: 'smoothed' });
  useView.setState({ ...view, viewport: { width: 480, height: 360 } });
});

/** Places worth pressing: points, handles, paths, art, and where nothing is. */
const places = fc.oneof(
  fc.constantFrom<[number, number]>(
    [100, 200],
    [160, 120],
    [300, 240],
    [480, 200],
    [200, 200],
    [620, 140],
    [560, 80],
    [380, 380],
    [5, 5],
  ),
  fc.tuple(fc.integer({ min: -50, max: 850 }), fc.integer({ min: -50, max: 650 })),
);
const modifiers = fc.record({
  shift: fc.boolean(),
  alt: fc.boolean(),
  double: fc.constantFrom(false, false, false, true),
  pressure: fc.integer({ min: 0, max: 10 }).map((n) => n / 10),
});
const gesture = fc.record({
  press: fc.tuple(places, modifiers),
  moves: fc.array(fc.tuple(places, modifiers), { maxLength: 4 }),
  isTakenBack: fc.boolean(),
});
const selections = fc.constantFrom<Partial<Selection>>(
  {},
  { layers: ['wave'] },
  { layers: ['wave'], points: [0, 1] },
  { layers: ['ring'] },
  { layers: ['wave', 'ring'] },
  { layers: ['art'] },
);

type Place = readonly [place: readonly [number, number], keys: Partial<PointerInput>];
interface Gesture {
  readonly press: Place;
  readonly moves: readonly Place[];
  readonly isTakenBack: boolean;
}

/** Does a gesture as the stage and the crosshair do it. */
function perform(tool: CanvasTool, { press, moves, isTakenBack }: Gesture): void {
  const input = ([[x, y], keys]: Place) => at(x, y, keys);
  tool.move(input(press), false);
  const pressed = pressTool(tool, input(press));
  for (const move of moves) {
    tool.move(input(move), true);
    tool.marks();
    tool.cursor();
  }
  if (isTakenBack) pressed.cancel();
  else pressed.release(input(moves.at(-1) ?? press));
}

test.each(Object.keys(TOOLS) as Tool[])(
  '%s: whatever is pressed and dragged, the piece stays one that can be read, and undo leads back to the first',
  (name) => {
    fc.assert(
      fc.property(
        fc.array(gesture, { minLength: 1, maxLength: 6 }),
        selections,
        fc.constantFrom<Step>('trace', 'place'),
        (gestures, selection, step) => {
          loadPiece(piece);
          useEditor.setState({ tool: name, step, selection: { ...NOTHING, ...selection } });
          const tool = TOOLS[name]!();
          for (const one of gestures) perform(tool, one);
          tool.leave?.();
          const done = state().piece;
          if (done !== piece) {
            const read = readPiece(JSON.parse(JSON.stringify(done)));
            expect(read.ok ? [] : read.faults).toEqual([]);
          }
          expect(state().base).toBeNull();
          for (let steps = 0; state().past.length > 0 && steps < 100; steps++) undo();
          expect(state().piece).toEqual(piece);
          for (let steps = 0; state().future.length > 0 && steps < 100; steps++) redo();
          expect(state().piece).toEqual(done);
        },
      ),
      { numRuns: times(60, 1200) },
    );
  },
);

test.each(Object.keys(TOOLS) as Tool[])(
  '%s: a press that is taken back leaves everything as it was, however far it was dragged',
  (name) => {
    fc.assert(
      fc.property(gesture, selections, fc.constantFrom<Step>('trace', 'place'), (one, selection, step) => {
        loadPiece(piece);
        useEditor.setState({ tool: name, step, selection: { ...NOTHING, ...selection } });
        perform(TOOLS[name]!(), { ...one, isTakenBack: true });
        expect(state().past).toEqual([]);
        expect(state().piece).toEqual(piece);
        expect(state().drawing).toBeNull();
      }),
      { numRuns: times(60, 1200) },
    );
  },
);

test('the pen: presses are corners, drags are smooth points, a press on the first closes; each is one step', () => {
  useEditor.setState({ tool: 'pen', step: 'trace', selection: NOTHING });
  const pen = penTool();
  const tap = (x: number, y: number) => perform(pen, { press: [[x, y], {}], moves: [], isTakenBack: false });
  tap(100, 560);
  tap(300, 560);
  perform(pen, { press: [[400, 460], {}], moves: [[[440, 420], {}]], isTakenBack: false });
  const drawn = () => strokesOf(state().piece).at(-1)!.path;
  expect(drawn().points.map(({ x, y, kind }) => [x, y, kind])).toEqual([
    [100, 560, 'corner'],
    [300, 560, 'corner'],
    [400, 460, 'smooth'],
  ]);
  expect(drawn().points[2]).toMatchObject({ out: { x: 40, y: -40 }, in: { x: -40, y: 40 } });
  tap(100, 560);
  expect(drawn().closed).toBe(true);
  expect(state().drawing).toBeNull();
  expect(state().past).toHaveLength(4);
});

test('Shift holds a pen to 45° of its last point', () => {
  useEditor.setState({ tool: 'pen', step: 'trace', selection: NOTHING });
  fc.assert(
    fc.property(fc.integer({ min: -400, max: 400 }), fc.integer({ min: -400, max: 400 }), (dx, dy) => {
      fc.pre(Math.hypot(dx, dy) > 60);
      loadPiece(newPiece('Empty', piece.size));
      const pen = penTool();
      perform(pen, { press: [[400, 300], {}], moves: [], isTakenBack: false });
      perform(pen, { press: [[400 + dx, 300 + dy], { shift: true }], moves: [], isTakenBack: false });
      const [a, b] = strokesOf(state().piece)[0]!.path.points;
      const eighths = Math.atan2(b!.y - a!.y, b!.x - a!.x) / (Math.PI / 4);
      expect(eighths).toBeCloseTo(Math.round(eighths), 9);
    }),
    { numRuns: times(40, 1000) },
  );
});

test('shapes fill the box that is dragged, from any corner to any other; with Shift it is a square', () => {
  useEditor.setState({ tool: 'shape', step: 'trace', selection: NOTHING });
  fc.assert(
    fc.property(
      fc.constantFrom<'rectangle' | 'ellipse'>('rectangle', 'ellipse'),
      fc.integer({ min: -300, max: 300 }),
      fc.integer({ min: -300, max: 300 }),
      fc.boolean(),
      (shape, dx, dy, shift) => {
        fc.pre(Math.abs(dx) > 20 && Math.abs(dy) > 20);
        loadPiece(newPiece('Empty', piece.size));
        useTools.setState({ shape });
        perform(shapeTool(), {
          press: [[400, 300], {}],
          moves: [[[400 + dx, 300 + dy], { shift }]],
          isTakenBack: false,
        });
        const box = pathBounds(strokesOf(state().piece)[0]!.path)!;
        const side = Math.max(Math.abs(dx), Math.abs(dy));
        expect(box.right - box.left).toBeCloseTo(shift ? side : Math.abs(dx), 6);
        expect(box.bottom - box.top).toBeCloseTo(shift ? side : Math.abs(dy), 6);
        expect(dx > 0 ? box.left : box.right).toBeCloseTo(400, 6);
        expect(dy > 0 ? box.top : box.bottom).toBeCloseTo(300, 6);
      },
    ),
    { numRuns: times(40, 1000) },
  );
});

test('freehand goes where the hand went, with its pressure and its own time', () => {
  useEditor.setState({ tool: 'freehand', step: 'trace', selection: NOTHING });
  useTools.setState({ correction: 'as drawn', pressure: true });
  const hand = freehandTool();
  hand.down(at(100, 300, { pressure: 0.2 }));
  for (let i = 1; i <= 60; i++)
    hand.move(at(100 + i * 8, 300 + 60 * Math.sin(i / 8), { pressure: 0.2 + i / 100 }), true);
  hand.up(at(588, 300 + 60 * Math.sin(61 / 8), { pressure: 0.8 }));
  const stroke = strokesOf(state().piece).at(-1)!;
  const [first, last] = [stroke.path.points[0]!, stroke.path.points.at(-1)!];
  expect([first.x, first.y]).toEqual([100, 300]);
  expect(Math.hypot(last.x - 588, last.y - (300 + 60 * Math.sin(61 / 8)))).toBeLessThan(1);
  expect(measurePath(stroke.path).length).toBeGreaterThan(488);
  expect(stroke.hand!.seconds).toBeCloseTo((61 * 8) / 1000, 2);
  expect(stroke.ink.widths!.at(-1)!.scale).toBeGreaterThan(stroke.ink.widths![0]!.scale);
});

test('the order is tapped: what was tapped first is written first, the rest after', () => {
  useEditor.setState({ tool: 'order', step: 'trace', selection: NOTHING });
  const order = orderTool();
  const ring = strokeById(piece, 'ring')!;
  const { x, y } = applyMatrix(worldOf(piece, ring, 0), ring.path.points[1]!);
  const tap = (place: readonly [number, number]) =>
    perform(order, { press: [place, {}], moves: [], isTakenBack: false });
  expect(strokesOf(state().piece).map(({ id }) => id)).toEqual(['wave', 'ring']);
  tap([x, y]);
  expect(order.marks().tapped).toEqual(['ring']);
  tap([5, 5]);
  order.leave?.();
  expect(strokesOf(state().piece).map(({ id }) => id)).toEqual(['ring', 'wave']);
});

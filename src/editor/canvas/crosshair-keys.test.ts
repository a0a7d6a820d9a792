import fc from 'fast-check';
import { addLayers, newPiece, newStroke, strokesOf } from '@/core/document';
import { lineShape } from '@/core/geometry';
import { loadPiece, NOTHING, undo, useEditor, useTools } from '../state';
import { moveCrosshair, useCrosshair } from './crosshair';
import { crosshairKeys } from './crosshair-keys';
import { penTool, pressTool, selectTool, type CanvasTool } from './tools';
import { pointerAt } from './tools/input-for-tests';
import { useView } from './view';
import { times } from '@/core/testing/cases';

const piece = addLayers(newPiece('Keys', { width: 800, height: 600 }), [
  newStroke('rule', 'Rule', lineShape({ x: 200, y: 300 }, { x: 600, y: 300 })),
]);
const state = useEditor.getState;

/** The crosshair at work with a tool, and what a screen reader was told. */
function begin(tool: CanvasTool, x: number, y: number) {
  const said: string[] = [];
  const clock = { now: 0 };
  const keys = crosshairKeys({
    tool: () => tool,
    say: (words) => said.push(words),
    changed: () => undefined,
  });
  moveCrosshair({ x, y });
  const press = (key: string, part: Partial<KeyboardEvent> = {}): boolean => {
    let isKept = false;
    keys.press({
      ...{ key, shiftKey: false, ctrlKey: false, altKey: false, metaKey: false, repeat: false },
      timeStamp: (clock.now += 1000),
      preventDefault: () => (isKept = true),
      stopPropagation: () => undefined,
      ...part,
    } as KeyboardEvent);
    return isKept;
  };
  return { keys, press, said };
}
const here = () => useCrosshair.getState();

beforeEach(() => {
  loadPiece(piece);
  useTools.setState({ snapping: false, grid: null });
  useView.setState({ zoom: 0.5, x: 40, y: 30, fitted: false, viewport: { width: 480, height: 360 } });
});

test('arrows go a pixel, ten with Shift, a hundred with Ctrl, and each is said', () => {
  const { press, said } = begin(selectTool(), 400, 200);
  press('ArrowRight');
  press('ArrowDown', { shiftKey: true });
  press('ArrowLeft', { ctrlKey: true });
  expect(here().at).toEqual({ x: 301, y: 210 });
  expect(said).toEqual(['X 401, Y 200', 'X 401, Y 210', 'X 301, Y 210']);
  expect(state().piece).toBe(piece);
});

test('what the pen draws by keys is what it draws by a pointer at the same places', () => {
  const corners = fc.array(fc.tuple(fc.integer({ min: 40, max: 760 }), fc.integer({ min: 40, max: 560 })), {
    minLength: 2,
    maxLength: 6,
  });
  fc.assert(
    fc.property(corners, (places) => {
      const draw = (at: (tool: CanvasTool, x: number, y: number) => void) => {
        loadPiece(piece);
        useEditor.setState({ tool: 'pen', step: 'trace', selection: NOTHING });
        const pen = penTool();
        for (const [x, y] of places) at(pen, x, y);
        return strokesOf(state().piece).map(({ path }) => path);
      };
      const byPointer = draw((pen, x, y) => {
        pen.move(pointerAt(x, y), false);
        pressTool(pen, pointerAt(x, y)).release(pointerAt(x, y));
      });
      const byKeys = draw((pen, x, y) => begin(pen, x, y).press('Enter'));
      expect(byKeys).toEqual(byPointer);
    }),
    { numRuns: times(40, 1000) },
  );
});

test('what is taken hold of is dragged by arrows until it is let go: one step; Escape takes all of it back', () => {
  useEditor.setState({ tool: 'select', step: 'trace', selection: { ...NOTHING, layers: ['rule'] } });
  const begun = () => begin(selectTool(), 400, 300);
  const first = begun();
  expect(first.press('Enter', { ctrlKey: true })).toBe(true);
  expect(here().holds).toBe(true);
  expect(first.said.at(-1)).toBe('Held, on Rule');
  for (let i = 0; i < 4; i++) {
    first.press('ArrowDown', { shiftKey: true });
    first.keys.follow(here().at!);
  }
  first.press('Enter');
  expect(here().holds).toBe(false);
  expect(strokesOf(state().piece)[0]!.path.points.map(({ y }) => y)).toEqual([340, 340]);
  expect(state().past).toHaveLength(1);
  undo();
  expect(state().piece).toEqual(piece);
  const second = begun();
  second.press('Enter', { ctrlKey: true });
  second.press('ArrowDown', { shiftKey: true });
  second.keys.follow(here().at!);
  expect(state().piece).not.toEqual(piece);
  second.press('Escape');
  expect(state().piece).toEqual(piece);
  expect(state().past).toEqual([]);
  // It went back as well, to be able to take hold again.
  expect(here()).toEqual({ at: { x: 400, y: 300 }, holds: false });
  expect(second.said.at(-1)).toBe('Cancelled');
});

test('another key, or a pointer, takes back what is held; a key alone that means nothing here is left to others', () => {
  useEditor.setState({ tool: 'select', step: 'trace', selection: { ...NOTHING, layers: ['rule'] } });
  for (const end of ['x', 'pointer'] as const) {
    const { press, keys } = begin(selectTool(), 400, 300);
    expect(press('x')).toBe(false);
    press('Enter', { ctrlKey: true });
    press('ArrowUp', { shiftKey: true });
    keys.follow(here().at!);
    expect(press('Shift')).toBe(false);
    expect(state().piece).not.toEqual(piece);
    if (end === 'x') expect(press('x')).toBe(false);
    else keys.leave();
    expect(state().piece).toEqual(piece);
    expect(here().at === null).toBe(end === 'pointer');
  }
});

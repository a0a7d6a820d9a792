jest.mock('@/ui', () => ({ ...jest.requireActual<object>('@/ui'), notify: jest.fn(), ask: jest.fn() }));

import {
  addLayers,
  applyManner,
  groupLayers,
  keysAt,
  newPiece,
  newStroke,
  setFitted,
  strokesOf,
  type Piece,
} from '@/core/document';
import { lineShape, corner, measurePath, smooth } from '@/core/geometry';
import { ask, notify } from '@/ui';
import {
  changeable,
  deleteSelected,
  duplicateSelected,
  editPoints,
  groupSelected,
  makeCorner,
  makeSmooth,
  nudgeSelected,
  renameLayer,
  reverseSelected,
  selectAll,
  setFlag,
  stepSelected,
  takeTool,
  toggleClosed,
  toggleSolo,
  ungroupSelected,
} from './actions';
import { cutAtCrossings, joinSelectedToNext, splitAtPoint } from './retouch';
import { edit, loadPiece, redo, select, undo, useEditor } from './editor-store';

const wave = {
  closed: false,
  points: [corner(0, 0), smooth(100, 40, { x: 30, y: 0 }), smooth(200, 0, { x: 30, y: 10 }), corner(300, 40)],
};
const straight = (y: number) => ({ closed: false, points: [corner(0, y), corner(80, y)] });
const start = applyManner(
  addLayers(newPiece('Actions', { width: 400, height: 300 }), [
    newStroke('a', 'A', wave),
    newStroke('b', 'B', straight(100)),
    newStroke('c', 'C', straight(200)),
  ]),
  ['a', 'b', 'c'],
  { kind: 'on', from: 'start', onAt: 10, onFrames: 10 },
);
const get = useEditor.getState;
/** What was said last. */
const said = (): string => jest.mocked(notify).mock.lastCall![0];
const ids = (): string[] => get().piece.layers.map((layer) => layer.id);
const path = (id: string) => strokesOf(get().piece).find((stroke) => stroke.id === id)!.path;

beforeEach(() => {
  loadPiece(start);
  useEditor.setState({ step: 'trace', tool: 'select', frame: 0, solo: [] });
});

/** Everything an action does is one step: undone all is as it was, redone as it became. */
function oneStep(act: () => void): Piece {
  const before = get().piece;
  const steps = get().past.length;
  act();
  const after = get().piece;
  expect(after).not.toBe(before);
  expect(get().past.length).toBe(steps + 1);
  undo();
  expect(get().piece).toBe(before);
  redo();
  expect(get().piece).toBe(after);
  return after;
}

describe('deleting', () => {
  test('keys before points before whole strokes', () => {
    const refs = [{ stroke: 'a', part: 'head', index: 1 }];
    select({ layers: ['a'], points: [1], keys: refs });
    oneStep(deleteSelected);
    expect(keysAt(get().piece, refs[0]!)).toHaveLength(1);
    expect(path('a').points).toHaveLength(4);
    select({ layers: ['a'], points: [1] });
    oneStep(deleteSelected);
    expect(path('a').points).toHaveLength(3);
    expect(get().selection).toEqual({ layers: ['a'], points: [], keys: [] });
    oneStep(deleteSelected);
    expect(ids()).toEqual(['b', 'c']);
    expect(get().selection.layers).toEqual([]);
  });

  test('what is locked stays, which is said', () => {
    setFlag(['b'], 'locked', true);
    select({ layers: ['b'] });
    const before = get().piece;
    deleteSelected();
    expect(get().piece).toBe(before);
    expect(said()).toMatch(/locked/);
    // Of several, those that are free go.
    select({ layers: ['b', 'c'] });
    expect(changeable()).toEqual(['c']);
    deleteSelected();
    expect(ids()).toEqual(['a', 'b']);
  });
});

describe('moving', () => {
  test('points where any are chosen, else strokes; quick nudges are one step', () => {
    select({ layers: ['a'], points: [0, 3] });
    oneStep(() => nudgeSelected({ x: 2, y: -1 }));
    expect(path('a').points.map(({ x, y }) => [x, y])).toEqual([
      [2, -1],
      [100, 40],
      [200, 0],
      [302, 39],
    ]);
    select({ layers: ['b', 'c'] });
    const steps = get().past.length;
    for (let i = 0; i < 5; i++) nudgeSelected({ x: 1, y: 0 });
    expect(get().past.length).toBe(steps + 1);
    expect(path('c').points[0]).toMatchObject({ x: 5, y: 200 });
  });

  test('in the Place step as it stands: the path stays, its placement moves', () => {
    useEditor.setState({ step: 'place' });
    select({ layers: ['b'] });
    nudgeSelected({ x: 7, y: 3 });
    expect(path('b')).toEqual(straight(100));
    expect(get().piece.layers[1]!.place).toMatchObject({ x: 7, y: 3 });
  });
});

describe('points', () => {
  test('corners, smooth points, closing: all of the path where none are chosen', () => {
    select({ layers: ['a'], points: [1] });
    oneStep(makeCorner);
    expect(path('a').points.map(({ kind }) => kind)).toEqual(['corner', 'corner', 'smooth', 'corner']);
    select({ layers: ['a'] });
    oneStep(makeSmooth);
    expect(path('a').points.every(({ kind }) => kind === 'smooth')).toBe(true);
    oneStep(toggleClosed);
    expect(path('a').closed).toBe(true);
    const seen: (readonly number[])[] = [];
    editPoints((p, chosen) => (seen.push(chosen), { ...p }));
    expect(seen).toEqual([[0, 1, 2, 3]]);
  });

  test('cut at a point there are two that together are as long; at an end there is nothing to cut', () => {
    const whole = measurePath(wave).length;
    select({ layers: ['a'], points: [0] });
    splitAtPoint();
    expect(ids()).toHaveLength(3);
    select({ layers: ['a'], points: [2] });
    oneStep(splitAtPoint);
    const [first, second] = get().selection.layers;
    expect(measurePath(path(first!)).length + measurePath(path(second!)).length).toBeCloseTo(whole, 6);
    expect(ids().indexOf(second!)).toBe(ids().indexOf(first!) + 1);
  });

  test('cut where another stroke crosses it, and joined again to the line it was; each is one step', () => {
    const across = { ...newStroke('c', 'C', lineShape({ x: 60, y: -200 }, { x: 60, y: 400 })) };
    edit((piece) => addLayers(piece, [across]));
    const whole = measurePath(path('a')).length;
    select({ layers: ['a'] });
    oneStep(cutAtCrossings);
    const parts = get().selection.layers;
    expect(parts.length).toBeGreaterThan(1);
    parts.slice(1).forEach(() => {
      select({ layers: ['a'] });
      oneStep(joinSelectedToNext);
    });
    expect(ids().length).toBe(4);
    expect(measurePath(path('a')).length).toBeCloseTo(whole, 6);
  });

  test('turned round twice a path is as it was', () => {
    select({ layers: ['a'] });
    oneStep(reverseSelected);
    expect(path('a').points[0]).toMatchObject({ x: 300, y: 40 });
    reverseSelected();
    expect(path('a')).toEqual(wave);
  });
});

describe('copies', () => {
  test('duplicated strokes lie on what they were made of, under names and ids of their own', () => {
    select({ layers: ['a', 'b'] });
    oneStep(duplicateSelected);
    const made = get().selection.layers;
    expect(made).toHaveLength(2);
    expect(path(made[1]!).points[0]).toMatchObject({ x: 0, y: 100 });
    expect(new Set(get().piece.layers.map((layer) => layer.name)).size).toBe(5);
  });
});

describe('groups', () => {
  test('are made, named apart, and taken apart only as wholes', () => {
    select({ layers: ['a', 'b'] });
    oneStep(groupSelected);
    select({ layers: ['c'] });
    groupSelected();
    expect(new Set(get().piece.groups.map((group) => group.name)).size).toBe(2);
    select({ layers: ['a'] });
    const before = get().piece;
    ungroupSelected();
    expect(get().piece).toBe(before);
    expect(said()).toMatch(/Select all of a group/);
    select({ layers: ['a', 'b'] });
    oneStep(ungroupSelected);
    expect(get().piece.groups).toHaveLength(1);
  });

  test('what can’t be handed on is asked about first, and nothing is done until then', () => {
    loadPiece(groupLayers(start, ['a', 'b'], { id: 'g', name: 'Pair', blend: 'multiply' }));
    select({ layers: ['a', 'b'] });
    const before = get().piece;
    ungroupSelected();
    expect(get().piece).toBe(before);
    const [question] = jest.mocked(ask).mock.lastCall!;
    expect(question.title).toBe('Ungroup “Pair”?');
    oneStep(() => question.run());
    expect(get().piece.groups).toEqual([]);
  });
});

test('all points of a stroke on which some are chosen, else all that is to be seen and free', () => {
  select({ layers: ['a'], points: [1] });
  selectAll();
  expect(get().selection.points).toEqual([0, 1, 2, 3]);
  setFlag(['b'], 'hidden', true);
  setFlag(['c'], 'locked', true);
  selectAll();
  expect(get().selection).toMatchObject({ layers: ['a'], points: [] });
});

test('shown alone and not any more; hidden and shown; a flag that is so already changes nothing', () => {
  toggleSolo(['a']);
  toggleSolo(['b']);
  expect(get().solo).toEqual(['a', 'b']);
  toggleSolo(['a', 'b']);
  expect(get().solo).toEqual([]);
  const before = get().piece;
  setFlag(['a'], 'hidden', false);
  expect(get().piece).toBe(before);
});

test('a step in the order carries the timing along, and names can be given', () => {
  edit((piece) => applyManner(piece, ['b'], { kind: 'on', from: 'start', onAt: 40, onFrames: 10 }));
  select({ layers: ['b'] });
  oneStep(() => stepSelected(-1));
  expect(ids()).toEqual(['b', 'a', 'c']);
  const starts = strokesOf(get().piece).map(
    ({ id }) => keysAt(get().piece, { stroke: id, part: 'head' })[0]!.frame,
  );
  expect(starts).toEqual([10, 40, 10]);
  oneStep(() => renameLayer('b', 'Sail'));
  expect(get().piece.layers[0]!.name).toBe('Sail');
});

test('tools that make strokes bring the Trace step along, others leave it', () => {
  useEditor.setState({ step: 'ink' });
  takeTool('hand');
  expect(get()).toMatchObject({ tool: 'hand', step: 'ink' });
  takeTool('pen');
  expect(get()).toMatchObject({ tool: 'pen', step: 'trace' });
});

test('a path that keeps to a text is not moved by hand, which is said with a way out', () => {
  const fitted = setFitted(start, ['c'], () => ({
    to: 'b',
    as: 'under',
    padX: 0,
    padY: 4,
    from: 'left',
    radius: 0,
  }));
  edit(() => fitted);
  select({ layers: ['c'] });
  nudgeSelected({ x: 50, y: 0 });
  const { held } = get();
  expect(held.map(({ words }) => words).join()).toMatch(/keeps to/);
  edit(held[0]!.wayOut.edit);
  nudgeSelected({ x: 50, y: 0 });
  expect(get().held).toEqual([]);
});

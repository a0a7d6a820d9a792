jest.mock('@/ui', () => ({ ...jest.requireActual<object>('@/ui'), notify: jest.fn() }));

import { addLayers, applyManner, keysAt, newPiece, newStroke, readCopied } from '@/core/document';
import { readSvg } from '@/core/formats';
import { corner } from '@/core/geometry';
import { notify } from '@/ui';
import { loadPiece, select, useEditor } from '../state';
import { borrow, copySelected, pasteCopied, putOnClipboard, takeFromClipboard, useCopied } from '.';

const straight = (y: number) => ({ closed: false, points: [corner(0, y), corner(80, y)] });
const start = applyManner(
  addLayers(newPiece('Clipboard', { width: 400, height: 300 }), [
    newStroke('a', 'A', straight(50)),
    newStroke('b', 'B', straight(100)),
    newStroke('c', 'C', straight(200)),
  ]),
  ['a', 'b', 'c'],
  { kind: 'on', from: 'start', onAt: 10, onFrames: 10 },
);
const get = useEditor.getState;

/** A clipboard as an event hands it over. */
function clipboard(held: Record<string, string> = {}): DataTransfer {
  const data = {
    files: [],
    getData: (type: string) => held[type] ?? '',
    setData: (type: string, text: string) => void (held[type] = text),
  };
  return data as unknown as DataTransfer;
}

beforeEach(() => {
  loadPiece(start);
  useEditor.setState({ frame: 25 });
  useCopied.setState({ copied: null });
});

test('keys are copied where keys are chosen, and go to what is chosen then, at the playhead', () => {
  select({ layers: ['a'], keys: [0, 1].map((index) => ({ stroke: 'a', part: 'head', index })) });
  copySelected();
  useEditor.setState({ frame: 60 });
  select({ layers: ['c'] });
  pasteCopied();
  expect(keysAt(get().piece, { stroke: 'c', part: 'head' }).map(({ frame }) => frame)).toEqual([
    10, 20, 60, 70,
  ]);
  expect(get().past).toHaveLength(1);
});

test('layers go onto the clipboard whole for other windows, and as SVG for other programs', () => {
  select({ layers: ['a', 'b'] });
  const data = clipboard();
  expect(putOnClipboard(data)).toBe(true);
  const ours = readCopied(data.getData('application/x-obelus'))!;
  expect(ours.piece.layers.map((layer) => layer.name)).toEqual(['A', 'B']);
  const svg = data.getData('text/plain');
  expect(data.getData('image/svg+xml')).toBe(svg);
  expect(readSvg(svg).shapes).toHaveLength(2);
  // Before they are written they are copied as drawn.
  useEditor.setState({ frame: 3 });
  putOnClipboard(data);
  expect(readSvg(data.getData('text/plain')).shapes).toEqual(readSvg(svg).shapes);
  // Another window has nothing in its memory: the clipboard alone gives it.
  useCopied.setState({ copied: null });
  takeFromClipboard(data);
  expect(get().piece.layers).toHaveLength(5);
  expect(get().selection.layers).toEqual(
    get()
      .piece.layers.slice(3)
      .map((layer) => layer.id),
  );
});

test('what does not fit is refused and nothing is changed', () => {
  select({ layers: ['a'], keys: [{ stroke: 'a', part: 'head', index: 0 }] });
  const data = clipboard();
  putOnClipboard(data);
  const text = data.getData('application/x-obelus').replace('"value":0', '"value":"red"');
  takeFromClipboard(clipboard({ 'application/x-obelus': text }));
  expect(get().piece).toBe(start);
  expect(jest.mocked(notify).mock.lastCall![0]).toMatch(/does not fit here. Nothing was changed/);
});

test('nothing selected copies nothing; ink alone is borrowed in one step', () => {
  expect(putOnClipboard(clipboard())).toBe(false);
  select({ layers: ['b'] });
  copySelected();
  select({ layers: ['a', 'c'] });
  const before = get().piece;
  borrow('effects');
  expect(get().piece).toBe(before);
  borrow('ink');
  expect(get().past).toHaveLength(before === start ? 1 : 2);
});

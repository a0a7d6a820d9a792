import {
  addLayers,
  DEFAULT_INK,
  groupLayers,
  newLettering,
  newPiece,
  newStroke,
  revealThrough,
  setReveal,
} from '@/core/document';
import { corner } from '@/core/geometry';
import { inkForNew, loadPiece, select, useEditor, useTools } from '.';

const line = { closed: false, points: [corner(0, 0), corner(50, 0)] };
const set = { outlines: {}, glyphs: [], scale: 1, missing: [] };
const setting = {
  text: 'A',
  face: { id: 'sacramento', weight: 400 },
  ...{ size: 10, tracking: 0, leading: 1, align: 'left' as const },
};
const widths = { a: 5, b: 44, c: 44 };
const drawn = addLayers(newPiece('Inks', { width: 200, height: 100 }), [
  ...Object.entries(widths).map(([id, width]) => newStroke(id, id, line, { ...DEFAULT_INK, width })),
  newLettering('t', 'T', setting, set, { x: 0, y: 0 }),
]);
// The wide two write the lettering, as a group.
const grouped = groupLayers(drawn, ['b', 'c'], { id: 'hand', name: 'Hand' });
const piece = setReveal(grouped, ['t'], revealThrough(['hand']));

beforeEach(() => {
  loadPiece(piece);
  useTools.setState({ ink: null });
});

test.each([
  ['nothing selected: the last that is no matte', [], 5],
  ['a matte selected: the last that is none', ['c'], 5],
  ['one selected that is seen: its own', ['a'], 5],
])('%s', (_, layers, width) => {
  select({ layers });
  expect(inkForNew().width).toBe(width);
});

test('what was chosen for new strokes has the last word; without any stroke it is the default', () => {
  useTools.setState({ ink: { ...DEFAULT_INK, width: 9 } });
  select({ layers: ['a'] });
  expect(inkForNew().width).toBe(9);
  useTools.setState({ ink: null });
  loadPiece({ ...piece, layers: [] });
  expect(inkForNew(useEditor.getState())).toBe(DEFAULT_INK);
});

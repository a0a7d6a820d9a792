import fc from 'fast-check';
import {
  addLayers,
  applyStyle,
  cueFault,
  cueStrokes,
  DEFAULT_INK,
  groupLayers,
  mirrorKeys,
  moveLayers,
  newPiece,
  newStroke,
  OWN_MANNERS,
  pieceSchema,
  putMarker,
  putStyle,
  reapplyManner,
  reverseKeys,
  removeLayers,
  setInk,
  setKey,
  setLine,
  spreadStrokes,
  stepLayers,
  strokesOf,
  tieFault,
  tieStrokes,
  ungroup,
  withLength,
  withRate,
  newMask,
  canCarry,
  partWithId,
  setBlend,
  setFitted,
  setHold,
  setMasks,
  setParent,
  setPlace,
} from '@/core/document';
import { corner } from '@/core/geometry';
import {
  beginDrag,
  cancelDrag,
  edit,
  editFromBase,
  endDrag,
  loadPiece,
  redo,
  undo,
  useEditor,
} from './editor-store';
import { times } from '@/core/testing/cases';

const start = addLayers(
  newPiece('Undo'),
  ['a', 'b', 'c'].map((id) => newStroke(id, id, { closed: false, points: [corner(0, 0), corner(100, 40)] })),
);
const id = fc.constantFrom('a', 'b', 'c', 'd', 'e');
const small = fc.integer({ min: -50, max: 50 });

/** Edits as people mix them: single ones, quick runs that merge, drags of several moves, dropped drags, undo and redo. */
const action = fc.oneof(
  fc.tuple(id, small).map(
    ([s, x]) =>
      () =>
        edit((p) => moveLayers(p, [s], { x, y: 1 }), 'nudge'),
  ),
  fc.tuple(id, small).map(
    ([s, w]) =>
      () =>
        edit((p) => setInk(p, [s], { width: Math.abs(w) })),
  ),
  fc.tuple(id, small).map(
    ([s, f]) =>
      () =>
        edit((p) => setKey(p, s, 'head', f, 0.5)),
  ),
  id.map((s) => () => edit((p) => removeLayers(p, [s]))),
  id.map((s) => () => edit((p) => stepLayers(p, [s], 1))),
  fc.tuple(id, fc.array(small, { maxLength: 4 }), fc.boolean()).map(([s, moves, dropped]) => () => {
    beginDrag();
    for (const x of moves) editFromBase((p) => moveLayers(p, [s], { x, y: x }));
    (dropped ? cancelDrag : endDrag)();
  }),
  // What follows others is settled within the same step, and goes back with it.
  fc
    .tuple(id, id, fc.constantFrom('width', 'colour', 'dashes', 'path'), small)
    .map(([s, to, property, offset]) => () => {
      const tie = { property, to, factor: 1, offset } as const;
      if (tieFault(useEditor.getState().piece, [s], tie) === null) edit((p) => tieStrokes(p, [s], tie));
    }),
  fc.tuple(id, id).map(([s, to]) => () => {
    if (cueFault(useEditor.getState().piece, [s], to) === null) edit((p) => cueStrokes(p, [s], to));
  }),
  fc.tuple(id, small).map(
    ([s, n]) =>
      () =>
        edit((p) =>
          applyStyle(
            putStyle(p, { id: 'st', name: 'St', ink: { ...DEFAULT_INK, width: Math.abs(n) } }),
            [s],
            'st',
          ),
        ),
  ),
  fc.tuple(small, fc.constantFrom('writing', 'random', 'longest first')).map(
    ([n, order]) =>
      () =>
        edit((p) =>
          spreadStrokes(p, ['a', 'b', 'c', 'd', 'e'], {
            order,
            seed: n,
            step: { by: 'frames', frames: Math.abs(n) },
            each: { by: 'own' },
            total: null,
            handOver: false,
          }),
        ),
  ),
  fc
    .tuple(fc.subarray(['a', 'b', 'c'], { minLength: 1 }), fc.constantFrom('g', 'h'))
    .map(([ids, g]) => () => {
      const known = useEditor.getState().piece.groups.some((group) => group.id === g);
      edit((p) => (known ? ungroup(p, [g]) : groupLayers(p, ids, { id: g, name: g })));
    }),
  fc.tuple(fc.constantFrom('g', 'h'), fc.constantFrom('together' as const, 'after' as const, null)).map(
    ([g, how]) =>
      () =>
        edit((p) => (p.groups.some((group) => group.id === g) ? setLine(p, g, how) : p)),
  ),
  fc.tuple(id, fc.constantFrom(...OWN_MANNERS)).map(
    ([s, { manner, name }]) =>
      () =>
        edit((p) => reapplyManner(p, [s], manner, name)),
  ),
  fc.tuple(id, fc.boolean()).map(([s, turned]) => () => {
    const keys = [0, 1].map((index) => ({ stroke: s, part: 'head', index }));
    edit((p) => (turned ? reverseKeys(p, keys) : mirrorKeys(p, keys)));
  }),
  fc.tuple(fc.constantFrom(24, 25, 50), fc.constantFrom('seconds' as const, 'frames' as const)).map(
    ([numerator, keep]) =>
      () =>
        edit((p) => withRate(p, { numerator, denominator: 1 }, keep)),
  ),
  fc.tuple(small, fc.constantFrom('stays' as const, 'spread' as const, 'hold' as const)).map(
    ([n, stretch]) =>
      () =>
        edit((p) => withLength(p, 60 + n, stretch)),
  ),
  fc.tuple(fc.constantFrom('a', 'b', 'g', 'h'), small, fc.boolean()).map(([s, n, keyed]) => () => {
    if (!partWithId(useEditor.getState().piece, s)) return;
    edit((p) => setPlace(p, s, 0, { x: n, rotation: n / 10 }));
    if (keyed) edit((p) => setKey(p, s, 'place.x', Math.abs(n), n));
  }),
  fc.tuple(fc.constantFrom('a', 'b', 'g'), fc.constantFrom('c', 'd', 'h')).map(([s, to]) => () => {
    const { piece } = useEditor.getState();
    if (partWithId(piece, s) && canCarry(piece, to, s)) edit((p) => setParent(p, s, to, 0));
  }),
  fc.tuple(fc.constantFrom('a', 'c', 'g'), small).map(([s, n]) => () => {
    if (!partWithId(useEditor.getState().piece, s)) return;
    const shape = { kind: 'ellipse', x: n, y: n, radiusX: 5, radiusY: 5 } as const;
    edit((p) => setBlend(setMasks(p, s, [newMask('m', shape)]), [s], n > 0 ? 'multiply' : null));
  }),
  fc
    .tuple(id, fc.constantFrom('a', 'b'), fc.constantFrom('under' as const, 'box' as const, 'slice' as const))
    .map(([s, to, as]) => () => {
      if (s === to) return;
      edit((p) => setFitted(p, [s], () => ({ to, as, padX: 4, padY: 4, from: 'left', radius: 0 })));
    }),
  small.map((n) => () => edit((p) => setHold(p, n > 0 ? { from: n, to: n + 4 } : null))),
  small.map((n) => () => edit((p) => putMarker(p, { frame: Math.abs(n), name: 'M' }))),
  fc.constant(undo),
  fc.constant(redo),
);

test('undo is exact: after any 500 mixed edits, undoing all gives the first document, redoing all the last', () => {
  const first = JSON.stringify(start);
  const run = (actions: (() => void)[]): void => {
    loadPiece(start);
    actions.forEach((act) => act());
    const last = JSON.stringify(useEditor.getState().piece);
    // Whatever was done, the document is one that the server takes.
    expect(pieceSchema.safeParse(useEditor.getState().piece).error?.issues).toBeUndefined();
    const ahead = useEditor.getState().future.length;
    while (useEditor.getState().past.length > 0) undo();
    expect(JSON.stringify(useEditor.getState().piece)).toBe(first);
    while (useEditor.getState().future.length > ahead) redo();
    expect(JSON.stringify(useEditor.getState().piece)).toBe(last);
  };
  fc.assert(fc.property(fc.array(action, { minLength: 500, maxLength: 500 }), run), {
    numRuns: times(20, 1000),
  });
});

test('a drag is one step, a dropped drag none, and an edit that changes nothing none', () => {
  loadPiece(start);
  beginDrag();
  for (const x of [1, 2, 3]) editFromBase((p) => moveLayers(p, ['a'], { x, y: 0 }));
  endDrag();
  expect(useEditor.getState().past).toHaveLength(1);
  expect(strokesOf(useEditor.getState().piece)[0]!.path.points[0]!.x).toBe(3);
  beginDrag();
  editFromBase((p) => moveLayers(p, ['a'], { x: 9, y: 0 }));
  cancelDrag();
  edit((p) => p);
  expect(useEditor.getState().past).toHaveLength(1);
  expect(strokesOf(useEditor.getState().piece)[0]!.path.points[0]!.x).toBe(3);
});

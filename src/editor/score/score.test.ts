import fc from 'fast-check';
import {
  addLayers,
  addPin,
  applyManner,
  groupLayers,
  keyedParts,
  moveKeys,
  newPiece,
  newStroke,
  putMarker,
  readPiece,
  setKey,
  setLine,
  setPlace,
  setWorkRange,
  tieStrokes,
  updateKeyed,
  WHOLE_PIECE,
  withPart,
  type KeyRef,
  type Piece,
} from '@/core/document';
import { corner } from '@/core/geometry';
import { drawnFrame } from '@/core/scene';
import { LINEAR } from '@/core/timing';
import { snapPlaces, snappedBy } from './drag';
import { laneY } from './envelope';
import { boundWords, keysInBox } from './key-box';
import { rowOfKeys, rowOfLayer, rowsOf } from './rows';
import { fitTime, frameAt, scrollTime, useTimeScale, xOf, zoomTime } from './time-scale';

const stroke = (id: string, y: number) =>
  newStroke(id, id.toUpperCase(), { closed: false, points: [corner(0, y), corner(100, y)] });
const size = { width: 400, height: 200 };
const bare = addLayers(
  newPiece('Score', size, { numerator: 25, denominator: 1 }, 100),
  ['a', 'b', 'c', 'd'].map((id, i) => stroke(id, i * 20)),
);
const timed = applyManner(bare, ['a', 'b', 'c', 'd'], {
  kind: 'both',
  from: 'start',
  onAt: 10,
  onFrames: 20,
  offAt: 70,
  offFrames: 20,
});
const lane = () => useTimeScale.getState().lane;
const CLOSED = { groups: {}, opened: [] };

describe('rows', () => {
  const grouped = groupLayers(timed, ['b', 'c'], { id: 'g', name: 'Pair' });
  const inner = groupLayers(grouped, ['c'], { id: 'h', name: 'Inner' });

  test('stand in writing order, groups before what they hold, deeper by each group around; closed ones hide it', () => {
    const shape = (rows: ReturnType<typeof rowsOf>) =>
      rows.map(
        (row) => `${row.depth}${row.kind === 'layer' ? (row.order ?? '-') : row.kind[0]} ${row.owner.name}`,
      );
    expect(shape(rowsOf(inner, CLOSED))).toEqual(['01 A', '0g Pair', '12 B', '1g Inner', '23 C', '04 D']);
    expect(shape(rowsOf(inner, { groups: { g: 'closed' }, opened: [] }))).toEqual([
      '01 A',
      '0g Pair',
      '04 D',
    ]);
    // One that holds many is closed until it is opened.
    const many = groupLayers(
      addLayers(
        timed,
        Array.from({ length: 9 }, (_, i) => ({ ...timed.layers[0]!, id: `n${i}` })),
      ),
      ['b', ...Array.from({ length: 9 }, (_, i) => `n${i}`)],
      { id: 'm', name: 'Many' },
    );
    expect(rowsOf(many, CLOSED).map(({ kind }) => kind)).toEqual(['layer', 'group', 'layer', 'layer']);
    expect(rowsOf(many, { groups: { m: 'open' }, opened: [] })).toHaveLength(14);
    // Numbers count what is hidden in a closed group too.
    expect(rowOfLayer(rowsOf(inner, { groups: { g: 'closed' }, opened: [] }), 'c')).toBe(1);
  });

  test('everything keyed has a row of its own once it is opened, and only one row shows a key', () => {
    let piece = setKey(timed, 'a', 'ink.width', 5, 9);
    piece = setPlace(piece, 'a', 0, { rotation: 1 });
    piece = setKey(piece, 'a', 'place.rotation', 30, 2);
    const rows = rowsOf(piece, { groups: {}, opened: ['a'] });
    const parts = rows.flatMap((row) => (row.kind === 'part' ? [row.part] : []));
    expect(parts).toEqual(['ink.width', 'place.rotation']);
    for (const part of keyedParts(piece.layers[0]!)) {
      const at = rowOfKeys(rows, 'a', part);
      expect(at).toBeGreaterThanOrEqual(0);
      expect(rows[at]!.owner.id).toBe('a');
      expect(at === 0).toBe(part === 'head' || part === 'tail');
    }
    expect(rowOfKeys(rowsOf(piece, CLOSED), 'a', 'ink.width')).toBe(-1);
  });

  test('a line’s members are led: their windows are no rows of theirs', () => {
    const line = setLine(grouped, 'g', 'together');
    const rows = rowsOf(line, { groups: {}, opened: ['b', 'g'] });
    const led = rows.find((row) => row.kind === 'layer' && row.layer.id === 'b')!;
    expect(led.owner.led).toBe(true);
    expect(rows.some((row) => row.kind === 'part' && row.owner.id === 'b')).toBe(false);
  });
});

test('what is keyed of pins and of the piece itself stands below all layers, and is moved, boxed and retimed like all keys', () => {
  const key = (frame: number, value: number) => ({ frame, value, easing: LINEAR });
  const pinned = addPin(timed, { id: 'p', name: 'Pin 1', x: { keys: [key(3, 0), key(9, 50)] }, y: 5 });
  const held: Piece = { ...pinned, drawings: { keys: [key(0, 8), key(40, 12)] } };
  const rows = rowsOf(held, CLOSED);
  expect(rows.slice(-2).map(({ key: id }) => id)).toEqual(['p pin.x', `${WHOLE_PIECE} drawings`]);
  expect(rowOfKeys(rows, WHOLE_PIECE, 'drawings')).toBe(rows.length - 1);
  const top = (rows.length - 1) * lane();
  const refs = keysInBox(held, rows, { left: -1e5, right: 1e5, top: top + 1, bottom: top + lane() });
  expect(refs).toEqual([0, 1].map((index) => ({ stroke: WHOLE_PIECE, part: 'drawings', index })));
  const moved = moveKeys(held, refs, 5);
  expect(moved.drawings).toEqual({ keys: [key(5, 8), key(45, 12)] });
  expect(readPiece(JSON.parse(JSON.stringify(moved)) as unknown)).toEqual({ ok: true, piece: moved });
  // Eight drawings at 25 a second: that of frame 3.125 is shown at frames 4 to 6.
  expect([4, 5, 6].map((frame) => drawnFrame(held, frame))).toEqual([3.125, 3.125, 3.125]);
});

describe('keys in a box', () => {
  const rows = rowsOf(timed, CLOSED);
  const wide = { left: -1e5, right: 1e5, top: -1e5, bottom: 1e5 };
  const locked = (piece: Piece, id: string): Piece => ({
    ...piece,
    layers: piece.layers.map((layer) => (layer.id === id ? { ...layer, locked: true } : layer)),
  });

  test('are those whose bars stand in it; locked lanes and led ones give none', () => {
    useTimeScale.setState({ left: 0, pixelsPerFrame: 10, width: 1000 });
    expect(keysInBox(timed, rows, wide)).toHaveLength(16);
    const shut = locked(timed, 'b');
    expect(keysInBox(shut, rowsOf(shut, CLOSED), wide)).toHaveLength(12);
    const head = { frame: 30, y: lane() + laneY(lane(), 1) };
    const near = (dx: number, dy: number) =>
      keysInBox(timed, rows, {
        left: head.frame * 10 + dx - 2,
        right: head.frame * 10 + dx + 2,
        top: head.y + dy - 2,
        bottom: head.y + dy + 2,
      });
    expect(near(0, 0)).toEqual([{ stroke: 'b', part: 'head', index: 1 }]);
    expect(near(30, 0)).toEqual([]);
    expect(near(0, 8)).toEqual([]);
  });

  test('a larger box never loses a key', () => {
    const edge = fc.integer({ min: -20, max: 1020 });
    fc.assert(
      fc.property(edge, edge, edge, edge, fc.nat(60), (x0, x1, y0, y1, more) => {
        const box = {
          left: Math.min(x0, x1),
          right: Math.max(x0, x1),
          top: Math.min(y0, y1) / 8,
          bottom: Math.max(y0, y1) / 8,
        };
        const larger = {
          left: box.left - more,
          right: box.right + more,
          top: box.top - more,
          bottom: box.bottom + more,
        };
        const all = keysInBox(timed, rows, larger);
        for (const key of keysInBox(timed, rows, box)) expect(all).toContainEqual(key);
      }),
    );
  });
});

describe('dragged frames', () => {
  const marked = setWorkRange(putMarker(timed, { frame: 44, name: 'Cut' }), { from: 20, to: 80 });
  const own: KeyRef[] = [{ stroke: 'a', part: 'head', index: 1 }];

  test('are drawn to the playhead, markers, the range, other keys and the ends, never to themselves', () => {
    const places = snapPlaces(marked, 55, own);
    expect(places.map(({ name }) => name)).toEqual(
      expect.arrayContaining(['playhead', 'Cut', 'work range', 'B', 'first frame', 'last frame']),
    );
    expect(places.filter(({ frame, name }) => frame === 30 && name === 'A')).toEqual([]);
    expect(places.filter(({ frame, name }) => frame === 30 && name === 'B')).toHaveLength(1);
  });

  test('go to the nearest place within eight pixels, else as far as the pointer, in whole frames', () => {
    const places = [
      { frame: 44, name: 'Cut' },
      { frame: 50, name: 'playhead' },
    ];
    expect(snappedBy(13.2, [30], places, 8)).toEqual({ by: 14, snap: places[0] });
    expect(snappedBy(12.9, [30], places, 8)).toEqual({ by: 13, snap: null });
    // Of several that move, whichever comes nearest is drawn.
    expect(snappedBy(5.6, [30, 44], places, 8)).toEqual({ by: 6, snap: places[1] });
    fc.assert(
      fc.property(
        fc.double({ min: -200, max: 200, noNaN: true }),
        fc.integer({ min: 1, max: 60 }),
        (raw, zoom) => {
          const { by, snap } = snappedBy(raw, [30], places, zoom);
          if (snap) expect(Math.abs(by - raw) * zoom).toBeLessThanOrEqual(8);
          else expect(by).toBe(Math.round(raw));
        },
      ),
    );
  });
});

test('time is zoomed about the pointer, never smaller than the piece and never away from it', () => {
  useTimeScale.setState({ width: 828 });
  fitTime(101);
  const whole = useTimeScale.getState();
  expect(xOf(whole, 0)).toBeCloseTo(14);
  expect(xOf(whole, 100)).toBeCloseTo(814);
  zoomTime(4, 414, 101);
  const near = useTimeScale.getState();
  expect(near.pixelsPerFrame).toBeCloseTo(32);
  expect(frameAt(near, 414)).toBeCloseTo(50);
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(
          fc.double({ min: 0.1, max: 10, noNaN: true }),
          fc.integer({ min: 0, max: 828 }),
          fc.integer({ min: -900, max: 900 }),
        ),
      ),
      (steps) => {
        for (const [factor, x, by] of steps) {
          zoomTime(factor, x, 101);
          scrollTime(by, 101);
          const scale = useTimeScale.getState();
          expect(scale.pixelsPerFrame).toBeGreaterThanOrEqual(whole.pixelsPerFrame - 1e-9);
          expect(xOf(scale, 0)).toBeLessThanOrEqual(14 + 1e-6);
          expect(xOf(scale, 100)).toBeGreaterThanOrEqual(814 - 1e-6);
        }
      },
    ),
  );
});

test('a piece of so few frames that they are wider than the closest view fills the lanes, however it is zoomed', () => {
  useTimeScale.setState({ width: 828 });
  for (const length of [1, 2, 5, 12]) {
    fitTime(length);
    const whole = useTimeScale.getState();
    zoomTime(4, 300, length);
    zoomTime(0.2, 500, length);
    expect(useTimeScale.getState()).toMatchObject({ pixelsPerFrame: whole.pixelsPerFrame, fitted: true });
  }
});

test('what is tied says so on both sides; a tie to what is gone says nothing', () => {
  const tied = tieStrokes(timed, ['b'], { property: 'width', to: 'a', factor: 1, offset: 0 });
  const words = boundWords(tied.layers);
  expect(words.get('b')).toBe('width follows A');
  expect(words.get('a')).toBe('B follows its width');
  expect(boundWords(tied.layers.filter((layer) => layer.id !== 'a')).size).toBe(0);
});

test('a key of a value that is not there in one layer is not made there', () => {
  const glowing = updateKeyed(timed, ['a'], (one) => withPart(one, 'ink.glow.size', 9));
  expect(glowing).toEqual(timed);
});

import fc from 'fast-check';
import {
  addLayers,
  applyManner,
  carriedCycle,
  groupLayers,
  newPiece,
  newRider,
  newStroke,
  readPiece,
  riddenAt,
  setPlace,
  setRider,
  strokeById,
  windowAt,
  worldOf,
  type Piece,
  type Rider,
} from '..';
import { applyMatrix, corner, measurePath, pointAtLength, smooth, tangentAtLength } from '../../geometry';
import { times } from '../../testing/cases';

const rider = (values: Partial<Rider> = {}): Rider => ({ ...newRider('line', 1), ...values });

/** A pen with its nib at (40, 10), and two strokes it can write. */
function piece(): Piece {
  const made = addLayers(newPiece('Ridden', { width: 800, height: 600 }), [
    newStroke('pen', 'Pen', { closed: false, points: [corner(40, 10), corner(90, -60)] }),
    newStroke('line', 'Line', {
      closed: false,
      points: [
        smooth(100, 300, { x: 90, y: -200 }),
        smooth(400, 250, { x: 60, y: 90 }),
        smooth(700, 200, { x: 50, y: -90 }),
      ],
    }),
    newStroke('next', 'Next', { closed: false, points: [corner(200, 500), corner(600, 520)] }),
  ]);
  const at = (onAt: number) => ({ kind: 'on', from: 'start', onAt, onFrames: 20 }) as const;
  const written = applyManner(applyManner(made, ['line'], at(10)), ['next'], at(40));
  return setPlace(written, 'pen', 0, { pivotX: 40, pivotY: 10, x: 0, y: 0 });
}
const pen = (p: Piece) => strokeById(p, 'pen')!;

test('its pivot lies on the head within 0.1 px at every frame, fractions too, however the stroke is placed', () => {
  const frame = fc.double({ min: 0, max: 60, noNaN: true });
  const turn = fc.double({ min: -3, max: 3, noNaN: true });
  fc.assert(
    fc.property(frame, turn, turn, (at, rotation, lean) => {
      const placed = setPlace(piece(), 'line', 0, { rotation, x: 31, scaleX: 1.3 });
      const ridden = setRider(placed, 'pen', rider({ lean }));
      const line = strokeById(ridden, 'line')!;
      const m = measurePath(line.path);
      const head = applyMatrix(
        worldOf(ridden, line, at),
        pointAtLength(m, m.length * windowAt(line, at).head),
      );
      const nib = applyMatrix(worldOf(ridden, pen(ridden), at), { x: 40, y: 10 });
      expect(Math.hypot(nib.x - head.x, nib.y - head.y)).toBeLessThan(0.1);
    }),
    { numRuns: times(200, 4000) },
  );
});

test('it is turned with the stroke, or stands upright, and leans as told', () => {
  const line = strokeById(piece(), 'line')!;
  const m = measurePath(line.path);
  const angleAt = (values: Partial<Rider>, frame: number): number => {
    const [a, b] = worldOf(
      setRider(piece(), 'pen', rider(values)),
      pen(setRider(piece(), 'pen', rider(values))),
      frame,
    );
    return Math.atan2(b, a);
  };
  for (const frame of [14, 20, 25]) {
    const way = tangentAtLength(m, m.length * windowAt(line, frame).head);
    expect(angleAt({ over: 1 }, frame)).toBeCloseTo(Math.atan2(way.y, way.x), 2);
    expect(angleAt({ over: 1, lean: 0.4 }, frame)).toBeCloseTo(Math.atan2(way.y, way.x) + 0.4, 2);
    expect(angleAt({ turned: false, lean: -0.3 }, frame)).toBeCloseTo(-0.3, 9);
  }
});

test('along a group it writes one stroke after another, lifted from the end of one to the start of the next without a jump', () => {
  const grouped = groupLayers(piece(), ['line', 'next'], { id: 'words', name: 'Words' });
  const ridden = setRider(grouped, 'pen', rider({ on: 'words' }));
  const nib = (frame: number) => applyMatrix(worldOf(ridden, pen(ridden), frame), { x: 40, y: 10 });
  expect(nib(30)).toMatchObject({ x: expect.closeTo(700, 3), y: expect.closeTo(200, 3) });
  expect(nib(40)).toMatchObject({ x: expect.closeTo(200, 3), y: expect.closeTo(500, 3) });
  expect(nib(35)).toMatchObject({ x: expect.closeTo(450, 1), y: expect.closeTo(350, 1) });
  for (let frame = 0; frame < 70; frame += 0.1) {
    const [a, b] = [nib(frame), nib(frame + 0.1)];
    // 20 frames for 720 px, eased: nowhere more than a few times the mean.
    expect(Math.hypot(b.x - a.x, b.y - a.y)).toBeLessThan(20);
  }
});

test('it comes before the ink and goes after it, or stays', () => {
  const there = (values: Partial<Rider>) =>
    [5, 7, 8, 9, 10, 20, 30, 33, 36, 40].map((frame) =>
      Number(riddenAt(piece(), rider(values), frame)!.presence.toFixed(2)),
    );
  expect(there({ comes: 4, goes: 6 })).toEqual([0, 0.25, 0.5, 0.75, 1, 1, 1, 0.5, 0, 0]);
  expect(there({ comes: 0, goes: 0 })).toEqual([0, 0, 0, 0, 1, 1, 1, 0, 0, 0]);
  expect(there({ comes: 0, stays: true })).toEqual([0, 0, 0, 0, 1, 1, 1, 1, 1, 1]);
});

test('its size follows the width; what it rides on gone it stands by itself; circles are refused', () => {
  const sized = setRider(piece(), 'pen', rider({ sized: true, width: 6, turned: false }));
  expect(worldOf(sized, pen(sized), 20)[0]).toBeCloseTo(2, 9);
  const alone = setRider(piece(), 'pen', rider({ on: 'gone' }));
  expect(worldOf(alone, pen(alone), 20)).toEqual(worldOf(piece(), pen(piece()), 20));
  const circle = setRider(setRider(piece(), 'pen', rider()), 'line', rider({ on: 'pen' }));
  expect(carriedCycle(circle.layers, circle.groups)).not.toBeNull();
  expect(readPiece(circle)).toMatchObject({ ok: false });
  expect(readPiece(JSON.parse(JSON.stringify(sized)))).toMatchObject({ ok: true });
});

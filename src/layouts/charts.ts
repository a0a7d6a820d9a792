import {
  inkOf,
  cueStrokes,
  newStroke,
  setCount,
  setKey,
  settlePiece,
  tieCounts,
  type Piece,
  type Stroke,
} from '@/core/document';
import { ellipseShape, smooth, type Path } from '@/core/geometry';
import { landingEasing } from '@/core/timing';
import { blank, drawn, fades, field, withHold, put, withFields } from './make';
import { lettering, MINIUM, REED, VELLUM, VERDIGRIS } from './texts';

const ROUTE: Path = {
  closed: false,
  points: [
    { x: 470, y: 830, in: { x: 0, y: 0 }, out: { x: 150, y: -60 }, kind: 'corner' },
    smooth(800, 610, { x: 60, y: -110 }),
    smooth(1130, 520, { x: 130, y: 20 }),
    { x: 1450, y: 270, in: { x: -60, y: 120 }, out: { x: 0, y: 0 }, kind: 'corner' },
  ],
};

/** A place on a map: a ring that closes round a point. */
const place = (id: string, name: string, x: number, y: number): Stroke =>
  newStroke(id, name, ellipseShape({ x: x - 20, y: y - 20 }, { x: x + 20, y: y + 20 }), inkOf(9, VELLUM));

/** A dashed way over a map from one place to another, both named. */
export function mapRoute(): Piece {
  const [from, to] = [ROUTE.points[0]!, ROUTE.points.at(-1)!];
  let piece = put(blank('Map route with two labels', 125), [
    newStroke(
      'route',
      'Route',
      ROUTE,
      inkOf(11, MINIUM, {
        dashes: {
          pattern: [2.4, 2],
          unit: 'widths',
          phase: 0,
          flow: 'stay',
          speed: { value: 60, unit: 'px', seamless: true },
          fit: true,
          corners: false,
          grow: 0,
        },
        ends: { head: { shape: 'solid arrow', size: 3.2 } },
      }),
    ),
    place('from-mark', 'From', from.x, from.y),
    place('to-mark', 'To', to.x, to.y),
    lettering('from', 'routeFrom', from.x + 46, from.y + 40, VELLUM),
    lettering('to', 'routeTo', to.x + 46, to.y + 12, VELLUM),
  ]);
  const off = { offAt: 104, offFrames: 12 };
  piece = drawn(piece, ['from-mark'], { onAt: 0, onFrames: 10, ...off });
  piece = drawn(piece, ['route'], { onAt: 10, onFrames: 48, offAt: 100, offFrames: 18 });
  piece = drawn(piece, ['to-mark'], { onAt: 44, onFrames: 10, ...off });
  piece = settlePiece(piece, cueStrokes(piece, ['to-mark'], 'route', { at: 0.94, offset: 0 }));
  piece = fades(piece, 'from', { onAt: 4, onFrames: 14, offAt: 102, offFrames: 10 });
  piece = fades(piece, 'to', { onAt: 60, onFrames: 14, offAt: 102, offFrames: 10 });
  return withHold(
    withFields(
      piece,
      field('From', 'text', 'from'),
      field('To', 'text', 'to'),
      field('Route', 'colour', 'route'),
      field('Labels', 'colour', 'from', 'to', 'from-mark', 'to-mark'),
    ),
    76,
    98,
  );
}

/** A ring that fills while a number in it counts up. */
export function countedRing(): Piece {
  const circle = ellipseShape({ x: 660, y: 220 }, { x: 1260, y: 820 });
  let piece = put(blank('Ring with a number', 125), [
    newStroke('bed', 'Bed of the ring', circle, inkOf(34, '#35515c', { opacity: 0.55 })),
    newStroke('ring', 'Ring', circle, inkOf(34, VERDIGRIS)),
    lettering('number', 'ring', 960, 580, VELLUM),
    lettering('unit', 'ringUnit', 960, 920, REED),
  ]);
  const soft = landingEasing(0.7);
  const [start, end, share] = [10, 66, 0.82];
  piece = drawn(piece, ['bed'], { onAt: 0, onFrames: 20, offAt: 104, offFrames: 16 });
  piece = setKey(setKey(piece, 'ring', 'head', start, 0, soft), 'ring', 'head', end, share, soft);
  piece = setKey(setKey(piece, 'ring', 'tail', 100, 0, soft), 'ring', 'tail', 116, share, soft);
  const counting = tieCounts(setCount(piece, ['number'], { value: 0, places: 0 }), ['number'], 'ring');
  piece = settlePiece(piece, counting);
  piece = fades(piece, 'number', { onAt: 6, onFrames: 10, offAt: 100, offFrames: 12 });
  piece = fades(piece, 'unit', { onAt: 16, onFrames: 14, offAt: 98, offFrames: 12 });
  return withHold(
    withFields(
      piece,
      field('Number', 'number', 'number', 'ring'),
      field('What it counts', 'text', 'unit'),
      field('Ring', 'colour', 'ring'),
    ),
    70,
    96,
  );
}

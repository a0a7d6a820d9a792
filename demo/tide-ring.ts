import {
  inkOf,
  applyManner,
  newPiece,
  newStroke,
  setKey,
  type Piece,
  type Stroke,
} from '../src/core/document';
import { corner, smooth, type Path } from '../src/core/geometry';
import { landingEasing } from '../src/core/timing';
import { written, type PenPlace } from './written';

const QUARTER = (4 / 3) * (Math.SQRT2 - 1);
const CENTRE = { x: 540, y: 540 };
/** A circle of four points, first point at the top, written clockwise. */
function ring(radius: number): Path {
  const k = radius * QUARTER;
  const { x, y } = CENTRE;
  return {
    closed: true,
    points: [
      smooth(x, y - radius, { x: k, y: 0 }),
      smooth(x + radius, y, { x: 0, y: k }),
      smooth(x, y + radius, { x: -k, y: 0 }),
      smooth(x - radius, y, { x: 0, y: -k }),
    ],
  };
}

/** A short mark of the scale, from the ring outward. */
function mark(i: number, inner: number, outer: number): Path {
  const angle = (i / 12) * Math.PI * 2 - Math.PI / 2;
  const place = (r: number) => corner(CENTRE.x + Math.cos(angle) * r, CENTRE.y + Math.sin(angle) * r);
  return { closed: false, points: [place(inner), place(outer)] };
}

function wave(y: number, half: number): Path {
  const step = half / 2.5;
  const places = Array.from({ length: 6 }, (_, i): PenPlace => [i * step, i % 2 ? 13 : -13, 0]);
  return written(places, { x: CENTRE.x - half, y, scale: 1 });
}

/** A ring that fills as the tide rises, with a scale of twelve hours and a runner that goes round outside it. */
export function tideRing(): Piece {
  const layers: Stroke[] = [
    newStroke('bed', 'Bed of the ring', ring(300), inkOf(34, '#35515c', { opacity: 0.55 })),
    newStroke('tide', 'Tide', ring(300), inkOf(34, '#43b3a0')),
    newStroke('runner', 'Runner', ring(352), inkOf(6, '#ff6b3d')),
    ...Array.from({ length: 12 }, (_, i) =>
      newStroke(
        `hour-${i + 1}`,
        `Hour ${i === 0 ? 12 : i}`,
        mark(i, 386, i % 3 === 0 ? 432 : 412),
        inkOf(i % 3 === 0 ? 8 : 5, '#ede6d8'),
      ),
    ),
    newStroke('wave-1', 'High water', wave(496, 150), inkOf(9, '#ede6d8')),
    newStroke('wave-2', 'Half water', wave(552, 118), inkOf(9, '#8fc9bd')),
    newStroke('wave-3', 'Low water', wave(608, 82), inkOf(9, '#43b3a0')),
  ];
  let piece: Piece = {
    ...newPiece('Tide ring', { width: 1080, height: 1080 }, { numerator: 30, denominator: 1 }, 150),
    over: '#16242b',
    layers,
  };
  const both = {
    kind: 'both',
    from: 'start',
    onAt: 0,
    onFrames: 24,
    offAt: 128,
    offFrames: 18,
  } as const;
  piece = applyManner(piece, ['bed'], { ...both, offAt: 130 });
  // The tide rises to three quarters, rests, and runs full.
  const rise = landingEasing(0.7);
  for (const [frame, value] of [
    [16, 0],
    [60, 0.72],
    [74, 0.72],
    [104, 1],
  ] as const)
    piece = setKey(piece, 'tide', 'head', frame, value, rise);
  for (const [frame, value] of [
    [124, 0],
    [144, 1],
  ] as const)
    piece = setKey(piece, 'tide', 'tail', frame, value, rise);
  // A window of a fixed length that goes round twice: head and tail stand, slide moves.
  for (const [frame, value] of [
    [20, 0],
    [30, 0.16],
    [112, 0.16],
    [122, 0],
  ] as const)
    piece = setKey(piece, 'runner', 'head', frame, value, { type: 'linear' });
  for (const [frame, value] of [
    [20, 0],
    [122, 2],
  ] as const)
    piece = setKey(piece, 'runner', 'slide', frame, value, {
      type: 'bezier',
      x1: 0.42,
      y1: 0,
      x2: 0.58,
      y2: 1,
    });
  Array.from({ length: 12 }, (_, i) => {
    piece = applyManner(piece, [`hour-${i + 1}`], {
      ...both,
      onAt: 6 + i * 2,
      onFrames: 10,
      offAt: 120 + i,
      offFrames: 8,
    });
  });
  ['wave-1', 'wave-2', 'wave-3'].forEach((id, i) => {
    piece = applyManner(piece, [id], {
      ...both,
      from: 'middle',
      onAt: 84 - i * 22,
      onFrames: 22,
      offAt: 118 + i * 3,
      offFrames: 14,
    });
  });
  return piece;
}

import { createCanvas } from '@napi-rs/canvas';
import {
  corner,
  cubicPoint,
  measurePath,
  pointAtLength,
  smooth,
  type Path,
  type PathCommand,
  type PathPoint,
} from '../geometry';
import { seeded } from '../testing/families';
import { penWidth, type PenWidth } from './pen-width';
import { sweptOutline } from './swept';
import { WIDTH_PRESETS, type Widths } from './width-profile';
import { cases } from '../testing/cases';

const SIZE = 400;
/** Samples a pixel side in pictures. */
const FINE = 3;

/** Fills an outline by the nonzero rule; 1 where the centre of a fine pixel is covered. */
function filled(outline: readonly PathCommand[]): Uint8Array {
  const canvas = createCanvas(SIZE * FINE, SIZE * FINE);
  const context = canvas.getContext('2d');
  context.scale(FINE, FINE);
  for (const c of outline) {
    if (c[0] === 'C') context.bezierCurveTo(c[1], c[2], c[3], c[4], c[5], c[6]);
    else if (c[0] === 'L') context.lineTo(c[1], c[2]);
    else if (c[0] === 'M') context.moveTo(c[1], c[2]);
    else context.closePath();
  }
  context.fill('nonzero');
  const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
  return Uint8Array.from({ length: data.length / 4 }, (_, i) => (data[4 * i + 3]! > 127 ? 1 : 0));
}

/** Signed distance (px, negative within) of every fine pixel's centre to a dense sweep of discs, near it. */
function sweep(path: Path, pen: PenWidth, from: number, to: number): Float32Array {
  const m = measurePath(path);
  const out = new Float32Array((SIZE * FINE) ** 2).fill(99);
  const count = Math.ceil((to - from) / 0.2);
  for (let k = 0; k <= count; k++) {
    const s = from + ((to - from) * k) / count;
    const on = path.closed && s > m.length ? s - m.length : s;
    const p = pointAtLength(m, on);
    const r = pen.at(on) / 2;
    const reach = r + 1.5;
    const [x0, x1] = [p.x - reach, p.x + reach].map((x) => Math.floor(x * FINE));
    const [y0, y1] = [p.y - reach, p.y + reach].map((y) => Math.floor(y * FINE));
    for (let y = Math.max(0, y0!); y <= Math.min(SIZE * FINE - 1, y1!); y++) {
      for (let x = Math.max(0, x0!); x <= Math.min(SIZE * FINE - 1, x1!); x++) {
        const dx = (x + 0.5) / FINE - p.x;
        const dy = (y + 0.5) / FINE - p.y;
        const d = Math.sqrt(dx * dx + dy * dy) - r;
        if (d < out[y * SIZE * FINE + x]!) out[y * SIZE * FINE + x] = d;
      }
    }
  }
  return out;
}

/** Random paths that strain an outline, by family. */
function paths(seed: number): [family: string, path: Path][] {
  const random = seeded(seed);
  const r = () => 70 + random() * 260;
  const h = () => ({ x: random() * 240 - 120, y: random() * 240 - 120 });
  const any = (n: number): PathPoint[] =>
    Array.from({ length: n }, () =>
      random() < 0.3 ? corner(r(), r()) : smooth(r(), r(), h(), random() * 100),
    );
  const [x, y, w] = [r(), r(), 40 + random() * 60];
  return [
    ['any', { closed: false, points: any(4) }],
    ['closed', { closed: true, points: any(3) }],
    ['corners', { closed: false, points: Array.from({ length: 5 }, () => corner(r(), r())) }],
    [
      'cusp',
      {
        closed: false,
        points: [
          { ...corner(x, y), out: { x: w, y: w } },
          { ...corner(x + w, y), in: { x: -w, y: w } },
        ],
      },
    ],
    [
      'loop',
      {
        closed: false,
        points: [
          { ...corner(150, 250), out: { x: 2 * w, y: -w } },
          { ...corner(150 + w, 250), in: { x: -2 * w, y: -w } },
        ],
      },
    ],
    [
      'hairpin',
      {
        closed: false,
        points: [
          smooth(90, 200, { x: 80, y: 0 }),
          smooth(300, 200 + random() * 6, { x: 0, y: 3 }),
          smooth(90, 206 + random() * 6, { x: -80, y: 0 }),
        ],
      },
    ],
  ];
}

function pens(seed: number, length: number, span: { from: number; to: number }): PenWidth[] {
  const random = seeded(seed + 1000);
  const curve = { type: 'bezier', x1: 0.2, y1: 0.6, x2: 0.5, y2: 1 } as const;
  const widths: Widths = Array.from({ length: 5 }, (_, i) => ({ at: i / 4, scale: random() }));
  const taper = (share: number) => ({ length: share * (span.to - span.from), tip: 0, curve });
  return [
    penWidth(30, length, widths, null, span),
    penWidth(22, length, WIDTH_PRESETS.brush, null, span),
    penWidth(16, length, undefined, { start: taper(0.3), end: taper(0.6) }, span),
  ];
}

/** How far points of an outline stick out of a dense sweep of discs at the most, px. */
function sticksOut(
  outline: readonly PathCommand[],
  path: Path,
  pen: PenWidth,
  from: number,
  to: number,
): number {
  const m = measurePath(path);
  const count = Math.ceil((to - from) / 0.1);
  const discs = new Float64Array(3 * (count + 1));
  for (let k = 0; k <= count; k++) {
    const s = from + ((to - from) * k) / count;
    const { x, y } = pointAtLength(m, s);
    discs.set([x, y, pen.at(s) / 2], 3 * k);
  }
  const fromDisc = (k: number, x: number, y: number): number =>
    Math.sqrt((x - discs[3 * k]!) ** 2 + (y - discs[3 * k + 1]!) ** 2) - discs[3 * k + 2]!;
  /** Every tenth disc first, then all about those that come near. */
  const away = (x: number, y: number): number => {
    let near = Infinity;
    for (let k = 0; k <= count; k += 10) near = Math.min(near, fromDisc(k, x, y));
    let least = near;
    for (let k = 0; k <= count; k += 10) {
      if (fromDisc(k, x, y) > near + 1.5) continue;
      for (let j = Math.max(0, k - 9); j <= Math.min(count, k + 9); j++)
        least = Math.min(least, fromDisc(j, x, y));
    }
    return least;
  };
  let [x0, y0, worst] = [0, 0, 0];
  for (const c of outline) {
    if (c[0] === 'Z') continue;
    const [x, y] = c.slice(-2) as [number, number];
    if (c[0] === 'C') {
      for (const t of [0.25, 0.5, 0.75, 1]) {
        const at = cubicPoint([x0, y0, c[1], c[2], c[3], c[4], x, y], t);
        worst = Math.max(worst, away(at.x, at.y));
      }
    } else worst = Math.max(worst, away(x, y));
    [x0, y0] = [x, y];
  }
  return worst;
}

test('outlines stay within what the pen sweeps: no point of their curves sticks out by more than 0.07 px', () => {
  let worst = 0;
  // The one that failed has two straight segments that meet at an angle of 0.6°.
  for (const seed of cases(2, 100, [5055])) {
    for (const [family, path] of paths(seed)) {
      const { length } = measurePath(path);
      const span = { from: length * 0.1, to: length * (seed % 2 ? 1 : 0.8) };
      pens(seed, length, span).forEach((pen, i) => {
        const look = { caps: { start: 'round', end: 'round' }, join: 'round', miterLimit: 4 } as const;
        const out = sticksOut(
          sweptOutline(path, pen, span.from, span.to, look),
          path,
          pen,
          span.from,
          span.to,
        );
        worst = Math.max(worst, out);
        expect([family, seed, i, out < 0.07]).toEqual([family, seed, i, true]);
      });
    }
  }
  console.log(`outlines stick out by ${worst.toFixed(4)} px at the most`);
});

test('outlines agree with a dense sweep of discs: edges within 0.05 px on average, no point off by more than 0.5 px', () => {
  let [worstEdge, worstAway] = [0, 0];
  for (const seed of cases(1, 40)) {
    for (const [family, path] of paths(seed)) {
      const { length } = measurePath(path);
      const span = seed % 2 ? { from: 0, to: length } : { from: length * 0.2, to: length * 0.85 };
      pens(seed, length, span).forEach((pen, i) => {
        const look = { caps: { start: 'round', end: 'round' }, join: 'round', miterLimit: 4 } as const;
        const ours = filled(sweptOutline(path, pen, span.from, span.to, look));
        const theirs = sweep(path, pen, span.from, span.to);
        let [off, away] = [0, 0];
        for (let k = 0; k < ours.length; k++) {
          const inside = theirs[k]! <= 0;
          if (inside === (ours[k] === 1)) continue;
          off += inside ? -1 : 1;
          away = Math.max(away, Math.abs(theirs[k]!));
        }
        // Both sides of the stretch are as long as it, or nearly.
        const edge = Math.abs(off) / FINE ** 2 / (2 * (span.to - span.from));
        worstEdge = Math.max(worstEdge, edge);
        worstAway = Math.max(worstAway, away);
        expect([family, seed, i, edge < 0.05, away < 0.5]).toEqual([family, seed, i, true, true]);
      });
    }
  }
  console.log(
    `against a sweep of discs: edges ${worstEdge.toFixed(4)} px on average, a point ${worstAway.toFixed(3)} px`,
  );
});

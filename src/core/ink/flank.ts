import { cubicBetween, isFlatCubic, type PathCommand, type Point } from '../geometry';

/** One side of what a pen leaves, place after place: x, y and the unit direction of travel, four numbers each. */
export type Flank = number[];

const SIZE = 4;
/** Flatter than this, px, a curve is a straight line. */
const FLAT = 0.004;

/** Lays a curve or line on to a place of a flank from the one before it in its own order, travelled there or back. */
function layOn(out: PathCommand[], flank: Flank, from: number, to: number, way: 1 | -1): void {
  const x = flank[to]!;
  const y = flank[to + 1]!;
  const curve = cubicBetween(
    flank[from]!,
    flank[from + 1]!,
    way * flank[from + 2]!,
    way * flank[from + 3]!,
    x,
    y,
    way * flank[to + 2]!,
    way * flank[to + 3]!,
  );
  if (!curve || isFlatCubic(curve, FLAT)) out.push(['L', x, y]);
  else out.push(['C', curve[2], curve[3], curve[4], curve[5], x, y]);
}

/** Lays a flank on from its first place, which is there already. */
export function pushFlank(out: PathCommand[], flank: Flank): void {
  for (let i = SIZE; i < flank.length; i += SIZE) layOn(out, flank, i - SIZE, i, 1);
}

/** Lays a flank on from its last place, which is there already, back to its first. */
export function pushFlankBack(out: PathCommand[], flank: Flank): void {
  for (let i = flank.length - 2 * SIZE; i >= 0; i -= SIZE) layOn(out, flank, i + SIZE, i, -1);
}

/**
 * Lays an arc on, clockwise on the screen: from where it is, round a centre.
 * @param from, to unit vectors from the centre to its ends, less than a whole turn apart.
 */
export function pushArc(
  out: PathCommand[],
  { x, y, r }: Point & { readonly r: number },
  from: Point,
  to: Point,
): void {
  const start = Math.atan2(from.y, from.x);
  const end = Math.atan2(to.y, to.x);
  const turn = end > start ? end - start : end - start + 2 * Math.PI;
  const parts = Math.ceil(turn / (Math.PI / 2) - 1e-3);
  // A quarter circle as a cubic is off by 2.7e-4 of its radius.
  const handle = (4 / 3) * Math.tan(turn / parts / 4) * r;
  let a = from;
  for (let i = 1; i <= parts; i++) {
    const angle = start + (turn * i) / parts;
    const b = i === parts ? to : { x: Math.cos(angle), y: Math.sin(angle) };
    const [endX, endY] = [x + r * b.x, y + r * b.y];
    out.push([
      'C',
      x + r * a.x - handle * a.y,
      y + r * a.y + handle * a.x,
      endX + handle * b.y,
      endY - handle * b.x,
      endX,
      endY,
    ]);
    a = b;
  }
}

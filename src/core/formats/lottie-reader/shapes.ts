import { commandsOf, pathsOf, type Path } from '../../geometry';
import { firstNumbers, isItem, isMoving, pathOfBezier, type Item } from './values';

const pair = (property: unknown): readonly [number, number] => {
  const [x = 0, y = 0] = firstNumbers(property, [0, 0]);
  return [x, y];
};

/** An ellipse from its top, with the clock (Lottie 1.0, Ellipse). */
function ellipse([cx, cy]: readonly [number, number], [w, h]: readonly [number, number]): string {
  const [rx, ry] = [Math.abs(w) / 2, Math.abs(h) / 2];
  return `M${cx} ${cy - ry}A${rx} ${ry} 0 0 1 ${cx + rx} ${cy}A${rx} ${ry} 0 0 1 ${cx} ${cy + ry}A${rx} ${ry} 0 0 1 ${cx - rx} ${cy}A${rx} ${ry} 0 0 1 ${cx} ${cy - ry}Z`;
}

/** A rectangle from below its top right corner, with the clock (Lottie 1.0, Rectangle). */
function rectangle(
  [cx, cy]: readonly [number, number],
  [w, h]: readonly [number, number],
  radius: number,
): string {
  const r = Math.min(radius, Math.abs(w) / 2, Math.abs(h) / 2);
  const [left, right, top, bottom] = [cx - w / 2, cx + w / 2, cy - h / 2, cy + h / 2];
  const bend = (x: number, y: number) => (r > 0 ? `A${r} ${r} 0 0 1 ${x} ${y}` : '');
  return `M${right} ${top + r}L${right} ${bottom - r}${bend(right - r, bottom)}L${left + r} ${bottom}${bend(left, bottom - r)}L${left} ${top + r}${bend(left + r, top)}L${right - r} ${top}${bend(right, top + r)}Z`;
}

const reversed = (path: Path): Path => ({
  closed: path.closed,
  points: path.points.toReversed().map((p) => ({ ...p, in: p.out, out: p.in })),
});

/** The path of a shape; null where it is none, or of a kind that is not read. `leftOut` learns what of it moves. */
export function pathOfShape(shape: Item, leftOut: Set<string>): Path | null {
  if (shape.ty === 'sh') {
    const { ks } = shape;
    if (isMoving(ks)) leftOut.add('paths that change their shape');
    const k = isItem(ks) ? ks.k : null;
    // Of one that moves the first shape stands in the first key.
    const first = Array.isArray(k) && isItem(k[0]) ? (k[0].s as unknown[] | undefined)?.[0] : k;
    return pathOfBezier(first);
  }
  if (shape.ty !== 'el' && shape.ty !== 'rc') return null;
  if ([shape.p, shape.s, shape.r].some(isMoving)) leftOut.add('shapes that change their size');
  const [at, size] = [pair(shape.p), pair(shape.s)];
  const data =
    shape.ty === 'el' ? ellipse(at, size) : rectangle(at, size, firstNumbers(shape.r, [0])[0] ?? 0);
  const [path] = pathsOf(commandsOf(data));
  if (!path) return null;
  return shape.d === 3 ? reversed(path) : path;
}

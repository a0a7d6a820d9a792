import { LIMITS, mixedText, type SetText, type TextShape } from '../document';
import { commandsOf } from '../geometry';
import { clamp } from '../numbers';

/** An axis of a face with its ends, in its own measure. */
interface AxisEnds {
  readonly tag: string;
  readonly min: number;
  readonly max: number;
  /** Where the face stands by itself. */
  readonly initial: number;
}

/** Places on axes by their tags. */
type AxisPlaces = Readonly<Record<string, number>>;

/** What mixing may miss of the em: a thousandth of an outline, and of a way to the next glyph what two roundings to whole units do. */
const MISS = { outline: 1 / 1000, way: 2 / 1000 };
/** How often a stretch of an axis is halved at most. */
const HALVINGS = 5;

const numbersOf = (data: string): number[] =>
  commandsOf(data).flatMap(([, ...numbers]) => numbers as number[]);

/** The ways from each glyph to the next in its line, px. */
const waysOf = ({ glyphs }: TextShape): number[] =>
  glyphs.slice(1).map(({ x, y }, i) => (y === glyphs[i]!.y ? x - glyphs[i]!.x : 0));

/** Whether two shapes of one text are as good as the same. */
function isNear(a: TextShape, b: TextShape, em: number): boolean {
  const near = (one: readonly number[], other: readonly number[], most: number): boolean =>
    one.length === other.length && one.every((n, i) => Math.abs(n - other[i]!) <= most);
  return (
    near(waysOf(a), waysOf(b), em * MISS.way) &&
    near([a.scale / b.scale], [1], MISS.outline) &&
    Object.entries(a.outlines).every(([name, data]) =>
      near(numbersOf(data), numbersOf(b.outlines[name] ?? ''), (em / a.scale) * MISS.outline),
    )
  );
}

/**
 * The places of an axis between which shapes may be mixed: its ends, where it stands by itself, and more where what lies between is
 * not even, as at masters in the middle and where an `avar` table bends the axis (OpenType 1.9).
 */
async function placesOn(
  { min, max, initial }: AxisEnds,
  size: number,
  shapeAt: (place: number) => Promise<TextShape>,
): Promise<number[]> {
  const halved = async (from: number, to: number, left: number): Promise<number[]> => {
    const middle = (from + to) / 2;
    const [a, b, real] = [await shapeAt(from), await shapeAt(to), await shapeAt(middle)];
    if (left === 0 || isNear(mixedText(a, b, 0.5), real, size)) return [];
    return [...(await halved(from, middle, left - 1)), middle, ...(await halved(middle, to, left - 1))];
  };
  const ends = [...new Set([min, clamp(initial, min, max), max])];
  const inside = await Promise.all(ends.slice(1).map((to, i) => halved(ends[i]!, to, HALVINGS)));
  return [...ends, ...inside.flat()].sort((a, b) => a - b);
}

/**
 * A text set all along axes of its face.
 * @param size of its letters, px.
 * @param setAt sets it at a place of each.
 */
export async function setAlong(
  axes: readonly AxisEnds[],
  size: number,
  setAt: (at: AxisPlaces) => Promise<SetText>,
): Promise<NonNullable<SetText['along']>> {
  const rest = Object.fromEntries(axes.map(({ tag, initial }) => [tag, initial]));
  const found = await Promise.all(
    axes.map((axis) => placesOn(axis, size, (place) => setAt({ ...rest, [axis.tag]: place }))),
  );
  // Where there would be too many shapes the finest axis goes without every other of its inner places.
  while (found.reduce((n, places) => n * places.length, 1) > LIMITS.shapesAlong) {
    const most = found.reduce((a, b) => (b.length > a.length ? b : a));
    found[found.indexOf(most)] = most.filter((_, i) => i % 2 === 0 || i === most.length - 1);
  }
  const combined = axes.reduce<AxisPlaces[]>(
    (all, { tag }, i) => all.flatMap((at) => found[i]!.map((place) => ({ ...at, [tag]: place }))),
    [{}],
  );
  return {
    axes: axes.map(({ tag }, i) => ({ tag, places: found[i]! })),
    shapes: await Promise.all(combined.map(setAt)),
  };
}

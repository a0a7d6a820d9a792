import { isRadial, MITER_LIMIT, type PlainColouring } from '../../ink';
import type { TrackShape } from '../tracks';
import { moving, rgb, short, still } from './values';

const CAPS = { butt: 1, round: 2, square: 3 } as const;
const JOINS = { miter: 1, round: 2, bevel: 3 } as const;

/** A gradient: its places, and its stops as offset and colour, then offset and opacity. */
function gradient(colour: Exclude<PlainColouring, string>) {
  const { stops } = colour;
  const colours = stops.flatMap(({ at, colour: stop }) => [short(at, 4), ...rgb(stop)]);
  const solid = stops.every(({ opacity }) => opacity === 1);
  const opacities = solid ? [] : stops.flatMap(({ at, opacity }) => [short(at, 4), short(opacity, 4)]);
  const g = { p: stops.length, k: still([...colours, ...opacities]) };
  if (!isRadial(colour)) {
    const { from, to } = colour;
    return { t: 1, s: still([short(from.x), short(from.y)]), e: still([short(to.x), short(to.y)]), g };
  }
  // The format has round gradients alone: one that lies askew is as large as it is along its first axis.
  const [a, b, , , e, f] = colour.transform;
  const { centre, radius } = colour;
  const [x, y] = [
    a * centre.x + colour.transform[2] * centre.y + e,
    b * centre.x + colour.transform[3] * centre.y + f,
  ];
  return {
    t: 2,
    s: still([short(x), short(y)]),
    e: still([short(x + a * radius), short(y + b * radius)]),
    g,
  };
}

/** What a shape is filled or stroked with through time; all in `tint` where one is named. */
export function paintShape(
  items: readonly (TrackShape | null)[],
  first: TrackShape,
  tint: string | null,
): object {
  const colour = tint ?? first.colour;
  const plain =
    typeof colour === 'string'
      ? {
          c: moving(
            items.map(
              (item) => item && rgb(tint ?? (typeof item.colour === 'string' ? item.colour : colour)),
            ),
            0.003,
            4,
          ),
        }
      : gradient(colour);
  const o = still(100);
  if (first.kind === 'fill')
    return { ty: typeof colour === 'string' ? 'fl' : 'gf', ...plain, o, r: first.rule === 'evenodd' ? 2 : 1 };
  const dashes = first.dashes?.map((length, i) => ({ n: i % 2 === 0 ? 'd' : 'g', v: still(short(length)) }));
  return {
    ty: typeof colour === 'string' ? 'st' : 'gs',
    ...plain,
    o,
    w: moving(
      items.map((item) => (item?.kind === 'stroke' ? [item.width] : null)),
      0.02,
    ),
    lc: CAPS[first.cap],
    lj: JOINS[first.join],
    ...(first.join === 'miter' && { ml: first.miterLimit ?? MITER_LIMIT }),
    ...(dashes && { d: [...dashes, { n: 'o', v: still(short(first.dashPhase ?? 0)) }] }),
  };
}

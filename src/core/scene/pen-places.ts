import type { Stroke } from '../document';
import { kept } from '../draw';
import { measurePath, pointAtLength, type Bounds } from '../geometry';
import { penWidth } from '../ink';
import { stepsIn } from '../numbers';
import { valueAt } from '../timing';

/** Distance of the places at which a pen is looked at, px. */
const APART = 2;
/** Places of one pen: along 40,000 px no further apart than that. */
const MOST = 20_000;
/** Places of a pen along its stroke: x, y and half its width, one after another. */
export type Places = Float64Array;

/** The places of a stroke's pen as it is once it has been written, in piece pixels. */
export const placesOf = ({ path, ink }: Stroke): Places =>
  kept(path, 'places of the pen', [ink.width, ink.widths], () => {
    const m = measurePath(path);
    const pen = penWidth(valueAt(ink.width, Infinity), m.length, ink.widths, null, { from: 0, to: m.length });
    const count = stepsIn(m.length, APART, MOST);
    const places = new Float64Array(3 * (count + 1));
    for (let i = 0; i <= count; i++) {
      const s = (m.length * i) / count;
      const p = pointAtLength(m, s);
      places.set([p.x, p.y, pen.at(s) / 2], 3 * i);
    }
    return places;
  });

/** Those of some places whose pens reach a box. */
export function reaching(places: Places, { left, top, right, bottom }: Bounds, more: number): Places {
  const out = new Float64Array(places.length);
  let count = 0;
  for (let p = 0; p < places.length; p += 3) {
    const x = places[p]!;
    const y = places[p + 1]!;
    const reach = places[p + 2]! + more;
    if (x + reach <= left || x - reach >= right || y + reach <= top || y - reach >= bottom) continue;
    out[count++] = x;
    out[count++] = y;
    out[count++] = places[p + 2]!;
  }
  return out.slice(0, count);
}

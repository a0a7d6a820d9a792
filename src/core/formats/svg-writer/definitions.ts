import { isRadial, type PlainColouring } from '../../ink';
import { fnv1a } from '../../numbers';
import { element, short } from './element';

/** Stands in ids for the name of the file until all of it is written. No text of a piece may hold it: XML 1.0 has no such character. */
export const FILE = '\u0001';

/** A file with its name in its ids, so that two files in one page don't take one another's masks. The name is a hash of what is in it. */
export const nameIds = (file: string): string => file.replaceAll(FILE, fnv1a(file).toString(36));

/** What is named once and used by its name: gradients, masks, filters. The same content is kept once. */
export class Definitions {
  private readonly ids = new Map<string, string>();
  private readonly written: string[] = [];

  /** The id under which content stands; `make` gives it with its id. */
  id(kind: string, content: string, make: (id: string) => string): string {
    const key = kind + content;
    let id = this.ids.get(key);
    if (id === undefined) {
      id = `${kind}${this.ids.size + 1}-${FILE}`;
      this.ids.set(key, id);
      this.written.push(make(id));
    }
    return id;
  }

  toString(): string {
    return this.written.length > 0 ? element('defs', {}, this.written.join('')) : '';
  }
}

/** A paint of SVG: a colour, or a gradient by its name. */
export function paintOf(colour: PlainColouring, defs: Definitions): string {
  if (typeof colour === 'string') return colour;
  const stops = colour.stops
    .map(({ at, colour: stop, opacity }) =>
      element('stop', {
        offset: short(at, 4),
        'stop-color': stop,
        'stop-opacity': opacity < 1 ? short(opacity, 4) : undefined,
      }),
    )
    .join('');
  const units = { gradientUnits: 'userSpaceOnUse' };
  if (!isRadial(colour)) {
    const { from, to } = colour;
    const place = { ...units, x1: from.x, y1: from.y, x2: to.x, y2: to.y };
    const key = JSON.stringify([place, stops]);
    return `url(#${defs.id('line', key, (id) => element('linearGradient', { id, ...place }, stops))})`;
  }
  const { centre, radius, focus, focusRadius, transform } = colour;
  const place = {
    ...units,
    cx: centre.x,
    cy: centre.y,
    r: radius,
    fx: focus.x,
    fy: focus.y,
    fr: focusRadius,
    gradientTransform: `matrix(${transform.map((n) => short(n, 6)).join(' ')})`,
  };
  const key = JSON.stringify([place, stops]);
  return `url(#${defs.id('round', key, (id) => element('radialGradient', { id, ...place }, stops))})`;
}

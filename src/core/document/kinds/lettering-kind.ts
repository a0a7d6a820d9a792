import { commandsBounds, type Bounds } from '../../geometry';
import { scaled } from '../../properties';
import { isKeyed } from '../../timing';
import { greatest, letterOutlines } from '../parts';
import { COUNT_SIGN, layerSchema, type Field, type Lettering } from '../schema';
import { PLAIN, type LayerKind } from './kind';

/**
 * The box that lines and boxes round a text keep to: as wide as its ink; from the height of capitals over the first baseline
 * to the last baseline, so that it does not jump with every g and f. Where the capitals are not known, its ink.
 */
function textBox(lettering: Lettering): Bounds | null {
  const ink = commandsBounds(letterOutlines(lettering).flat());
  const { capitals, glyphs } = lettering.set;
  if (!ink || capitals === undefined) return ink;
  const baselines = glyphs.map((glyph) => lettering.y + glyph.y);
  return { ...ink, top: Math.min(...baselines) - capitals, bottom: Math.max(...baselines) };
}

/** Text that stays text. */
export const LETTERING_KIND: LayerKind<Lettering> = {
  ...PLAIN,
  box: textBox,
  moved: (lettering, by) => ({ ...lettering, x: lettering.x + by.x, y: lettering.y + by.y }),
  scaled: (lettering, factor, about) => scaled(layerSchema, lettering, factor, about),
  colour: ({ colour }) => colour,
  ownColour: ({ colour }) => colour,
  recoloured: (lettering, colour) => ({ ...lettering, colour }),
  fields({ setting, count }) {
    const kinds: Field['kind'][] = setting.text.includes(COUNT_SIGN) ? [] : ['text'];
    return count ? [...kinds, 'number'] : kinds;
  },
  held({ setting, count }, kind) {
    if (kind === 'text') return setting.text;
    if (kind === 'face') return setting.face.id;
    return kind === 'number' && count ? greatest(count.value) : null;
  },
  grown: (lettering, number) =>
    lettering.count
      ? { ...lettering, count: { ...lettering.count, value: number(lettering.count.value) } }
      : lettering,
  lead({ arrival, count }) {
    if (arrival && isKeyed(arrival.shown)) return 'arrival.shown';
    return count && isKeyed(count.value) ? 'count.value' : null;
  },
};

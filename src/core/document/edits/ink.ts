import type { TaperEnd } from '../../ink';
import { isKeyed, mapValues, withKey, type Animated } from '../../timing';
import type { Ink } from '../ink-schema';
import type { Piece } from '../schema';
import { changed, type Change } from '../changed';
import { updateStrokes } from './layers';

/** Parts of an ink; one given as undefined is taken away. */
export type InkChange = Change<Ink>;

/** Changes parts of the ink of strokes, each from what it was. */
export const setInk = (
  piece: Piece,
  ids: readonly string[],
  change: InkChange | ((ink: Ink) => InkChange),
): Piece =>
  updateStrokes(piece, ids, (stroke) => ({
    ...stroke,
    ink: changed(stroke.ink, typeof change === 'function' ? change(stroke.ink) : change),
  }));

/** A value as it is to be at a frame: what is keyed gets a key there, what stays is replaced. */
export const withValueAt = <V>(animated: Animated<V>, frame: number, value: V): Animated<V> =>
  isKeyed(animated) ? withKey(animated, frame, value) : value;

/** An ink as it looks when its stroke is scaled: lengths in px grow along. */
export function scaledInk(ink: Ink, factor: number): Ink {
  const grown = (length: number): number => Math.min(4000, length * factor);
  const { dashes, taper, line, glow, innerGlow, shadow, shadowLine } = ink;
  const end = (part: TaperEnd): TaperEnd =>
    part.unit === 'px' ? { ...part, length: mapValues(part.length, grown) } : part;
  return {
    ...ink,
    width: mapValues(ink.width, grown),
    ...(dashes &&
      dashes.unit === 'px' && {
        dashes: {
          ...dashes,
          pattern: dashes.pattern.map(grown),
          phase: mapValues(dashes.phase, (phase) => phase * factor),
        },
      }),
    ...(taper && {
      taper: {
        ...taper,
        ...(taper.start && { start: end(taper.start) }),
        ...(taper.end && { end: end(taper.end) }),
      },
    }),
    ...(line && {
      line:
        line.kind === 'double'
          ? { ...line, distance: grown(line.distance) }
          : { ...line, thickness: grown(line.thickness) },
    }),
    ...(glow && { glow: { ...glow, size: grown(glow.size) } }),
    ...(innerGlow && { innerGlow: { ...innerGlow, size: grown(innerGlow.size) } }),
    ...(shadow && {
      shadow: { ...shadow, x: shadow.x * factor, y: shadow.y * factor, blur: grown(shadow.blur) },
    }),
    ...(shadowLine && {
      shadowLine: {
        ...shadowLine,
        x: shadowLine.x * factor,
        y: shadowLine.y * factor,
        aside: shadowLine.aside * factor,
      },
    }),
  };
}

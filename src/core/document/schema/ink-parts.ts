import type { Ink } from './ink';

/** Keys of a type that may be absent. */
type OptionalKey<T> = { [K in keyof T]-?: object extends Pick<T, K> ? K : never }[keyof T];

/** What a part of an ink does to the picture of its stroke. */
interface InkPart {
  /** It blurs: a format without soft edges loses it. */
  readonly isSoft?: true;
  /** It changes the outline of a growing stroke everywhere, so that vector formats hold an outline for each frame. */
  readonly redraws?: true;
  /** It may leave part of the pen's way without full coverage once the stroke has been written. */
  readonly thins?: true;
}

/**
 * All parts that an ink may have beyond its plain line. It is a table and not a fact in the schema, because the player asks it while it
 * paints and holds no schemas. A part that is added to the ink and not here does not compile.
 */
export const INK_PARTS: Readonly<Record<OptionalKey<Ink>, InkPart>> = {
  endCap: {},
  miterLimit: {},
  widths: { redraws: true },
  taper: { redraws: true, thins: true },
  line: { redraws: true, thins: true },
  dashes: { redraws: true, thins: true },
  ends: { thins: true },
  gradient: { redraws: true, thins: true },
  glow: { isSoft: true },
  innerGlow: { isSoft: true },
  shadow: { isSoft: true },
  shadowLine: {},
};

/** Whether an ink has a part that does something to the picture. */
export function inkDoes(ink: Ink, what: keyof InkPart): boolean {
  for (const name in INK_PARTS)
    if (INK_PARTS[name as keyof typeof INK_PARTS][what] && ink[name as keyof typeof INK_PARTS]) return true;
  return false;
}

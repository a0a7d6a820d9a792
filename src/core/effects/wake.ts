import { z } from 'zod';
import { kept as keptOf, transformed } from '../draw';
import { translation } from '../geometry';
import { FACTS, check, choice, colour, keyedNumber, keyedOffset, keyedOpacity, number } from '../properties';
import { effectKind, type Items } from './effect';
import { faded } from './laid-over';
import { recoloured } from './recoloured';

const repeatSchema = z.strictObject({
  /** How long after it, frames; before it where negative. */
  delay: keyedNumber({ name: 'Delay', unit: 'frames', min: -1000, max: 1000, initial: 3 }),
  recoloured: check('Colour of its own', true),
  colour: colour('Colour', '#ff6b3d'),
  opacity: keyedOpacity(),
  /** Of the widths of strokes. */
  width: number({ name: 'Width', unit: 'times', min: 0, max: 20, initial: 1 }),
  x: keyedOffset('Offset X'),
  y: keyedOffset('Offset Y'),
  lies: choice('Lies', ['under', 'over']),
  /** Share of its path that it goes at most. */
  reach: number({ name: 'Reaches', unit: 'share', min: 0, max: 1, initial: 1 }),
  /** It leaves so many frames sooner than its delay would have it. */
  sooner: number({ name: 'Leaves sooner by', unit: 'frames', min: 0, max: 10_000 }),
});
type Repeat = z.infer<typeof repeatSchema>;

const schema = z.strictObject({
  kind: z.literal('wake'),
  /** From the nearest behind it to the last. */
  repeats: z.array(repeatSchema).min(1).max(24).readonly().register(FACTS, { kind: 'parts', name: 'Repeat' }),
});

/** Repeats one after another, evenly apart. */
const repeatsOf = (count: number, apart: number, each: (i: number) => Partial<Repeat>): Repeat[] =>
  Array.from({ length: count }, (_, i) => ({
    delay: apart * (i + 1),
    recoloured: true,
    colour: '#ff6b3d',
    opacity: 1,
    width: 1,
    x: 0,
    y: 0,
    lies: 'under' as const,
    reach: 1,
    sooner: 0,
    ...each(i),
  }));

/** Colours that a fan is made of where there are none of the piece's own. */
const FAN = ['#ff6b3d', '#d9a441', '#43b3a0'];

/**
 * Later, recoloured repeats, left behind. Common practice: 2 to 5 frames apart on short words,
 * up to 10 on slow signatures.
 */
export const WAKE = effectKind({
  name: 'Wake',
  about: 'Later repeats in other colours, left behind.',
  touches: 'shape',
  isSoft: false,
  redraws: true,
  schema,
  presets: [
    {
      name: 'Fan of the palette',
      values({ palette }) {
        const colours = palette.length > 0 ? palette.slice(0, 6) : FAN;
        return { repeats: repeatsOf(colours.length, 3, (i) => ({ colour: colours[i]! })) };
      },
    },
    {
      name: 'Fading echoes',
      values: () => ({
        repeats: repeatsOf(5, 3, (i) => ({
          recoloured: false,
          opacity: Number((0.6 * 0.7 ** i).toFixed(2)),
        })),
      }),
    },
  ],
  repeats: ({ repeats }) => 1 + repeats.length,
  apply({ repeats }, { frame, loop, items, kept }) {
    const own = items(frame);
    const shown = repeats.map((repeat): Items => {
      if (repeat.opacity <= 0) return [];
      // What leaves sooner does so from the middle of the piece on, while everything stands.
      const late = repeat.delay - (frame > loop / 2 ? repeat.sooner : 0);
      return items(frame - late, { width: repeat.width, reach: repeat.reach });
    });
    return kept([repeats, own, ...shown], () => {
      const laid = repeats.map((repeat, i): Items => {
        const move = translation(repeat.x, repeat.y);
        const moved =
          repeat.x === 0 && repeat.y === 0
            ? shown[i]!
            : shown[i]!.map((item) => keptOf(item, 'moved', move, () => transformed(item, move)));
        return faded(repeat.recoloured ? recoloured(moved, repeat.colour) : moved, repeat.opacity);
      });
      // The last repeat lies lowest; one that lies over it lies over those before.
      const under = laid.filter((_, i) => repeats[i]!.lies === 'under').reverse();
      const over = laid.filter((_, i) => repeats[i]!.lies === 'over');
      return [...under.flat(), ...own, ...over.flat()];
    });
  },
});

import { z } from 'zod';
import { idSchema, number } from '../../properties';
import { circleAmong } from './circle';

/** How many layers and groups something may be shown through. */
const MOST = 500;

/** What it takes for something to be seen: to lie where others lie. */
export const revealSchema = z.strictObject({
  /** Layers and groups; where several are given, any of them uncovers it. Ones that are gone count for nothing. */
  through: z
    .array(idSchema)
    .min(1)
    .max(MOST)
    .refine((ids) => new Set(ids).size === ids.length, { message: 'name one of them twice' })
    .readonly(),
  /** By where they cover, or by how bright they are (luma of ITU-R BT.709). */
  by: z.enum(['shape', 'brightness']),
  /** Seen where they are not, instead. */
  inverted: z.boolean(),
  /** How soft their edge is made, px: twice the standard deviation of the blur. */
  feather: number({ name: 'Feather', unit: 'px', min: 0, max: 2000, scales: 'size' }),
  /** They are seen themselves as well. */
  shown: z.boolean(),
  /** Each letter or shape only through the strokes that run along it. */
  confined: z.boolean(),
});
export type Reveal = z.infer<typeof revealSchema>;

/** A reveal by shape of what is named. */
export const revealThrough = (through: readonly string[], part: Partial<Reveal> = {}): Reveal => ({
  through,
  by: 'shape',
  inverted: false,
  feather: 0,
  shown: false,
  confined: false,
  ...part,
});

interface Node {
  readonly id: string;
  readonly group?: string;
  readonly reveal?: Reveal;
}

/** The id of a layer or group that is shown through itself, by whatever way; null where none is. */
export function revealCycle(layers: readonly Node[], groups: readonly Node[]): string | null {
  const next = new Map<string, readonly string[]>();
  for (const { id, reveal } of layers) next.set(id, reveal?.through ?? []);
  for (const { id, reveal } of groups) {
    const members = [...layers, ...groups].filter((one) => one.group === id).map((one) => one.id);
    next.set(id, [...(reveal?.through ?? []), ...members]);
  }
  return circleAmong(next);
}

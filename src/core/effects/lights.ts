import { z } from 'zod';
import { effectKind } from './effect';
import { glowSchema, glowUnder, glowWithin, shadowSchema, shadowUnder } from './light';

export const GLOW = effectKind({
  name: 'Glow',
  about: 'Light round it.',
  touches: 'look',
  isSoft: true,
  redraws: false,
  schema: z.strictObject({
    kind: z.literal('glow'),
    ...glowSchema.shape,
  }),
  presets: [
    {
      name: 'Neon',
      values: ({ size }) => ({ size: Math.round(34 * size), gain: 2.6, colour: '#ff6b3d', opacity: 1 }),
    },
  ],
  apply(effect, { items, frame, kept }) {
    const now = items(frame);
    return kept([effect, now], () => [...glowUnder(now, effect), ...now]);
  },
});

export const INNER_GLOW = effectKind({
  name: 'Inner glow',
  about: 'Light within it, along its edge.',
  touches: 'look',
  isSoft: true,
  redraws: false,
  schema: z.strictObject({
    kind: z.literal('inner glow'),
    ...glowSchema.shape,
  }),
  apply(effect, { items, frame, kept }) {
    const now = items(frame);
    return kept([effect, now], () => [...now, ...glowWithin(now, effect)]);
  },
});

export const DROP_SHADOW = effectKind({
  name: 'Drop shadow',
  about: 'Its shadow on what lies under it.',
  touches: 'look',
  isSoft: true,
  redraws: false,
  schema: z.strictObject({
    kind: z.literal('drop shadow'),
    ...shadowSchema.shape,
  }),
  presets: [
    {
      name: 'Soft shadow',
      values: ({ size }) => ({
        x: 0,
        y: Math.round(10 * size),
        blur: Math.round(44 * size),
        opacity: 0.45,
      }),
    },
  ],
  apply(effect, { items, frame, kept }) {
    const now = items(frame);
    return kept([effect, now], () => [...shadowUnder(now, effect), ...now]);
  },
});

import { z } from 'zod';
import { number } from '../../properties';
import { dataSchema } from './art';
import { axisPlaceSchema, axisTagSchema } from './axes';
import { featuresSchema, lettersSchema } from './letter';
import { LIMITS } from './limits';
import { isWholeText } from './names';

/** Which face sets a text: a shipped one by its name, or one of the project's own by the hash of its file. */
const faceSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,60}$|^own:[0-9a-f]{64}$/, 'must name a face'),
  weight: z.number().min(1).max(1000),
  /** Places on the other axes of a variable face, by their tags. */
  axes: z.record(axisTagSchema, axisPlaceSchema).exactOptional(),
  /** Axes, that of weight among them, all along which the text is set, so that they may be keyed. */
  along: z.array(axisTagSchema).min(1).max(3).readonly().exactOptional(),
});

/** How lettering is to be set. Lengths in piece pixels. */
export const settingSchema = z.strictObject({
  text: z
    .string()
    .max(LIMITS.textLength)
    .refine(isWholeText, { message: 'must not hold half of a character' }),
  face: faceSchema,
  /** Height of the em. */
  size: number({ name: 'Size', unit: 'px', min: 1, max: 4000, scales: 'size' }),
  /** Added between letters, in thousandths of the size. */
  tracking: number({ name: 'Tracking', unit: 'number', min: -1000, max: 5000, step: 5 }),
  /** From baseline to baseline, as a share of the size. */
  leading: number({ name: 'Leading', unit: 'share', min: 0.1, max: 10, step: 0.05, initial: 1.2 }),
  align: z.enum(['left', 'centre', 'right']),
  /** OpenType features by their registered tags: 0 off, 1 on, more for one of several alternates. */
  features: featuresSchema(),
  letters: lettersSchema.exactOptional(),
  /** How letters are written where a person chose it: the name of a form for each. Else as the form they are most like. */
  ductus: z
    .record(z.string().min(1).max(8).refine(isWholeText), z.string().min(1).max(60))
    .refine((chosen) => Object.keys(chosen).length <= LIMITS.ductus, 'has too many letters')
    .exactOptional(),
  /** What is done with lines wider than a width, px: the whole text set smaller, or broken between words. */
  fit: z
    .strictObject({
      width: number({ name: 'Width', unit: 'px', min: 1, max: 20_000, scales: 'size' }),
      how: z.enum(['shrink', 'break']),
    })
    .exactOptional(),
});

/** A length from the anchor of a set text: it grows with the text. */
const inSet = (min: number, max: number) => number({ name: 'Place', unit: 'px', min, max, scales: 'size' });

/** The shape of a text: outlines of the letters used, and where each stands from the first baseline's anchor. */
export const textShapeSchema = z.strictObject({
  outlines: z.record(z.string().regex(/^\d{1,8}$/), dataSchema),
  glyphs: z
    .array(
      z.strictObject({
        outline: z.string().regex(/^\d{1,8}$/),
        x: inSet(-1e6, 1e6),
        y: inSet(-1e6, 1e6),
        /** Where in the text its letter begins. */
        cluster: z.number().int().min(0).max(LIMITS.textLength),
      }),
    )
    .max(LIMITS.textLength * 4)
    .readonly(),
  /** Piece pixels to a unit of the outlines. */
  scale: inSet(0, 4000),
  /** Characters that the face does not have. */
  missing: z.array(z.string().max(20)).max(500).readonly(),
  /** Height of the face's capitals at the size it is set in, px. */
  capitals: inSet(0, 20_000).exactOptional(),
  /** Where it was broken into lines, or set smaller to fit: the size it has, and the places in the text at which lines begin. */
  fitted: z
    .strictObject({
      size: inSet(0, 4000),
      lines: z.array(z.number().int().min(0).max(LIMITS.textLength)).max(LIMITS.textLength).readonly(),
      /** Wider than it may be all the same. */
      over: z.boolean(),
    })
    .exactOptional(),
  /** The signs that numbers are written in; there where the text has a place for a number. */
  digits: z
    .strictObject({
      /** How far the next sign stands from each, px: after all ten digits alike. */
      advances: z.record(z.string().length(1), inSet(0, 20_000)),
      outlines: z.record(z.string().length(1), dataSchema),
      /** Where in the line the number's place begins, and how wide it is. */
      x: inSet(-1e6, 1e6),
      y: inSet(-1e6, 1e6),
      width: inSet(0, 20_000),
    })
    .exactOptional(),
});

/** Text as it was shaped, also all along axes of its face. */
export const setTextSchema = textShapeSchema.extend({
  along: z
    .strictObject({
      /** Places on each of the axes, from the least to the greatest. */
      axes: z
        .array(
          z.strictObject({ tag: axisTagSchema, places: z.array(axisPlaceSchema).min(1).max(64).readonly() }),
        )
        .min(1)
        .max(3)
        .readonly(),
      /** The text at all combinations of them, places of the last axis next to one another. */
      shapes: z.array(textShapeSchema).min(1).max(LIMITS.shapesAlong).readonly(),
    })
    .refine(({ axes, shapes }) => shapes.length === axes.reduce((n, { places }) => n * places.length, 1), {
      message: 'must hold a shape for all combinations of places',
    })
    .exactOptional(),
});

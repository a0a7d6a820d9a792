import { z } from 'zod';
import { colourSchema } from '../../colour';
import { drawingsPerSecond } from '../../effects';
import { colour, FACTS, idSchema, number, opacity, wholeNumber } from '../../properties';
import { paceSchema, rateSchema } from '../../timing';
import { arrivalSchema } from './arrival';
import { artParts } from './art';
import { axesSchema } from './axes';
import { betweenSchema } from './between';
import { countSchema } from './count';
import { cueSchema } from './cue';
import { fieldSchema } from './field';
import { fittedSchema } from './fitted';
import { inkSchema } from './ink';
import { setTextSchema, settingSchema, type textShapeSchema } from './lettering';
import { LIMITS } from './limits';
import { givenMannerSchema } from './manner';
import { nameSchema } from './names';
import { pathSchema } from './path';
import { checkLayers, checkPiece } from './piece-checks';
import { pinSchema } from './pin';
import { placedParts } from './placed-parts';
import { matrixSchema } from './placement';
import { shutterSchema } from './shutter';
import { tiesSchema } from './ties';
import { handSchema, tracedSchema } from './traced';
import { guideSchema, underlaySchema } from './underlay';
import { lineSchema, windowSchema } from './window';

/** Version of the document format written today; a change of it brings a migration into read.ts. */
export const SCHEMA_VERSION = 2;
const layerParts = {
  id: idSchema,
  name: nameSchema,
  hidden: z.boolean(),
  locked: z.boolean(),
  /** The group it belongs to. */
  group: idSchema.exactOptional(),
  ...placedParts,
};

/** One pen movement: its path, its ink, and the window between tail and head that is inked. */
const strokeSchema = z.strictObject({
  type: z.literal('stroke'),
  ...layerParts,
  path: pathSchema,
  ink: inkSchema,
  window: windowSchema,
  /** The manner its window was given, by its name there: what differs from it was set by hand. */
  manner: givenMannerSchema.exactOptional(),
  hand: handSchema.exactOptional(),
  /** How its progress is spread along the path; where absent, evenly by length. */
  pace: paceSchema.exactOptional(),
  /** When it begins, where it waits for another stroke. */
  cue: cueSchema.exactOptional(),
  /** What of it follows another stroke, one tie a property. */
  ties: tiesSchema.exactOptional(),
  /** The style its ink was taken from, by its id in the piece. */
  style: idSchema.exactOptional(),
  /** What its path keeps to the size of. */
  fitted: fittedSchema.exactOptional(),
  /** What it runs between. */
  between: betweenSchema.exactOptional().register(FACTS, { kind: 'parts', name: 'Between' }),
  traced: tracedSchema.exactOptional(),
});

/** Finished artwork from a vector file: shapes in their own units, placed by `transform`. */
const artSchema = z.strictObject({
  type: z.literal('art'),
  ...layerParts,
  opacity: opacity(),
  transform: matrixSchema.readonly().register(FACTS, { kind: 'matrix' }),
  ...artParts,
});

/** Text that stays text: what was asked for, and how the face sets it, so that it looks the same where the face is gone. */
const letteringSchema = z.strictObject({
  type: z.literal('lettering'),
  ...layerParts,
  opacity: opacity(),
  colour: colour('Colour'),
  x: number({ name: 'Position X', unit: 'px', min: -1e6, max: 1e6, scales: 'x' }),
  y: number({ name: 'Position Y', unit: 'px', min: -1e6, max: 1e6, scales: 'y' }),
  setting: settingSchema,
  set: setTextSchema,
  /** The setting for which the strokes that uncover it were found; another than its own now: they have not followed yet. */
  written: settingSchema.exactOptional(),
  /** How it comes and goes; where absent it is there all the time. */
  arrival: arrivalSchema.exactOptional(),
  /** The number it shows. */
  count: countSchema.exactOptional(),
  axes: axesSchema.exactOptional(),
});

/** A piece shown within this one: a copy of it, kept here so that this piece needs nothing else. */
const nestedSchema = z.strictObject({
  type: z.literal('piece'),
  ...layerParts,
  opacity: opacity(),
  /** The piece it is a copy of, and its revision then. */
  from: z.strictObject({ piece: z.uuid(), revision: z.number().int().min(1) }).exactOptional(),
  /** Frame at which its first one is shown. */
  start: wholeNumber({ name: 'Begins at', unit: 'frames', min: -1e6, max: 1e6 }),
  /** What it shows after its last frame. */
  after: z.enum(['nothing', 'last frame', 'again']),
  /** Itself a piece; `contentOf` says so to the compiler, which can't follow a type into itself. */
  content: z.lazy((): z.ZodType<object> => pieceSchema),
});

export const layerSchema = z.discriminatedUnion('type', [
  strokeSchema,
  artSchema,
  letteringSchema,
  nestedSchema,
]);

/** An ink kept by name; `shelf` is the item of the project's shelf it is a copy of. */
const styleSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  ink: inkSchema,
  shelf: z.uuid().exactOptional(),
});

/** Layers that belong together, next to one another in the order; with a line they are timed as one stroke. */
export const groupSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** The group it lies in. */
  group: idSchema.exactOptional(),
  line: lineSchema.exactOptional(),
  ...placedParts,
});

const frame = z.number().int().min(0).max(LIMITS.frames);
/** A moment with a name. */
const markerSchema = z.strictObject({ frame, name: nameSchema });

/**
 * A piece: one deliverable. `layers` lie over one another in their order, and strokes are written in it.
 * `over` is the colour it is looked at over while working (null: a checker); it is never exported.
 */
export const pieceSchema = z
  .strictObject({
    schemaVersion: z.literal(SCHEMA_VERSION),
    name: nameSchema,
    size: z.strictObject({
      width: z.number().int().min(16).max(LIMITS.side),
      height: z.number().int().min(16).max(LIMITS.side),
    }),
    rate: rateSchema,
    length: z.number().int().min(1).max(LIMITS.frames),
    over: colourSchema.nullable(),
    underlays: z.array(underlaySchema).max(LIMITS.underlays).readonly(),
    guides: z.array(guideSchema).max(LIMITS.guides).readonly(),
    layers: z.array(layerSchema).max(LIMITS.strokes).superRefine(checkLayers).readonly(),
    /** Inks kept by name; strokes that bear a style change with it. */
    styles: z.array(styleSchema).max(LIMITS.styles).readonly().default([]),
    groups: z
      .array(groupSchema)
      .max(LIMITS.groups)
      .refine((groups) => new Set(groups.map((group) => group.id)).size === groups.length, {
        message: 'hold an id twice',
      })
      .readonly()
      .default([]),
    markers: z
      .array(markerSchema)
      .max(LIMITS.markers)
      .refine((markers) => markers.every((marker, i) => i === 0 || marker.frame > markers[i - 1]!.frame), {
        message: 'must stand in ascending order, one at each frame',
      })
      .readonly()
      .default([]),
    /** Points that move through the picture. */
    pins: z.array(pinSchema).max(LIMITS.pins).readonly().default([]),
    /** What of it is filled in anew each time it is used. */
    fields: z.array(fieldSchema).max(LIMITS.fields).readonly().default([]),
    /** The frames between coming and leaving: where the piece is made longer or shorter, only they are. */
    hold: z
      .strictObject({ from: frame, to: frame })
      .refine(({ from, to }) => to > from, { message: 'must end after it begins' })
      .exactOptional(),
    /** The frame that stands for it in a still picture; where absent one that shows much of it. */
    poster: frame.exactOptional(),
    /** Motion blur of all that moves. */
    shutter: shutterSchema.exactOptional(),
    /** Drawings a second, each held for the frames until the next; where absent every frame is drawn. */
    drawings: drawingsPerSecond().exactOptional(),
    /** The frames that are played over and over while working; both belong to it. */
    workRange: z
      .strictObject({ from: frame, to: frame })
      .refine(({ from, to }) => to > from, { message: 'must end after it begins' })
      .exactOptional(),
  })
  .superRefine(checkPiece);

export type Piece = z.infer<typeof pieceSchema>;
export type Stroke = z.infer<typeof strokeSchema>;
export type Art = z.infer<typeof artSchema>;
export type Lettering = z.infer<typeof letteringSchema>;
export type Nested = z.infer<typeof nestedSchema>;
/** Finished artwork: what strokes may uncover and be found in. */
export type Artwork = Art | Lettering;
export type TextSetting = Lettering['setting'];
export type SetText = Lettering['set'];
export type TextShape = z.infer<typeof textShapeSchema>;
export type Layer = Piece['layers'][number];
export type Underlay = z.infer<typeof underlaySchema>;
export type Guide = z.infer<typeof guideSchema>;
export type Hand = z.infer<typeof handSchema>;
export type Style = z.infer<typeof styleSchema>;
export type Group = Piece['groups'][number];
export type Marker = Piece['markers'][number];
/** What layers and groups have in common. */
export type Part = Layer | Group;

export const isArtwork = (layer: Layer): layer is Artwork =>
  layer.type === 'art' || layer.type === 'lettering';

/** The piece that a nested one shows. */
export const contentOf = (nested: Nested): Piece => nested.content as Piece;

/** The layer or group with an id. */
export const partWithId = (piece: Pick<Piece, 'layers' | 'groups'>, id: string): Part | undefined =>
  piece.layers.find((layer) => layer.id === id) ?? piece.groups.find((group) => group.id === id);

/** The stroke with an id, or undefined where there is none. */
export const strokeById = (piece: Pick<Piece, 'layers'>, id: string): Stroke | undefined =>
  piece.layers.find((layer): layer is Stroke => layer.type === 'stroke' && layer.id === id);

/** The strokes of a piece, in writing order. */
export const strokesOf = (piece: { readonly layers: readonly Layer[] }): Stroke[] =>
  piece.layers.filter((layer) => layer.type === 'stroke');

/** The texts of a piece, in the order in which they lie over one another. */
export const lettersOf = (piece: { readonly layers: readonly Layer[] }): Lettering[] =>
  piece.layers.filter((layer) => layer.type === 'lettering');

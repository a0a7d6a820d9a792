import { z } from 'zod';
import { colourSchema } from '../colour';
import { capSchema, joinSchema } from '../ink';
import { paceSchema, rateSchema } from '../timing';
import { arrivalSchema } from './arrival-schema';
import { carriedCycle } from './carried-cycle';
import { countSchema } from './count-schema';
import { cueCycle, cueSchema } from './cue-schema';
import { fieldSchema } from './field-schema';
import { fittedSchema } from './fitted-schema';
import { idSchema } from './ids';
import { NAME_LENGTH, nameSchema } from './names';
import { inkSchema } from './ink-schema';
import { mannerSchema } from './manner-schema';
import { maskSchema, MOST_MASKS } from './mask-schema';
import { MOST_POINTS, pathSchema } from './path-schema';
import { pinSchema } from './pin-schema';
import { blendSchema, matrixSchema, placementSchema } from './placement-schema';
import { revealCycle, revealSchema } from './reveal-schema';
import { tieCycle, tiesSchema } from './ties-schema';
import { lineSchema, windowSchema } from './window-schema';

/** Version of the document format written today; a change of it brings a migration into read.ts. */
export const SCHEMA_VERSION = 2;

/** Bounds that keep a piece workable; documents beyond them are refused with the place of the fault. */
export const LIMITS = {
  pointsPerStroke: MOST_POINTS,
  strokes: 2000,
  side: 8192,
  frames: 216_000,
  nameLength: NAME_LENGTH,
  textLength: 2000,
  underlays: 50,
  guides: 100,
  styles: 200,
  groups: 500,
  markers: 500,
  pins: 200,
  fields: 200,
  nested: 4,
  /** Characters of path data in one piece of art, all shapes together. */
  artData: 2_000_000,
} as const;

const coordinate = z.number().min(-1e6).max(1e6);
const share = z.number().min(0).max(1);
/** How a hand wrote a stroke: share of its time at shares of its length, and the seconds it took. */
const handSchema = z.strictObject({
  seconds: z.number().min(0).max(3600),
  pace: z
    .array(z.strictObject({ at: share, time: share }))
    .min(2)
    .max(500)
    .readonly(),
});

/** What layers and groups alike may have done to them. */
const placedParts = {
  /** Where it is shown within its own coordinates; before it is placed. */
  masks: z.array(maskSchema).max(MOST_MASKS).readonly().exactOptional(),
  /** How it is put into the picture; where absent it stands as it was made. */
  place: placementSchema.exactOptional(),
  /** What it is seen through; where absent it is seen as it is. */
  reveal: revealSchema.exactOptional(),
  /** How its colours meet what lies under it; where absent they lie over it. */
  blend: blendSchema.exactOptional(),
};

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
  manner: z.strictObject({ name: nameSchema, way: mannerSchema }).exactOptional(),
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
  /** What it was traced from, and a mark of the path as it was traced: another mark now means hand corrections. */
  traced: z.strictObject({ from: idSchema, mark: z.string().max(40) }).exactOptional(),
});

/** SVG path data of absolute moves, lines, cubics and closes. */
const dataSchema = z
  .string()
  .max(LIMITS.artData)
  .regex(/^[MLCZ\d\s.eE+-]*$/, 'must be path data of M, L, C and Z');

const shapeSchema = z.strictObject({
  data: dataSchema,
  fill: colourSchema.nullable(),
  fillOpacity: share,
  rule: z.enum(['nonzero', 'evenodd']),
  line: z
    .strictObject({
      colour: colourSchema,
      opacity: share,
      width: z.number().min(0).max(4000),
      cap: capSchema,
      join: joinSchema,
      miterLimit: z.number().min(1).max(1000),
      dashes: z.array(z.number().min(0).max(4000)).max(50).readonly(),
      dashPhase: z.number().min(-1e6).max(1e6),
    })
    .nullable(),
  transform: matrixSchema,
});

/** Finished artwork from a vector file: shapes in their own units, placed by `transform`. */
const artSchema = z.strictObject({
  type: z.literal('art'),
  ...layerParts,
  opacity: share,
  transform: matrixSchema,
  shapes: z
    .array(shapeSchema)
    .max(5000)
    .refine((shapes) => shapes.reduce((sum, shape) => sum + shape.data.length, 0) <= LIMITS.artData, {
      message: 'hold more path data than one piece of art may',
    })
    .readonly(),
});

/** Which face sets a text: a shipped one by its name, or one of the project's own by the hash of its file. */
const faceSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,60}$|^own:[0-9a-f]{64}$/, 'must name a face'),
  weight: z.number().min(1).max(1000),
});

/** How lettering is to be set. Lengths in piece pixels. */
const settingSchema = z.strictObject({
  text: z.string().max(LIMITS.textLength),
  face: faceSchema,
  /** Height of the em. */
  size: z.number().min(1).max(4000),
  /** Added between letters, in thousandths of the size. */
  tracking: z.number().min(-1000).max(5000),
  /** From baseline to baseline, as a share of the size. */
  leading: z.number().min(0.1).max(10),
  align: z.enum(['left', 'centre', 'right']),
  /** What is done with lines wider than a width, px: the whole text set smaller, or broken between words. */
  fit: z
    .strictObject({ width: z.number().min(1).max(20_000), how: z.enum(['shrink', 'break']) })
    .exactOptional(),
});

/** Text as it was shaped: outlines of the letters used, and where each stands from the first baseline's anchor. */
const setTextSchema = z.strictObject({
  outlines: z.record(z.string().regex(/^\d{1,8}$/), dataSchema),
  glyphs: z
    .array(
      z.strictObject({
        outline: z.string().regex(/^\d{1,8}$/),
        x: coordinate,
        y: coordinate,
        /** Where in the text its letter begins. */
        cluster: z.number().int().min(0).max(LIMITS.textLength),
      }),
    )
    .max(LIMITS.textLength * 4)
    .readonly(),
  /** Piece pixels to a unit of the outlines. */
  scale: z.number().min(0).max(4000),
  /** Characters that the face does not have. */
  missing: z.array(z.string().max(20)).max(500).readonly(),
  /** Height of the face's capitals at the size it is set in, px. */
  capitals: z.number().min(0).max(20_000).exactOptional(),
  /** Where it was broken into lines, or set smaller to fit: the size it has, and the places in the text at which lines begin. */
  fitted: z
    .strictObject({
      size: z.number().min(0).max(4000),
      lines: z.array(z.number().int().min(0).max(LIMITS.textLength)).max(LIMITS.textLength).readonly(),
      /** Wider than it may be all the same. */
      over: z.boolean(),
    })
    .exactOptional(),
  /** The signs that numbers are written in; there where the text has a place for a number. */
  digits: z
    .strictObject({
      /** How far the next sign stands from each, px: after all ten digits alike. */
      advances: z.record(z.string().length(1), z.number().min(0).max(20_000)),
      outlines: z.record(z.string().length(1), dataSchema),
      /** Where in the line the number's place begins, and how wide it is. */
      x: coordinate,
      y: coordinate,
      width: z.number().min(0).max(20_000),
    })
    .exactOptional(),
});

/** Text that stays text: what was asked for, and how the face sets it, so that it looks the same where the face is gone. */
const letteringSchema = z.strictObject({
  type: z.literal('lettering'),
  ...layerParts,
  opacity: share,
  colour: colourSchema,
  x: coordinate,
  y: coordinate,
  setting: settingSchema,
  set: setTextSchema,
  /** How it comes and goes; where absent it is there all the time. */
  arrival: arrivalSchema.exactOptional(),
  /** The number it shows. */
  count: countSchema.exactOptional(),
});

/** A piece shown within this one: a copy of it, kept here so that this piece needs nothing else. */
const nestedSchema = z.strictObject({
  type: z.literal('piece'),
  ...layerParts,
  opacity: share,
  /** The piece it is a copy of, and its revision then. */
  from: z.strictObject({ piece: z.uuid(), revision: z.number().int().min(1) }).exactOptional(),
  /** Frame at which its first one is shown. */
  start: z.number().min(-1e6).max(1e6),
  /** What it shows after its last frame. */
  after: z.enum(['nothing', 'last frame', 'again']),
  /** Itself a piece; `contentOf` says so to the compiler, which can't follow a type into itself. */
  content: z.lazy((): z.ZodType<object> => pieceSchema),
});

/** A reference to follow: pixels in the asset store, never part of the picture. */
const underlaySchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  hidden: z.boolean(),
  locked: z.boolean(),
  asset: z.string().regex(/^[0-9a-f]{64}$/, 'must be the hash of a stored file'),
  /** Pixels of the stored picture. */
  width: z.number().int().min(1).max(20_000),
  height: z.number().int().min(1).max(20_000),
  /** Its top left corner, and piece pixels to one of its own. */
  x: coordinate,
  y: coordinate,
  scale: z.number().min(0.001).max(1000),
  opacity: share,
});

/** A line to snap to, across the whole piece. */
const guideSchema = z.strictObject({ axis: z.enum(['x', 'y']), at: coordinate });

/** An ink kept by name; `shelf` is the item of the project's shelf it is a copy of. */
export const styleSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  ink: inkSchema,
  shelf: z.uuid().exactOptional(),
});

/** Layers that belong together, next to one another in the order; with a line they are timed as one stroke. */
const groupSchema = z.strictObject({
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
    layers: z
      .array(z.discriminatedUnion('type', [strokeSchema, artSchema, letteringSchema, nestedSchema]))
      .max(LIMITS.strokes)
      .superRefine((layers, context) => {
        const seen = new Set<string>();
        layers.forEach((layer, i) => {
          if (seen.has(layer.id)) {
            context.addIssue({ code: 'custom', path: [i, 'id'], message: `is used twice: ${layer.id}` });
          }
          seen.add(layer.id);
        });
        const strokes = layers.filter((layer) => layer.type === 'stroke');
        const circles = [
          { id: tieCycle(strokes), place: 'ties', message: 'follow one another in a circle' },
          { id: cueCycle(strokes), place: 'cue', message: 'waits for itself through others' },
        ];
        for (const { id, place, message } of circles) {
          if (id === null) continue;
          const at = layers.findIndex((layer) => layer.id === id);
          context.addIssue({ code: 'custom', path: [at, place], message });
        }
      })
      .readonly(),
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
    /** The frames that are played over and over while working; both belong to it. */
    workRange: z
      .strictObject({ from: frame, to: frame })
      .refine(({ from, to }) => to > from, { message: 'must end after it begins' })
      .exactOptional(),
  })
  .superRefine(({ layers, groups }, context) => {
    const placeOf = (id: string): PropertyKey[] => {
      const layer = layers.findIndex((one) => one.id === id);
      return layer >= 0 ? ['layers', layer] : ['groups', groups.findIndex((one) => one.id === id)];
    };
    const deep = layers.findIndex((layer) => depthOf([layer]) > LIMITS.nested);
    if (deep >= 0)
      context.addIssue({
        code: 'custom',
        path: ['layers', deep, 'content'],
        message: `holds pieces within pieces more than ${LIMITS.nested} deep`,
      });
    const shown = revealCycle(layers, groups);
    if (shown !== null)
      context.addIssue({
        code: 'custom',
        path: [...placeOf(shown), 'reveal'],
        message: 'is shown through itself',
      });
    const carried = carriedCycle(layers, groups);
    if (carried !== null)
      context.addIssue({ code: 'custom', path: placeOf(carried), message: 'is carried along by itself' });
  });

export type Piece = z.infer<typeof pieceSchema>;
export type Stroke = z.infer<typeof strokeSchema>;
export type Art = z.infer<typeof artSchema>;
export type ArtShape = Art['shapes'][number];
export type Lettering = z.infer<typeof letteringSchema>;
export type Nested = z.infer<typeof nestedSchema>;
/** Finished artwork: what strokes may uncover and be found in. */
export type Artwork = Art | Lettering;
export type TextSetting = Lettering['setting'];
export type SetText = Lettering['set'];
export type Layer = Piece['layers'][number];
export type Underlay = z.infer<typeof underlaySchema>;
export type Guide = z.infer<typeof guideSchema>;
export type Hand = z.infer<typeof handSchema>;
export type Style = z.infer<typeof styleSchema>;
export type Group = Piece['groups'][number];
export type Marker = Piece['markers'][number];
/** What layers and groups have in common. */
export type Part = Layer | Group;

export { settingSchema };

export const isArtwork = (layer: Layer): layer is Artwork =>
  layer.type === 'art' || layer.type === 'lettering';

/** The piece that a nested one shows. */
export const contentOf = (nested: Nested): Piece => nested.content as Piece;

/** How many pieces lie within one another at most; one that holds no other counts for none. */
const depthOf = (layers: Piece['layers']): number =>
  layers.reduce(
    (most, layer) => (layer.type === 'piece' ? Math.max(most, 1 + depthOf(contentOf(layer).layers)) : most),
    0,
  );

/** The layer or group with an id. */
export const partWithId = (piece: Pick<Piece, 'layers' | 'groups'>, id: string): Part | undefined =>
  piece.layers.find((layer) => layer.id === id) ?? piece.groups.find((group) => group.id === id);

/** The stroke with an id, or undefined where there is none. */
export const strokeById = (piece: Pick<Piece, 'layers'>, id: string): Stroke | undefined =>
  piece.layers.find((layer): layer is Stroke => layer.type === 'stroke' && layer.id === id);

/** The strokes of a piece, in writing order. */
export const strokesOf = (piece: Pick<Piece, 'layers'>): Stroke[] =>
  piece.layers.filter((layer) => layer.type === 'stroke');

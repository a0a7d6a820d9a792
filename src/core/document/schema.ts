import { z } from 'zod';
import { colourSchema } from '../colour';
import { capSchema, joinSchema } from '../ink';
import { paceSchema, rateSchema } from '../timing';
import { cueCycle, cueSchema } from './cue-schema';
import { idSchema } from './ids';
import { NAME_LENGTH, nameSchema } from './names';
import { inkSchema } from './ink-schema';
import { mannerSchema } from './manner-schema';
import { revealCycle, revealSchema } from './reveal-schema';
import { tieCycle, tiesSchema } from './ties-schema';
import { lineSchema, windowSchema } from './window-schema';

/** Version of the document format written today; a change of it brings a migration into read.ts. */
export const SCHEMA_VERSION = 2;

/** Bounds that keep a piece workable; documents beyond them are refused with the place of the fault. */
export const LIMITS = {
  pointsPerStroke: 5000,
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
  /** Characters of path data in one piece of art, all shapes together. */
  artData: 2_000_000,
} as const;

const coordinate = z.number().min(-1e6).max(1e6);
const offset = z.strictObject({ x: coordinate, y: coordinate });

const pointSchema = z.strictObject({
  x: coordinate,
  y: coordinate,
  in: offset,
  out: offset,
  kind: z.enum(['corner', 'smooth', 'symmetric']),
});

const pathSchema = z.strictObject({
  closed: z.boolean(),
  points: z.array(pointSchema).min(1).max(LIMITS.pointsPerStroke).readonly(),
});

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

const layerParts = {
  id: idSchema,
  name: nameSchema,
  hidden: z.boolean(),
  locked: z.boolean(),
  /** The group it belongs to. */
  group: idSchema.exactOptional(),
  /** What it is seen through; where absent it is seen as it is. */
  reveal: revealSchema.exactOptional(),
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
  /** What it was traced from, and a mark of the path as it was traced: another mark now means hand corrections. */
  traced: z.strictObject({ from: idSchema, mark: z.string().max(40) }).exactOptional(),
});

const matrixSchema = z
  .tuple([coordinate, coordinate, coordinate, coordinate, coordinate, coordinate])
  .readonly();
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
  line: lineSchema.exactOptional(),
  /** What all of it is seen through. */
  reveal: revealSchema.exactOptional(),
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
      .array(z.discriminatedUnion('type', [strokeSchema, artSchema, letteringSchema]))
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
    /** The frames that are played over and over while working; both belong to it. */
    workRange: z
      .strictObject({ from: frame, to: frame })
      .refine(({ from, to }) => to > from, { message: 'must end after it begins' })
      .exactOptional(),
  })
  .superRefine(({ layers, groups }, context) => {
    const id = revealCycle(layers, groups);
    if (id === null) return;
    const layer = layers.findIndex((one) => one.id === id);
    const path =
      layer >= 0
        ? ['layers', layer, 'reveal']
        : ['groups', groups.findIndex((one) => one.id === id), 'reveal'];
    context.addIssue({ code: 'custom', path, message: 'is shown through itself' });
  });

export type Piece = z.infer<typeof pieceSchema>;
export type Stroke = z.infer<typeof strokeSchema>;
export type Art = z.infer<typeof artSchema>;
export type ArtShape = Art['shapes'][number];
export type Lettering = z.infer<typeof letteringSchema>;
export type TextSetting = Lettering['setting'];
export type SetText = Lettering['set'];
export type Layer = Piece['layers'][number];
export type Underlay = z.infer<typeof underlaySchema>;
export type Guide = z.infer<typeof guideSchema>;
export type Hand = z.infer<typeof handSchema>;
export type Style = z.infer<typeof styleSchema>;
export type Group = Piece['groups'][number];
export type Marker = Piece['markers'][number];

export { settingSchema };

/** The stroke with an id, or undefined where there is none. */
export const strokeById = (piece: Pick<Piece, 'layers'>, id: string): Stroke | undefined =>
  piece.layers.find((layer): layer is Stroke => layer.type === 'stroke' && layer.id === id);

/** The strokes of a piece, in writing order. */
export const strokesOf = (piece: Pick<Piece, 'layers'>): Stroke[] =>
  piece.layers.filter((layer) => layer.type === 'stroke');

import { z } from 'zod';

/** How the frames of one part of a received file are decoded. */
const reelSchema = z.discriminatedUnion('is', [
  /** By ffmpeg; `file` lies in the folder of what was received, or is the file itself where empty. */
  z.strictObject({
    is: z.literal('film'),
    file: z.string(),
    /** Whether it is VP9 whose alpha only libvpx decodes. */
    vp9: z.boolean(),
    times: z.array(z.number()),
    width: z.number(),
    height: z.number(),
  }),
  /** Pictures of a zip archive, one a frame. */
  z.strictObject({ is: z.literal('pictures'), entries: z.array(z.string()) }),
  /** One file of one or several WebP pictures, each composed upon those before it; a picture that stays is several frames. */
  z.strictObject({ is: z.literal('webp'), pages: z.array(z.number()) }),
  z.strictObject({ is: z.literal('vectors') }),
]);
export type Reel = z.infer<typeof reelSchema>;

/** The reels of a received file: its picture and, where it has one, its matte. */
export const reelsSchema = z.strictObject({ picture: reelSchema, matte: reelSchema.nullable() });
export type Reels = z.infer<typeof reelsSchema>;

import { z } from 'zod';

/** What a person asks of an export. Frames count from 0; both ends are included. */
export const exportSettingsSchema = z
  .strictObject({
    format: z.enum(['webm', 'png']),
    scale: z.union([z.literal(0.5), z.literal(1), z.literal(2)]),
    first: z.number().int().min(0),
    last: z.number().int().min(0),
  })
  .refine((s) => s.last >= s.first, { path: ['last'], message: 'must not lie before the first frame' });
export type ExportSettings = z.infer<typeof exportSettingsSchema>;

export const MEDIA_TYPE = { webm: 'video/webm', png: 'application/zip' } as const;
export const FILE_ENDING = { webm: 'webm', png: 'zip' } as const;

/** Pixels of the exported frames. */
export const exportSize = (size: { width: number; height: number }, scale: number) => ({
  width: Math.max(1, Math.round(size.width * scale)),
  height: Math.max(1, Math.round(size.height * scale)),
});

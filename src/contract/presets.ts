import { z } from 'zod';
import { askedParts } from './exports';
import { RECEIVER_IDS } from './receivers';

/** What exports are asked for with, kept under a name: where the file goes, and all but the frames of a piece. */
export const presetSchema = z.strictObject({ receiver: z.enum(RECEIVER_IDS).nullable(), ...askedParts });
export type Preset = z.infer<typeof presetSchema>;

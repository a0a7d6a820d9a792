import { z } from 'zod';
import { hashSchema } from '@/contract';
import { nameSchema } from '@/core/document';

/** What a project file holds: read first, and checked before anything else is looked at. */
export const manifestSchema = z.strictObject({
  obelus: z.literal('project file'),
  version: z.literal(1),
  name: nameSchema,
  /** Its pieces, by their ids where they were saved; each lies in `pieces/` under its place here. */
  pieces: z.array(z.uuid()).max(1000),
  /** What was on its shelf, checked by its own schema. */
  shelf: z.array(z.looseObject({ id: z.uuid() })).max(500),
  /** Files of pictures and faces, each in `files/` under its SHA-256. */
  files: z
    .array(z.strictObject({ hash: hashSchema, kind: z.enum(['picture', 'face']), name: nameSchema }))
    .max(5000),
});
export type Manifest = z.infer<typeof manifestSchema>;

export const MANIFEST = 'project.json';
export const pieceEntry = (place: number): string => `pieces/${place + 1}.json`;
export const fileEntry = (hash: string): string => `files/${hash}`;

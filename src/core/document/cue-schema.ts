import { z } from 'zod';

/**
 * A start tied to another stroke: the stroke begins `offset` frames after the head (or tail) of `to` has reached a share of
 * its length.
 */
export const cueSchema = z.strictObject({
  to: z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'must name a stroke'),
  part: z.enum(['head', 'tail']),
  at: z.number().min(0).max(1),
  offset: z.number().int().min(-1e6).max(1e6),
});
export type Cue = z.infer<typeof cueSchema>;

/** The id of a stroke that would wait for itself through others; null where none does. */
export function cueCycle(strokes: readonly { readonly id: string; readonly cue?: Cue }[]): string | null {
  const leads = new Map(strokes.map((stroke) => [stroke.id, stroke.cue?.to]));
  for (const { id } of strokes) {
    let here = leads.get(id);
    for (let steps = 0; here !== undefined && steps <= strokes.length; steps++) {
      if (here === id) return id;
      here = leads.get(here);
    }
  }
  return null;
}

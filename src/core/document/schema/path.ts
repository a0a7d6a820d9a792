import { z } from 'zod';
import { FACTS } from '../../properties';

/** Points that a path may have. */
export const MOST_POINTS = 5000;

const coordinate = z.number().min(-1e6).max(1e6);
const offset = z.strictObject({ x: coordinate, y: coordinate });

const pointSchema = z.strictObject({
  x: coordinate,
  y: coordinate,
  in: offset,
  out: offset,
  kind: z.enum(['corner', 'smooth', 'symmetric']),
});

export const pathSchema = z
  .strictObject({
    closed: z.boolean(),
    points: z.array(pointSchema).min(1).max(MOST_POINTS).readonly(),
  })
  .register(FACTS, { kind: 'shape', name: 'Path' });

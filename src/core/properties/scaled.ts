import type { z } from 'zod';
import { compose, scalingAbout, transformPath, type Matrix, type Path, type Point } from '../geometry';
import { clamp } from '../numbers';
import { mapValues, type Animated } from '../timing';
import type { NumberFacts } from './facts';
import { mapKnown } from './mapped';

/**
 * A value scaled by a factor about a point: lengths in pixels grow, places, shapes and matrices move along, all else stays.
 * Numbers that would leave what a document may hold stop at its bounds.
 */
export function scaled<T>(schema: z.ZodType, value: T, factor: number, about: Point): T {
  const along = (v: number, axis: 'x' | 'y'): number => about[axis] + (v - about[axis]) * factor;
  const place = (p: Point): Point => ({ ...p, x: along(p.x, 'x'), y: along(p.y, 'y') });
  const matrix = scalingAbout(about, factor);
  const inPixels = ({ unit }: NumberFacts, beside: object): boolean =>
    typeof unit === 'string' || (beside as Record<string, unknown>)[unit.field] === 'px';
  return mapKnown(schema, value, ['number', 'shape', 'place', 'matrix'], (now, facts, beside) => {
    switch (facts.kind) {
      case 'number': {
        const { scales, min, max } = facts;
        if (!scales || !inPixels(facts, beside)) return now;
        const to = (v: number): number => clamp(scales === 'size' ? v * factor : along(v, scales), min, max);
        return mapValues(now as Animated, to);
      }
      case 'shape':
        return mapValues(now as Animated<Path>, (path) => transformPath(path, matrix));
      case 'place':
        return place(now as Point);
      case 'matrix':
        return compose(matrix, now as Matrix);
      default:
        return now;
    }
  });
}

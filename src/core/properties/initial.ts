import type { z } from 'zod';
import { bare, leafOf, read } from './inside';

/**
 * What something is at first, by what is known of its parts: numbers and colours as their facts say, the first of several
 * choices or shapes, as few entries of a list as it must have. What may be absent is.
 * @param size by which lengths are multiplied that follow the size of the picture.
 */
export function initialOf<S extends z.ZodType>(schema: S, size = 1): z.infer<S> {
  return initial(schema, size) as z.infer<S>;
}

function initial(schema: z.ZodType, size: number): unknown {
  const { schema: inner, facts } = bare(schema);
  const leaf = leafOf(facts);
  if (leaf?.kind === 'number') {
    const value = leaf.initial ?? 0;
    return leaf.scales === 'size' ? Number((value * size).toPrecision(2)) : value;
  }
  if (leaf?.kind === 'colour') return leaf.initial ?? '#ede6d8';
  if (leaf?.kind === 'choice') return leaf.values[0];
  if (leaf?.kind === 'check') return leaf.initial ?? false;
  const { type, shape, element, options, values } = read(inner);
  if (type === 'literal') return values![0];
  if (type === 'union') return initial(options![0]!, size);
  if (type === 'array') return inner.safeParse([]).success ? [] : [initial(element!, size)];
  if (type !== 'object') throw new Error(`nothing is known of what a ${type} is at first`);
  return Object.fromEntries(
    Object.entries(shape!)
      .filter(([, part]) => !part.safeParse(undefined).success && read(part).type !== 'optional')
      .map(([name, part]) => [name, initial(part, size)]),
  );
}

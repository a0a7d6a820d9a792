import type { z } from 'zod';
import type { Facts } from './facts';
import { bare, leafOf, optionOf, read, type LeafFacts } from './inside';

/** One row of a form of something: a value of which something is known, one of several shapes, a list, or parts. */
export type FormRow =
  | { readonly kind: 'value'; readonly part: string; readonly facts: LeafFacts; readonly optional: boolean }
  /** Which shape it has, told by the part of this name. */
  | {
      readonly kind: 'shape';
      readonly part: string;
      readonly name: string;
      readonly shapes: readonly Shape[];
    }
  | { readonly kind: 'list'; readonly part: string; readonly name: string; readonly of: z.ZodType };

/** One of several shapes of something. */
export interface Shape {
  readonly id: string;
  readonly schema: z.ZodType;
}

const nameOf = (facts: readonly Facts[], otherwise: string): string =>
  facts.find((one) => one.kind === 'parts')?.name ?? otherwise;

/** What a form of a value would ask for, in the order in which its schema says it; `part` is the way to it from the value. */
export function formRows(schema: z.ZodType, value: unknown, way = ''): FormRow[] {
  const inner = bare(schema).schema;
  const { type, shape, discriminator, options } = read(inner);
  const to = (step: string): string => (way === '' ? step : `${way}.${step}`);
  if (type === 'union' && discriminator) {
    const shapes = options!.flatMap((option): Shape[] => {
      const literal = read(read(bare(option).schema).shape![discriminator]!);
      return [{ id: String(literal.values![0]), schema: option }];
    });
    const name = nameOf(bare(schema).facts, way);
    const now = optionOf(inner, value);
    return [{ kind: 'shape', part: way, name, shapes }, ...(now ? formRows(now, value, way) : [])];
  }
  if (type !== 'object') return [];
  return Object.entries(shape!).flatMap(([step, part]): FormRow[] => {
    const { schema: of, facts } = bare(part);
    const now = (value as Record<string, unknown> | undefined)?.[step];
    const leaf = leafOf(facts);
    if (leaf)
      return [{ kind: 'value', part: to(step), facts: leaf, optional: read(part).type === 'optional' }];
    if (read(of).type === 'array')
      return [{ kind: 'list', part: to(step), name: nameOf(facts, step), of: read(of).element! }];
    return read(of).type === 'literal' ? [] : formRows(part, now, to(step));
  });
}

import type { z } from 'zod';
import { bare, knownUnder, leafOf, partSchema, type LeafFacts } from './inside';

/** Changes a value of which something is known. `beside` is what it is a part of. */
type ChangeLeaf = (value: unknown, facts: LeafFacts, beside: object) => unknown;

/**
 * A value in which everything of the given kinds is changed by what is known of it, wherever it stands; what does not change
 * stays the same object.
 */
export function mapKnown<T>(
  schema: z.ZodType,
  value: T,
  kinds: readonly LeafFacts['kind'][],
  change: ChangeLeaf,
): T {
  const walk = (part: z.ZodType, now: unknown, beside: object): unknown => {
    const under = knownUnder(part);
    if (!kinds.some((kind) => under.has(kind))) return now;
    const { schema: inner, facts } = bare(part);
    const leaf = leafOf(facts);
    if (leaf) return now === null ? now : change(now, leaf, beside);
    if (typeof now !== 'object' || now === null) return now;
    if (Array.isArray(now)) {
      const element = partSchema(inner, now, '0')!;
      // A list belongs to what it is in: its units are said there.
      const next = now.map((one) => walk(element, one, beside));
      return next.some((one, i) => one !== now[i]) ? next : now;
    }
    let next: Record<string, unknown> | null = null;
    for (const [step, one] of Object.entries(now)) {
      const of = partSchema(inner, now, step);
      const to = of ? walk(of, one, now) : one;
      if (to !== one) (next ??= { ...now })[step] = to;
    }
    return next ?? now;
  };
  return walk(schema, value, {}) as T;
}

import type { z } from 'zod';
import { FACTS, type Facts, type PartsFacts } from './facts';

/** A schema as the walkers read it. Zod's own classes are not told apart at run time by any other means. */
interface Read {
  readonly def: {
    readonly type: string;
    readonly values?: readonly unknown[];
    readonly innerType?: z.ZodType;
    readonly element?: z.ZodType;
    readonly valueType?: z.ZodType;
    readonly options?: readonly z.ZodType[];
    readonly discriminator?: string;
    readonly shape?: Readonly<Record<string, z.ZodType>>;
  };
}
export const read = (schema: z.ZodType): Read['def'] => (schema as unknown as Read).def;

/** What a schema may stand in: facts may be said of it there, as of an end of a taper that is the start's. */
const WRAPPERS = ['optional', 'nullable', 'readonly', 'default'];

/** A schema out of all it is wrapped in, with the facts that were said of it on the way. */
export function bare(schema: z.ZodType): { readonly schema: z.ZodType; readonly facts: readonly Facts[] } {
  const facts: Facts[] = [];
  let at = schema;
  for (;;) {
    const own = FACTS.get(at);
    if (own) facts.push(own);
    const { type, innerType } = read(at);
    if (!WRAPPERS.includes(type)) return { schema: at, facts };
    at = innerType!;
  }
}

/** Facts of a value that is changed and keyed as a whole; undefined of what only holds others. */
export type LeafFacts = Exclude<Facts, PartsFacts>;
export const leafOf = (facts: readonly Facts[]): LeafFacts | undefined =>
  facts.find((one): one is LeafFacts => one.kind !== 'parts');

/**
 * The schema of a part of what a bare schema describes; undefined where there is none.
 * @param value what is there, which says which of several shapes it has; where it is unknown the first that has the part counts.
 */
export function partSchema(schema: z.ZodType, value: unknown, step: string): z.ZodType | undefined {
  const { type, shape, element, valueType, options } = read(schema);
  if (type === 'object') return Object.hasOwn(shape!, step) ? shape![step] : undefined;
  if (type === 'array') return element;
  if (type === 'record') return valueType;
  if (type !== 'union') return undefined;
  const chosen = optionOf(schema, value);
  if (chosen) return partSchema(bare(chosen).schema, value, step);
  for (const option of options!) {
    const part = partSchema(bare(option).schema, value, step);
    if (part) return part;
  }
  return undefined;
}

/** Which of the shapes that a bare schema describes a value has; undefined where nothing in it tells. */
export function optionOf(schema: z.ZodType, value: unknown): z.ZodType | undefined {
  const { options, discriminator } = read(schema);
  const kind = discriminator && (value as Record<string, unknown> | undefined)?.[discriminator];
  if (kind === undefined || discriminator === undefined) return undefined;
  return options!.find((option) => {
    const inner = bare(option).schema;
    const literal = read(inner).shape?.[discriminator];
    // A shape may itself be one of several, told apart by the same part.
    return literal ? literal.safeParse(kind).success : optionOf(inner, value) !== undefined;
  });
}

/** The names of the parts that a bare schema may have, those of all its shapes. */
export function partNames(schema: z.ZodType): string[] {
  const { type, shape, options } = read(schema);
  if (type === 'object') return Object.keys(shape!);
  return type === 'union' ? [...new Set(options!.flatMap((option) => partNames(bare(option).schema)))] : [];
}

/** What is known of anything under a schema: kinds of facts, and whether any of it may be keyed. */
export type Known = LeafFacts['kind'] | 'keyed';

const known = new WeakMap<z.ZodType, ReadonlySet<Known>>();

/** What is known of anything under a schema. What is described lazily is a document of its own: nothing is said of it. */
export function knownUnder(schema: z.ZodType): ReadonlySet<Known> {
  const before = known.get(schema);
  if (before) return before;
  const inner = bare(schema);
  const leaf = leafOf(inner.facts);
  const { element, valueType, options, shape } = read(inner.schema);
  const parts = leaf ? [] : [element, valueType, ...(options ?? []), ...Object.values(shape ?? {})];
  const kinds = new Set(parts.flatMap((part) => (part ? [...knownUnder(part)] : [])));
  if (leaf) kinds.add(leaf.kind);
  if (leaf && 'keyed' in leaf) kinds.add('keyed');
  known.set(schema, kinds);
  return kinds;
}

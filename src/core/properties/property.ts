import type { z } from 'zod';
import type { ColourFacts, NumberFacts, ShapeFacts, Unit } from './facts';
import { bare, knownUnder, leafOf, optionOf, partNames, partSchema } from './inside';

/** What is known of one property of something, with its unit settled. Numbers are in that unit's own measure. */
export interface Property {
  readonly kind: 'number' | 'colour' | 'shape';
  /** Its name by itself, as in a group of controls that says what it belongs to. */
  readonly name: string;
  /** Its name with those of all it belongs to, as a lane of its own says it. */
  readonly fullName: string;
  readonly unit: Unit;
  readonly min: number;
  readonly max: number;
  /** Within what arrow keys keep it. */
  readonly usual: readonly [min: number, max: number];
  readonly step: number;
  readonly initial: number;
  readonly ofPath: boolean;
  readonly whole: boolean;
  readonly shows: NumberFacts['shows'] | null;
  /** Whether it may follow keys. */
  readonly keyed: boolean;
}

/** What one step of an arrow key is, by unit. */
const STEPS: Record<Unit, number> = {
  px: 1,
  share: 0.01,
  angle: Math.PI / 180,
  frames: 1,
  widths: 0.1,
  times: 0.1,
  number: 1,
};

const lowered = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);

type PropertyFacts = NumberFacts | ColourFacts | ShapeFacts;

/**
 * What is known of the property at the end of a way through a value; undefined where there is none.
 * @param value what is there: it says which of several shapes it has, and units that are told beside a number.
 */
export function propertyAt(schema: z.ZodType, value: unknown, way: readonly string[]): Property | undefined {
  const names: string[] = [];
  let at = schema;
  let now = value;
  let beside: unknown = value;
  let ownName: string | undefined;
  for (const step of way) {
    const around = bare(at);
    const inner = partSchema(around.schema, now, step);
    if (!inner) return undefined;
    if (!Array.isArray(now)) beside = now;
    const { facts } = bare(inner);
    const parts = facts.find((one) => one.kind === 'parts');
    if (parts && !/^\d+$/.test(step)) names.push(names.length > 0 ? lowered(parts.name) : parts.name);
    if (/^\d+$/.test(step) && names.length > 0) names.push(`${names.pop()!} ${Number(step) + 1}`);
    const record = around.facts.find((one) => one.kind === 'parts')?.of;
    ownName = record && (record[step] ?? step);
    at = inner;
    now = typeof now === 'object' && now !== null ? (now as Record<string, unknown>)[step] : undefined;
    const option = optionOf(bare(inner).schema, now);
    const named = option && bare(option).facts.find((one) => one.kind === 'parts');
    if (named) names.push(names.length > 0 ? lowered(named.name) : named.name);
  }
  const facts = leafOf(bare(at).facts);
  if (!facts || !isProperty(facts)) return undefined;
  const name = ownName ?? facts.name;
  const fullName = [...names, names.length > 0 ? lowered(name) : name].join(', ');
  const said = facts.kind === 'number' ? facts : undefined;
  const field = typeof said?.unit === 'object' ? said.unit.field : null;
  const unit =
    field !== null
      ? (((beside as Record<string, unknown> | undefined)?.[field] as Unit | undefined) ?? 'number')
      : ((said?.unit as Unit | undefined) ?? 'number');
  const [min, max] = said ? (said.typed ?? [said.min, said.max]) : [0, 0];
  return {
    kind: facts.kind,
    name,
    fullName,
    unit,
    min,
    max,
    usual: said?.usual ?? [min, max],
    step: said?.step ?? STEPS[unit],
    initial: said?.initial ?? 0,
    ofPath: said?.ofPath ?? false,
    whole: said?.whole ?? false,
    shows: said?.shows ?? null,
    keyed: facts.keyed ?? false,
  };
}

const isProperty = (facts: { readonly kind: string }): facts is PropertyFacts =>
  facts.kind === 'number' || facts.kind === 'colour' || facts.kind === 'shape';

/** The names of those parts of what a schema describes under which anything may be keyed. */
export const keyedPartNames = (schema: z.ZodType): string[] => {
  const inner = bare(schema).schema;
  return partNames(inner).filter((name) => knownUnder(partSchema(inner, undefined, name)!).has('keyed'));
};

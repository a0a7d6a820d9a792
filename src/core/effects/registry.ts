import { z } from 'zod';
import { check, FACTS, initialOf } from '../properties';
import { COPIES } from './copies';
import type { EffectKind, Items, Subject } from './effect';
import { FLUID_INK } from './fluid';
import { GLINT } from './glint';
import { HELD } from './held';
import { DROP_SHADOW, GLOW, INNER_GLOW } from './lights';
import { nowOf } from './now';
import { WAKE } from './wake';
import { ROUGH_EDGE, WOBBLE } from './wobble';

/** Every kind of effect, in the order in which people choose from them. A new one is one line here. */
const KINDS = [
  WAKE,
  COPIES,
  WOBBLE,
  ROUGH_EDGE,
  HELD,
  FLUID_INK,
  GLINT,
  GLOW,
  INNER_GLOW,
  DROP_SHADOW,
] as const;

/** A kind as it is listed, its own types aside. */
type AnyEffectKind = EffectKind<z.ZodType>;
export const EFFECT_KINDS = KINDS as unknown as readonly AnyEffectKind[];

const schemas = KINDS.map(({ schema }) => schema);
for (const { schema, name } of KINDS) FACTS.add(schema, { kind: 'parts', name });

type EffectSchema = (typeof KINDS)[number]['schema'];
/** All that is set of one effect. */
export type EffectSetting = z.infer<EffectSchema>;
const settingSchema = z.discriminatedUnion('kind', schemas as unknown as [EffectSchema]);

/** One effect in a list: switched off it is kept and does nothing. */
const effectSchema = z.strictObject({
  on: check('On', true),
  is: settingSchema,
});
export type Effect = z.infer<typeof effectSchema>;

/** How many effects one layer or group may have. */
export const MOST_EFFECTS = 12;

/** What one layer or group has done to it, one effect after another. */
export const effectsSchema = z.array(effectSchema).max(MOST_EFFECTS).readonly();

const named = new Map<string, AnyEffectKind>(
  KINDS.map((kind) => [kind.schema.shape.kind.value, kind as unknown as AnyEffectKind]),
);

/** What is known of the kind that an effect is of. */
export const kindOfEffect = ({ is }: Pick<Effect, 'is'>): AnyEffectKind => named.get(is.kind)!;

/**
 * A new effect of a kind.
 * @param size of the picture it is for, of one that is 1080 high.
 */
export const newEffect = (kind: AnyEffectKind, size: number): Effect => ({
  on: true,
  is: initialOf(kind.schema, size) as EffectSetting,
});

/** How often what an effect is done to is seen with it. */
export const repeatsOfEffect = (is: EffectSetting): number => kindOfEffect({ is }).repeats?.(is) ?? 1;

/** What a layer or group shows with an effect done. */
export const applied = (effect: Effect, subject: Subject): Items =>
  kindOfEffect(effect).apply(nowOf(effect.is, subject.frame), subject, effect.is);

import { z } from 'zod';
import { colourSchema } from '../colour';
import { animatedOf } from '../timing';

/** What a number is counted in: pixels of the piece, a share of one, radians, frames, widths of its stroke, a factor, or nothing. */
export type Unit = 'px' | 'share' | 'angle' | 'frames' | 'widths' | 'times' | 'number';

/** How a value follows where what bears it is scaled about a point: as a length, or as a place along an axis. */
type Scaling = 'size' | 'x' | 'y';

interface Named {
  /** The trade's word for it, as panels, lanes and screen readers say it. */
  readonly name: string;
}

interface Keyable {
  /** Whether it may follow keys. */
  readonly keyed?: true;
}

/** A number: between two keys it is mixed evenly. */
export interface NumberFacts extends Named, Keyable {
  readonly kind: 'number';
  /** Given as `{ field }` it is what the part of that name beside it says. */
  readonly unit: Unit | { readonly field: string };
  /** What a document may hold. */
  readonly min: number;
  readonly max: number;
  /** What may be typed, where that is less than what a document may hold. */
  readonly typed?: readonly [min: number, max: number];
  /** Within what arrow keys keep it, where beyond that nothing more is seen. */
  readonly usual?: readonly [min: number, max: number];
  /** What an arrow key changes it by; where absent, one of its unit. */
  readonly step?: number;
  /** What it counts as where it is not there; where absent, 0. */
  readonly initial?: number;
  /** How it says whether what bears it is seen: as strong as it is, or only while it is under way from 0 to 1. */
  readonly shows?: 'as strong' | 'under way';
  /** Where absent it stays as it is. */
  readonly scales?: Scaling;
  /** It is a share of the length of its stroke's path, so that a change of it is a way of so many pixels. */
  readonly ofPath?: true;
  /** It is a whole number. */
  readonly whole?: true;
}

/** A colour: between two keys it is mixed in OKLab. */
export interface ColourFacts extends Named, Keyable {
  readonly kind: 'colour';
  /** What it is at first. */
  readonly initial?: string;
}

/** One of a few words. */
interface ChoiceFacts extends Named {
  readonly kind: 'choice';
  readonly values: readonly string[];
}

/** Something that is so or not. */
interface CheckFacts extends Named {
  readonly kind: 'check';
  readonly initial?: boolean;
}

/** A path: between two keys one shape becomes the other. Its points are places. */
export interface ShapeFacts extends Named, Keyable {
  readonly kind: 'shape';
}

/** A point of two coordinates, a place in the picture. */
interface PlaceFacts {
  readonly kind: 'place';
}

/** A matrix: one that puts something into the picture, or how a parent stood when it took something up. */
interface MatrixFacts {
  readonly kind: 'matrix' | 'rest';
}

/** What something is named by, or names something else by, within a piece. */
export interface IdFacts {
  readonly kind: 'id';
  /** Where people choose it: what it is called, and what may be chosen. */
  readonly name?: string;
  readonly of?: 'stroke' | 'stroke or group' | 'anything';
}

/** Parts that belong together; a list of them counts them. Its name stands before those of its parts. */
export interface PartsFacts extends Named {
  readonly kind: 'parts';
  /** Names of the parts of a record, by their keys; one that is not there is called by its key. */
  readonly of?: Readonly<Record<string, string>>;
}

export type Facts =
  | NumberFacts
  | ColourFacts
  | ChoiceFacts
  | CheckFacts
  | ShapeFacts
  | PlaceFacts
  | MatrixFacts
  | IdFacts
  | PartsFacts;

/**
 * What is known of the parts of a document, said once beside the schema of each. Lanes, panels, keys, scaling, copying,
 * layouts and screen readers read it here.
 */
export const FACTS = z.registry<Facts>();

type NumberSaid = Omit<NumberFacts, 'kind' | 'keyed'>;

/** The schema of a number with its facts. */
export const number = (facts: NumberSaid) =>
  z
    .number()
    .min(facts.min)
    .max(facts.max)
    .register(FACTS, { kind: 'number', ...facts });

/** The schema of a whole number with its facts. */
export const wholeNumber = (facts: NumberSaid) =>
  z
    .number()
    .int()
    .min(facts.min)
    .max(facts.max)
    .register(FACTS, { kind: 'number', whole: true, ...facts });

/** The schema of a number that may be keyed. */
export const keyedNumber = (facts: NumberSaid) =>
  animatedOf(z.number().min(facts.min).max(facts.max)).register(FACTS, {
    kind: 'number',
    keyed: true,
    ...facts,
  });

const OPACITY = { name: 'Opacity', unit: 'share', min: 0, max: 1, shows: 'as strong' } as const;

/** No length within a piece is more, px; an offset that is typed or dragged goes no further either way. */
export const MOST_LENGTH = 4000;
const LENGTH = { unit: 'px', min: 0, max: MOST_LENGTH, scales: 'size' } as const;
const OFFSET = {
  unit: 'px',
  min: -1e5,
  max: 1e5,
  typed: [-MOST_LENGTH, MOST_LENGTH],
  scales: 'size',
} as const;

/** A length, px. */
export const length = (name: string, more: { readonly initial?: number } = {}) =>
  number({ ...LENGTH, name, ...more });
export const keyedLength = (name: string, more: { readonly initial?: number } = {}) =>
  keyedNumber({ ...LENGTH, name, ...more });
/** How far something lies off to one side or the other, px. */
export const offset = (name: string) => number({ ...OFFSET, name });
export const keyedOffset = (name: string, more: { readonly initial?: number } = {}) =>
  keyedNumber({ ...OFFSET, name, ...more });

/** The schema of how strongly something is seen, a share. */
export const opacity = () => number({ ...OPACITY, initial: 1 });
export const keyedOpacity = (initial = 1) => keyedNumber({ ...OPACITY, initial });

/** The schema of a colour with its name. */
export const colour = (name: string, initial?: string) =>
  colourSchema.clone().register(FACTS, { kind: 'colour', name, ...(initial && { initial }) });

/** The schema of a colour that may be keyed. */
export const keyedColour = (name: string, initial?: string) =>
  animatedOf(colourSchema).register(FACTS, {
    kind: 'colour',
    keyed: true,
    name,
    ...(initial && { initial }),
  });

/** The schema of one of a few words; the first of them is what it is at first. */
export const choice = <const V extends readonly [string, ...string[]]>(name: string, values: V) =>
  z.enum(values).register(FACTS, { kind: 'choice', name, values });

/** The schema of what is so or not. */
export const check = (name: string, initial = false) =>
  z.boolean().register(FACTS, { kind: 'check', name, initial });

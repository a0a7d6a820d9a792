import type { z } from 'zod';
import type { DrawItem } from '../draw';
import type { Matrix, Path, Point } from '../geometry';
import type { Now } from './now';

export type Items = readonly DrawItem[];

/** How strokes are shown otherwise than they are, by an effect that repeats them. */
export interface Variant {
  /** Of their widths. */
  readonly width: number;
  /** Share of their length beyond which there is no ink. */
  readonly reach: number;
}

/** A stroke at a moment, in the coordinates of the items it draws. */
export interface StrokeNow {
  readonly path: Path;
  /** Shares of its length. */
  readonly head: number;
  readonly tail: number;
  /** px. */
  readonly width: number;
}

/** What an effect is done to: a layer or group with the effects before this one done. Frames may be fractions. */
export interface Subject {
  readonly frame: number;
  readonly framesPerSecond: number;
  /** Frames after which the piece begins again. */
  readonly loop: number;
  /** What it shows at a frame. */
  readonly items: (frame: number, variant?: Variant) => Items;
  /** From the coordinates in which it was made to those of its items. */
  readonly matrix: (frame: number) => Matrix;
  /** The point about which it turns, as it was made. */
  readonly pivot: () => Point;
  /** A stroke of the piece in the coordinates of the items; itself where no id is given. Null for none. */
  readonly stroke: (frame: number, id?: string) => StrokeNow | null;
  /** The frame at which a stroke of the piece has arrived; null for none. */
  readonly arrival: (id: string) => number | null;
  /** The same items again while all they are made from is the same: `from` is compared one by one. */
  readonly kept: (from: readonly unknown[], make: () => Items) => Items;
}

/** Values for some of an effect's parts, under a name people read. */
export interface Preset<E> {
  readonly name: string;
  readonly values: (context: { readonly palette: readonly string[]; readonly size: number }) => Partial<E>;
}

/**
 * One kind of effect. Its schema holds the literal `kind` and, with their facts, all that can be set; panels, lanes, keys,
 * undo and saving come from there.
 */
export interface EffectKind<S extends z.ZodType> {
  readonly schema: S;
  readonly name: string;
  /** What it does, in a sentence people read before they choose it. */
  readonly about: string;
  /** What of the picture it may change: where something is seen through other layers, of theirs only what changes shapes counts. */
  readonly touches: 'shape' | 'look';
  /** Whether it blurs: a format without soft edges loses it. */
  readonly isSoft: boolean;
  /** Whether it shows what it is done to in other shapes at each frame, so that vector formats hold an outline for each. */
  readonly redraws: boolean;
  readonly presets?: readonly Preset<z.infer<S>>[];
  /** How often what it is done to is seen with it; once where absent. */
  readonly repeats?: (effect: z.infer<S>) => number;
  /**
   * @param effect its values at the frame in hand.
   * @param keyed the same with their keys, for what goes by more than the moment.
   */
  apply(effect: Now<z.infer<S>>, subject: Subject, keyed: z.infer<S>): Items;
}

/** Says a kind of effect, its types settled by its schema. */
export const effectKind = <S extends z.ZodType>(kind: EffectKind<S>): EffectKind<S> => kind;

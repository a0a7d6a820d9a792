import { z } from 'zod';
import type { Rate } from '../../timing';
import { changed, updateStrokes } from '../parts';
import { readPiece } from '../read';
import { newPiece, type Layer, type Piece, type Stroke } from '../schema';
import { changeEffects } from './effects';
import { fragmentOf, withFragment, type Put } from './fragment';
import { copyKeys, type CopiedKeys, type KeyRef } from './keys';
import { withRate } from './piece-time';

/**
 * What was copied out of a piece, complete in itself, so that it can be put into any other piece: layers with their groups, in
 * a piece that holds nothing else, or keys.
 */
export interface Copied {
  readonly piece: Piece;
  readonly keys: CopiedKeys | null;
}

/** Copies keys where there are any, else layers. */
export function copiedOf(piece: Piece, ids: readonly string[], keys: readonly KeyRef[]): Copied {
  const empty = newPiece(piece.name, piece.size, piece.rate, piece.length);
  if (keys.length > 0) return { piece: empty, keys: copyKeys(piece, keys) };
  const { layers, groups } = fragmentOf(piece, ids);
  const whole = new Set(groups.map((group) => group.id));
  // Groups that do not come along are no groups there.
  const homed = <P extends { readonly group?: string }>(one: P): P =>
    one.group === undefined || whole.has(one.group)
      ? one
      : changed<P>(one, { group: undefined } as unknown as Partial<P>);
  const styles = piece.styles.filter(({ id }) =>
    layers.some((layer) => layer.type === 'stroke' && layer.style === id),
  );
  return { piece: { ...empty, layers: layers.map(homed), groups: groups.map(homed), styles }, keys: null };
}

const keysSchema = z.strictObject({
  parts: z
    .array(
      z.strictObject({
        stroke: z.string().max(80),
        part: z.string().max(120),
        keys: z.array(z.looseObject({ frame: z.number().min(-1e6).max(1e6) })).max(100_000),
      }),
    )
    .max(10_000),
});
const writtenSchema = z.strictObject({
  obelus: z.literal('copied'),
  document: z.unknown(),
  keys: keysSchema.nullable(),
});

/** What was copied, as text for a clipboard. */
export const writeCopied = ({ piece, keys }: Copied): string =>
  JSON.stringify({ obelus: 'copied', document: piece, keys });

/**
 * Reads what was copied, also by another page or an older Obelus.
 * @returns null where it is nothing that was copied here, or is damaged.
 */
export function readCopied(text: string): Copied | null {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return null;
  }
  const written = writtenSchema.safeParse(data);
  if (!written.success) return null;
  const read = readPiece(written.data.document);
  if (!read.ok) return null;
  // What keys hold is looked at when they are put: whether they fit is known only there.
  return { piece: read.piece, keys: written.data.keys as CopiedKeys | null };
}

const sameRate = (a: Rate, b: Rate): boolean => a.numerator * b.denominator === b.numerator * a.denominator;

/** What was copied with its moments at the rate of another piece: what took a second takes a second. */
export function copiedAtRate(copied: Copied, rate: Rate): Copied {
  const from = copied.piece.rate;
  if (sameRate(from, rate)) return copied;
  const factor = (rate.numerator * from.denominator) / (rate.denominator * from.numerator);
  return {
    piece: withRate(copied.piece, rate, 'seconds'),
    keys: copied.keys && {
      parts: copied.keys.parts.map((part) => ({
        ...part,
        keys: part.keys.map((key) => ({ ...key, frame: Math.round(key.frame * factor) })),
      })),
    },
  };
}

/** Puts copies of the layers that were copied into a piece, with the styles that they bear where it has none of that id. */
export function pasteLayers(piece: Piece, { piece: from }: Copied, newId: () => string): Put {
  const styles = from.styles.filter(({ id }) => !piece.styles.some((style) => style.id === id));
  const put = withFragment(piece, from, newId);
  return { ...put, piece: { ...put.piece, styles: [...put.piece.styles, ...styles] } };
}

/** What can be taken of strokes that were copied and given to others. */
export type Borrowed = 'ink' | 'timing' | 'effects';

const strokesIn = ({ layers }: Piece): Stroke[] =>
  layers.filter((layer): layer is Stroke => layer.type === 'stroke');

/** Whether there is anything of the kind among what was copied. */
export const lends = ({ piece, keys }: Copied, what: Borrowed): boolean =>
  keys === null &&
  (what === 'effects'
    ? piece.layers.some((layer) => (layer.effects?.length ?? 0) > 0) ||
      piece.groups.some((group) => (group.effects?.length ?? 0) > 0)
    : strokesIn(piece).length > 0);

/**
 * Gives others the ink, the timing or the effects of what was copied: the first of its strokes to the first of them and so on,
 * the last to all that are left. Effects are those of the first part that has any; they take the place of the others’ own.
 */
export function pasteBorrowed(piece: Piece, copied: Copied, ids: readonly string[], what: Borrowed): Piece {
  const { piece: from } = copied;
  if (what === 'effects') {
    const parts: readonly Pick<Layer, 'effects'>[] = [...from.groups, ...from.layers];
    const effects = parts.find((part) => (part.effects?.length ?? 0) > 0)?.effects ?? [];
    return changeEffects(piece, ids, () => effects);
  }
  const lenders = strokesIn(from);
  if (lenders.length === 0) return piece;
  const order = strokesIn(piece)
    .map((stroke) => stroke.id)
    .filter((id) => ids.includes(id));
  return updateStrokes(piece, order, (stroke) => {
    const lender = lenders[Math.min(order.indexOf(stroke.id), lenders.length - 1)]!;
    if (what === 'ink') {
      const style = piece.styles.some(({ id }) => id === lender.style) ? lender.style : undefined;
      return changed<Stroke>({ ...stroke, ink: lender.ink }, { style });
    }
    const { window, manner, pace } = lender;
    return changed<Stroke>(
      { ...stroke, window },
      { manner, pace: pace?.kind === 'written' ? stroke.pace : pace },
    );
  });
}

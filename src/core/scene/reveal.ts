import type { DrawItem, Filter } from '../draw';
import {
  letterOutlines,
  membersOf,
  revealersOf,
  sameValue,
  type Artwork,
  type Layer,
  type Piece,
  type Reveal,
  type Stroke,
  strokesOf,
} from '../document';
import { commandsOf, compose, transformCommands, type PathCommand } from '../geometry';
import { heldOut } from './held-out';
import { ownersOf } from './owners';

type Items = readonly DrawItem[];

/** Layers that are only looked through: those that something is seen through without being seen themselves. */
export function lookedThrough(piece: Pick<Piece, 'layers' | 'groups'>): Set<string> {
  const hidden = new Set<string>();
  for (const one of [...piece.layers, ...piece.groups]) {
    if (!one.reveal || one.reveal.shown) continue;
    for (const layer of layersThrough(piece, one.reveal)) hidden.add(layer.id);
  }
  return hidden;
}

const seen = new WeakMap<Layer, Layer>();

/** A layer as it is looked through: hidden or not it does its work there. */
export function unhidden<L extends Layer>(layer: L): L {
  if (!layer.hidden) return layer;
  let shown = seen.get(layer);
  if (!shown) seen.set(layer, (shown = { ...layer, hidden: false }));
  return shown as L;
}

/** The outlines that art or lettering is made of, in piece pixels: letter by letter, or shape by shape. */
export function partOutlines(layer: Artwork): readonly (readonly PathCommand[])[] {
  let outlines = parts.get(layer);
  if (!outlines) {
    outlines =
      layer.type === 'lettering'
        ? letterOutlines(layer)
        : layer.shapes.map((shape) =>
            transformCommands(commandsOf(shape.data), compose(layer.transform, shape.transform)),
          );
    parts.set(layer, outlines);
  }
  return outlines;
}
const parts = new WeakMap<Layer, readonly (readonly PathCommand[])[]>();

/** Items as something that others are seen through. */
function matte(items: Items, { by, inverted, feather }: Reveal): DrawItem {
  const operator = inverted ? ('erase' as const) : ('keep' as const);
  const [only] = items;
  // One shape alone needs no canvas of its own.
  if (items.length === 1 && only!.kind !== 'group' && by === 'shape' && feather === 0)
    return { ...only!, operator };
  const filters: Filter[] = [];
  if (by === 'brightness') filters.push({ kind: 'alpha from brightness' });
  if (feather > 0) filters.push({ kind: 'blur', deviation: feather / 2 });
  return { kind: 'group', items, opacity: 1, operator, ...(filters.length > 0 && { filters }) };
}

/** Items as they are seen through others. */
export const through = (items: Items, mattes: Items, reveal: Reveal): Items =>
  items.length === 0 || (mattes.length === 0 && !reveal.inverted)
    ? []
    : [{ kind: 'group', items: mattes.length > 0 ? [...items, matte(mattes, reveal)] : items, opacity: 1 }];

interface Owners {
  readonly strokes: readonly Stroke[];
  /** For each letter or shape, which of the strokes write it. */
  readonly of: readonly (readonly number[])[];
}
const owners = new WeakMap<object, Owners>();

/** The glyph that a stroke writes of a text, where that is known and still so; null elsewhere. */
const glyphOf = (layer: Artwork, { traced }: Stroke): number | null =>
  layer.type === 'lettering' &&
  traced?.from === layer.id &&
  traced.glyph !== undefined &&
  traced.glyph < layer.set.glyphs.length &&
  sameValue(layer.written ?? layer.setting, layer.setting)
    ? traced.glyph
    : null;

/** For each letter or shape, which of some strokes write it: those found for it, and others that run along it. */
export function ownersIn(layer: Artwork, strokes: readonly Stroke[]): readonly (readonly number[])[] {
  const known = owners.get(layer);
  const same =
    known?.strokes.length === strokes.length &&
    known.strokes.every((s, i) => s.path === strokes[i]!.path && s.traced === strokes[i]!.traced);
  if (known && same) return known.of;
  const glyphs = strokes.map((stroke) => glyphOf(layer, stroke));
  const found = new Set(glyphs);
  const others = strokes.flatMap((_, i) => (glyphs[i] === null ? [i] : []));
  const along = ownersOf(
    partOutlines(layer),
    others.map((i) => strokes[i]!.path),
    (part) => found.has(part),
  );
  const of = along.map((own, part) =>
    [...glyphs.flatMap((glyph, i) => (glyph === part ? [i] : [])), ...own.map((k) => others[k]!)].sort(
      (a, b) => a - b,
    ),
  );
  owners.set(layer, { strokes, of });
  return of;
}

/** The layers that something is seen through, members of groups among them. */
export const layersThrough = (piece: Pick<Piece, 'layers' | 'groups'>, reveal: Reveal): Layer[] =>
  revealersOf(piece, reveal).flatMap((one): Layer[] => ('type' in one ? [one] : membersOf(piece, one.id)));

/** For each letter or shape, what each of the strokes that write it must leave to the others. */
type HeldOut = readonly ReturnType<typeof heldOut>[];
const held = new WeakMap<object, { readonly strokes: readonly Stroke[]; readonly out: HeldOut }>();

/** What strokes leave to one another of each letter or shape that they uncover; in the order of those that `ownersIn` gives it. */
export function heldOutIn(layer: Artwork, strokes: readonly Stroke[]): HeldOut {
  const known = held.get(layer);
  if (known?.strokes.length === strokes.length && known.strokes.every((s, i) => s === strokes[i]))
    return known.out;
  const of = ownersIn(layer, strokes);
  // These stay the same objects while a text or art is moved.
  const whole = layer.type === 'lettering' ? layer.set : layer.shapes;
  const out = partOutlines(layer).map((outline, part) =>
    heldOut(
      outline,
      of[part]!.map((k) => strokes[k]!),
      whole,
      part,
    ),
  );
  held.set(layer, { strokes, out });
  return out;
}

/** The strokes among them. */
export const strokesThrough = (piece: Pick<Piece, 'layers' | 'groups'>, reveal: Reveal): Stroke[] =>
  strokesOf({ layers: layersThrough(piece, reveal) });

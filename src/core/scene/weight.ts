import { contentOf, groupsAround, type Layer, type Piece } from '../document';
import { repeatsOfEffect } from '../effects';
import { measurePath } from '../geometry';
import { stepsIn } from '../numbers';
import { valueAt } from '../timing';

/** Commands that a point of a path comes to, of a pen that is even and of one that is not. */
const EVEN = 1;
const SWEPT = 12;
/** Characters of path data to one command. */
const CHARACTERS = 12;
/** Dashes of one stroke beyond which it is drawn as one line. */
const MOST_DASHES = 20_000;
/** Moments that motion blur takes of what moves. */
const MOMENTS = 6;

function ownWeight(layer: Layer): number {
  if (layer.type === 'stroke') {
    const { path, ink } = layer;
    const each = ink.widths || ink.taper || ink.gradient || ink.line ? SWEPT : EVEN;
    const period = ink.dashes?.pattern.reduce((sum, length) => sum + length, 0) ?? 0;
    const unit =
      ink.dashes?.unit === 'px' ? 1 : ink.dashes?.unit === 'widths' ? valueAt(ink.width, 0) : Infinity;
    const dashes = ink.dashes ? stepsIn(measurePath(path).length, period * unit, MOST_DASHES) : 0;
    return each * (path.points.length + 2 * dashes);
  }
  if (layer.type === 'art')
    return layer.shapes.reduce((sum, shape) => sum + shape.data.length, 0) / CHARACTERS;
  if (layer.type === 'piece') return weightOf(contentOf(layer));
  const { glyphs, outlines } = layer.set;
  return glyphs.reduce((sum, { outline }) => sum + (outlines[outline]?.length ?? 0), 0) / CHARACTERS;
}

/** What of a piece has weight. */
type Weighed = Pick<Piece, 'layers' | 'groups'> & Partial<Pick<Piece, 'shutter'>>;

/** What a layer of a piece comes to, with what its effects and those of the groups around it repeat. */
export function weightOfLayer(piece: Weighed, layer: Layer): number {
  const effects = [layer, ...groupsAround(piece, layer)].flatMap((one) => one.effects ?? []);
  return effects.reduce((sum, { on, is }) => sum * (on ? repeatsOfEffect(is) : 1), ownWeight(layer));
}

/**
 * Roughly how many commands of paths a picture of a piece is made of where all of it is inked, before any of it is made: by its points,
 * its dashes, and by how often effects repeat what they are done to.
 */
export function weightOf(piece: Weighed): number {
  const sum = piece.layers.reduce((all, layer) => all + weightOfLayer(piece, layer), 0);
  return piece.shutter ? sum * MOMENTS : sum;
}

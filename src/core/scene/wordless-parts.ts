import type { Part, Piece } from '../document';
import { lookedThrough } from './reveal';

/** Effects that only light what is there; all others draw what they are done to anew. */
const LIGHTS = ['glow', 'inner glow', 'drop shadow'];

function isWordless(one: Part): boolean {
  const { effects = [] } = one;
  if (effects.some(({ on, is }) => on && !LIGHTS.includes(is.kind))) return true;
  if (!('type' in one) || one.type !== 'stroke') return false;
  const { widths, taper, dashes, line, gradient } = one.ink;
  return [widths, taper, dashes, line, gradient].some(Boolean);
}

/**
 * Names of layers and groups that vector formats have no word for while they grow: a pen of changing width, dashes that keep to a
 * growing stroke, effects that redraw. They are a shape of their own at every frame.
 */
export function wordlessParts(piece: Piece): string[] {
  // What others are seen through does its work hidden or not.
  const through = lookedThrough(piece);
  const seen = piece.layers.filter((layer) => !layer.hidden || through.has(layer.id));
  return [...seen, ...piece.groups].filter(isWordless).map(({ name }) => name);
}

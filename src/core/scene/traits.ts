// What there is about a layer or group that some file formats can't hold. Each kind of effect and part of ink says its own.
import { inkDoes, type Part, type Piece } from '../document';
import { kindOfEffect } from '../effects';
import { lookedThrough } from './reveal';

/** Whether a layer or group is blurred anywhere: a glow, a shadow, a soft edge, ink that melts. */
export function isSoft(part: Part): boolean {
  const { masks = [], reveal, effects = [] } = part;
  if (masks.some(({ feather }) => feather !== 0) || (reveal && reveal.feather !== 0)) return true;
  if (effects.some((effect) => effect.on && kindOfEffect(effect).isSoft)) return true;
  return 'type' in part && part.type === 'stroke' && inkDoes(part.ink, 'isSoft');
}

/** Whether a layer or group is partly transparent anywhere by intent, not only at its edges. */
export function isTranslucent(part: Part): boolean {
  const { masks = [], place } = part;
  if (isSoft(part) || masks.some(({ opacity }) => opacity !== 1)) return true;
  if (place && place.opacity !== 1) return true;
  if (!('type' in part)) return false;
  if (part.type !== 'stroke') return part.opacity !== 1;
  const { opacity, gradient, shadowLine } = part.ink;
  const stops = gradient?.stops.some((stop) => stop.opacity !== 1) ?? false;
  return opacity !== 1 || stops || (shadowLine !== undefined && shadowLine.opacity !== 1);
}

/**
 * Whether the outline of a layer or group changes everywhere while it grows: a pen of changing width, dashes that keep to the head, an
 * effect that redraws. Vector formats hold an outline of it for each frame.
 */
export function isRedrawn(part: Part): boolean {
  const { effects = [] } = part;
  if (effects.some((effect) => effect.on && kindOfEffect(effect).redraws)) return true;
  return 'type' in part && part.type === 'stroke' && inkDoes(part.ink, 'redraws');
}

/** Names of the layers and groups of which something is so; hidden ones only where others are seen through them. */
export function namesOfParts(piece: Piece, isSo: (part: Part) => boolean): string[] {
  const through = lookedThrough(piece);
  const seen = piece.layers.filter((layer) => !layer.hidden || through.has(layer.id));
  return [...seen, ...piece.groups].filter(isSo).map(({ name }) => name);
}

import type { Artwork } from '../../document';
import type { MakeCanvas } from '../../paint';
import { artItems, unhidden } from '../../scene';
import { inkOfShapes, traceInk, type TraceOptions } from '../ink';
import type { TracedStroke, TraceProgress } from '../lines';
import { directionOf } from '../order';
import { knowsLetters, traceLetters } from './trace-letters';

/**
 * The strokes of art or lettering, in piece pixels and in writing order. A text whose letters are known is written letter by
 * letter; of all else only its ink is known.
 * @returns null when `progress` stopped it, or where there is no ink.
 */
export function traceArtwork(
  layer: Artwork,
  options: TraceOptions,
  make: MakeCanvas,
  progress: TraceProgress = () => true,
): TracedStroke[] | null {
  if (layer.type === 'lettering' && knowsLetters(layer)) return traceLetters(layer, options, make, progress);
  const ink = inkOfShapes(artItems(unhidden(layer)), make);
  const told = layer.type === 'lettering' ? directionOf(layer.setting.text) : null;
  return ink && traceInk(ink, { ...options, direction: told ?? options.direction }, progress);
}

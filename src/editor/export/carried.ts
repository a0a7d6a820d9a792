import { fileSize, formatOf, frameStep, isSingle, needsColour, type WholeExportSettings } from '@/contract';
import type { Layer, Piece } from '@/core/document';
import { framesPerSecond } from '@/core/timing';

/** One thing that a file will not hold as it is seen, and the layers it is about. */
export interface Loss {
  readonly what: string;
  readonly layers: readonly string[];
}

const LIGHT = ['glow', 'inner glow', 'drop shadow'];

/** Whether a layer has parts that are half there by intent, not only at its edges. */
function isSoft(layer: Layer): boolean {
  const { masks = [], effects = [], reveal } = layer;
  if (masks.some(({ feather, opacity }) => feather !== 0 || opacity !== 1)) return true;
  if (reveal && reveal.feather !== 0) return true;
  if (effects.some(({ on, is }) => on && LIGHT.includes(is.kind))) return true;
  if (layer.type !== 'stroke') return layer.opacity !== 1;
  const { opacity, gradient, glow, innerGlow, shadow } = layer.ink;
  return (
    opacity !== 1 ||
    Boolean(glow ?? innerGlow ?? shadow) ||
    Boolean(gradient?.stops.some((s) => s.opacity !== 1))
  );
}

/** Whether a layer is a shape of its own at every frame while it grows: a pen of changing width, dashes, effects that redraw it. */
function isBaked(layer: Layer): boolean {
  if ((layer.effects ?? []).some(({ on, is }) => on && !LIGHT.includes(is.kind))) return true;
  if (layer.type !== 'stroke') return false;
  const { widths, taper, dashes, line, gradient } = layer.ink;
  return Boolean(widths ?? taper ?? dashes ?? line ?? gradient);
}

/** What of a piece a file of these settings will not hold, in words. */
export function notCarried(piece: Piece, settings: WholeExportSettings): Loss[] {
  const format = formatOf(settings.format);
  const losses: Loss[] = [];
  const named = (which: (layer: Layer) => boolean) =>
    piece.layers.filter((layer) => !layer.hidden && which(layer)).map(({ name }) => name);
  if (settings.transparency === 'edge') {
    losses.push({
      what: `Edges are laid over ${settings.over}; over another colour they show it as a rim.`,
      layers: [],
    });
    const hard = named(isSoft);
    if (hard.length > 0) losses.push({ what: 'What is half there becomes there or not', layers: hard });
  } else if (needsColour(settings.transparency)) {
    losses.push({ what: `There is no transparency: ${settings.over} lies beneath.`, layers: [] });
  }
  const step = frameStep(format, piece.rate);
  if (step > 1)
    losses.push({
      what: `${format.name} holds ${format.mostRate} frames a second at most: every ${step === 2 ? 'second' : `${step}th`} frame leaves, ${(framesPerSecond(piece.rate) / step).toFixed(2).replace(/\.?0+$/, '')} a second.`,
      layers: [],
    });
  const soft = named(isSoft);
  if (settings.format === 'lottie' && soft.length > 0)
    losses.push({ what: 'Glows and shadows are left out, soft edges become hard', layers: soft });
  if (format.vector && !isSingle(format)) {
    if (piece.shutter)
      losses.push({
        what: 'Motion blur is left out: it is a sum of many pictures. A still has it.',
        layers: [],
      });
    const baked = named(isBaked);
    if (baked.length > 0) losses.push({ what: 'Drawn anew frame by frame, which takes room', layers: baked });
  }
  const { width, height } = fileSize(format, piece.size, settings.scale);
  if (
    width !== Math.round(piece.size.width * settings.scale) ||
    height !== Math.round(piece.size.height * settings.scale)
  )
    losses.push({
      what: `H.264 takes even sizes: a row or column of the ground makes it ${width} × ${height}.`,
      layers: [],
    });
  return losses;
}

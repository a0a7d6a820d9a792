import {
  exportSize,
  fileSize,
  formatOf,
  frameStep,
  needsColour,
  type FormatId,
  type WholeExportSettings,
} from '@/contract';
import type { Part, Piece } from '@/core/document';
import { lookedThrough, wordlessParts } from '@/core/scene';
import { framesPerSecond } from '@/core/timing';

/** One thing that a file will not hold as it is seen, and the layers it is about. */
interface Loss {
  readonly what: string;
  readonly layers: readonly string[];
}

/** Effects that are light or softness; all others draw what they are done to anew. */
const LIGHTS = ['glow', 'inner glow', 'drop shadow'];
const SOFT = [...LIGHTS, 'fluid ink'];

/** Vector formats without a word for softness. */
const NOT_SOFT: readonly FormatId[] = ['lottie', 'still-pdf'];

const hasEffect = ({ effects = [] }: Part, kinds: (kind: string) => boolean): boolean =>
  effects.some(({ on, is }) => on && kinds(is.kind));

/** Whether a layer or group is blurred anywhere: a glow, a shadow, a soft edge, ink that melts. */
function isBlurred(one: Part): boolean {
  const { masks = [], reveal } = one;
  if (masks.some(({ feather }) => feather !== 0) || (reveal && reveal.feather !== 0)) return true;
  if (hasEffect(one, (kind) => SOFT.includes(kind))) return true;
  if (!('type' in one) || one.type !== 'stroke') return false;
  const { glow, innerGlow, shadow } = one.ink;
  return [glow, innerGlow, shadow].some(Boolean);
}

/** Whether a layer or group is half there anywhere by intent, not only at its edges. */
function isTranslucent(one: Part): boolean {
  const { masks = [], place } = one;
  if (isBlurred(one) || masks.some(({ opacity }) => opacity !== 1)) return true;
  if (place && place.opacity !== 1) return true;
  if (!('type' in one)) return false;
  if (one.type !== 'stroke') return one.opacity !== 1;
  const { opacity, gradient, shadowLine } = one.ink;
  const stops = gradient?.stops.some((stop) => stop.opacity !== 1) ?? false;
  return opacity !== 1 || stops || (shadowLine !== undefined && shadowLine.opacity !== 1);
}

/** What of a piece a file of these settings will not hold, in words. */
export function notCarried(piece: Piece, settings: WholeExportSettings): Loss[] {
  const format = formatOf(settings.format);
  const losses: Loss[] = [];
  // What others are seen through does its work hidden or not.
  const through = lookedThrough(piece);
  const seen = piece.layers.filter((layer) => !layer.hidden || through.has(layer.id));
  const named = (which: (one: Part) => boolean) =>
    [...seen, ...piece.groups].filter(which).map(({ name }) => name);
  if (settings.transparency === 'edge') {
    losses.push({
      what: `Edges are laid over ${settings.over}; over another colour they show it as a fringe.`,
      layers: [],
    });
    const hard = named(isTranslucent);
    if (hard.length > 0)
      losses.push({ what: 'What is partly transparent becomes opaque or fully transparent', layers: hard });
  } else if (needsColour(settings.transparency)) {
    losses.push({ what: `There is no transparency: ${settings.over} lies beneath.`, layers: [] });
  }
  const step = frameStep(format, piece.rate);
  if (step > 1)
    losses.push({
      what: `${format.name} holds ${format.mostRate} frames a second at most: every ${step === 2 ? 'second' : `${step}th`} frame leaves, ${Number((framesPerSecond(piece.rate) / step).toFixed(2))} a second.`,
      layers: [],
    });
  const soft = named(isBlurred);
  if (NOT_SOFT.includes(settings.format) && soft.length > 0)
    losses.push({
      what: 'Glows and shadows are left out, soft edges become hard, ink does not melt',
      layers: soft,
    });
  if (settings.format === 'still-pdf') {
    const blended = named(({ blend }) => blend !== undefined);
    if (blended.length > 0) losses.push({ what: 'Blends are laid over plainly', layers: blended });
    if (piece.shutter)
      losses.push({ what: 'Motion blur is left out: it is a sum of many pictures.', layers: [] });
  }
  if (format.vector && format.shows === 'video') {
    if (piece.shutter)
      losses.push({
        what: 'Motion blur is left out: it is a sum of many pictures. A still has it.',
        layers: [],
      });
    const wordless = wordlessParts(piece);
    if (wordless.length > 0)
      losses.push(
        settings.wordless === 'drawn'
          ? { what: 'Drawn anew frame by frame, which takes room', layers: wordless }
          : { what: 'Nothing will be made, as this has no word in it', layers: wordless },
      );
  }
  const { width, height } = fileSize(format, piece.size, settings.scale);
  const painted = exportSize(piece.size, settings.scale);
  if (width !== painted.width || height !== painted.height)
    losses.push({
      what: `H.264 takes even sizes: a row or column of the background makes it ${width} × ${height}.`,
      layers: [],
    });
  return losses;
}

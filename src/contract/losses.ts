import { exportSize, fileSize, formatOf, frameStep, needsColour, type Lack } from './export-formats';
import type { WholeExportSettings } from './exports';
import type { Part, Piece } from '@/core/document';
import { isInkedWithin, isRedrawn, isSoft, isTranslucent, namesOfParts } from '@/core/scene';
import { framesPerSecond } from '@/core/timing';

/** One thing that a file will not hold as it is seen, and the layers it is about. */
interface Loss {
  readonly what: string;
  readonly layers: readonly string[];
  /** What of the picture it is that is seen otherwise in the file; absent where only the way it is held differs. */
  readonly lack?: Lack;
}

/** What of a piece a file of these settings will not hold, in words. */
export function notCarried(piece: Piece, settings: WholeExportSettings): Loss[] {
  const format = formatOf(settings.format);
  const losses: Loss[] = [];
  const { first, last } = settings;
  if (format.shows !== 'table' && !isInkedWithin(piece, first, Math.min(last, piece.length - 1)))
    losses.push({
      what: first === last ? `Nothing is inked at frame ${first}.` : 'Nothing is inked in these frames.',
      layers: [],
    });
  if (settings.transparency === 'edge') {
    losses.push({
      what: `Edges are laid over ${settings.over}; over another colour they show it as a fringe.`,
      layers: [],
    });
    const hard = namesOfParts(piece, isTranslucent);
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
  const { lacks = [], pictures = [] } = format;
  const lacking = (what: Lack, isSo: (part: Part) => boolean): string[] =>
    lacks.includes(what) ? namesOfParts(piece, isSo) : [];
  const soft = lacking('softness', isSoft);
  if (soft.length > 0)
    losses.push({
      what: 'Glows and shadows are left out, soft edges become hard, ink does not melt',
      layers: soft,
      lack: 'softness',
    });
  const blended = lacking('blends', ({ blend }) => blend !== undefined);
  if (blended.length > 0)
    losses.push({ what: 'Blends are laid over plainly', layers: blended, lack: 'blends' });
  if (lacks.includes('motion blur') && piece.shutter)
    losses.push({
      what: 'Motion blur is left out: it is a sum of many pictures. A still has it.',
      layers: [],
      lack: 'motion blur',
    });
  if (pictures.includes('motion blur') && piece.shutter)
    losses.push({ what: 'What is blurred by its motion is a picture among the shapes', layers: [] });
  const softened = pictures.includes('softness') ? namesOfParts(piece, isSoft) : [];
  if (softened.length > 0)
    losses.push({ what: 'What is blurred or glows is a picture among the shapes', layers: softened });
  const redrawn = lacking('changing outlines', isRedrawn);
  if (redrawn.length > 0)
    losses.push(
      settings.wordless === 'drawn'
        ? { what: 'Drawn anew frame by frame, which takes room', layers: redrawn }
        : { what: 'Nothing will be made, as this has no word in it', layers: redrawn },
    );
  const { width, height } = fileSize(format, piece.size, settings.scale);
  const painted = exportSize(piece.size, settings.scale);
  if (width !== painted.width || height !== painted.height)
    losses.push({
      what: `H.264 takes even sizes: a row or column of the background makes it ${width} × ${height}.`,
      layers: [],
    });
  return losses;
}

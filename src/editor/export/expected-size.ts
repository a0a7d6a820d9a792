import {
  exportedFrames,
  exportSize,
  formatOf,
  isApart,
  wholeSettings,
  type ExportSummary,
  type WholeExportSettings,
} from '@/contract';
import type { Piece } from '@/core/document';

/** A number with so many figures as an estimate has. */
const roughly = (n: number): number => Number(n.toPrecision(2));

/** Bytes in the words of a file list. */
export function sizeInWords(bytes: number): string {
  if (bytes < 1e6) return `${Math.max(1, Math.round(bytes / 1e3))} kB`;
  if (bytes < 1e9) return `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB`;
  return `${(bytes / 1e9).toFixed(1)} GB`;
}

/** The size at which bits a pixel were measured. */
const MEASURED_AT = 0.5;

/** How many times as large pictures of 16 bits a channel are: of the title, measured. */
const DEEPER = 1.7;

/** Pixels of all frames of a file. */
function pixelsOf(piece: Piece, settings: WholeExportSettings): number {
  // Vectors are as large at every size.
  const scale = formatOf(settings.format).vector ? MEASURED_AT : settings.scale;
  const { width, height } = exportSize(piece.size, scale);
  return width * height * exportedFrames(settings, piece.rate).length;
}

/**
 * How large a file will be, in words: by an earlier one of the same piece and kind where there is one, else by what the sample
 * pieces took.
 */
export function expectedSize(
  piece: Piece,
  settings: WholeExportSettings,
  past: readonly ExportSummary[],
): string {
  const pixels = pixelsOf(piece, settings);
  const like = past.find(({ bytes, settings: asked }) => {
    const other = wholeSettings(asked);
    const alike = (['format', 'transparency', 'quality', 'depth'] as const).every(
      (key) => other[key] === settings[key],
    );
    return bytes !== null && alike;
  });
  if (like) {
    const share =
      pixels /
      (like.framesTotal * pixelsOf(piece, { ...settings, scale: like.settings.scale, last: settings.first }));
    return `about ${sizeInWords(roughly(like.bytes! * share))}, by the last one`;
  }
  const times = (isApart(settings.transparency) ? 2 : 1) * (settings.depth === '16' ? DEEPER : 1);
  const [least, most] = formatOf(settings.format).bits.map((bits) => (bits * pixels * times) / 8);
  return `about ${sizeInWords(roughly(least!))} to ${sizeInWords(roughly(most!))}`;
}

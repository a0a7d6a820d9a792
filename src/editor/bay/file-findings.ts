import { exportedFrames, fileSize, formatOf, frameStep, type Received } from '@/contract';
import type { Finding } from '@/core/bay';
import type { Piece } from '@/core/document';
import { framesPerSecond } from '@/core/timing';
import { amount } from '@/ui';

/** Whether a file holds what its export was asked for: frames, rate, size. Nothing is asked of files from outside. */
export function fileFindings(received: Received, piece: Piece | null): Finding[] {
  const odd: Finding[] = received.problems.map((words) => ({ good: false, words }));
  if (received.shows !== 'frames')
    odd.push({
      good: true,
      words: 'Vectors lie over what is beneath as they are: there is no alpha to mistake.',
    });
  const { export: from, frames, width, height, rate } = received;
  if (!from || !piece) return odd;
  const format = formatOf(from.settings.format);
  const asked = exportedFrames(from.settings, piece.rate).length;
  const size = format.unsized ? piece.size : fileSize(format, piece.size, from.settings.scale);
  const found: Finding[] = [];
  const good = frames === asked;
  found.push({
    good,
    words: good
      ? `It has all ${amount(asked, 'frame')}.`
      : `It has ${amount(frames, 'frame')} where the piece has ${asked}.`,
    ...(!good && { mend: 'Run the export again.' }),
  });
  const expected = framesPerSecond(piece.rate) / frameStep(format, piece.rate);
  if (Math.abs(framesPerSecond(rate) / expected - 1) > 0.01 && frames > 1)
    found.push({
      good: false,
      words: `It plays ${framesPerSecond(rate).toFixed(2)} frames a second, the piece ${expected.toFixed(2)}.`,
      mend: 'Set the receiver to the rate of the piece.',
    });
  if (width !== size.width || height !== size.height)
    found.push({
      good: false,
      words: `It is ${width} × ${height}, not ${size.width} × ${size.height}.`,
      mend: 'Run the export again.',
    });
  return [...found, ...odd];
}

import { onSpan, strokesOf, type Piece } from '../../document';
import { timecode } from '../../timing';

/** One moment of a piece with a name, or the time in which a stroke is written. Frames count from 0. */
interface CueRow {
  readonly what: 'marker' | 'stroke';
  readonly name: string;
  readonly frame: number;
  readonly timecode: string;
  readonly lastFrame: number;
  readonly lastTimecode: string;
}

/** Markers and strokes of a piece in the order of time: what others are cut, spoken and sounded to. */
export function cueSheet(piece: Piece): CueRow[] {
  const at = (frame: number): string => timecode(Math.max(0, Math.round(frame)), piece.rate);
  const row = (what: CueRow['what'], name: string, from: number, to: number): CueRow => ({
    what,
    name,
    frame: from,
    timecode: at(from),
    lastFrame: to,
    lastTimecode: at(to),
  });
  const strokes = strokesOf(piece).flatMap((stroke) => {
    const span = stroke.hidden ? null : onSpan(stroke);
    return span ? [row('stroke', stroke.name, span.from, span.to)] : [];
  });
  const markers = piece.markers.map(({ name, frame }) => row('marker', name, frame, frame));
  return [...markers, ...strokes].sort((a, b) => a.frame - b.frame || a.lastFrame - b.lastFrame);
}

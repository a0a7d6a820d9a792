import { arrivalFrame, tiedMoment } from '../at';
import { shiftKeyed } from '../keys';
import { strokesOf, type Piece } from '../schema';
import { settled } from './settled';

/**
 * The piece with every cued stroke where its cue puts it. A cued stroke that was moved by itself since `before` keeps its
 * place, and the cue's offset follows; one whose leader was retimed follows the leader. A cue to a stroke that is gone, or
 * that never arrives, leaves the stroke as it is.
 */
export function settleCues(before: Piece | null, piece: Piece): Piece {
  if (!strokesOf(piece).some((stroke) => stroke.cue)) return piece;
  const earlier = new Map(before ? strokesOf(before).map((stroke) => [stroke.id, stroke]) : []);
  return settled(piece, (stroke, other) => {
    const { cue } = stroke;
    const leader = cue && other(cue.to);
    const start = tiedMoment(stroke);
    const arrival = leader ? arrivalFrame(leader, cue.part, cue.at) : null;
    if (!cue || arrival === null || start === null) return stroke;
    const was = earlier.get(stroke.id);
    const ledBefore = was?.cue && earlier.get(was.cue.to);
    const arrivedBefore = ledBefore ? arrivalFrame(ledBefore, was.cue!.part, was.cue!.at) : null;
    const ledAlike = was?.cue === cue && arrivedBefore !== null && Math.abs(arrivedBefore - arrival) < 1e-6;
    return ledAlike && tiedMoment(was) !== start
      ? { ...stroke, cue: { ...cue, offset: Math.round(start) - Math.round(arrival) } }
      : shiftKeyed(stroke, Math.round(arrival) + cue.offset - start);
  });
}

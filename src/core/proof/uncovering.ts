import { lengthenToCover, isFarBeyond, widenToCover, type Piece } from '../document';
import type { Coverage } from '../trace';
import type { Finding } from './finding';

/** Smaller than this nothing bare is seen, square px (our choice). */
const SPECK = 2;
/** Early ink below this share of the art is not seen, nor what lasts a frame or less. */
const UNSEEN = 0.002;
const FRAME = 1;

const nameOf = (piece: Piece, id: string | null): string =>
  piece.layers.find((layer) => layer.id === id)?.name ?? 'no stroke';

/** What of a layer is never uncovered by its strokes, and what is uncovered too early. */
export function uncoveringFindings(piece: Piece, of: string, coverage: Coverage): Finding[] {
  const name = nameOf(piece, of);
  const last = Math.max(0, piece.length - 1);
  const bare = coverage.bare
    .filter((spot) => spot.area >= SPECK)
    .map((spot, i): Finding => {
      const far = isFarBeyond(piece, spot);
      return {
        id: `bare ${of} ${i}`,
        kind: 'bare spot',
        words: `${Math.round(spot.area)} px² of “${name}” are never uncovered, near “${nameOf(piece, spot.stroke)}”.`,
        layers: spot.stroke ? [spot.stroke] : [of],
        frame: last,
        place: spot.box,
        mend: far
          ? { name: 'Lengthen the stroke', edit: (p) => lengthenToCover(p, [spot]) }
          : { name: 'Widen the stroke', edit: (p) => widenToCover(p, [spot]) },
      };
    });
  const early = coverage.spills
    .filter((spill) => spill.area / coverage.area > UNSEEN && spill.to - spill.from > FRAME)
    .map((spill, i): Finding => ({
      id: `early ${of} ${i}`,
      kind: 'seen too early',
      words: `“${nameOf(piece, spill.by)}” uncovers ${Math.round(spill.area)} px² of “${name}” for ${spill.to - spill.from} fr before “${nameOf(piece, spill.of)}” does.`,
      layers: [spill.by],
      frame: spill.from,
      place: spill.box,
    }));
  return [...bare, ...early];
}

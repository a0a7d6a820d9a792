import { settleCounts } from './counted';
import { settleCues } from './cued';
import { settleFits } from './fitted';
import { gathered, settleLines } from './grouped';
import type { Piece } from './schema';
import { settleBetweens } from './stroke-at';
import { settleAxes } from './text-along';
import { settleTies } from './tied';

/**
 * A changed piece in which all that follows something else has followed: groups stand together, fits, lines between two things,
 * ties, lines of strokes, cues and counted numbers hold, and axes without keys stand still.
 * @param before the piece before the change, by which cues tell what was moved by hand; null for none.
 */
export const settlePiece = (before: Piece | null, piece: Piece): Piece =>
  settleCounts(
    settleCues(before, settleLines(settleTies(settleBetweens(settleFits(gathered(settleAxes(piece))))))),
  );

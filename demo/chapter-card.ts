import {
  inkOf,
  applyManner,
  newPiece,
  newStroke,
  writeInSequence,
  type Layer,
  type Piece,
} from '../src/core/document';
import { borderPath, widened, type Bounds } from '../src/core/geometry';
import { leaving } from '../src/layouts';
import { dashes } from './dashes';
import { lettering, tracedStrokes } from './traced';

/** A chapter card: a border with scooped corners and a finer one inside, the chapter's name written within. */
export function chapterCard(): Piece {
  const safe: Bounds = { left: 96, top: 54, right: 1824, bottom: 1026 };
  const names = ['chapter', 'turning'];
  const words = names.map((name) => tracedStrokes(name));
  const layers: Layer[] = [
    ...names.map(lettering),
    newStroke('border', 'Border', borderPath(safe, 'scooped', 92), inkOf(7, '#d9a441', { join: 'miter' })),
    newStroke(
      'inner',
      'Inner border',
      borderPath(widened(safe, -26), 'scooped', 92),
      inkOf(3, '#43b3a0', {
        join: 'miter',
        cap: 'flat',
        dashes: dashes([9, 4], { fit: true, corners: true }),
      }),
    ),
    ...words.flat(),
  ];
  let piece: Piece = {
    ...newPiece('Chapter card', { width: 1920, height: 1080 }, { numerator: 25, denominator: 1 }, 150),
    over: '#1f2a26',
    layers,
  };
  const both = { kind: 'both', onFrames: 34, offFrames: 20 } as const;
  piece = applyManner(piece, ['border'], { ...both, from: 'start', onAt: 0, offAt: 122 });
  piece = applyManner(piece, ['inner'], { ...both, from: 'end', onAt: 6, offAt: 126 });
  words.forEach((strokes, i) => {
    const ids = strokes.map((stroke) => stroke.id);
    piece = writeInSequence(piece, ids, 24 + i * 24, 58 + i * 34);
    piece = leaving(piece, ids, 118 + i * 4, 138 + i * 4);
  });
  return piece;
}

import { newPiece, newStroke, writeAsWritten, type Piece } from '../src/core/document';
import { penStroke, type PenSample } from '../src/core/pen';
import narrator from '../src/editor/tablet/recordings/narrator.json' with { type: 'json' };

/** The narrator's signature, as the simulated pen wrote it: pressure as width, and the hand's own timing. */
export function signature(): Piece {
  const strokes = narrator.movements.map((movement, i) => {
    const samples = movement.map(([time, x, y, pressure, tiltX, tiltY]): PenSample => ({
      time: time!,
      x: x!,
      y: y!,
      pressure: pressure!,
      tiltX: tiltX!,
      tiltY: tiltY!,
    }));
    const { path, widths, hand } = penStroke(samples, 'as drawn', 1.2);
    const ink = { width: 13, colour: '#ede6d8', opacity: 1, cap: 'round', join: 'round' } as const;
    return {
      ...newStroke(`pen-${i + 1}`, `Pen movement ${i + 1}`, path, { ...ink, ...(widths && { widths }) }),
      hand,
    };
  });
  const piece: Piece = {
    ...newPiece(
      'Narrator’s signature',
      { width: 1920, height: 1080 },
      { numerator: 25, denominator: 1 },
      240,
    ),
    over: '#2a2622',
    layers: strokes,
  };
  return writeAsWritten(
    piece,
    strokes.map((stroke) => stroke.id),
    6,
  );
}

import { PENS } from '../src/accents';
import {
  inkOf,
  addLayers,
  applyManner,
  groupLayers,
  insertAccent,
  newPiece,
  newRider,
  newStroke,
  setKey,
  setPlace,
  setRider,
  settlePiece,
  writeAsWritten,
  type Piece,
  type Stroke,
} from '../src/core/document';
import { corner, lineShape } from '../src/core/geometry';
import { penStroke, type PenSample } from '../src/core/pen';
import { landingEasing } from '../src/core/timing';
import { GONE } from './gone';
import { leaving } from '../src/layouts';
import narrator from '../src/editor/tablet/recordings/narrator.json' with { type: 'json' };

/** The narrator's signature, as the simulated pen wrote it: pressure as width, the hand's own timing, and a quill that writes it. */
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
    return {
      ...newStroke(
        `pen-${i + 1}`,
        `Pen movement ${i + 1}`,
        path,
        inkOf(13, '#ede6d8', widths ? { widths } : {}),
      ),
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
  const ids = strokes.map((stroke) => stroke.id);
  const written = groupLayers(writeAsWritten(piece, ids, 6), ids, { id: 'signature', name: 'Signature' });
  return withQuill(withDot(withLeads(leaving(written, ids, 192, 224))));
}

/** A line that leads in along the foot of the name, and one that leads out. */
function withLeads(piece: Piece): Piece {
  const lead = (as: 'lead in' | 'lead out', name: string): Stroke => ({
    ...newStroke(as.replace(' ', '-'), name, lineShape({ x: 0, y: 0 }, { x: 1, y: 0 }), inkOf(4, '#d9a441')),
    fitted: { to: 'signature', as, padX: 150, padY: 30, from: 'left', radius: 0 },
  });
  const made = addLayers(piece, [lead('lead in', 'Lead in'), lead('lead out', 'Lead out')]);
  const times = { kind: 'both', from: 'start', onFrames: 12, offFrames: 10 } as const;
  const led = applyManner(made, ['lead-in'], { ...times, onAt: 0, offAt: 190 });
  return settlePiece(null, applyManner(led, ['lead-out'], { ...times, onAt: 158, offAt: 214 }));
}

/** The dot that pops after the name, and closes again. */
function withDot(piece: Piece): Piece {
  const at = { x: 1752, y: 548 };
  const dot = newStroke('dot', 'Dot', { closed: false, points: [corner(at.x, at.y)] }, inkOf(24, '#ff6b3d'));
  const made = setPlace(addLayers(piece, [dot]), 'dot', 0, { pivotX: at.x, pivotY: at.y, x: 0, y: 0 });
  const keys = [
    [158, 0],
    [164, 1.5],
    [170, 1],
    [222, 1],
    [230, 0],
  ] as const;
  return ['place.scaleX', 'place.scaleY'].reduce(
    (all, part) =>
      keys.reduce(
        (result, [frame, value]) =>
          setKey(result, 'dot', part, frame, value, frame === 222 ? GONE : landingEasing(0.6)),
        all,
      ),
    made,
  );
}

/** A quill that writes it, leaning as the hand does. */
function withQuill(piece: Piece): Piece {
  let count = 0;
  const quill = PENS.find(({ id }) => id === 'quill')!.piece;
  const middle = { x: 960, y: 540, scale: 1.1 };
  const put = insertAccent(piece, quill, 0, middle, () => `quill-${count++}`);
  const lean = [0, 26, 60, 96, 130, 160].map((frame, i) => ({
    frame,
    value: i % 2 ? 0.14 : -0.08,
    easing: { type: 'minimum jerk' } as const,
  }));
  return setRider(put.piece, put.group, {
    ...newRider('signature', 1),
    turned: false,
    comes: 6,
    goes: 12,
    lean: { keys: lean },
  });
}

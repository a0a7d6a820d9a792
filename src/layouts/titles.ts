import { inkOf, newStroke, type Piece } from '@/core/document';
import { lineShape } from '@/core/geometry';
import {
  blank,
  comes,
  drawn,
  fades,
  field,
  fitted,
  handwritten,
  withHold,
  partField,
  put,
  rule,
  withFields,
  withWake,
} from './make';
import { lettering, MINIUM, REED, VELLUM, VERDIGRIS } from './texts';

/** A handwritten title: three colours written one behind another, a line of capitals under it. */
export function handwrittenTitle(): Piece {
  let piece = handwritten(blank('Handwritten title', 130), 'title', 960, 570, {
    id: 'title',
    colour: MINIUM,
    on: [2, 50],
    off: [112, 126],
  });
  // The last to come leaves first.
  piece = withWake(piece, 'title', [
    { colour: VERDIGRIS, later: 3, earlier: 2 },
    { colour: VELLUM, later: 6, earlier: 4 },
  ]);
  piece = put(piece, [lettering('under', 'titleUnder', 960, 800, VERDIGRIS)]);
  piece = comes(
    piece,
    'under',
    { by: 'letter', from: null, fade: true, tracking: 180, gap: 1.5, within: 10, order: 'from the middle' },
    { onAt: 52, onFrames: 20, offAt: 104, offFrames: 12 },
  );
  return withHold(
    withFields(
      piece,
      field('Title', 'text', 'title'),
      field('Line under it', 'text', 'under'),
      field('First colour', 'colour', 'title'),
      partField('Second colour', 'colour', 'effects.0.is.repeats.0.colour', 'title'),
      partField('Last colour', 'colour', 'effects.0.is.repeats.1.colour', 'title'),
    ),
    84,
    103,
  );
}

/** A word that is underlined as it is said. */
export function underlinedKeyword(): Piece {
  let piece = put(blank('Underlined keyword', 90), [lettering('word', 'keyword', 960, 590, VELLUM)]);
  piece = put(piece, [
    fitted('rule', 'Underline', inkOf(16, MINIUM), { to: 'word', as: 'under', padY: 44, padX: 6 }),
  ]);
  piece = fades(
    piece,
    'word',
    { onAt: 2, onFrames: 10, offAt: 70, offFrames: 10 },
    { by: 'letter', gap: 1.5, within: 8 },
  );
  piece = drawn(piece, ['rule'], { onAt: 18, onFrames: 16, offAt: 70, offFrames: 12 });
  return withHold(
    withFields(
      piece,
      field('Word', 'text', 'word'),
      field('Colour of the word', 'colour', 'word'),
      field('Colour of the line', 'colour', 'rule'),
    ),
    40,
    68,
  );
}

/** A signature with a line that leads into it and one that leads out. */
export function signature(): Piece {
  let piece = handwritten(blank('Signature with lines', 120), 'signature', 960, 590, {
    id: 'name',
    colour: VELLUM,
    on: [12, 60],
    off: [100, 114],
  });
  const line = rule(5, REED, { cap: 'round' });
  piece = put(piece, [
    fitted('in', 'Lead in', line, { to: 'name', as: 'lead in', padX: 200, padY: 26 }),
    fitted('out', 'Lead out', line, { to: 'name', as: 'lead out', padX: 200, padY: 26 }),
  ]);
  piece = drawn(piece, ['in'], { onAt: 0, onFrames: 14, offAt: 98, offFrames: 12 });
  piece = drawn(piece, ['out'], { onAt: 56, onFrames: 18, offAt: 104, offFrames: 12 });
  return withHold(
    withFields(
      piece,
      field('Name', 'text', 'name'),
      field('Ink', 'colour', 'name'),
      field('Lines', 'colour', 'in', 'out'),
    ),
    76,
    97,
  );
}

/** Lines that come up one after another out of a rule at their side. */
export function stackedLines(): Piece {
  let piece = put(blank('Lines beside a rule', 160), [lettering('text', 'stacked', 320, 470, VELLUM)]);
  piece = put(piece, [
    fitted('rule', 'Rule', rule(8, MINIUM), { to: 'text', as: 'before', padX: 56, padY: 30 }),
  ]);
  piece = drawn(piece, ['rule'], { from: 'middle', onAt: 0, onFrames: 16, offAt: 146, offFrames: 12 });
  piece = comes(
    piece,
    'text',
    { by: 'line', from: 'left', line: 'rule', gap: 4, within: 12 },
    { onAt: 8, onFrames: 18, offAt: 136, offFrames: 12 },
  );
  return withHold(
    withFields(
      piece,
      field('Text', 'text', 'text'),
      field('Colour', 'colour', 'text'),
      field('Rule', 'colour', 'rule'),
    ),
    48,
    134,
  );
}

/** A chapter card: border within border, the number, the name word by word. */
export function chapterCard(): Piece {
  let piece = put(blank('Bordered chapter card', 140), [
    lettering('number', 'chapterNumber', 960, 420, REED),
    lettering('name', 'chapter', 960, 600, VELLUM),
  ]);
  piece = put(piece, [
    newStroke('short', 'Short rule', lineShape({ x: 900, y: 468 }, { x: 1020, y: 468 }), rule(4, VERDIGRIS)),
    fitted('border', 'Border', rule(7, REED), { to: 'name', as: 'box', padX: 190, padY: 300, radius: 0 }),
    fitted(
      'inner',
      'Inner border',
      rule(3, VERDIGRIS, {
        dashes: {
          pattern: [9, 4],
          unit: 'widths',
          phase: 0,
          flow: 'stay',
          speed: { value: 60, unit: 'px', seamless: true },
          fit: true,
          corners: true,
          grow: 0,
        },
      }),
      { to: 'name', as: 'box', padX: 162, padY: 272, from: 'right', radius: 0 },
    ),
  ]);
  piece = drawn(piece, ['border'], { onAt: 0, onFrames: 34, offAt: 114, offFrames: 20 });
  piece = drawn(piece, ['inner'], { onAt: 6, onFrames: 34, offAt: 116, offFrames: 20 });
  piece = drawn(piece, ['short'], { from: 'middle', onAt: 22, onFrames: 14, offAt: 108, offFrames: 10 });
  piece = fades(
    piece,
    'number',
    { onAt: 16, onFrames: 14, offAt: 106, offFrames: 12 },
    { by: 'letter', gap: 1, within: 10, order: 'from the middle', tracking: 120 },
  );
  piece = comes(
    piece,
    'name',
    { by: 'word', from: 'below', gap: 5, within: 16, margin: 40 },
    { onAt: 28, onFrames: 20, offAt: 102, offFrames: 14 },
  );
  return withHold(
    withFields(
      piece,
      field('Number', 'text', 'number'),
      field('Name', 'text', 'name'),
      field('Gold', 'colour', 'number', 'border'),
      field('Text', 'colour', 'name'),
    ),
    64,
    100,
  );
}

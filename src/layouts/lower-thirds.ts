import { newStroke, setBlend, type Piece } from '@/core/document';
import { lineShape } from '@/core/geometry';
import {
  blank,
  comes,
  drawn,
  fades,
  field,
  group,
  withHold,
  put,
  readable,
  rule,
  slices,
  withFields,
} from './make';
import { lettering, MINIUM, VELLUM } from './texts';

/** Two lines of text that slide out of a rule, one up and one down. */
export function twoLines(): Piece {
  const [left, y] = [200, 890];
  let piece = put(blank('Two lines out of a rule', 125), [
    lettering('name', 'name', left, y - 26, VELLUM),
    lettering('role', 'role', left, y + 62, '#d8d1c2'),
    newStroke('rule', 'Rule', lineShape({ x: left, y }, { x: left + 760, y }), rule(6, MINIUM)),
  ]);
  piece = drawn(piece, ['rule'], { onAt: 0, onFrames: 16, offAt: 108, offFrames: 12, leaves: 'back' });
  piece = comes(
    piece,
    'name',
    { from: 'below', line: 'rule' },
    { onAt: 12, onFrames: 16, offAt: 98, offFrames: 12 },
  );
  piece = comes(
    piece,
    'role',
    { from: 'above', line: 'rule' },
    { onAt: 16, onFrames: 16, offAt: 94, offFrames: 12 },
  );
  piece = readable(piece, ['name', 'role']);
  return withHold(
    withFields(
      piece,
      field('Name', 'text', 'name'),
      field('What they do', 'text', 'role'),
      field('Rule', 'colour', 'rule'),
      field('Text', 'colour', 'name', 'role'),
    ),
    36,
    92,
  );
}

/** A box drops over a name in slices and knocks it out; a line under it says what they do. */
export function boxedStrip(): Piece {
  const [left, y] = [230, 880];
  let piece = put(blank('Boxed name strip', 125), [
    ...slices('slice', 'Box', 5, rule(20, MINIUM), { to: 'name', padX: 34, padY: 26 }, 'down'),
    lettering('name', 'strip', left, y, VELLUM),
    lettering('role', 'stripRole', left - 34, y + 84, VELLUM),
  ]);
  const ids = ['slice-1', 'slice-2', 'slice-3', 'slice-4', 'slice-5'];
  piece = ids.reduce(
    (result, id, i) =>
      drawn(result, [id], { onAt: 12 + i * 2, onFrames: 12, offAt: 100 + (4 - i) * 2, offFrames: 10 }),
    piece,
  );
  piece = comes(
    piece,
    'name',
    { by: 'letter', from: 'below', margin: 6, gap: 1, within: 12 },
    { onAt: 0, onFrames: 12, offAt: 98, offFrames: 12 },
  );
  piece = fades(piece, 'role', { onAt: 26, onFrames: 14, offAt: 94, offFrames: 10 });
  piece = readable(piece, ['role']);
  piece = group(piece, 'boxed', 'Name, boxed', [...ids, 'name']);
  piece = setBlend(piece, ['name'], 'xor');
  return withHold(
    withFields(
      piece,
      field('Name', 'text', 'name'),
      field('What they do', 'text', 'role'),
      field('Box', 'colour', ...ids),
      field('Text', 'colour', 'name', 'role'),
    ),
    48,
    92,
  );
}

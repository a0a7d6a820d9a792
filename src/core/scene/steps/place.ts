import { kept, transformed } from '../../draw';
import { withinGroup } from '../../document';
import { isIdentity } from '../../geometry';
import type { Step } from './step';

/** A part where it is placed, in the coordinates of its group. */
export const place: Step = ({ scene, part, when }, before) => {
  const items = before();
  if (items.length === 0 || !part.place) return items;
  const m = withinGroup(scene.piece, part, when.frame);
  if (isIdentity(m)) return items;
  return kept(part, 'placed', [items, ...m], () =>
    items.map((item) => kept(item, 'placed', m, () => transformed(item, m))),
  );
};

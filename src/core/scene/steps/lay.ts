import { kept } from '../../draw';
import { riddenAt } from '../../document';
import { valueAt } from '../../timing';
import type { Step } from './step';

/** A part as it meets what lies under it: as strong as its placement says, blended. */
export const lay: Step = ({ scene, part, when: { frame } }, before) => {
  const items = before();
  const { place, blend } = part;
  const presence = place?.rider ? (riddenAt(scene.piece, place.rider, frame)?.presence ?? 1) : 1;
  const opacity = presence * (place ? valueAt(place.opacity, frame) : 1);
  if (items.length === 0 || (opacity === 1 && !blend)) return items;
  if (opacity <= 0) return [];
  return kept(part, 'laid', [items, opacity], () => {
    const [only] = items;
    const single = items.length === 1 && !only!.operator && !only!.blend;
    if (single) return [{ ...only!, opacity: only!.opacity * opacity, ...(blend && { blend }) }];
    return [{ kind: 'group', items, opacity, ...(blend && { blend }) }];
  });
};

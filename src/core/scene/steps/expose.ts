import { kept, type DrawItem } from '../../draw';
import { changed, type Part } from '../../document';
import { sameList, samplesOf } from '../exposure';
import type { Items, Step } from './step';

/** Whether a part is a group that only holds its layers together. */
const passesThrough = (part: Part): boolean =>
  !('type' in part) && !part.place && !part.masks && !part.reveal && !part.blend && !part.effects;

/** An item that meets what lies under it plainly. */
const unblended = (item: DrawItem): DrawItem => changed<DrawItem>(item, { blend: undefined });

/**
 * A part as a shutter sees it that is open for a while; what does not move meanwhile is the very same as without one. Of a group
 * that only holds its layers together each is blurred by itself: what stands still stays sharp and costs nothing.
 */
export const expose: Step = ({ part, when }, before) => {
  const { shutter } = when;
  if (!shutter || passesThrough(part)) return before(when);
  const at = (frame: number): Items => before({ ...when, frame, shutter: null });
  const now = at(when.frame);
  if (part.unblurred) return now;
  const times = samplesOf(shutter, when.frame, at);
  if (times.length === 0) return now;
  const lists = times.map(at);
  if (lists.every((items) => sameList(items, now))) return now;
  const { blend } = part;
  return kept(part, 'exposed', lists, () => [
    {
      kind: 'group',
      moments: true,
      items: lists.map((items) => ({
        kind: 'group',
        items: blend ? items.map(unblended) : items,
        opacity: 1,
      })),
      opacity: 1,
      ...(blend && { blend }),
    },
  ]);
};

import type { GroupItem } from '../draw';
import type { MakeCanvas } from './context';
import { keeper, type How } from './kept';
import { giveBack, pixelsIn, type Layer } from './layers';

/** Where a group was painted: canvas pixels of its top left corner, and how it stood under the canvas. */
export interface PaintedAt {
  readonly left: number;
  readonly top: number;
  /** By how much it is enlarged where it is laid down: what is blurred far is painted smaller. */
  readonly enlarged: number;
  /** Tells one way of painting it from another. */
  readonly how: How;
}

interface Kept extends PaintedAt {
  readonly layer: Layer;
}

/** Pixels of finished groups that are kept: three full pictures of 1920 × 1080. */
const MOST = 3 * 1920 * 1080;

const groups = keeper<GroupItem, Kept>(
  MOST,
  ({ layer }) => pixelsIn(layer),
  (make, { layer }) => giveBack(make, layer),
);

/** A group as it was painted before, where it was painted so; null where it must be painted. */
export const keptGroup = (make: MakeCanvas, group: GroupItem, how: How): Kept | null =>
  groups.get(make, group, how);

/** Takes a painted group into keeping where it was painted so before; else its canvas goes back. */
export function keepOrGiveBack(make: MakeCanvas, group: GroupItem, layer: Layer, at: PaintedAt): void {
  const again = groups.isMadeAgain(make, group, at.how);
  if (again && pixelsIn(layer) <= MOST / 2) groups.put(make, group, at.how, { ...at, layer });
  else giveBack(make, layer);
}

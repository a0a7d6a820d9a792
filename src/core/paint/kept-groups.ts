import type { GroupItem } from '../draw';
import type { MakeCanvas } from './context';
import { giveBack, type Layer } from './layers';

/** Where a group was painted: canvas pixels of its top left corner, and how it stood under the canvas. */
export interface PaintedAt {
  readonly left: number;
  readonly top: number;
  /** By how much it is enlarged where it is laid down: what is blurred far is painted smaller. */
  readonly enlarged: number;
  /** Tells one way of painting it from another. */
  readonly key: string;
}

interface Kept extends PaintedAt {
  readonly layer: Layer;
}

/** Pixels of finished groups that are kept: three full pictures of 1920 × 1080. */
const MOST = 3 * 1920 * 1080;

interface Store {
  /** How each group was painted last; one painted the same way twice is worth keeping. */
  readonly seen: WeakMap<GroupItem, string>;
  /** In the order in which they were last used. */
  readonly kept: Map<GroupItem, Kept>;
  pixels: number;
}

const stores = new WeakMap<MakeCanvas, Store>();

function storeOf(make: MakeCanvas): Store {
  let store = stores.get(make);
  if (!store) stores.set(make, (store = { seen: new WeakMap(), kept: new Map(), pixels: 0 }));
  return store;
}

const sizeOf = ({ canvas }: Layer): number => canvas.width * canvas.height;

/** A group as it was painted before, where it was painted so; null where it must be painted. */
export function keptGroup(make: MakeCanvas, group: GroupItem, key: string): Kept | null {
  const { kept } = storeOf(make);
  const found = kept.get(group);
  if (found?.key !== key) return null;
  kept.delete(group);
  kept.set(group, found);
  return found;
}

/** Takes a painted group into keeping where it was painted so before; else its canvas goes back. */
export function keepOrGiveBack(make: MakeCanvas, group: GroupItem, layer: Layer, at: PaintedAt): void {
  const store = storeOf(make);
  const again = store.seen.get(group) === at.key;
  store.seen.set(group, at.key);
  const old = store.kept.get(group);
  if (old) {
    store.kept.delete(group);
    store.pixels -= sizeOf(old.layer);
    giveBack(make, old.layer);
  }
  if (!again || sizeOf(layer) > MOST / 2) {
    giveBack(make, layer);
    return;
  }
  store.kept.set(group, { ...at, layer });
  store.pixels += sizeOf(layer);
  for (const [longest, { layer: gone }] of store.kept) {
    if (store.pixels <= MOST) break;
    store.kept.delete(longest);
    store.pixels -= sizeOf(gone);
    giveBack(make, gone);
  }
}

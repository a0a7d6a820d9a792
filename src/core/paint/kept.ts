import type { MakeCanvas } from './context';

/** How something was made, in numbers: quicker to compare than to write out. */
export type How = readonly number[];

const isSame = (a: How | undefined, b: How): boolean =>
  a?.length === b.length && a.every((n, i) => n === b[i]);

/** What is kept for each way of making canvases, by what it was made from and how it was made. */
export interface Keeper<Key extends object, Value> {
  /** What is kept by a key, where it was made just so; it is used by asking. */
  get(make: MakeCanvas, key: Key, how: How): Value | null;
  /** Whether something was made just so the last time as well, and now again: then it is worth keeping. */
  isMadeAgain(make: MakeCanvas, key: Key, how: How): boolean;
  put(make: MakeCanvas, key: Key, how: How, value: Value): void;
}

interface Store<Key extends object, Value> {
  readonly seen: WeakMap<Key, How>;
  /** In the order in which they were last used. */
  readonly kept: Map<Key, { readonly how: How; readonly value: Value }>;
  pixels: number;
}

/**
 * Keeps what took long to make, up to so many pixels for each way of making canvases; what was longest unused goes first, and
 * what was put last stays in any case.
 * @param sizeOf how many pixels a value takes.
 * @param letGo is told of what is not kept any longer.
 */
export function keeper<Key extends object, Value>(
  most: number,
  sizeOf: (value: Value) => number,
  letGo: (make: MakeCanvas, value: Value) => void = () => undefined,
): Keeper<Key, Value> {
  const stores = new WeakMap<MakeCanvas, Store<Key, Value>>();
  const storeOf = (make: MakeCanvas): Store<Key, Value> => {
    let store = stores.get(make);
    if (!store) stores.set(make, (store = { seen: new WeakMap(), kept: new Map(), pixels: 0 }));
    return store;
  };
  return {
    get(make, key, how) {
      const { kept } = storeOf(make);
      const found = kept.get(key);
      if (!found || !isSame(found.how, how)) return null;
      kept.delete(key);
      kept.set(key, found);
      return found.value;
    },
    isMadeAgain(make, key, how) {
      const { seen } = storeOf(make);
      const again = isSame(seen.get(key), how);
      seen.set(key, how);
      return again;
    },
    put(make, key, how, value) {
      const store = storeOf(make);
      const { kept } = store;
      const remove = (one: Key, gone: Value): void => {
        kept.delete(one);
        store.pixels -= sizeOf(gone);
        letGo(make, gone);
      };
      const before = kept.get(key);
      if (before) remove(key, before.value);
      kept.set(key, { how, value });
      store.pixels += sizeOf(value);
      for (const [longest, gone] of kept) {
        if (store.pixels <= most || longest === key) break;
        remove(longest, gone.value);
      }
    },
  };
}

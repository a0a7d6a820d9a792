/** What may be kept of a function's results: so many, or so much of them together, by a measure of each. */
export type Bound<K> =
  { readonly most: number } | { readonly mostInAll: number; readonly sizeOf: (key: K) => number };

/**
 * A function whose results are kept by what it was given; of too many those go that were asked for longest ago, so that one more than
 * fits costs one and not all. The same result is the same object while it is kept. It does without a package, as it goes onto web pages
 * with the player: a Map keeps the order in which its entries were put, and the one asked for last is put last.
 */
export function remembered<K extends string | number, V extends object>(
  bound: Bound<K>,
  make: (key: K) => V,
): (key: K) => V {
  const known = new Map<K, V>();
  const [most, sizeOf] = 'most' in bound ? [bound.most, () => 1] : [bound.mostInAll, bound.sizeOf];
  let held = 0;
  return (key) => {
    const before = known.get(key);
    // Far from full nothing goes soon: the order may wait.
    if (before && held * 2 < most) return before;
    const value = before ?? make(key);
    if (before) known.delete(key);
    else held += sizeOf(key);
    known.set(key, value);
    for (const oldest of known.keys()) {
      if (held <= most) break;
      known.delete(oldest);
      held -= sizeOf(oldest);
    }
    return value;
  };
}

/** As `remembered`, for each thing by itself: what was made of one that is gone goes with it. */
export function rememberedOf<T extends object, K extends string | number, V extends object>(
  most: number,
  make: (of: T, key: K) => V,
): (of: T, key: K) => V {
  const all = new WeakMap<T, (key: K) => V>();
  return (of, key) => {
    let one = all.get(of);
    // What is kept of a thing must not keep the thing itself.
    if (!one) {
      const it = new WeakRef(of);
      all.set(of, (one = remembered({ most }, (inner: K) => make(it.deref()!, inner))));
    }
    return one(key);
  };
}

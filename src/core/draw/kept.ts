interface Known {
  readonly from: readonly unknown[];
  readonly items: unknown;
}

/** Results that are kept of each step: a wake asks for the same thing at several moments. */
const MOST = 8;

const made = new WeakMap<object, Map<string, Known[]>>();

/**
 * The same result again while all it is made from is the same, so that what stands still is the very same from frame to frame.
 * What is made of a list is kept item by item: one that changes must not make all of them others.
 * @param of what it belongs to, and goes with.
 * @param step tells results of one thing apart.
 * @param from compared one by one, with ===.
 */
export function kept<T>(of: object, step: string, from: readonly unknown[], make: () => T): T {
  let steps = made.get(of);
  if (!steps) made.set(of, (steps = new Map()));
  let all = steps.get(step);
  if (!all) steps.set(step, (all = []));
  const i = all.findIndex(
    (one) => one.from.length === from.length && one.from.every((part, k) => part === from[k]),
  );
  const found = i >= 0 ? all[i]! : { from, items: make() };
  // The last ones used stand first; the longest unused goes.
  if (i > 0) all.splice(i, 1);
  if (i !== 0) all.unshift(found);
  if (all.length > MOST) all.pop();
  return found.items as T;
}

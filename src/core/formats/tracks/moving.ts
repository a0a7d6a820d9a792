/** One value at a moment. */
interface ValueKey {
  readonly frame: number;
  readonly values: readonly number[];
}

/**
 * The fewest keys by which straight lines in time keep to numbers within a tolerance, as Douglas & Peucker (1973) simplify
 * lines. Where a number is not known (null) nothing is asked of them.
 * @param numbers what it is at each frame.
 * @param off how far each may be off.
 */
export function keysThrough(numbers: readonly (readonly number[] | null)[], off: number): ValueKey[] {
  const known = numbers.flatMap((values, frame) => (values ? [{ frame, values }] : []));
  if (known.length === 0) return [];
  const keep = new Set([0, known.length - 1]);
  const look = (a: number, b: number): void => {
    if (b - a < 2) return;
    const [from, to] = [known[a]!, known[b]!];
    let [worst, at] = [off, -1];
    for (let i = a + 1; i < b; i++) {
      const t = (known[i]!.frame - from.frame) / (to.frame - from.frame);
      known[i]!.values.forEach((value, k) => {
        const away = Math.abs(value - (from.values[k]! + (to.values[k]! - from.values[k]!) * t));
        if (away > worst) [worst, at] = [away, i];
      });
    }
    if (at < 0) return;
    keep.add(at);
    look(a, at);
    look(at, b);
  };
  look(0, known.length - 1);
  return [...keep].sort((a, b) => a - b).map((i) => known[i]!);
}

/** The frames at which something becomes something else, with what it becomes. */
export function changesOf<T>(values: readonly T[]): { readonly frame: number; readonly value: T }[] {
  return values.flatMap((value, frame) =>
    frame === 0 || value !== values[frame - 1] ? [{ frame, value }] : [],
  );
}

/** How many cases the runner asks for, and from which seed on: set by Jest's configuration. */
declare const RUN: { readonly isLong: boolean; readonly seed: number };

/** How often something is tried: `few` times in `npm test`, `many` in `npm run test:long`. */
export const times = (few: number, many: number): number => (RUN.isLong ? many : few);

/**
 * The seeds of the cases that a property is tried with: `few` in `npm test`, the same in each run; `many` in `npm run test:long`, others
 * each day. One that fails is printed; it is kept in `failed` once what it found is mended, and tried in every run from then on.
 */
export function* cases(few: number, many: number, failed: readonly number[] = []): Generator<number> {
  const fresh = Array.from({ length: times(few, many) }, (_, i) => RUN.seed + i);
  for (const seed of [...failed, ...fresh]) {
    let isTried = false;
    try {
      yield seed;
      isTried = true;
    } finally {
      // A loop over them that ends by an error closes them half-way.
      if (!isTried) console.error(`It failed with the seed ${seed}.`);
    }
  }
}

/** Some of a list, evenly spread over it: so many in `npm test`, all in `npm run test:long`. */
export function someOf<T>(all: readonly T[], few: number): T[] {
  const count = Math.min(all.length, times(few, all.length));
  return Array.from({ length: count }, (_, i) => all[Math.floor((i * all.length) / count)]!);
}

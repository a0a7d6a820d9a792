import { notify } from '@/ui';
import type { Job } from './job';
import { markTitle } from './title-mark';

/** Work that takes longer is not waited for: people look elsewhere, ms. */
const WAITED_FOR = 1000;

/**
 * Says in the corner, and in the title of a page that nobody looks at, that work is done where it took over a second. That it
 * failed is said by whoever began it; the title is marked all the same.
 * @param words of what came of it; null where there is nothing to say.
 */
export async function sayWhenSlow<T>(job: Job<T>, words: (value: T) => string | null): Promise<void> {
  const began = performance.now();
  const end = await job.settled;
  if (performance.now() - began < WAITED_FOR || end.status === 'aborted') return;
  if (end.status === 'failed') return markTitle('!');
  const text = words(end.value);
  if (text === null) return;
  markTitle('✓');
  notify(text);
}

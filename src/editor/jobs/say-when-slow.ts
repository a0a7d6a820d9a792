import { notify } from '@/ui';
import type { Job } from './job';
import { markTitle } from './title-mark';

/** Work that takes longer is not waited for: people look elsewhere, ms. */
const WAITED_FOR = 1000;

/**
 * Says that work is done where it took over a second and what came of it is not seen: in the corner, and in the title of a page
 * that nobody looks at. That it failed is said by whoever began it; the title is marked all the same.
 * @param words of what came of it; null where there is nothing to say.
 * @param isSeen whether what came of it is in sight, where the page is.
 */
export async function sayWhenSlow<T>(
  job: Job<T>,
  words: (value: T) => string | null,
  isSeen: () => boolean,
): Promise<void> {
  const began = performance.now();
  const end = await job.settled;
  if (performance.now() - began < WAITED_FOR || end.status === 'aborted') return;
  if (end.status === 'failed') return markTitle('!');
  const text = words(end.value);
  if (text === null || (isSeen() && !document.hidden)) return;
  markTitle('✓');
  notify(text);
}

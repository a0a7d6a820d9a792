import type { Lettering } from '@/core/document';
import type { MakeCanvas } from '@/core/paint';
import { traceArtwork, type TraceOptions } from '@/core/trace';

/** So many letters each time: three letters, most of them more than once. */
const ROUNDS = [1, 2, 3];

/**
 * Traces a text's first letters and forgets what it found. An engine compiles what runs often while it runs: the first trace
 * of a new worker takes two to three times as long as those after it, and is one of these if a person is in no hurry.
 * @param signal ends it after the letters in hand; messages to the worker are heard between them
 */
export async function warmUp(
  layer: Lettering,
  options: TraceOptions,
  make: MakeCanvas,
  signal: AbortSignal,
): Promise<void> {
  for (const letters of ROUNDS) {
    if (signal.aborted) return;
    let heard = 0;
    traceArtwork(layer, options, make, () => heard++ < letters);
    await new Promise((heardMessages) => setTimeout(heardMessages));
  }
}

import { useEffect } from 'react';
import { isArtwork, type Layer, type Lettering, type Underlay } from '@/core/document';
import { inIdle, useLatest } from '@/ui';

/** What was in hand for so long is likely to be worked on; not everything that is passed by, ms. */
const REST = 600;

/** Workers are prepared one after another: on a machine of few cores two at once would be ready late, both. */
const line: { last: Promise<unknown> } = { last: Promise.resolve() };
/** A worker that was ended, or is at work, holds up no other for longer than this, ms. */
const PATIENCE = 1500;

/** Has work on a text prepared once it has been in hand for a moment and nothing else is to be done. */
export function usePrepared(
  source: Layer | Underlay | null,
  prepare: (layer: Lettering) => Promise<void>,
): void {
  const layer =
    source && 'type' in source && isArtwork(source) && source.type === 'lettering' ? source : null;
  const latest = useLatest({ layer, prepare });
  useEffect(() => {
    let takeBack = (): void => {};
    const waiting = setTimeout(() => {
      takeBack = inIdle(() => {
        const { layer, prepare } = latest.current;
        const enough = () => new Promise((done) => setTimeout(done, PATIENCE));
        if (layer) line.last = line.last.then(() => Promise.race([prepare(layer), enough()]));
      });
    }, REST);
    return () => {
      clearTimeout(waiting);
      takeBack();
    };
  }, [layer?.id, latest]);
}

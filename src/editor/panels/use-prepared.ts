import { useEffect } from 'react';
import { isArtwork, type Layer, type Lettering, type Underlay } from '@/core/document';
import { inIdle, useLatest } from '@/ui';

/** What was in hand for so long is likely to be worked on; not everything that is passed by, ms. */
const REST = 600;

/** Has work on a text prepared once it has been in hand for a moment and nothing else is to be done. */
export function usePrepared(source: Layer | Underlay | null, prepare: (layer: Lettering) => void): void {
  const layer =
    source && 'type' in source && isArtwork(source) && source.type === 'lettering' ? source : null;
  const latest = useLatest({ layer, prepare });
  useEffect(() => {
    let takeBack = (): void => {};
    const waiting = setTimeout(() => {
      takeBack = inIdle(() => {
        const { layer, prepare } = latest.current;
        if (layer) prepare(layer);
      });
    }, REST);
    return () => {
      clearTimeout(waiting);
      takeBack();
    };
  }, [layer?.id, latest]);
}

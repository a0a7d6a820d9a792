'use client';
import { useEffect, useState, type ComponentType } from 'react';
import { notify, Warning } from '@/ui';

const WORDS =
  'This part of Obelus could not be fetched: the server cannot be reached. Your work is kept; reload the page when it is back.';

/** Stands for what could not be fetched, so that nothing else goes with it. */
function NotFetched() {
  useEffect(() => notify(WORDS), []);
  return <Warning role="alert">{WORDS}</Warning>;
}

/** A component that may be fetched before it is shown; what can't be had then is fetched when it is. */
type Fetched<P extends object> = ComponentType<P> & { readonly fetch: () => Promise<void> };

/**
 * A component that is fetched when it is first shown, or before: then it is there at once. It does without React's suspending,
 * which leaves even what came long ago blank for 0.3 s, the rest between two fallbacks.
 */
export function fetched<P extends object>(load: () => Promise<ComponentType<P>>): Fetched<P> {
  const had: { component?: ComponentType<P> } = {};
  const fetch = async (): Promise<void> => {
    had.component ??= await load();
  };
  function Shown(props: P) {
    const [Component, show] = useState(() => had.component);
    useEffect(() => {
      if (Component) return;
      const mounted = new AbortController();
      const put = (got: ComponentType<P>): void => {
        if (!mounted.signal.aborted) show(() => got);
      };
      fetch().then(
        () => put(had.component!),
        () => put(NotFetched as ComponentType<P>),
      );
      return () => mounted.abort();
    }, [Component]);
    return Component ? <Component {...props} /> : null;
  }
  return Object.assign(Shown, { fetch });
}

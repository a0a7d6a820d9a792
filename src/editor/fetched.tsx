'use client';
import { useEffect, useState, type ComponentType } from 'react';
import { Button, notify, useLatest, Warning } from '@/ui';

const WORDS =
  'This part of Obelus could not be fetched: the server cannot be reached. Your work is not touched by that.';

/** Stands for what could not be fetched, so that nothing else goes with it. */
const NotFetched = ({ onAgain }: { onAgain: () => void }) => (
  <Warning role="alert">
    {WORDS}
    <Button $wide onPress={onAgain}>
      Try again
    </Button>
  </Warning>
);

/** A component that may be fetched before it is shown; what can't be had then is fetched when it is. */
type Fetched<P extends object> = ComponentType<P> & { readonly fetch: () => Promise<void> };

/** A component that is loaded once, whoever asks for it; asked for again where that failed. */
function loading<P extends object>(load: () => Promise<ComponentType<P>>) {
  const had: { component?: ComponentType<P> } = {};
  const fetch = async (): Promise<void> => {
    had.component ??= await load();
  };
  /** The component, once it is there; `wanted` counts how often it was asked for. */
  function useFetched(wanted: number | null, onFailed: () => void): ComponentType<P> | undefined {
    const [Component, show] = useState(() => had.component);
    const failed = useLatest(onFailed);
    useEffect(() => {
      if (Component || wanted === null) return;
      const mounted = new AbortController();
      fetch().then(
        () => !mounted.signal.aborted && show(() => had.component),
        () => !mounted.signal.aborted && failed.current(),
      );
      return () => mounted.abort();
    }, [Component, wanted, failed]);
    return Component;
  }
  return { fetch, useFetched };
}

/**
 * A component that is fetched when it is first shown, or before: then it is there at once. It does without React's suspending,
 * which leaves even what came long ago blank for 0.3 s, the rest between two fallbacks.
 */
export function fetched<P extends object>(load: () => Promise<ComponentType<P>>): Fetched<P> {
  const { fetch, useFetched } = loading(load);
  function Shown(props: P) {
    const [attempt, setAttempt] = useState(0);
    const [missing, setMissing] = useState(false);
    const Component = useFetched(attempt, () => setMissing(true));
    if (Component) return <Component {...props} />;
    if (!missing) return null;
    const again = (): void => {
      setMissing(false);
      setAttempt(attempt + 1);
    };
    return <NotFetched onAgain={again} />;
  }
  return Object.assign(Shown, { fetch });
}

interface DialogProps {
  readonly isOpen?: boolean;
  readonly onClose: () => void;
}

/** A dialog that is fetched when it is first opened. Where that fails it is closed again, which is said; opened anew it is asked for anew. */
export function fetchedDialog<P extends DialogProps>(load: () => Promise<ComponentType<P>>): Fetched<P> {
  const { fetch, useFetched } = loading(load);
  function Shown(props: P) {
    const { isOpen = true, onClose } = props;
    const Component = useFetched(isOpen ? 1 : null, () => {
      notify(WORDS);
      onClose();
    });
    return Component ? <Component {...props} /> : null;
  }
  return Object.assign(Shown, { fetch });
}

'use client';
import dynamic from 'next/dynamic';
import { useEffect, type ComponentType } from 'react';
import { notify, Warning } from '@/ui';

const WORDS =
  'This part of Obelus could not be fetched: the server cannot be reached. Your work is kept; reload the page when it is back.';

/** Stands for what could not be fetched, so that nothing else goes with it. */
function NotFetched() {
  useEffect(() => notify(WORDS), []);
  return <Warning role="alert">{WORDS}</Warning>;
}

/** A component that is fetched when it is first shown. */
export const fetched = <P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> =>
  dynamic<P>(() => load().catch(() => NotFetched as ComponentType<P>), { ssr: false });

'use client';
import { useEffect } from 'react';
import { create } from 'zustand';
import { z } from 'zod';
import { exportFileAddress, EXPORTS, type ExportSummary } from '@/contract';
import { notify } from '@/ui';
import { download } from './download';
import { markTitle } from './jobs';
import { recall, remember } from './remembered';
import { call } from './saving';

const KEY = 'obelus-exports-asked';
/** How often it is asked how far exports are, ms. */
const EVERY = 2000;

function recalled(): string[] {
  try {
    return z.array(z.uuid()).parse(JSON.parse(recall(KEY) ?? '[]'));
  } catch {
    return [];
  }
}

/** Exports that were asked for in this browser and have not ended yet, by their ids; known to all its pages. */
const useAskedFor = create<{ readonly ids: readonly string[] }>(() => ({ ids: [] }));

const keep = (ids: readonly string[]): void => {
  useAskedFor.setState({ ids });
  remember(KEY, JSON.stringify(ids));
};

/** An export was asked for: its end is said wherever one is then. */
export const exportAsked = (id: string): void => keep([...new Set([...recalled(), id])]);

function say({ id, status, fileName, message }: ExportSummary): void {
  if (status === 'done') {
    markTitle('✓');
    notify(`${fileName} is ready.`, {
      action: {
        name: 'Download',
        run: () => download(exportFileAddress(id)),
      },
      lasting: true,
    });
  } else if (status === 'failed') {
    markTitle('!');
    notify(`${fileName} was not made. ${message ?? ''} Run it again under Exports.`, { lasting: true });
  }
}

/** Says when exports of this browser have ended, on whatever page one is. */
export function useExportWatch(): void {
  const { ids } = useAskedFor();
  useEffect(() => useAskedFor.setState({ ids: recalled() }), []);
  useEffect(() => {
    if (ids.length === 0) return;
    const look = async (): Promise<void> => {
      for (const id of ids) {
        // One that was taken away meanwhile has nothing to say; without a server it is asked again.
        const now = await call(EXPORTS.read, { params: { id } }).catch((error: { status?: number }) =>
          error.status === 404 ? 'gone' : null,
        );
        if (now === null || (now !== 'gone' && ['queued', 'running'].includes(now.status))) continue;
        const waiting = recalled();
        // Another page of this browser has said it already.
        if (waiting.includes(id) && now !== 'gone') say(now);
        keep(waiting.filter((one) => one !== id));
      }
    };
    const asking = setInterval(() => void look(), EVERY);
    return () => clearInterval(asking);
  }, [ids]);
}

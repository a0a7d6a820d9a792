import { useEffect, useState } from 'react';
import {
  exportSettingsSchema,
  formatOf,
  isSingle,
  RECEIVERS,
  type ExportSettings,
  type Receiver,
  type ReceiverId,
} from '@/contract';
import { recall, remember } from '../remembered';
import { useEditor } from '../state';

/** What is set in the dialog: settings whose frames may be the whole piece, whatever its length. */
export interface Asked extends ExportSettings {
  readonly range: 'all' | 'part';
  /** The frame of a still. */
  readonly frame: number;
}

const KEY = 'obelus:export';

/** What was asked for last in this browser, or what most people send first. */
function lastAsked(): Omit<Asked, 'first' | 'last' | 'frame'> {
  try {
    const { format, scale, ...rest } = exportSettingsSchema.parse(JSON.parse(recall(KEY) ?? ''));
    return { ...rest, format, scale, range: 'all' };
  } catch {
    return { format: 'webm', scale: 1, transparency: 'straight', quality: 'high', range: 'all' };
  }
}

/** The settings as they are sent, held to the length of the piece. */
export function settingsFor({ range, frame, ...asked }: Asked, length: number): ExportSettings {
  const settings = formatOf(asked.format).unsized ? { ...asked, scale: 1 as const } : asked;
  const end = length - 1;
  if (isSingle(formatOf(settings.format))) {
    const still = Math.min(frame, end);
    return { ...settings, first: still, last: still };
  }
  if (range === 'all') return { ...settings, first: 0, last: end };
  const first = Math.min(settings.first, end);
  return { ...settings, first, last: Math.max(first, Math.min(settings.last, end)) };
}

/** What is set in the dialog, kept for the next time; a still is of the frame shown when the dialog opens. */
export function useAsked(isOpen: boolean) {
  const [asked, setAsked] = useState<Asked>(() => ({ ...lastAsked(), first: 0, last: Infinity, frame: 0 }));
  useEffect(() => {
    if (isOpen) setAsked((now) => ({ ...now, frame: Math.round(useEditor.getState().frame) }));
  }, [isOpen]);
  const change = (part: Partial<Asked>) =>
    setAsked((now) => {
      const next = { ...now, ...part };
      // Another format has another usual way with what is transparent.
      const { transparencies } = formatOf(next.format);
      if (!transparencies.includes(next.transparency ?? transparencies[0]))
        next.transparency = transparencies[0];
      const { range: _, frame: __, first: ___, last: ____, ...kept } = next;
      remember(KEY, JSON.stringify({ ...kept, first: 0, last: 0 }));
      return next;
    });
  /** Takes what a kind of place is sent. */
  const send = (id: ReceiverId) => {
    const { sent }: Receiver = RECEIVERS[id];
    change(sent);
  };
  return { asked, change, send };
}

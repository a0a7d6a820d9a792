import { useEffect, useState } from 'react';
import {
  formatOf,
  isDeep,
  isSentTo,
  isSingle,
  needsColour,
  presetSchema,
  RECEIVERS,
  wholeSettings,
  type ExportSettings,
  type Preset,
  type Receiver,
  type ReceiverId,
} from '@/contract';
import { recall, remember } from '../remembered';
import { useEditor } from '../state';

/** What is set in the dialog: settings whose frames may be the whole piece, whatever its length. */
export interface Asked extends ExportSettings {
  /** The kind of place it goes to, while what is set is what that is sent. */
  readonly receiver: ReceiverId | null;
  readonly range: 'all' | 'part';
  /** The frame of a still. */
  readonly frame: number;
}

const KEY = 'obelus:export';

/** What is asked for where nothing was before. */
const FIRST: Preset = {
  receiver: 'page',
  format: 'webm',
  scale: 1,
  transparency: 'straight',
  quality: 'high',
};

/** What is asked for with a preset; frames and numbers are each piece's own. */
const askedWith = (preset: Preset): Asked => ({
  ...preset,
  first: 0,
  last: Infinity,
  range: 'all',
  frame: 0,
});

/** What was asked for last in this browser. */
function lastAsked(): Asked {
  const kept = recall(KEY);
  try {
    if (kept !== null) return askedWith(presetSchema.parse(JSON.parse(kept)));
  } catch {
    // What an older version kept is asked for anew.
  }
  return askedWith(FIRST);
}

/** What is set, but for the frames of the piece. */
export function presetOf(asked: Asked): Preset {
  const { first, last, number, range, frame, ...preset } = asked;
  return Object.fromEntries(Object.entries(preset).filter(([, value]) => value !== undefined)) as Preset;
}

/** The settings as they are sent, held to the length of the piece. */
export function settingsFor(asked: Asked, length: number): ExportSettings {
  const { range, frame, receiver: _, ...settings } = asked;
  const format = formatOf(settings.format);
  const end = length - 1;
  const sized = format.unsized ? { ...settings, scale: 1 as const } : settings;
  if (isSingle(format)) {
    const still = Math.min(frame, end);
    return { ...sized, first: still, last: still };
  }
  if (range === 'all') return { ...sized, first: 0, last: end };
  const first = Math.min(sized.first, end);
  return { ...sized, first, last: Math.max(first, Math.min(sized.last, end)) };
}

/** What is set with a part of it changed: another format has another usual way with what is transparent. */
export function changedAsked(asked: Asked, part: Partial<Asked>): Asked {
  const next: { -readonly [K in keyof Asked]: Asked[K] } = { ...asked, ...part };
  const { transparencies } = formatOf(next.format);
  if (!transparencies.includes(next.transparency ?? transparencies[0])) next.transparency = transparencies[0];
  if (!isDeep(formatOf(next.format), next.transparency ?? transparencies[0])) delete next.depth;
  const fits = next.receiver !== null && isSentTo(next.receiver, wholeSettings(next));
  return fits ? next : { ...next, receiver: null };
}

/** What a kind of place is sent; over the colour that the piece is looked at over, where it leaves that open. */
export function askedFor(asked: Asked, receiver: ReceiverId, over: string | null): Asked {
  const { sent }: Receiver = RECEIVERS[receiver];
  const open = needsColour(sent.transparency ?? 'straight') && sent.over === undefined;
  return changedAsked(asked, { ...sent, receiver, ...(open && over !== null && { over }) });
}

/** What is set in the dialog, kept for the next time; a still is of the frame shown when the dialog opens. */
export function useAsked(isOpen: boolean) {
  const [asked, setAsked] = useState(lastAsked);
  useEffect(() => {
    if (isOpen) setAsked((now) => ({ ...now, frame: Math.round(useEditor.getState().frame) }));
  }, [isOpen]);
  const put = (next: Asked) => {
    setAsked(next);
    remember(KEY, JSON.stringify(presetOf(next)));
  };
  return {
    asked,
    change: (part: Partial<Asked>) => put(changedAsked(asked, part)),
    /** What a preset says, of the frames that are set. */
    take: (preset: Preset) => {
      const { first, last, range, frame } = asked;
      put({ ...askedWith(preset), first, last, range, frame });
    },
    send: (receiver: ReceiverId) => put(askedFor(asked, receiver, useEditor.getState().piece.over)),
  };
}

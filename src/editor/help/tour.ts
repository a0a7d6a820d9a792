import { create } from 'zustand';
import { membersOf } from '@/core/document';
import { play } from '../playback';
import { recall, remember } from '../remembered';
import { select, showFrame, useEditor, type Step } from '../state';

/** A stop of the tour: what it speaks of, and what is shown for it. */
export interface Stop {
  readonly title: string;
  readonly words: string;
  /** The part of the page that it speaks of, as a CSS selector. */
  readonly about: string;
  readonly show: () => void;
}

const at = (step: Step, frame: number): void => {
  useEditor.setState({ step, tool: 'select' });
  showFrame(frame);
};

/** Selects the strokes of the first group that writes something, where there is one. */
function selectHand(): void {
  const { piece } = useEditor.getState();
  const hand = piece.groups.find((group) => membersOf(piece, group.id).length > 2);
  if (hand) select({ layers: membersOf(piece, hand.id).map((stroke) => stroke.id) });
}

/** Share of the piece at which something is to be seen. */
const amid = (share: number): number => Math.round((useEditor.getState().piece.length - 1) * share);

export const STOPS: readonly Stop[] = [
  {
    title: 'A title that writes itself',
    words: 'All of it is strokes. The button below the picture plays it; on the canvas, Space does.',
    about: '[data-canvas]',
    show: () => {
      select({});
      at('trace', 0);
      if (!window.matchMedia('(prefers-reduced-motion: reduce)').matches) play();
    },
  },
  {
    title: 'Strokes',
    words: 'Each number is a movement of the pen, in writing order. The small arrow is its direction.',
    about: '[data-canvas]',
    show: () => {
      at('trace', amid(0.55));
      selectHand();
    },
  },
  {
    title: 'Ink',
    words: 'Width, colour, taper and dashes of whatever is selected. All of it can be keyed.',
    about: 'aside[aria-label="Panel"]',
    show: () => {
      at('ink', amid(0.55));
      selectHand();
    },
  },
  {
    title: 'The score',
    words:
      'A lane for each stroke. The filled shape is how much of it is inked over time: steep is fast. Drag the keys on its edges.',
    about: '[data-score]',
    show: () => {
      at('time', amid(0.2));
      selectHand();
    },
  },
  {
    title: 'Time',
    words: 'A manner says how strokes come and go; spread, how much later each begins than the one before.',
    about: 'aside[aria-label="Panel"]',
    show: () => {
      at('time', amid(0.2));
      selectHand();
    },
  },
  {
    title: 'Reveal',
    words:
      'Lettering is uncovered by its strokes. Change the text, and they follow: nothing has to be traced again.',
    about: 'aside[aria-label="Panel"]',
    show: () => {
      at('reveal', amid(0.55));
      const { piece } = useEditor.getState();
      const text = piece.layers.find((layer) => layer.type === 'lettering' && layer.reveal);
      if (text) select({ layers: [text.id] });
    },
  },
  {
    title: 'Proof',
    words: 'Proof looks for what a viewer would stumble over, and mends much of it with a press.',
    about: '[data-tour="proof"]',
    show: () => at('reveal', amid(0.55)),
  },
  {
    title: 'Export',
    words:
      'Say where the file goes, and it gets the format that keeps its transparency there. That is all: now try a word of your own.',
    about: '[data-tour="export"]',
    show: () => at('reveal', amid(0.55)),
  },
];

const KEY = 'obelus-tour';

/** The stop that is shown; null while no tour is on. */
export const useTour = create<{ readonly stop: number | null }>(() => ({ stop: null }));

/** Where a tour that was left goes on: the stop it was left at, 0 before the first and after the last. */
export const tourLeftAt = (): number => {
  const at = Number(recall(KEY));
  return Number.isInteger(at) && at > 0 && at < STOPS.length ? at : 0;
};

/** Goes to a stop; beyond the last the tour is over. */
export function goToStop(stop: number): void {
  if (stop >= STOPS.length) {
    remember(KEY, '0');
    useTour.setState({ stop: null });
    return;
  }
  remember(KEY, String(stop));
  useTour.setState({ stop });
  STOPS[stop]!.show();
}

export const leaveTour = (): void => useTour.setState({ stop: null });

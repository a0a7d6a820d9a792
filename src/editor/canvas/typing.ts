import { create } from 'zustand';
import type { Point } from '@/core/geometry';

/** A text that is being written at a place of the piece and is not set yet. */
interface Typing {
  readonly at: Point;
  /** What the field begins with: a text that could not be set is given back. */
  readonly text: string;
}

export const useTyping = create<{ readonly typing: Typing | null }>(() => ({ typing: null }));

export const startTyping = (at: Point, text = ''): void => useTyping.setState({ typing: { at, text } });
export const endTyping = (): void => useTyping.setState({ typing: null });

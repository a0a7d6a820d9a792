import { create } from 'zustand';
import type { Point } from '@/core/geometry';

/** Where on the piece a text is being written that is not set yet; null where none is. */
export const useTyping = create<{ readonly at: Point | null }>(() => ({ at: null }));

export const startTyping = (at: Point): void => useTyping.setState({ at });
export const endTyping = (): void => useTyping.setState({ at: null });

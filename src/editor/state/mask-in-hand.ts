import { create } from 'zustand';

/** The mask that is worked on: whose it is, and which of its list. */
export const useMaskInHand = create<{ readonly of: string | null; readonly index: number }>(() => ({
  of: null,
  index: 0,
}));

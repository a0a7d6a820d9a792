import { create } from 'zustand';

/** The mask that is worked on: whose it is, and which of its list. */
export const useMaskInHand = create<{ readonly of: string | null; readonly index: number }>(() => ({
  of: null,
  index: 0,
}));

/** The closed stroke that is about to become the shape of a mask: it is marked on the canvas. */
export const useShapeChoice = create<{ readonly stroke: string | null }>(() => ({ stroke: null }));

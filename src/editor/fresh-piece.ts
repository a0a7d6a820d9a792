import { create } from 'zustand';

/**
 * The piece that was just made: when it opens, the first thing to be typed is its word. Any other piece leaves the focus where
 * it is.
 */
export const useFreshPiece = create<{ readonly id: string | null; readonly left: string | null }>(() => ({
  id: null,
  left: null,
}));

export const notePieceMade = (id: string): void => useFreshPiece.setState({ id });

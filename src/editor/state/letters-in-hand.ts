import { create } from 'zustand';
import { lettersOf, type Lettering } from '@/core/document';
import type { EditorState } from './editor-store';

/** Letters of a text that are worked on by themselves, by where they begin in it. */
interface LettersInHand {
  readonly of: string | null;
  readonly places: readonly number[];
}

const NONE: LettersInHand = { of: null, places: [] };

export const useLettersInHand = create<LettersInHand>(() => NONE);

/** Takes letters of a text in hand, in place of others or with them; one that is in hand already is let go of. */
export function takeLetters(of: string, place: number, add: boolean): void {
  useLettersInHand.setState((now) => {
    if (!add || now.of !== of) return { of, places: [place] };
    const has = now.places.includes(place);
    const places = has ? now.places.filter((at) => at !== place) : [...now.places, place];
    return { of, places: places.sort((a, b) => a - b) };
  });
}

export const letLettersGo = (): void => useLettersInHand.setState(NONE);

/** The text that is selected alone, and which of its letters are in hand; null where none are. */
export function lettersInHand({ piece, selection }: Pick<EditorState, 'piece' | 'selection'>): {
  readonly lettering: Lettering;
  readonly places: readonly number[];
} | null {
  const { of, places } = useLettersInHand.getState();
  if (of === null || selection.layers.length !== 1 || selection.layers[0] !== of) return null;
  const lettering = lettersOf(piece).find(({ id }) => id === of);
  // What was written since may have other letters there.
  const there = places.filter((at) => lettering?.set.glyphs.some(({ cluster }) => cluster === at));
  return lettering && there.length > 0 ? { lettering, places: there } : null;
}

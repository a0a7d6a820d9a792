import { lettersOf } from '@/core/document';
import { letLettersGo, lettersInHand, select, singleLayer, takeLetters, useEditor } from '../../state';
import { letterAt } from '../hit';
import { useView } from '../view';
import type { PointerInput } from './tool';

/**
 * Takes letters of the selected text in hand: by a double press, or a press while others of it are. What it answers with says of
 * each press whether it was meant so.
 */
export function letterPress(): (input: PointerInput) => boolean {
  const state = useEditor.getState;
  /** The text that was selected alone when the last press began: a double press means it, whatever its first half took up. */
  let pressedWith: string | null = null;
  return (input) => {
    const { piece, frame, step } = state();
    const now = singleLayer(state());
    const text = input.double ? lettersOf(piece).find(({ id }) => id === pressedWith) : now;
    if (!input.double) pressedWith = now?.type === 'lettering' ? now.id : null;
    if (text?.type !== 'lettering' || text.hidden || text.locked || step === 'place') return false;
    const inHand = lettersInHand(state()) !== null;
    if (!inHand && !input.double) return false;
    const at = letterAt(piece, text, input.screen, useView.getState(), Math.round(frame));
    if (at === null) {
      letLettersGo();
      return false;
    }
    if (now !== text) select({ layers: [text.id] });
    takeLetters(text.id, at, input.shift);
    return true;
  };
}

import { create } from 'zustand';

/** Keys that follow each other as fast as this, ms, are typed in one go. */
const TYPING_PAUSE = 500;

/** When the last key was pressed in a field that closes when it is done, ms as events have it. */
const useTyped = create<{ readonly time: number }>(() => ({ time: -Infinity }));

export const noteTyped = (time: number): void => useTyped.setState({ time });
export const forgetTyped = (): void => noteTyped(-Infinity);

/**
 * Whether a letter belongs to what was just typed, though the field has closed: somebody types on, and means no shortcut.
 * @param time of the key, ms, as its event has it.
 */
export function isTypedOn(time: number): boolean {
  const isOn = time - useTyped.getState().time < TYPING_PAUSE;
  if (isOn) noteTyped(time);
  return isOn;
}

import { create } from 'zustand';

/** A colour being taken from the canvas: the next press on the picture answers. */
export const useColourPick = create<{ readonly take: ((colour: string) => void) | null }>(() => ({
  take: null,
}));

export const pickColour = (take: (colour: string) => void): void => useColourPick.setState({ take });
export const endColourPick = (): void => useColourPick.setState({ take: null });

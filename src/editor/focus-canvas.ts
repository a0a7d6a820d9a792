/** Gives the focus to the canvas, so that the keys of the tools work there. */
export const focusCanvas = (): void => document.querySelector<HTMLElement>('[data-canvas]')?.focus();

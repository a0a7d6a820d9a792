import type { MakeCanvas } from '@/core/paint';

/** Canvases for groups of a draw list, in the page and in its workers. */
export const newCanvas: MakeCanvas = (width, height) => new OffscreenCanvas(width, height);

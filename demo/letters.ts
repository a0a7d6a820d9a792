import type { PenPlace } from './written';

/** Plain capitals of one thickness, height 100, as separate pen movements. */
export const CAPITALS = {
  A: {
    width: 84,
    strokes: [
      [
        [0, 0, 67, 67],
        [42, 100, 67, -67],
        [84, 0, -67],
      ],
      [
        [16, 36, 0],
        [68, 36, 0],
      ],
    ],
  },
  L: {
    width: 56,
    strokes: [
      [
        [0, 100, -90],
        [0, 0, -90, 0],
        [56, 0, 0],
      ],
    ],
  },
  M: {
    width: 96,
    strokes: [
      [
        [0, 0, 90],
        [6, 100, 86, -62],
        [48, 26, -62, 62],
        [90, 100, 62, -86],
        [96, 0, -86],
      ],
    ],
  },
  N: {
    width: 80,
    strokes: [
      [
        [0, 0, 90],
        [0, 100, 90, -51],
        [80, 0, -51, 90],
        [80, 100, 90],
      ],
    ],
  },
  C: {
    width: 84,
    strokes: [
      [
        [82, 80, 132],
        [50, 102, 180],
        [0, 50, -90],
        [50, -2, 0],
        [84, 20, 48],
      ],
    ],
  },
} as const satisfies Record<string, { width: number; strokes: readonly (readonly PenPlace[])[] }>;

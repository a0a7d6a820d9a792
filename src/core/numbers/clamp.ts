/** A number between two others: itself, or that of them which it lies beyond. Where the bounds cross, `most` wins. */
export const clamp = (value: number, least: number, most: number): number =>
  Math.min(most, Math.max(least, value));

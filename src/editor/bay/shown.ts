/** What is looked at: the file as it is received, the piece, or both. */
export const SHOWN = {
  received: 'received',
  piece: 'the piece',
  beside: 'side by side',
  difference: 'difference',
} as const;
export type Shown = keyof typeof SHOWN;

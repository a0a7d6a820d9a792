import type { Piece } from './piece';

/** Frame sizes that pieces are made in. */
export const SIZES: readonly { id: string; name: string; size: Piece['size'] }[] = [
  { id: '1920x1080', name: '1920 × 1080 · 16:9', size: { width: 1920, height: 1080 } },
  { id: '1080x1920', name: '1080 × 1920 · 9:16', size: { width: 1080, height: 1920 } },
  { id: '1080x1080', name: '1080 × 1080 · 1:1', size: { width: 1080, height: 1080 } },
  { id: '3840x2160', name: '3840 × 2160 · UHD', size: { width: 3840, height: 2160 } },
];

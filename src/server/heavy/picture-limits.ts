/** Bytes a picture may have, pixels it may unfold to, and pixels of its longer side that are kept. */
export const PICTURE_LIMITS = { bytes: 50 * 1024 * 1024, pixels: 120e6, side: 4096 } as const;

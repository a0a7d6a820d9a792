/** Sides of frames: what exports have at the most. A frame is decoded as a whole, four bytes a pixel. */
export const MOST_SIDE = 8192;
export const MOST_PIXELS = MOST_SIDE * MOST_SIDE;
/** Frames of one file: an hour and a half at 60 a second. */
export const MOST_FRAMES = 324_000;
/** Bytes of a file from outside. */
export const BAY_BYTES = 512 * 1024 * 1024;
/** Bytes of one film within an archive. */
export const MOST_FILM = 4 * 1024 * 1024 * 1024;
/** Vectors are read by the page as a whole. */
export const MOST_VECTORS = 64 * 1024 * 1024;

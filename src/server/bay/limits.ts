/** Sides of frames: what exports have at the most. A frame is decoded as a whole, four bytes a pixel. */
export const MOST_SIDE = 8192;
export const MOST_PIXELS = MOST_SIDE * MOST_SIDE;
/** Frames of one file: an hour and a half at 60 a second. */
export const MOST_FRAMES = 324_000;
/** Bytes of a file from outside. */
export const BAY_BYTES = 512 * 1024 * 1024;
/** Bytes of one film within an archive. */
export const MOST_FILM = 4 * 1024 * 1024 * 1024;
/** Files of one archive. */
export const MOST_ENTRIES = 65_535;
/** Most bytes of one picture within an archive: a frame of 8K without any packing. */
export const MOST_PICTURE = 512 * 1024 * 1024;
/** Characters before the first tag of an SVG file, and of that tag. */
export const MOST_BEFORE_HEAD = 65_536;
export const MOST_HEAD = 65_536;
/** Vectors are read by the page as a whole. */
export const MOST_VECTORS = 64 * 1024 * 1024;

/** A file that can't be read, in words with the place. */
export class SvgError extends Error {}

// From a picture or from shapes to ink, and from ink to strokes or outlines.
export * from './ink-of-shapes';
export * from './outlines';
export * from './threshold';
export * from './trace-ink';

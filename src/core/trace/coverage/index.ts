// How much of an artwork its strokes uncover, and where they do so too soon.
export * from './coverage';
export * from './covered-art';

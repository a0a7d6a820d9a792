// Letters found in shapes, each traced by the form of its hand.
export * from './forms-of-glyph';
export * from './letters-in';
export * from './trace-artwork';
export * from './trace-letters';

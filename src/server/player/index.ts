export { playerScript } from './bundle';
export { makeGlyphBook } from './make-glyph-book';
export { examplePage, jsonInPage, pageOf, reelOf } from './page';

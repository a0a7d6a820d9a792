/** As much of opentype.js as the tests use; version 2 ships no types. */
declare module 'opentype.js' {
  export function parse(bytes: ArrayBuffer): {
    unitsPerEm: number;
    tables: Record<string, { sCapHeight?: number }>;
    charToGlyph(letter: string): {
      advanceWidth: number;
      getPath(x: number, y: number, size: number): { toPathData(digits: number): string };
      readonly index: number;
      getBoundingBox(): { x1: number; y1: number; x2: number; y2: number };
    };
  };
}

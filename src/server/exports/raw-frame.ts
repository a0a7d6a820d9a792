import type { Bounds } from '@/core/geometry';
import type { RenderedFrame } from './render-frames';
import { spreadColour } from './spread-colour';

/**
 * Keeps one raw frame, straight RGBA, up to date with the canvas: reads back only what was painted anew, and tells what of it
 * is another than before.
 */
export class RawFrame {
  readonly pixels: Uint8Array;
  /** The same, a whole pixel at a time. */
  private readonly words: Int32Array;

  /** @param spread whether what is transparent takes the colour of the ink beside it. */
  constructor(
    readonly width: number,
    readonly height: number,
    private readonly spread: boolean,
  ) {
    this.words = new Int32Array(width * height);
    this.pixels = new Uint8Array(this.words.buffer);
  }

  /** Takes a frame over; answers with the boxes in which it differs from the one before it, what takes their colour with them. */
  take({ canvas, changed }: RenderedFrame): readonly Bounds[] {
    const context = canvas.getContext('2d');
    const places = changed.flatMap((box) => {
      const { data } = context.getImageData(box.left, box.top, box.right - box.left, box.bottom - box.top);
      return this.put(new Int32Array(data.buffer, data.byteOffset, data.length / 4), box) ?? [];
    });
    return this.spread ? places.map((place) => spreadColour(this.pixels, this, place)) : places;
  }

  /**
   * Puts pixels into a box, and answers where in it they are others than before: where a stroke was painted anew, most are
   * the same. What is transparent is the same whatever colour it was given.
   */
  private put(painted: Int32Array, box: Bounds): Bounds | null {
    const { words } = this;
    const across = box.right - box.left;
    const differ = (a: number, b: number): boolean => a !== b && (a >>> 24 !== 0 || b >>> 24 !== 0);
    let [left, right, top, bottom] = [across, 0, box.bottom, box.top];
    for (let y = box.top; y < box.bottom; y++) {
      const from = (y - box.top) * across;
      const to = y * this.width + box.left;
      let first = 0;
      while (first < across && !differ(painted[from + first]!, words[to + first]!)) first++;
      if (first === across) continue;
      let last = across - 1;
      while (!differ(painted[from + last]!, words[to + last]!)) last--;
      words.set(painted.subarray(from + first, from + last + 1), to + first);
      left = Math.min(left, first);
      right = Math.max(right, last + 1);
      top = Math.min(top, y);
      bottom = y + 1;
    }
    return left < right ? { left: box.left + left, right: box.left + right, top, bottom } : null;
  }
}

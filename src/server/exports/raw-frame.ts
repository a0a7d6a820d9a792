import type { Bounds } from '@/core/geometry';
import type { RenderedFrame } from './render-frames';
import { spreadColour } from './spread-colour';

/** Keeps one raw frame, straight RGBA, up to date with the canvas, reading back only what was painted anew. */
export class RawFrame {
  readonly pixels: Uint8Array;

  /** @param spread whether what is transparent takes the colour of the ink beside it. */
  constructor(
    readonly width: number,
    readonly height: number,
    private readonly spread: boolean,
  ) {
    this.pixels = new Uint8Array(width * height * 4);
  }

  /** Takes a frame over; answers with the boxes in which it may differ from the one before it. */
  take({ canvas, changed }: RenderedFrame): readonly Bounds[] {
    const { pixels, width } = this;
    const context = canvas.getContext('2d');
    for (const { left, top, right, bottom } of changed) {
      const across = (right - left) * 4;
      const { data } = context.getImageData(left, top, right - left, bottom - top);
      for (let y = top; y < bottom; y++)
        pixels.set(data.subarray((y - top) * across, (y - top + 1) * across), (y * width + left) * 4);
    }
    if (!this.spread) return changed;
    return changed.map((place) => spreadColour(pixels, this, place));
  }
}

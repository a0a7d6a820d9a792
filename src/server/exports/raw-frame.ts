import { inkBounds } from '@/core/draw';
import type { Bounds } from '@/core/geometry';
import type { RenderedFrame } from './render-frames';
import { blockArea, spreadColour } from './spread-colour';

/** Keeps one raw frame, straight RGBA, up to date with the canvas, reading back only where ink is or was. */
export class RawFrame {
  readonly pixels: Uint8Array;
  /** Where the last frame taken may differ from the one before it; null where it is the same. */
  changed: Bounds | null = null;
  private used: Bounds | null = null;

  /** @param spread whether what is transparent takes the colour of the ink beside it. */
  constructor(
    readonly width: number,
    readonly height: number,
    private readonly scale: number,
    private readonly spread: boolean,
  ) {
    this.pixels = new Uint8Array(width * height * 4);
  }

  take({ canvas, list, same }: RenderedFrame): Uint8Array {
    this.changed = null;
    if (same) return this.pixels;
    const { pixels, width, height, used } = this;
    if (used) {
      for (let y = used.top; y < used.bottom; y++) {
        pixels.fill(0, (y * width + used.left) * 4, (y * width + used.right) * 4);
      }
    }
    const inked = inkBounds(list, width, height, this.scale);
    this.used = inked && blockArea(inked, width, height);
    this.changed = both(used, this.used);
    if (!inked || !this.used) return pixels;
    const across = inked.right - inked.left;
    const { data } = canvas
      .getContext('2d')
      .getImageData(inked.left, inked.top, across, inked.bottom - inked.top);
    for (let y = inked.top; y < inked.bottom; y++) {
      const from = (y - inked.top) * across * 4;
      pixels.set(data.subarray(from, from + across * 4), (y * width + inked.left) * 4);
    }
    if (this.spread) spreadColour(pixels, width, this.used);
    return pixels;
  }
}

/** The smallest area that holds both. */
function both(a: Bounds | null, b: Bounds | null): Bounds | null {
  if (!a || !b) return a ?? b;
  return {
    left: Math.min(a.left, b.left),
    top: Math.min(a.top, b.top),
    right: Math.max(a.right, b.right),
    bottom: Math.max(a.bottom, b.bottom),
  };
}

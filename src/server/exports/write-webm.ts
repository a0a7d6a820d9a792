import { inkBounds } from '@/core/draw';
import type { ExportSettings } from '@/contract';
import type { Piece } from '@/core/document';
import type { Bounds } from '@/core/geometry';

import { startFfmpeg, webmArguments } from './ffmpeg';
import { renderFrames, type RenderedFrame } from './render-frames';
import { exportSize } from './settings';
import { blockArea, spreadColour } from './spread-colour';

/** Called after each frame; answers false when the work should stop, and throws where it can't go on. */
export type Progress = (framesDone: number) => boolean | Promise<boolean>;

/** Keeps one raw frame up to date with the canvas, reading back only where ink is or was. */
export class RawFrame {
  readonly pixels: Uint8Array;
  private used: Bounds | null = null;

  constructor(
    private readonly width: number,
    private readonly height: number,
    private readonly scale: number,
  ) {
    this.pixels = new Uint8Array(width * height * 4);
  }

  take({ canvas, list, same }: RenderedFrame): Uint8Array {
    if (same) return this.pixels;
    const { pixels, width, height, used } = this;
    if (used) {
      for (let y = used.top; y < used.bottom; y++) {
        pixels.fill(0, (y * width + used.left) * 4, (y * width + used.right) * 4);
      }
    }
    const inked = inkBounds(list, width, height, this.scale);
    this.used = inked && blockArea(inked, width, height);
    if (!inked || !this.used) return pixels;
    const across = inked.right - inked.left;
    const { data } = canvas
      .getContext('2d')
      .getImageData(inked.left, inked.top, across, inked.bottom - inked.top);
    for (let y = inked.top; y < inked.bottom; y++) {
      const from = (y - inked.top) * across * 4;
      pixels.set(data.subarray(from, from + across * 4), (y * width + inked.left) * 4);
    }
    spreadColour(pixels, width, this.used);
    return pixels;
  }
}

/** Writes a piece as WebM (VP9 with alpha). Resolves to false when it was stopped. */
export async function writeWebm(
  piece: Piece,
  settings: ExportSettings,
  file: string,
  progress: Progress,
): Promise<boolean> {
  const size = exportSize(piece.size, settings.scale);
  const encoder = startFfmpeg(webmArguments(size, piece.rate, file));
  const raw = new RawFrame(size.width, size.height, settings.scale);
  try {
    for (const frame of renderFrames(piece, settings)) {
      // While ffmpeg encodes this frame the next one is painted; its pixels are touched only when this is read.
      await encoder.write(raw.take(frame));
      if (!(await progress(frame.frame - settings.first + 1))) {
        encoder.kill();
        return false;
      }
    }
    await encoder.finish();
    return true;
  } catch (error) {
    encoder.kill();
    throw error;
  }
}

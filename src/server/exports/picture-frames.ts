import { exportSize, type WholeExportSettings } from '@/contract';
import type { Piece } from '@/core/document';
import { deepFrames } from './deep-frames';
import { deepPngOf, pngOf } from './encode-picture';
import { leavingFrames } from './leaving-frames';
import { renderFrames } from './render-frames';

/** Encodes raw RGBA bytes as a picture. */
type EncodePicture = (bytes: Uint8Array, size: { width: number; height: number }) => Promise<Buffer>;

/** Frames of a piece as pictures: one for each of its frames, or a fill and its matte. */
export interface PictureFrames {
  readonly names: readonly string[];
  of(frames: readonly number[]): AsyncGenerator<readonly Buffer[]>;
}

/** Pictures of eight bits a channel; where a frame shows what the one before it showed it is not encoded again. */
export function pictureFrames(
  piece: Piece,
  settings: WholeExportSettings,
  encode: EncodePicture,
): PictureFrames {
  const size = exportSize(piece.size, settings.scale);
  const leaving = leavingFrames(piece, settings, { lossy: false, layout: 'rgba' });
  return {
    names: leaving.names,
    async *of(frames) {
      let pictures: readonly Buffer[] = [];
      for (const frame of renderFrames(piece, settings.scale, frames)) {
        if (pictures.length === 0 || frame.changed.length > 0)
          pictures = await Promise.all(leaving.take(frame).map((bytes) => encode(bytes, size)));
        yield pictures;
      }
    },
  };
}

/** PNG pictures of as many bits as is asked for. */
export function pngFrames(piece: Piece, settings: WholeExportSettings): PictureFrames {
  if (settings.depth === '8') return pictureFrames(piece, settings, pngOf);
  const size = exportSize(piece.size, settings.scale);
  const deep = deepFrames(piece, settings);
  return {
    names: deep.names,
    async *of(frames) {
      for (const frame of frames)
        yield await Promise.all(deep.take(frame).map((values) => deepPngOf(values, size)));
    },
  };
}

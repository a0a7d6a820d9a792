import { createCanvas } from '@napi-rs/canvas';
import { inkBounds } from '../src/core/draw';
import { paint } from '../src/core/paint';
import { evaluate } from '../src/core/scene';
import { SAMPLE_PROJECT } from '.';

/** Fewer inked pixels than these are a speck; one frame of them is how a stroke ends, more linger. */
const SPECK = 30;

test.each(SAMPLE_PROJECT.pieces.map((piece) => [piece.name, piece] as const))(
  '“%s” leaves without specks that linger',
  (_, piece) => {
    const { width, height } = piece.size;
    const canvas = createCanvas(width, height);
    const context = canvas.getContext('2d');
    const last = Array.from({ length: 30 }, (__, i) => piece.length - 30 + i);
    const specks = last.filter((frame) => {
      const list = evaluate(piece, frame);
      const box = inkBounds(list, width, height);
      // Only what might be a speck is painted and counted.
      if (!box || (box.right - box.left) * (box.bottom - box.top) > 4000) return false;
      context.clearRect(0, 0, width, height);
      paint(evaluate(piece, frame), context, createCanvas, 1);
      const { data } = context.getImageData(0, 0, width, height);
      let inked = 0;
      for (let i = 3; i < data.length; i += 4) if (data[i]! > 0) inked++;
      return inked > 0 && inked < SPECK;
    });
    expect(specks.length).toBeLessThanOrEqual(1);
  },
);

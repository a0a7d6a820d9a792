import { createCanvas } from '@napi-rs/canvas';
import { exportSize, type Transparency, type WholeExportSettings } from '@/contract';
import { changed, type Piece } from '@/core/document';
import { picturePainter } from '@/core/paint';
import { evaluate, MOST_SAMPLES } from '@/core/scene';
import { RawFrame } from './raw-frame';

const FULL = 65_535;
const TURN = Math.PI * 2;

/** The moments of a frame while the shutter is open, each in the middle of an even share of that time; one where it has none. */
function momentsOf({ shutter, drawings }: Piece, frame: number): number[] {
  if (!shutter || drawings !== undefined || shutter.angle <= 0) return [frame];
  const [open, long] = [frame + shutter.phase / TURN, shutter.angle / TURN];
  return Array.from({ length: MOST_SAMPLES }, (_, i) => open + (long * (i + 0.5)) / MOST_SAMPLES);
}

/** How one pixel leaves: red, green, blue and alpha, straight and 0..1. */
type Leave = (r: number, g: number, b: number, a: number) => readonly [number, number, number, number];

/** The frames that leave for each of a piece's, with what each is called where there are several. */
function leavesOf(transparency: Transparency, over: string): readonly [string, Leave][] {
  const ground = [1, 3, 5].map((at) => parseInt(over.slice(at, at + 2), 16) / 255) as [
    number,
    number,
    number,
  ];
  const laid =
    ([x, y, z]: readonly [number, number, number]): Leave =>
    (r, g, b, a) => [r * a + x * (1 - a), g * a + y * (1 - a), b * a + z * (1 - a), 1];
  if (transparency === 'premultiplied') return [['', (r, g, b, a) => [r * a, g * a, b * a, a]]];
  if (transparency === 'over') return [['', laid(ground)]];
  if (transparency === 'key')
    return [
      ['fill', laid([0, 0, 0])],
      ['matte', (_r, _g, _b, a) => [a, a, a, 1]],
    ];
  return [['', (r, g, b, a) => [r, g, b, a]]];
}

/** Frames of a piece with 16 bits a channel. */
interface DeepFrames {
  readonly names: readonly string[];
  /** The frames that leave of one of the piece's: RGBA, 16 bits each. */
  take(frame: number): readonly Uint16Array[];
}

/**
 * Paints frames whose motion blur keeps more than eight bits: the light of the moments while the shutter is open is summed as it is.
 * What does not move is painted in eight bits, as everywhere.
 */
export function deepFrames(piece: Piece, { scale, transparency, over }: WholeExportSettings): DeepFrames {
  const { width, height } = exportSize(piece.size, scale);
  const sharp = changed<Piece>(piece, { shutter: undefined });
  const canvas = createCanvas(width, height);
  const painter = picturePainter(canvas.getContext('2d'), createCanvas, true);
  const raw = new RawFrame(width, height, false);
  const leaves = leavesOf(transparency, over);
  // Premultiplied light, and how much of it there is: sums of moments.
  const light = new Float64Array(width * height * 4);
  return {
    names: leaves.map(([name]) => name),
    take(frame) {
      light.fill(0);
      const moments = momentsOf(piece, frame);
      for (const moment of moments) {
        const changed = painter.paint(evaluate(sharp, moment), { x: 0, y: 0, scale });
        raw.take({ frame, canvas, changed });
        const data = raw.pixels;
        for (let i = 0; i < data.length; i += 4) {
          const alpha = data[i + 3]!;
          if (alpha === 0) continue;
          for (let c = i; c < i + 3; c++) light[c]! += data[c]! * alpha;
          light[i + 3]! += alpha;
        }
      }
      const whole = moments.length * 255;
      return leaves.map(([, leave]) => {
        const out = new Uint16Array(light.length);
        // Most of a title is empty: what nothing is leaves as is reckoned once.
        const nothing = leave(0, 0, 0, 0).map((value) => Math.round(value * FULL));
        if (nothing.some((value) => value > 0)) for (let i = 0; i < out.length; i += 4) out.set(nothing, i);
        for (let i = 0; i < light.length; i += 4) {
          const sum = light[i + 3]!;
          if (sum === 0) continue;
          const [r, g, b] = [light[i]! / sum / 255, light[i + 1]! / sum / 255, light[i + 2]! / sum / 255];
          const leaving = leave(r, g, b, sum / whole);
          for (let c = 0; c < 4; c++) out[i + c] = Math.round(leaving[c]! * FULL);
        }
        return out;
      });
    },
  };
}

import { createCanvas } from '@napi-rs/canvas';
import { commandsBounds, measurePath, pointAtLength } from '../geometry';
import { letterOutlines, type Lettering } from '../document';
import type { MakeCanvas } from '../paint';
import { traceLetters } from '../trace';
import { TRACE_OPTIONS } from '../trace';
import type { FaceMeasures } from './words-written';

export const makeCanvas = createCanvas as unknown as MakeCanvas;

/** What of a face the rules of a hand are measured by: the slant is that of its steep lines, half of their length to each side. */
export function measuresOf(word: (text: string) => Lettering): FaceMeasures {
  const height = (letter: string): number => -commandsBounds(letterOutlines(word(letter)).flat())!.top / 120;
  const steep: { slant: number; long: number }[] = [];
  for (const { path } of traceLetters(word('hillminnut'), TRACE_OPTIONS, makeCanvas)!) {
    const m = measurePath(path);
    const count = Math.max(2, Math.ceil(m.length / 3));
    const places = Array.from({ length: count }, (_, i) => pointAtLength(m, (m.length * i) / (count - 1)));
    for (let i = 1; i < count; i++) {
      const [dx, dy] = [places[i]!.x - places[i - 1]!.x, places[i]!.y - places[i - 1]!.y];
      if (dy > Math.abs(dx) && dy > 0.5) steep.push({ slant: -dx / dy, long: dy });
    }
  }
  steep.sort((a, b) => a.slant - b.slant);
  const half = steep.reduce((sum, { long }) => sum + long, 0) / 2;
  let gone = 0;
  const middle = steep.find(({ long }) => (gone += long) > half);
  const wide = (letter: string): number => {
    const { left, right } = commandsBounds(letterOutlines(word(letter)).flat())!;
    return (right - left) / 120;
  };
  // No one letter tells: flourished hands draw some taller than the rest.
  const heights = [...'acemnorsuvwxz'].map(height).sort((a, b) => a - b);
  return { small: heights[heights.length >> 1]!, capital: height('H'), slant: middle?.slant ?? 0, wide };
}

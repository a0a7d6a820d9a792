import { newCanvas } from '@/workers/new-canvas';
import type { Context } from './overlay-drawing';

/**
 * Keeps what is drawn over the picture on a canvas of its own and lays that down again until anything it is made from changes: a
 * pointer that moves paints all of the overlay anew, and most of it stands still. Answers with what drawing it answered; null
 * where it could not be drawn.
 */
export function keptDrawing<T>(): (
  context: Context,
  from: readonly unknown[],
  draw: (onto: Context) => T,
) => T | null {
  let kept: { from: readonly unknown[]; own: Context; answer: T } | null = null;
  return (context, made, draw) => {
    const { width, height } = context.canvas;
    // Before it has its place in the page a canvas has no size, and nothing can be laid onto it.
    if (width === 0 || height === 0) return null;
    const { a, e, f } = context.getTransform();
    const from = [width, height, a, e, f, ...made];
    if (kept?.from.length !== from.length || kept.from.some((part, i) => part !== from[i])) {
      const fits = kept?.own.canvas.width === width && kept.own.canvas.height === height;
      const own = fits ? kept!.own : (newCanvas(width, height).getContext('2d') as Context);
      own.setTransform(1, 0, 0, 1, 0, 0);
      own.clearRect(0, 0, width, height);
      own.setTransform(context.getTransform());
      kept = { from, own, answer: draw(own) };
    }
    context.save();
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.drawImage(kept.own.canvas, 0, 0);
    context.restore();
    return kept.answer;
  };
}

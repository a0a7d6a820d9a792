import { createCanvas, type Canvas } from '@napi-rs/canvas';
import type { Piece } from '@/core/document';
import { inkBounds, paint } from '@/core/paint';
import { evaluate, type DrawList } from '@/core/scene';
import { exportSize, type ExportSettings } from './settings';

/** One painted frame. `same` says that it shows exactly what the frame before it showed. */
export interface RenderedFrame {
  readonly frame: number;
  readonly list: DrawList;
  readonly canvas: Canvas;
  readonly same: boolean;
}

/** Whether two draw lists of one piece must paint alike: item by item the same values. */
function paintAlike(a: DrawList, b: DrawList): boolean {
  return (
    a.items.length === b.items.length &&
    a.items.every((item, i) => {
      const other = b.items[i]!;
      if (item.kind !== other.kind || item.colour !== other.colour || item.opacity !== other.opacity)
        return false;
      if (item.kind === 'stroke' && other.kind === 'stroke') {
        if (item.width !== other.width || item.cap !== other.cap || item.join !== other.join) return false;
      }
      if (item.path === other.path) return true;
      return (
        item.path.length === other.path.length &&
        item.path.every((command, k) => command.every((value, n) => value === other.path[k]![n]))
      );
    })
  );
}

/** Paints the frames of an export one after another onto one canvas, with the core that the editor shows. */
export function* renderFrames(piece: Piece, settings: ExportSettings): Generator<RenderedFrame> {
  const { width, height } = exportSize(piece.size, settings.scale);
  const canvas = createCanvas(width, height);
  const context = canvas.getContext('2d');
  let before: DrawList | null = null;
  for (let frame = settings.first; frame <= settings.last; frame++) {
    const list = evaluate(piece, frame);
    const same = before !== null && paintAlike(before, list);
    if (!same) {
      // Only what carried ink is cleared: most of a title is empty.
      const old = before && inkBounds(before, width, height, settings.scale);
      if (old) context.clearRect(old.left, old.top, old.right - old.left, old.bottom - old.top);
      paint(list, context, settings.scale);
    }
    before = list;
    yield { frame, list, canvas, same };
  }
}

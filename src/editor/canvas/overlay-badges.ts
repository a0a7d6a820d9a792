import { measurePath, tangentAtLength, wholePath } from '@/core/geometry';
import type { Stroke } from '@/core/document';
import { tracePath } from '@/core/paint';
import { OVERLAY } from './colours';
import { numberPlaces, withRoom, type Taken } from './number-places';
import { toScreen, type View } from './view';
import { type Context, drawDot } from './overlay-drawing';

/** Strokes shorter than this on screen, px, are numbered in small. */
const SHORT = 110;

/** More strokes than this are not all hinted at and numbered, but where their paths are worked on. */
export const CROWD = 60;

/** Many strokes shorter than this on screen, px, are numbered in plain small figures: discs would hide them. */
export const TINY = 46;
export const MANY = 20;

/** Width of a plain small figure, and height, px. */
const FIGURE = { width: 5.4, height: 9 } as const;

/** Plain small numbers at the first points of their strokes; one that would lie on another is not there until there is room. */
export function drawTinyBadges(context: Context, view: View, all: readonly Badge[]): void {
  context.font = '9px "Instrument Sans Variable", sans-serif';
  context.textAlign = 'right';
  context.textBaseline = 'bottom';
  context.lineWidth = 2.5;
  context.strokeStyle = 'rgba(21, 18, 14, 0.7)';
  context.fillStyle = OVERLAY.vellum;
  const boxes = all.map(({ stroke, order }) => {
    const { x, y } = toScreen(view, stroke.path.points[0]!);
    const text = String(order);
    const [right, bottom] = [x - 1, y - 1];
    const [left, top] = [right - text.length * FIGURE.width, bottom - FIGURE.height];
    return { text, left, top, right, bottom };
  });
  for (const { text, right, bottom } of withRoom(boxes)) {
    context.strokeText(text, right, bottom);
    context.fillText(text, right, bottom);
  }
}

/** A number in the writing order, and whether it stands out. */
export interface Badge {
  readonly stroke: Stroke;
  readonly order: number;
  readonly selected: boolean;
}

// Short strokes get a small number, so that a line of little letters stays legible.
const sizeOf = (view: View, { stroke, selected }: Badge): number =>
  selected || measurePath(stroke.path).length * view.zoom > SHORT ? 14 : 11;
const radiusOf = (size: number, order: number): number => size * (order > 99 ? 0.85 : 0.68);

/**
 * The order numbers, each at the first point of its stroke, making way for one another and for those that stand already. Answers
 * where they stand.
 */
export function drawBadges(
  context: Context,
  view: View,
  all: readonly Badge[],
  around: readonly Taken[] = [],
): readonly Taken[] {
  const places = numberPlaces(
    all.map((one) => {
      const m = measurePath(one.stroke.path);
      const size = sizeOf(view, one);
      return {
        first: toScreen(view, one.stroke.path.points[0]!),
        way: m.length > 0 ? tangentAtLength(m, 0) : { x: 1, y: 0 },
        radius: radiusOf(size, one.order),
        away: size * 1.2,
      };
    }),
    around,
  );
  all.forEach((one, i) => {
    const { order, selected } = one;
    const p = places[i]!.at;
    const size = sizeOf(view, one);
    const edge = selected ? OVERLAY.head : 'rgba(237, 230, 216, 0.5)';
    drawDot(context, p, radiusOf(size, order), 'rgba(21, 18, 14, 0.78)', edge);
    context.font = `italic ${size}px "Instrument Serif", serif`;
    context.textAlign = 'center';
    context.textBaseline = 'middle';
    context.fillStyle = selected ? OVERLAY.head : OVERLAY.vellum;
    context.fillText(String(order), p.x - 0.5, p.y + 0.5);
  });
  return places;
}

/** A great many chosen strokes: their paths alone, in one go. */
export function drawCrowd(context: Context, view: View, strokes: readonly Stroke[]): void {
  context.save();
  context.transform(view.zoom, 0, 0, view.zoom, view.x, view.y);
  context.beginPath();
  for (const { path } of strokes) tracePath(context, wholePath(path));
  context.restore();
  context.lineWidth = 1;
  context.strokeStyle = OVERLAY.head;
  context.stroke();
}

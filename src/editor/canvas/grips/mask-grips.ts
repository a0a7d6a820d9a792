import {
  partWithId,
  pathAt,
  changeMask,
  withValueAt,
  type Mask,
  type MaskShape,
  type Part,
} from '@/core/document';
import {
  applyMatrix,
  ellipseShape,
  IDENTITY,
  measurePath,
  pointAtLength,
  rectangleShape,
  type Path,
  type Point,
} from '@/core/geometry';
import { valueAt, type Animated } from '@/core/timing';
import { editFromBase, useMaskInHand, type EditorState } from '../../state';
import { toOwn, worldNow } from '../standing';
import { NO_GRIPS, type Grip, type Grips } from './grip';

/** Places on an outline that its line is drawn through. */
const PLACES = 96;

const lineOf = (path: Path): Point[] => {
  const m = measurePath(path);
  return Array.from({ length: PLACES + 1 }, (_, i) => pointAtLength(m, (m.length * i) / PLACES));
};

/** The mask that is worked on, and what bears it. */
export function maskInHand(
  state: Pick<EditorState, 'piece'>,
): { part: Part; mask: Mask; index: number } | null {
  const inHand = useMaskInHand.getState();
  const part = inHand.of === null ? undefined : partWithId(state.piece, inHand.of);
  const mask = part?.masks?.[inHand.index];
  return part && mask ? { part, mask, index: inHand.index } : null;
}

const words = (p: Point): string => `${Math.round(p.x)}, ${Math.round(p.y)} px`;

/** What a mask is shaped by on the canvas. */
export function maskGrips(state: EditorState): Grips {
  const inHand = state.step === 'reveal' && state.tool === 'select' ? maskInHand(state) : null;
  if (!inHand) return NO_GRIPS;
  const { part, mask, index } = inHand;
  const frame = Math.round(state.frame);
  const inPicture = mask.stands === 'picture';
  const world = inPicture ? IDENTITY : worldNow(part);
  const own = (p: Point): Point => (inPicture ? p : toOwn(part, p));
  const now = (value: Animated): number => valueAt(value, frame);
  const [dx, dy] = [now(mask.x), now(mask.y)];
  const shown = (p: Point): Point => applyMatrix(world, { x: p.x + dx, y: p.y + dy });
  const put = (change: (mask: Mask) => Mask) =>
    editFromBase((piece) => changeMask(piece, part.id, index, change));
  const putShape = (change: (shape: MaskShape) => MaskShape) =>
    put((one) => ({ ...one, shape: change(one.shape) }));
  /** A grip at a place of the mask that is told where it is dragged to, in the mask's own coordinates. */
  const grip = (at: Point, shape: Grip['shape'], drag: (to: Point, shift: boolean) => void): Grip => ({
    at: shown(at),
    shape,
    cursor: 'move',
    take: (from) => {
      const begun = own(from.point);
      return (to) => {
        const here = own(to.point);
        const p = { x: at.x + here.x - begun.x, y: at.y + here.y - begun.y };
        drag(p, to.shift);
        return words(p);
      };
    },
  });
  const keyed = (value: Animated, to: number): Animated => withValueAt(value, frame, to);
  /** All of the mask, moved. */
  const whole = (at: Point): Grip =>
    grip(at, 'cross', (to) =>
      put((one) => ({ ...one, x: keyed(one.x, dx + to.x - at.x), y: keyed(one.y, dy + to.y - at.y) })),
    );
  const { shape } = mask;
  switch (shape.kind) {
    case 'rectangle': {
      const [x, y, w, h] = [now(shape.x), now(shape.y), now(shape.width), now(shape.height)];
      const line = lineOf(rectangleShape({ x, y }, { x: x + w, y: y + h }, now(shape.radius)));
      const corners = [
        [0, 0],
        [1, 0],
        [1, 1],
        [0, 1],
      ] as const;
      return {
        lines: [line.map(shown)],
        grips: [
          whole({ x: x + w / 2, y: y + h / 2 }),
          ...corners.map(([i, j]) =>
            grip({ x: x + w * i, y: y + h * j }, 'square', (to) => {
              const [left, right] = i === 0 ? [to.x, x + w] : [x, to.x];
              const [top, bottom] = j === 0 ? [to.y, y + h] : [y, to.y];
              putShape((s) =>
                s.kind === 'rectangle'
                  ? {
                      ...s,
                      x: keyed(s.x, Math.min(left, right)),
                      y: keyed(s.y, Math.min(top, bottom)),
                      width: keyed(s.width, Math.abs(right - left)),
                      height: keyed(s.height, Math.abs(bottom - top)),
                    }
                  : s,
              );
            }),
          ),
        ],
      };
    }
    case 'ellipse': {
      const [x, y, rx, ry] = [now(shape.x), now(shape.y), now(shape.radiusX), now(shape.radiusY)];
      const line = lineOf(ellipseShape({ x: x - rx, y: y - ry }, { x: x + rx, y: y + ry }));
      const radius = (side: 'radiusX' | 'radiusY', to: number) =>
        putShape((s) => (s.kind === 'ellipse' ? { ...s, [side]: keyed(s[side], Math.max(0, to)) } : s));
      return {
        lines: [line.map(shown)],
        grips: [
          whole({ x, y }),
          grip({ x: x + rx, y }, 'dot', (to) => radius('radiusX', to.x - x)),
          grip({ x, y: y - ry }, 'dot', (to) => radius('radiusY', y - to.y)),
        ],
      };
    }
    case 'path': {
      const path = pathAt(shape.path, frame);
      const setPath = (next: Path) =>
        putShape((s) => (s.kind === 'path' ? { ...s, path: withValueAt(s.path, frame, next) } : s));
      const changed = (i: number, change: Partial<Path['points'][number]>) =>
        setPath({ ...path, points: path.points.map((p, k) => (k === i ? { ...p, ...change } : p)) });
      const middle = lineOf({ ...path, closed: true }).slice(1);
      const centre = {
        x: middle.reduce((sum, p) => sum + p.x, 0) / middle.length,
        y: middle.reduce((sum, p) => sum + p.y, 0) / middle.length,
      };
      return {
        lines: [
          lineOf({ ...path, closed: true }).map(shown),
          ...path.points.flatMap((p) =>
            (['in', 'out'] as const).flatMap((side) =>
              p[side].x === 0 && p[side].y === 0
                ? []
                : [[shown(p), shown({ x: p.x + p[side].x, y: p.y + p[side].y })]],
            ),
          ),
        ],
        grips: [
          ...path.points.map((p, i) => grip(p, 'square', (to) => changed(i, { x: to.x, y: to.y }))),
          ...path.points.flatMap((p, i) =>
            (['in', 'out'] as const).flatMap((side) =>
              p[side].x === 0 && p[side].y === 0
                ? []
                : [
                    grip({ x: p.x + p[side].x, y: p.y + p[side].y }, 'dot', (to) =>
                      changed(i, { [side]: { x: to.x - p.x, y: to.y - p.y } }),
                    ),
                  ],
            ),
          ),
          whole(centre),
        ],
      };
    }
    case 'linear wipe':
      return {
        lines: [[shown(shape.from), shown(shape.to)]],
        grips: (['from', 'to'] as const).map((end) =>
          grip(shape[end], end === 'from' ? 'square' : 'turn', (to) =>
            putShape((s) => (s.kind === 'linear wipe' ? { ...s, [end]: to } : s)),
          ),
        ),
      };
    case 'radial wipe':
    case 'clock wipe': {
      const { centre } = shape;
      const reach = now(shape.reach);
      const angle = shape.kind === 'clock wipe' ? now(shape.angle) : 0;
      const rim = { x: centre.x + reach * Math.cos(angle), y: centre.y + reach * Math.sin(angle) };
      const line = lineOf(
        ellipseShape(
          { x: centre.x - reach, y: centre.y - reach },
          { x: centre.x + reach, y: centre.y + reach },
        ),
      );
      return {
        lines: [line.map(shown), [shown(centre), shown(rim)]],
        grips: [
          grip(rim, 'turn', (to) => {
            const [x, y] = [to.x - centre.x, to.y - centre.y];
            putShape((s) => {
              if (s.kind === 'radial wipe') return { ...s, reach: keyed(s.reach, Math.hypot(x, y)) };
              if (s.kind !== 'clock wipe') return s;
              return {
                ...s,
                reach: keyed(s.reach, Math.hypot(x, y)),
                angle: keyed(s.angle, Math.atan2(y, x)),
              };
            });
          }),
          grip(centre, 'cross', (to) =>
            putShape((s) => (s.kind === 'radial wipe' || s.kind === 'clock wipe' ? { ...s, centre: to } : s)),
          ),
        ],
      };
    }
  }
}

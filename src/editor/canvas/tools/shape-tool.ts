import { addLayers, changed, newStroke, strokesOf } from '@/core/document';
import {
  add,
  arcShape,
  distance,
  ellipseShape,
  lineShape,
  loopsShape,
  measurePath,
  polygonShape,
  rectangleShape,
  reversePath,
  spiralShape,
  starShape,
  subtract,
  type Path,
  type Point,
} from '@/core/geometry';
import type { Snapped } from '@/core/snap';
import { edit, newId, select, inkForNew, useEditor, useTools, type ShapeKind } from '../../state';
import { snapped, snapTargets } from '../snapping';
import { useView } from '../view';
import { to45, type CanvasTool, type PointerInput } from './tool';

const NAMES: Record<ShapeKind, string> = {
  line: 'Line',
  rectangle: 'Rectangle',
  ellipse: 'Ellipse',
  arc: 'Arc',
  polygon: 'Polygon',
  star: 'Star',
  spiral: 'Spiral',
  loops: 'Loops',
};

/** The far corner that makes a box square. */
function squared(from: Point, to: Point): Point {
  const side = Math.max(Math.abs(to.x - from.x), Math.abs(to.y - from.y));
  return {
    x: from.x + Math.sign(to.x - from.x || 1) * side,
    y: from.y + Math.sign(to.y - from.y || 1) * side,
  };
}

/** The stroke a drag makes. With Shift lines run in steps of 45°, boxes are square. */
function shapeOf(from: Point, to: Point, isShift: boolean): Path {
  const s = useTools.getState();
  const straight = isShift ? add(from, to45(subtract(to, from))) : to;
  const box = isShift ? squared(from, to) : to;
  const radius = distance(from, straight);
  const angle = Math.atan2(straight.y - from.y, straight.x - from.x);
  switch (s.shape) {
    case 'line':
      return lineShape(from, straight);
    case 'arc':
      return arcShape(from, straight, s.clockwise ? s.depth : -s.depth);
    case 'loops':
      return loopsShape(from, straight, s.turns, s.depth);
    case 'rectangle': {
      const path = rectangleShape(from, box, s.radius);
      return s.clockwise ? path : reversePath(path);
    }
    case 'ellipse':
      return ellipseShape(from, box, ((s.begin - 90) * Math.PI) / 180, s.clockwise);
    case 'polygon':
      return polygonShape(from, radius, s.sides, angle);
    case 'star':
      return starShape(from, radius, s.sides, s.depth, angle);
    case 'spiral':
      return spiralShape(from, radius, s.turns, angle, s.clockwise);
  }
}

const ROUND_CENTRE = new Set<ShapeKind>(['polygon', 'star', 'spiral']);

/** Drags out lines, boxes, rings and ornaments; all of them are ordinary strokes then. */
export function shapeTool(): CanvasTool {
  let from: Point | null = null;
  let drawn: Path | null = null;
  let at: Point | null = null;
  let found: Snapped | null = null;
  const aim = (input: PointerInput): Point => {
    const result = snapped(input.point, snapTargets({}));
    found = input.shift && from ? null : result.snap;
    return input.shift && from ? input.point : result.point;
  };
  return {
    down(input) {
      from = aim(input);
    },
    move(input, pressed) {
      at = aim(input);
      if (pressed && from) drawn = shapeOf(from, at, input.shift);
    },
    up() {
      const path = drawn;
      from = drawn = null;
      if (!path || measurePath(path).length * useView.getState().zoom < 4) return;
      const state = useEditor.getState();
      const { shape } = useTools.getState();
      const ink = changed(inkForNew(state), { widths: undefined });
      const id = newId();
      const count = strokesOf(state.piece).filter((s) => s.name.startsWith(NAMES[shape])).length;
      edit((p) => addLayers(p, [newStroke(id, `${NAMES[shape]} ${count + 1}`, path, ink)]));
      select({ layers: [id] });
    },
    cancel() {
      from = drawn = null;
    },
    marks() {
      const says = () => {
        if (!from || !at) return found?.says ?? '';
        const { shape } = useTools.getState();
        const d = subtract(at, from);
        const number = (n: number) => String(Math.round(n * 10) / 10);
        if (shape === 'rectangle' || shape === 'ellipse')
          return `${number(Math.abs(d.x))} × ${number(Math.abs(d.y))} px`;
        const degrees = number((Math.atan2(-d.y, d.x) * 180) / Math.PI);
        return `${number(Math.hypot(d.x, d.y))} px · ${degrees}°${ROUND_CENTRE.has(shape) ? ' · radius' : ''}`;
      };
      const words = says();
      return {
        ...(drawn && { preview: drawn }),
        ...(at && words && { says: { at, text: found && from ? `${words} · ${found.says}` : words } }),
        ...(found && { hairlines: found.hairlines }),
      };
    },
    cursor: () => 'crosshair',
  };
}

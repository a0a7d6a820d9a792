import {
  asWholes,
  layersOf,
  membersOf,
  movePivot,
  ownBox,
  partWithId,
  placementMatrix,
  placementOf,
  setPlace,
  worldOf,
  type Part,
} from '@/core/document';
import {
  applyMatrix,
  compose,
  inverse,
  subtract,
  type Bounds,
  type Matrix,
  type Point,
} from '@/core/geometry';
import { clamp } from '@/core/numbers';
import { valueAt } from '@/core/timing';
import { editFromBase, useEditor, type EditorState } from '../../state';
import type { PointerInput } from '../tools/tool';
import { movingBox, snappedWay, type MovingBox } from '../snapping';
import { NO_GRIPS, type Grip, type Grips } from './grip';

/** The one layer or group that is placed by hand; null where none or more are chosen. */
export function placeTarget({ piece, selection }: Pick<EditorState, 'piece' | 'selection'>): Part | null {
  const [id, ...more] = asWholes(piece, selection.layers);
  return id !== undefined && more.length === 0 ? (partWithId(piece, id) ?? null) : null;
}

const isLocked = (part: Part): boolean => {
  const { piece } = useEditor.getState();
  return 'type' in part ? part.locked : membersOf(piece, part.id).every((layer) => layer.locked);
};

/** How far above its box what is turned by is, as a share of the box's height. */
const ABOVE = 0.5;
const STEP = Math.PI / 12;
const degrees = (angle: number): string => `${Math.round((angle * 1800) / Math.PI) / 10}°`;
const share = (factor: number): string => `${Math.round(factor * 1000) / 10} %`;

interface Frame {
  readonly id: string;
  readonly frame: number;
  /** From the coordinates its placement is told in to the picture's. */
  readonly outer: Matrix;
  readonly world: Matrix;
  readonly pivot: Point;
  readonly box: Bounds;
}

function frameOf(state: EditorState, part: Part): Frame | null {
  const { piece } = state;
  const frame = Math.round(state.frame);
  const box = ownBox(piece, part.id, frame);
  const place = placementOf(piece, part.id, frame);
  const world = worldOf(piece, part, frame);
  const back = inverse(placementMatrix(place, frame));
  if (!box || !back) return null;
  const pivot = { x: valueAt(place.pivotX, frame), y: valueAt(place.pivotY, frame) };
  return { id: part.id, frame, outer: compose(world, back), world, pivot, box };
}

/** A place in the picture in the coordinates a placement is told in. */
const toOuter = ({ outer }: Frame, p: Point): Point => {
  const back = inverse(outer);
  return back ? applyMatrix(back, p) : p;
};

const numbersNow = (of: Frame) => {
  const { base, piece } = useEditor.getState();
  const place = placementOf(base?.piece ?? piece, of.id, of.frame);
  const at = (part: 'x' | 'y' | 'scaleX' | 'scaleY' | 'rotation' | 'skewX' | 'skewY') =>
    valueAt(place[part], of.frame);
  return { at, pivot: { x: valueAt(place.pivotX, of.frame), y: valueAt(place.pivotY, of.frame) } };
};

/** Moves what is placed, drawn to what its box comes to lie in line with; what is chosen in the Place step is moved so as well. */
export function movePlace(state: EditorState, part: Part): Grip['take'] {
  return (from) => {
    const of = frameOf(state, part);
    if (!of) return () => '';
    const { at } = numbersNow(of);
    const [x, y] = [at('x'), at('y')];
    let moving: MovingBox | null | undefined;
    return (to) => {
      moving ??= movingBox(layersOf(state.piece, part.id));
      const raw = subtract(to.point, from.point);
      // Alt, held when the drag has begun, leaves it where the pointer is.
      const { way, snap } = to.shift || to.alt ? { way: raw, snap: null } : snappedWay(moving, raw);
      const own = subtract(
        toOuter(of, { x: from.point.x + way.x, y: from.point.y + way.y }),
        toOuter(of, from.point),
      );
      const by = to.shift ? (Math.abs(own.x) > Math.abs(own.y) ? { ...own, y: 0 } : { ...own, x: 0 }) : own;
      editFromBase((piece) => setPlace(piece, of.id, of.frame, { x: x + by.x, y: y + by.y }));
      const says = `${Math.round(by.x * 10) / 10}, ${Math.round(by.y * 10) / 10} px`;
      return snap ? { says: `${says} · ${snap.says}`, snap } : says;
    };
  };
}

function turnPlace(of: Frame): Grip['take'] {
  return (from) => {
    const { at, pivot } = numbersNow(of);
    const middle = { x: pivot.x + at('x'), y: pivot.y + at('y') };
    const angleOf = (p: PointerInput): number => {
      const q = toOuter(of, p.point);
      return Math.atan2(q.y - middle.y, q.x - middle.x);
    };
    const [begun, rotation] = [angleOf(from), at('rotation')];
    let [last, turned] = [begun, 0];
    return (to) => {
      // Followed all the way round, so that it can be turned more than once.
      const now = angleOf(to);
      let step = now - last;
      if (step > Math.PI) step -= 2 * Math.PI;
      if (step < -Math.PI) step += 2 * Math.PI;
      [last, turned] = [now, turned + step];
      const angle = to.shift ? Math.round((rotation + turned) / STEP) * STEP : rotation + turned;
      editFromBase((piece) => setPlace(piece, of.id, of.frame, { rotation: angle }));
      return degrees(angle);
    };
  };
}

/** Scales about the pivot; a side scales across it alone, and slants with Alt. */
function sizePlace(of: Frame, grip: Point, axes: 'both' | 'x' | 'y'): Grip['take'] {
  return (from) => {
    const { at, pivot } = numbersNow(of);
    const middle = { x: pivot.x + at('x'), y: pivot.y + at('y') };
    const [cos, sin] = [Math.cos(-at('rotation')), Math.sin(-at('rotation'))];
    const straight = (p: Point): Point => {
      const q = toOuter(of, p);
      const [x, y] = [q.x - middle.x, q.y - middle.y];
      return { x: x * cos - y * sin, y: x * sin + y * cos };
    };
    const a = straight(grip);
    const off = subtract(a, straight(from.point));
    const [scaleX, scaleY, skewX, skewY] = [at('scaleX'), at('scaleY'), at('skewX'), at('skewY')];
    return (to) => {
      const raw = straight(to.point);
      const b = { x: raw.x + off.x, y: raw.y + off.y };
      if (axes !== 'both' && to.alt) {
        const across = axes === 'x' ? a.x : a.y;
        const by = axes === 'x' ? b.y - a.y : b.x - a.x;
        const angle = Math.atan(Math.tan(axes === 'x' ? skewY : skewX) + (across === 0 ? 0 : by / across));
        const skew = clamp(angle, -1.5, 1.5);
        editFromBase((piece) =>
          setPlace(piece, of.id, of.frame, axes === 'x' ? { skewY: skew } : { skewX: skew }),
        );
        return `slant ${degrees(skew)}`;
      }
      const along = (v: Point, w: Point): number => {
        const size = v.x * v.x + v.y * v.y;
        return size === 0 ? 1 : (v.x * w.x + v.y * w.y) / size;
      };
      const k = axes === 'both' ? along(a, b) : axes === 'x' ? (a.x ? b.x / a.x : 1) : a.y ? b.y / a.y : 1;
      const factor = Math.abs(k) < 0.001 ? 0.001 : k;
      editFromBase((piece) =>
        setPlace(piece, of.id, of.frame, {
          ...(axes !== 'y' && { scaleX: scaleX * factor }),
          ...(axes !== 'x' && { scaleY: scaleY * factor }),
        }),
      );
      return share(axes === 'y' ? scaleY * factor : scaleX * factor);
    };
  };
}

/** The pivot is moved with Alt; what is taken by its middle without it is moved as a whole. */
function pivotPlace(of: Frame, move: Grip['take']): Grip['take'] {
  return (from) => {
    if (!from.alt) return move(from);
    const back = inverse(of.world);
    return (to) => {
      if (!back) return '';
      const own = applyMatrix(back, to.point);
      const { left, right, top, bottom } = of.box;
      // The pivot is drawn to corners, sides and the middle of the box.
      const near = (v: number, places: readonly number[]): number => {
        const reach = Math.max(right - left, bottom - top) * 0.03;
        return places.find((place) => Math.abs(place - v) < reach) ?? v;
      };
      const at = to.shift
        ? own
        : {
            x: near(own.x, [left, (left + right) / 2, right]),
            y: near(own.y, [top, (top + bottom) / 2, bottom]),
          };
      editFromBase((piece) => movePivot(piece, of.id, of.frame, at));
      return `pivot ${Math.round(at.x)}, ${Math.round(at.y)} px`;
    };
  };
}

/** The box of what is placed by hand, with what it is sized, turned and slanted by. */
export function placeGrips(state: EditorState): Grips {
  const part = state.step === 'place' && state.tool === 'select' ? placeTarget(state) : null;
  const of = part && frameOf(state, part);
  if (!part || !of) return NO_GRIPS;
  const { left, right, top, bottom } = of.box;
  const [cx, cy] = [(left + right) / 2, (top + bottom) / 2];
  const at = (x: number, y: number): Point => applyMatrix(of.world, { x, y });
  const corners = [at(left, top), at(right, top), at(right, bottom), at(left, bottom)];
  const lines = [[...corners, corners[0]!]];
  if (isLocked(part)) return { lines, grips: [] };
  const above = Math.max(bottom - top, (right - left) / 3) * ABOVE;
  const turn = at(cx, top - above);
  const cornerGrips = corners.map((grip): Grip => ({
    at: grip,
    shape: 'square',
    cursor: 'nwse-resize',
    take: sizePlace(of, grip, 'both'),
  }));
  const sides = [
    [at(right, cy), 'x'],
    [at(left, cy), 'x'],
    [at(cx, top), 'y'],
    [at(cx, bottom), 'y'],
  ] as const;
  return {
    lines: [...lines, [at(cx, top), turn]],
    grips: [
      {
        at: at(of.pivot.x, of.pivot.y),
        shape: 'cross',
        cursor: 'move',
        take: pivotPlace(of, movePlace(state, part)),
      },
      { at: turn, shape: 'turn', cursor: 'grab', take: turnPlace(of) },
      ...cornerGrips,
      ...sides.map(([grip, axes]): Grip => ({
        at: grip,
        shape: 'dot',
        cursor: axes === 'x' ? 'ew-resize' : 'ns-resize',
        take: sizePlace(of, grip, axes),
      })),
    ],
  };
}

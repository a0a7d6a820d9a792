// Longer than most files: what a press takes hold of is decided in one order, from the smallest thing under it to the largest,
// and what is held decides what every later move does.
import {
  duplicateLayers,
  kindOf,
  moveHandle,
  movePoints,
  moveLayers,
  toCorner,
  toSmooth,
  strokeById,
  scaleLayers,
  updateUnderlay,
  withPath,
  type Layer,
  type Piece,
  type Underlay,
} from '@/core/document';
import type { Snapped } from '@/core/snap';
import { insertPoint, add, distance, subtract, type Path, type Point } from '@/core/geometry';
import { clamp } from '@/core/numbers';
import {
  changeable,
  edit,
  editFromBase,
  newId,
  select,
  selectUnderlay,
  singleStroke,
  useEditor,
} from '../../state';
import { cornersOf, framed, underlayBounds } from '../frames';
import { letterPress } from './letter-press';
import { handleAt, placeOn, pointAt, layerAt, REACH, type HandleHit } from '../hit';
import { gripsOf, movePlace, placeTarget, type Grip, type Told } from '../grips';
import { movingBox, snapped, snappedWay, snapTargets, type MovingBox } from '../snapping';
import { boundsNow, standing, toOwn, wayToOwn } from '../standing';
import { shownHandles } from '../overlay-strokes';
import type { ToolMarks } from './tool-marks';
import { toScreen, useView } from '../view';
import { to45, type CanvasTool, type PointerInput } from './tool';

/** Copies that are dragged away from what they were made of: the piece with them, and their ids. */
type Copies = ReturnType<typeof duplicateLayers>;

type Drag =
  | { kind: 'size'; id: string; from: Point; opposite: Point }
  | { kind: 'underlay'; id: string; from: Point }
  | { kind: 'points'; from: Point; held: Point; path: Path }
  | { kind: 'layers'; from: Point; moving: MovingBox | null | undefined; copies: Copies | null }
  | { kind: 'handle'; hit: HandleHit }
  | { kind: 'grip'; cursor: string; to: (input: PointerInput) => Told }
  | { kind: 'box'; from: Point; to: Point; add: boolean };

const inside = (p: Point, a: Point, b: Point): boolean =>
  p.x >= Math.min(a.x, b.x) &&
  p.x <= Math.max(a.x, b.x) &&
  p.y >= Math.min(a.y, b.y) &&
  p.y <= Math.max(a.y, b.y);

/** The topmost underlay at a place that may be moved. */
function underlayAt(p: Point): Underlay | null {
  const { underlays } = useEditor.getState().piece;
  const holds = (u: Underlay) => {
    const b = underlayBounds(u);
    return p.x >= b.left && p.x <= b.right && p.y >= b.top && p.y <= b.bottom;
  };
  return [...underlays].reverse().find((u) => !u.hidden && !u.locked && holds(u)) ?? null;
}

/** A layer or an underlay scaled about a place. */
function sized(piece: Piece, id: string, factor: number, about: Point): Piece {
  const underlay = piece.underlays.find((u) => u.id === id);
  if (!underlay) return scaleLayers(piece, [id], factor, about);
  return updateUnderlay(piece, id, {
    scale: underlay.scale * factor,
    x: about.x + (underlay.x - about.x) * factor,
    y: about.y + (underlay.y - about.y) * factor,
  });
}

/** Whether a box takes hold of a layer: of a stroke by one of its points, of art by all of it. */
function touches(layer: Layer, a: Point, b: Point): boolean {
  const path = kindOf(layer).path(layer);
  if (path) return path.points.some((p) => inside(p, a, b));
  const bounds = boundsNow(layer);
  return (
    bounds !== null &&
    inside({ x: bounds.left, y: bounds.top }, a, b) &&
    inside({ x: bounds.right, y: bounds.bottom }, a, b)
  );
}

/** The way of each layer that moves it by the same way in the picture, however it stands there. */
const wayFor =
  (by: Point) =>
  (layer: Layer): Point =>
    kindOf(layer).movesByPlacement ? by : wayToOwn(layer, by);

const whole = (n: number): string => String(Math.round(n * 10) / 10);

/**
 * Selects and moves strokes, points and handles; double-click puts a point on the path, Alt-click turns a
 * corner smooth and back, Alt breaks handles apart.
 */
export function selectTool(): CanvasTool {
  let drag: Drag | null = null;
  let says: ToolMarks['says'];
  let hover = 'default';
  let found: Snapped | null = null;
  const letters = letterPress();
  const state = useEditor.getState;
  const view = useView.getState;

  const toggleKind = (path: Path, index: number): Path =>
    (path.points[index]!.kind === 'smooth' ? toCorner : toSmooth)(path, [index]);

  /** A corner of the frame round art, lettering or an underlay sizes it. */
  function downOnFrame(input: PointerInput): boolean {
    const box = framed(state());
    if (!box || box.locked) return false;
    const corner = cornersOf(box.bounds).find(
      ({ at }) => distance(toScreen(view(), at), input.screen) <= REACH,
    );
    if (!corner) return false;
    drag = { kind: 'size', id: box.id, from: corner.at, opposite: corner.opposite };
    return true;
  }

  /** The topmost grip under the pointer. */
  const gripAt = (input: PointerInput): Grip | null =>
    gripsOf(state()).grips.find(({ at }) => distance(toScreen(view(), at), input.screen) <= REACH) ?? null;

  function downOnGrip(input: PointerInput): boolean {
    const grip = gripAt(input);
    if (!grip) return false;
    drag = { kind: 'grip', cursor: grip.cursor, to: grip.take(input) };
    return true;
  }

  function downOnSingle(input: PointerInput): boolean {
    const stroke = singleStroke(state());
    if (!stroke || stroke.locked || stroke.hidden) return false;
    const shown = standing(stroke).path;
    const hit = handleAt(shown, shownHandles(stroke, state()), input.screen, view());
    const index = pointAt(shown, input.screen, view());
    if (hit && index === null) {
      drag = { kind: 'handle', hit };
      return true;
    }
    if (index !== null) {
      const { points } = state().selection;
      if (input.alt) {
        edit((piece) => withPath(piece, stroke.id, toggleKind(stroke.path, index)));
        select({ layers: [stroke.id], points: [index] });
        return true;
      }
      const chosen = input.shift
        ? points.includes(index)
          ? points.filter((i) => i !== index)
          : [...points, index]
        : points.includes(index)
          ? points
          : [index];
      select({ layers: [stroke.id], points: chosen });
      const held = stroke.path.points[index]!;
      drag = {
        kind: 'points',
        from: toOwn(stroke, input.point),
        held: { x: held.x, y: held.y },
        path: stroke.path,
      };
      return true;
    }
    const place = input.double ? placeOn(shown, input.screen, view()) : null;
    if (place) {
      edit((piece) => withPath(piece, stroke.id, insertPoint(stroke.path, place)));
      select({ layers: [stroke.id], points: [place.segment + 1] });
      return true;
    }
    return false;
  }

  return {
    down(input) {
      found = null;
      if (downOnGrip(input) || letters(input) || downOnFrame(input) || downOnSingle(input)) return;
      const { piece, selection } = state();
      const layer = layerAt(piece, input.screen, view());
      const under = state().step === 'underlay' && !layer ? underlayAt(input.point) : null;
      if (under) {
        selectUnderlay(under.id);
        drag = { kind: 'underlay', id: under.id, from: input.point };
        return;
      }
      if (!layer) {
        drag = { kind: 'box', from: input.point, to: input.point, add: input.shift };
        return;
      }
      const chosen = selection.layers.includes(layer.id);
      if (input.shift) {
        select({
          layers: chosen ? selection.layers.filter((id) => id !== layer.id) : [...selection.layers, layer.id],
        });
        return;
      }
      if (!chosen) select({ layers: [layer.id] });
      if (changeable().length === 0) return;
      const target = state().step === 'place' && !input.alt ? placeTarget(state()) : null;
      const ids = changeable();
      drag = target
        ? { kind: 'grip', cursor: 'move', to: movePlace(state(), target)(input) }
        : {
            kind: 'layers',
            from: input.point,
            moving: undefined,
            copies: input.alt ? duplicateLayers(piece, ids, newId) : null,
          };
    },
    move(input, pressed) {
      if (!pressed || !drag) {
        const stroke = singleStroke(state());
        const shown = stroke && standing(stroke).path;
        const onPoint =
          stroke &&
          shown &&
          !stroke.locked &&
          (pointAt(shown, input.screen, view()) !== null ||
            handleAt(shown, shownHandles(stroke, state()), input.screen, view()));
        const grip = gripAt(input);
        if (grip) hover = grip.cursor;
        else hover = onPoint ? 'move' : layerAt(state().piece, input.screen, view()) ? 'pointer' : 'default';
        return;
      }
      if (drag.kind === 'box') {
        drag = { ...drag, to: input.point };
        return;
      }
      if (drag.kind === 'grip') {
        const told = drag.to(input);
        found = typeof told === 'string' ? null : told.snap;
        says = { at: input.point, text: typeof told === 'string' ? told : told.says };
        return;
      }
      if (drag.kind === 'size') {
        const { id, from, opposite } = drag;
        const [a, b] = [subtract(from, opposite), subtract(input.point, opposite)];
        const factor = clamp((a.x * b.x + a.y * b.y) / (a.x * a.x + a.y * a.y), 0.01, 100);
        editFromBase((piece) => sized(piece, id, factor, opposite));
        says = { at: input.point, text: `${whole(factor * 100)} %` };
        return;
      }
      if (drag.kind === 'underlay') {
        const { id, from } = drag;
        const raw = subtract(input.point, from);
        const by = input.shift ? to45(raw) : raw;
        editFromBase((piece) => {
          const base = piece.underlays.find((u) => u.id === id)!;
          return updateUnderlay(piece, id, { x: base.x + by.x, y: base.y + by.y });
        });
        says = { at: input.point, text: `${whole(by.x)}, ${whole(by.y)} px` };
        return;
      }
      const stroke = singleStroke(state());
      if (drag.kind === 'handle') {
        const { hit } = drag;
        if (!stroke) return;
        const p = stroke.path.points[hit.index]!;
        const raw = subtract(toOwn(stroke, input.point), p);
        const to = input.shift ? to45(raw) : raw;
        editFromBase((piece) => {
          const base = strokeById(piece, stroke.id)!;
          return withPath(piece, stroke.id, moveHandle(base.path, hit.index, hit.side, to, input.alt));
        });
        const degrees = (Math.atan2(-to.y, to.x) * 180) / Math.PI;
        says = { at: input.point, text: `${whole(Math.hypot(to.x, to.y))} px · ${whole(degrees)}°` };
        return;
      }
      const ofPoints = drag.kind === 'points' && stroke ? stroke : null;
      let raw = subtract(ofPoints ? toOwn(ofPoints, input.point) : input.point, drag.from);
      found = null;
      if (drag.kind === 'points' && stroke && standing(stroke) === stroke && !input.shift && !input.alt) {
        // The point that was taken hold of is drawn to what lies near; the others come along.
        const base = add(drag.held, raw);
        const targets = snapTargets({
          strokes: [stroke.id],
          path: drag.path,
          points: state().selection.points,
        });
        const result = snapped(base, targets);
        found = result.snap;
        raw = subtract(result.point, drag.held);
      }
      // Looked for with the first move: a press alone moves nothing, and there may be many layers.
      if (drag.kind === 'layers' && drag.moving === undefined) drag.moving = movingBox(changeable());
      if (drag.kind === 'layers' && !input.shift && (drag.copies || !input.alt)) {
        const result = snappedWay(drag.moving ?? null, raw);
        found = result.snap;
        raw = result.way;
      }
      const by = input.shift ? to45(raw) : raw;
      if (drag.kind === 'layers' && drag.copies) {
        const { piece: copied, ids } = drag.copies;
        // A press that hardly moves is no wish for a copy.
        if (Math.hypot(by.x, by.y) * view().zoom < 3) return;
        editFromBase(() => moveLayers(copied, ids, wayFor(by)));
        select({ layers: ids });
      } else if (drag.kind === 'points' && stroke) {
        const { points } = state().selection;
        editFromBase((piece) => {
          const base = strokeById(piece, stroke.id)!;
          return withPath(piece, stroke.id, movePoints(base.path, by, points));
        });
      } else {
        const ids = changeable();
        editFromBase((piece) => moveLayers(piece, ids, wayFor(by)));
      }
      says = { at: input.point, text: `${whole(by.x)}, ${whole(by.y)} px${found ? ` · ${found.says}` : ''}` };
    },
    up(input) {
      const ended = drag;
      drag = null;
      says = undefined;
      found = null;
      if (!ended) return;
      if (ended.kind !== 'box') return;
      const { piece, selection } = state();
      const moved = Math.hypot(ended.to.x - ended.from.x, ended.to.y - ended.from.y) * view().zoom > 3;
      const stroke = singleStroke(state());
      if (!moved) {
        if (!input.shift) select({});
        return;
      }
      const points = stroke
        ? stroke.path.points.flatMap((p, i) => (inside(p, ended.from, ended.to) ? [i] : []))
        : [];
      if (stroke && points.length > 0) {
        const both = ended.add ? [...new Set([...selection.points, ...points])] : points;
        select({ layers: [stroke.id], points: both });
        return;
      }
      const boxed = piece.layers
        .filter((layer) => !layer.hidden && !layer.locked && touches(layer, ended.from, ended.to))
        .map((layer) => layer.id);
      select({ layers: ended.add ? [...new Set([...selection.layers, ...boxed])] : boxed });
    },
    cancel() {
      drag = null;
      says = undefined;
      found = null;
    },
    marks: () => ({
      ...(drag?.kind === 'box' && { box: { from: drag.from, to: drag.to } }),
      ...(says && { says }),
      ...(found && drag && { hairlines: found.hairlines }),
    }),
    cursor: () => (drag?.kind === 'grip' ? drag.cursor : drag && drag.kind !== 'box' ? 'move' : hover),
  };
}

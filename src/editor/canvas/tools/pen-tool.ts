import {
  addLayers,
  extendPath,
  newStroke,
  strokeById,
  strokesOf,
  removePoints,
  removeLayers,
  updateStrokes,
  withClosed,
  withPath,
  type Stroke,
} from '@/core/document';
import {
  insertPoint,
  add,
  corner,
  distance,
  scale,
  subtract,
  type Path,
  type PathPoint,
  type Point,
} from '@/core/geometry';
import { edit, newId, select, inkForNew, singleStroke, useEditor } from '../../state';
import type { Snapped } from '@/core/snap';
import { placeOn, pointAt, REACH } from '../hit';
import { snapped, snapTargets } from '../snapping';
import { toScreen, useView } from '../view';
import { to45, type CanvasTool, type PointerInput } from './tool';

const state = useEditor.getState;

/** The stroke that is being drawn, if it is still there. */
function drawn(): { stroke: Stroke; at: 'start' | 'end' } | null {
  const { drawing, piece } = state();
  const stroke = drawing && strokeById(piece, drawing.stroke);
  return stroke ? { stroke, at: drawing.at } : null;
}

const openEnd = (path: Path, at: 'start' | 'end'): PathPoint =>
  at === 'end' ? path.points.at(-1)! : path.points[0]!;

/** A point whose handles pull both ways along a drag; `out` leads on in the direction of drawing. */
const pulled = (p: Point, out: Point): PathPoint =>
  Math.hypot(out.x, out.y) < 1e-9
    ? corner(p.x, p.y)
    : { x: p.x, y: p.y, in: scale(out, -1), out, kind: 'smooth' };

/** Ends the stroke under the pen. */
export const finishDrawing = (): void => useEditor.setState({ drawing: null });

/** Takes back the last point drawn; the first one takes the stroke with it. */
export function removeLastDrawn(): void {
  const now = drawn();
  if (!now) return;
  const index = now.at === 'end' ? now.stroke.path.points.length - 1 : 0;
  const rest = removePoints(now.stroke.path, [index]);
  if (rest) edit((piece) => withPath(piece, now.stroke.id, rest));
  else {
    edit((piece) => removeLayers(piece, [now.stroke.id]));
    useEditor.setState({ drawing: null });
    select({});
  }
}

/** Click for corners, drag for smooth points; click the first point to close, an end to go on, the path to add a point. */
export function penTool(): CanvasTool {
  let pulling: { id: string; index: number; at: 'start' | 'end'; closing: boolean } | null = null;
  let pointer: Point | null = null;
  let found: Snapped | null = null;
  const view = useView.getState;
  const near = (p: Point, screen: Point) => distance(toScreen(view(), p), screen) <= REACH;

  /** Where the pen would put a point: in steps of 45° from the last one with Shift. */
  function aimed(input: PointerInput): Point {
    const now = drawn();
    found = null;
    const from = now && openEnd(now.stroke.path, now.at);
    if (from && input.shift) return add(from, to45(subtract(input.point, from)));
    if (input.alt) return input.point;
    const targets = snapTargets(now ? { strokes: [now.stroke.id], path: now.stroke.path } : {});
    const result = snapped(input.point, targets, from ?? undefined);
    found = result.snap;
    return result.point;
  }

  function startNew(input: PointerInput): void {
    const { piece } = state();
    const id = newId();
    const at = aimed(input);
    const path: Path = { closed: false, points: [corner(at.x, at.y)] };
    const stroke = newStroke(id, `Stroke ${strokesOf(piece).length + 1}`, path, inkForNew());
    edit((p) => addLayers(p, [stroke]));
    select({ layers: [id] });
    useEditor.setState({ drawing: { stroke: id, at: 'end' } });
    pulling = { id, index: 0, at: 'end', closing: false };
  }

  /** With nothing under way: goes on from an end of the selected stroke, or works on its points. */
  function onSelected(input: PointerInput): boolean {
    const stroke = singleStroke(state());
    if (!stroke || stroke.locked || stroke.hidden) return false;
    const { path } = stroke;
    const index = pointAt(path, input.screen, view());
    if (index !== null && input.alt) {
      const rest = removePoints(path, [index]);
      edit((piece) => (rest ? withPath(piece, stroke.id, rest) : removeLayers(piece, [stroke.id])));
      select(rest ? { layers: [stroke.id] } : {});
      return true;
    }
    if (index !== null && !path.closed && (index === 0 || index === path.points.length - 1)) {
      useEditor.setState({
        drawing: { stroke: stroke.id, at: index === 0 && path.points.length > 1 ? 'start' : 'end' },
      });
      return true;
    }
    const place = index === null ? placeOn(path, input.screen, view()) : null;
    if (place) {
      edit((piece) => withPath(piece, stroke.id, insertPoint(path, place)));
      select({ layers: [stroke.id], points: [place.segment + 1] });
      return true;
    }
    if (index !== null) {
      select({ layers: [stroke.id], points: [index] });
      return true;
    }
    return false;
  }

  return {
    down(input) {
      const now = drawn();
      if (!now) {
        if (!onSelected(input)) startNew(input);
        return;
      }
      const { stroke, at } = now;
      const { path } = stroke;
      const other = openEnd(path, at === 'end' ? 'start' : 'end');
      if (path.points.length > 1 && near(other, input.screen)) {
        edit((piece) => withPath(piece, stroke.id, withClosed(path, true)));
        pulling = { id: stroke.id, index: at === 'end' ? 0 : path.points.length - 1, at, closing: true };
        return;
      }
      if (near(openEnd(path, at), input.screen)) {
        // A press on the last point draws nothing; a double one ends the stroke.
        if (input.double) finishDrawing();
        return;
      }
      const p = aimed(input);
      edit((piece) => withPath(piece, stroke.id, extendPath(path, corner(p.x, p.y), at)));
      pulling = { id: stroke.id, index: at === 'end' ? path.points.length : 0, at, closing: false };
    },
    move(input, pressed) {
      pointer = aimed(input);
      if (!pressed || !pulling) return;
      const { id, index, at, closing } = pulling;
      const stroke = strokeById(state().piece, id);
      const p = stroke?.path.points[index];
      if (!stroke || !p) return;
      const raw = subtract(input.point, p);
      if (Math.hypot(raw.x, raw.y) * view().zoom < 3) return;
      const pull = input.shift ? to45(raw) : raw;
      const out = at === 'end' ? pull : scale(pull, -1);
      edit((piece) =>
        updateStrokes(piece, [id], (s) => ({
          ...s,
          path: {
            ...s.path,
            points: s.path.points.map((old, i): PathPoint => {
              if (i !== index) return old;
              // Closing pulls only the handle of the curve just drawn, as far as the first point is a corner.
              if (closing && old.kind === 'corner') {
                return at === 'end' ? { ...old, in: scale(out, -1) } : { ...old, out };
              }
              return pulled(old, out);
            }),
          },
        })),
      );
    },
    up() {
      if (!pulling) return;
      const { closing } = pulling;
      pulling = null;
      if (closing) finishDrawing();
    },
    cancel() {
      pulling = null;
      finishDrawing();
    },
    marks() {
      const now = drawn();
      const lines = found && !pulling ? { hairlines: found.hairlines } : {};
      if (!now || !pointer || pulling) {
        return { ...lines, ...(found && pointer && !pulling && { says: { at: pointer, text: found.says } }) };
      }
      const from = openEnd(now.stroke.path, now.at);
      const turned = now.at === 'end' ? from : { ...from, out: from.in };
      return {
        preview: { closed: false, points: [{ ...turned, in: { x: 0, y: 0 } }, corner(pointer.x, pointer.y)] },
        says: {
          at: pointer,
          text: `${Math.round(distance(from, pointer))} px${found ? ` · ${found.says}` : ''}`,
        },
        ...lines,
      };
    },
    cursor: () => 'crosshair',
  };
}

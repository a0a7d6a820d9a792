import { measurePath } from '../geometry';
import { mapValues, valueAt, withShiftedKeys, type Animated } from '../timing';
import { changed, sameValue } from './changed';
import { strokesOf, type Group, type Layer, type Piece, type Stroke } from './schema';
import type { LineOfStrokes, WindowKeys } from './window-schema';

/** The layers of a group, in their order. */
export const membersOf = (piece: Pick<Piece, 'layers'>, group: string): Layer[] =>
  piece.layers.filter((layer) => layer.group === group);

/** The layers that bear what has an id: a layer itself, or all of a group. */
export function layersOf(piece: Pick<Piece, 'layers'>, id: string): string[] {
  const members = membersOf(piece, id).map((layer) => layer.id);
  return members.length > 0 ? members : [id];
}

/** The group whose layers are just the ones given; undefined where they are not a whole one. */
export function wholeGroup(
  piece: Pick<Piece, 'layers' | 'groups'>,
  ids: readonly string[],
): Group | undefined {
  const first = piece.layers.find((layer) => ids.includes(layer.id));
  const group = first && groupOf(piece, first);
  const members = group ? membersOf(piece, group.id) : [];
  return members.length === ids.length && members.every((layer) => ids.includes(layer.id))
    ? group
    : undefined;
}

/** The group of a layer, where it has one that is there. */
export const groupOf = (piece: Pick<Piece, 'groups'>, layer: Layer): Group | undefined =>
  layer.group === undefined ? undefined : piece.groups.find((group) => group.id === layer.group);

/** A piece in which the layers of each group stand together, where the first of them does; groups without any are gone. */
export function gathered(piece: Piece): Piece {
  if (piece.groups.length === 0) return piece;
  const known = new Set(piece.groups.map((group) => group.id));
  const placed = new Set<string>();
  const layers = piece.layers.flatMap((layer) => {
    if (layer.group === undefined || !known.has(layer.group)) return [layer];
    if (placed.has(layer.group)) return [];
    placed.add(layer.group);
    return membersOf(piece, layer.group);
  });
  const moved = layers.some((layer, i) => layer !== piece.layers[i]);
  if (!moved && placed.size === known.size) return piece;
  return {
    ...piece,
    ...(moved && { layers }),
    ...(placed.size < known.size && { groups: piece.groups.filter((group) => placed.has(group.id)) }),
  };
}

/** Length that a stroke takes of a line, px: one without any still takes its moment. */
const takenBy = (stroke: Stroke): number => Math.max(1, measurePath(stroke.path).length);

/** Pixels of path in the strokes of a line, end to end. */
export const lineLength = (strokes: readonly Stroke[]): number =>
  strokes.reduce((sum, stroke) => sum + takenBy(stroke), 0);

/**
 * The window of one stroke of a line in which strokes come one after another: the line's values, which count over all
 * lengths together, as shares of this one's own. Values beyond 0..1 have run off its ends, so curves stay what they are.
 */
function shareOfLine(window: WindowKeys, whole: number, before: number, own: number): WindowKeys {
  const toOwn = (value: number): number => Math.min(1e5, Math.max(-1e5, (value * whole - before) / own));
  const mapped = (value: Animated, rule: (value: number) => number): Animated =>
    mapValues(value, (v) => toOwn(rule(v)));
  const { head, tail, travel } = window;
  if (!travel) return { head: mapped(head, (v) => v), tail: mapped(tail, (v) => v), slide: 0 };
  // A window that travels over all of them has the length that it has when it sets out.
  const value = valueAt(travel.length, -Infinity);
  if (travel.unit === 'frames') {
    const later = withShiftedKeys(head, () => value);
    return { head: mapped(head, (v) => v), tail: mapped(later, (v) => v), slide: 0 };
  }
  const length = travel.unit === 'px' ? value / whole : value;
  return {
    head: mapped(head, (v) => v * (1 + length)),
    tail: mapped(head, (v) => v * (1 + length) - length),
    slide: 0,
  };
}

function timedBy(line: LineOfStrokes, strokes: readonly Stroke[]): Stroke[] {
  const whole = lineLength(strokes);
  let before = 0;
  return strokes.map((stroke) => {
    const own = takenBy(stroke);
    const window = line.how === 'together' ? line.window : shareOfLine(line.window, whole, before, own);
    before += own;
    if (sameValue(window, stroke.window) && sameValue(line.pace, stroke.pace) && !stroke.cue) return stroke;
    return changed<Stroke>(stroke, { window, pace: line.pace, cue: undefined });
  });
}

/** The piece with the strokes of every line timed by it; the same object where nothing changes. */
export function settleLines(piece: Piece): Piece {
  const lines = piece.groups.filter((group) => group.line);
  if (lines.length === 0) return piece;
  const timed = new Map<string, Stroke>();
  for (const { id, line } of lines) {
    const strokes = strokesOf(piece).filter((stroke) => stroke.group === id);
    for (const stroke of timedBy(line!, strokes)) timed.set(stroke.id, stroke);
  }
  const layers = piece.layers.map((layer) => timed.get(layer.id) ?? layer);
  return layers.some((layer, i) => layer !== piece.layers[i]) ? { ...piece, layers } : piece;
}

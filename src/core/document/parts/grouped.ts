import { measurePath } from '../../geometry';
import { clamp } from '../../numbers';
import { mapValues, valueAt, withShiftedKeys, type Animated } from '../../timing';
import {
  strokesOf,
  type Group,
  type Layer,
  type LineOfStrokes,
  type Piece,
  type Stroke,
  type WindowKeys,
} from '../schema';
import { changed, sameValue } from './changed';

type Grouping = Pick<Piece, 'layers' | 'groups'>;

/** The group that a layer or group lies in, where it has one that is there. */
export const groupOf = (piece: Pick<Piece, 'groups'>, one: { readonly group?: string }): Group | undefined =>
  one.group === undefined ? undefined : piece.groups.find((group) => group.id === one.group);

/** The groups that something lies in, from the innermost outward. */
export function groupsAround(piece: Pick<Piece, 'groups'>, one: { readonly group?: string }): Group[] {
  const out: Group[] = [];
  for (let at = groupOf(piece, one); at && !out.includes(at); at = groupOf(piece, at)) out.push(at);
  return out;
}

/** The layers of a group, those of groups within it among them, in their order. */
export const membersOf = (piece: Grouping, group: string): Layer[] =>
  piece.layers.filter((layer) => groupsAround(piece, layer).some((around) => around.id === group));

/** The layers that bear what has an id: a layer itself, or all of a group. */
export function layersOf(piece: Grouping, id: string): string[] {
  const members = membersOf(piece, id).map((layer) => layer.id);
  return members.length > 0 || !piece.layers.some((layer) => layer.id === id) ? members : [id];
}

/** The outermost group whose layers are just the ones given; undefined where they are not a whole one. */
export function wholeGroup(piece: Grouping, ids: readonly string[]): Group | undefined {
  const first = piece.layers.find((layer) => ids.includes(layer.id));
  const around = first ? groupsAround(piece, first) : [];
  return around.findLast((group) => {
    const members = membersOf(piece, group.id);
    return members.length === ids.length && members.every((layer) => ids.includes(layer.id));
  });
}

/** The layers or groups given, groups that are there as a whole in place of their layers: what one change is about. */
export function asWholes(piece: Grouping, ids: readonly string[]): string[] {
  const out: string[] = [];
  for (const layer of piece.layers) {
    if (!ids.includes(layer.id)) continue;
    const whole = groupsAround(piece, layer).findLast((group) =>
      membersOf(piece, group.id).every((member) => ids.includes(member.id)),
    );
    const id = whole?.id ?? layer.id;
    if (!out.includes(id)) out.push(id);
  }
  return out;
}

/** Layers with those of each group together, where the first of them stands; groups within groups likewise. */
function together(piece: Grouping, layers: readonly Layer[], depth: number): Layer[] {
  const placed = new Set<string>();
  return layers.flatMap((layer): Layer[] => {
    const group = groupsAround(piece, layer).at(-1 - depth);
    if (!group) return [layer];
    if (placed.has(group.id)) return [];
    placed.add(group.id);
    const own = layers.filter((other) => groupsAround(piece, other).at(-1 - depth) === group);
    return together(piece, own, depth + 1);
  });
}

/** A piece in which the layers of each group stand together, where the first of them does; groups without any are gone. */
export function gathered(piece: Piece): Piece {
  if (piece.groups.length === 0) return piece;
  const layers = together(piece, piece.layers, 0);
  const ofLayers = new Set(piece.layers.flatMap((layer) => groupsAround(piece, layer)));
  const moved = layers.some((layer, i) => layer !== piece.layers[i]);
  if (!moved && ofLayers.size === piece.groups.length) return piece;
  return {
    ...piece,
    ...(moved && { layers }),
    ...(ofLayers.size < piece.groups.length && {
      groups: piece.groups.filter((group) => ofLayers.has(group)),
    }),
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
  const toOwn = (value: number): number => clamp((value * whole - before) / own, -1e5, 1e5);
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

import { keysOf } from '../../timing';
import { onSpan } from '../keys';
import { asWholes, changed, membersOf, updateLayers } from '../parts';
import {
  mannerOf,
  partWithId,
  strokesOf,
  type Group,
  type Layer,
  type LineOfStrokes,
  type Part,
  type Piece,
  type Stroke,
  type WindowKeys,
} from '../schema';
import { mannerWindow } from './manner-window';

/**
 * Puts layers into a group of their own, where the first of them stands. Groups all of whose layers are among them stay groups
 * within it; it lies in the group that all of them lay in.
 */
export function groupLayers(piece: Piece, ids: readonly string[], group: Group): Piece {
  if (!piece.layers.some((layer) => ids.includes(layer.id))) return piece;
  const wholes = asWholes(piece, ids);
  const around = new Set(wholes.map((id) => partWithId(piece, id)!.group));
  const [outer] = around.size === 1 ? around : [];
  const made: Group = outer === undefined ? group : { ...group, group: outer };
  const put = <P extends Part>(one: P): P => (wholes.includes(one.id) ? { ...one, group: group.id } : one);
  return { ...piece, layers: piece.layers.map(put), groups: [...piece.groups.map(put), made] };
}

export const renameGroup = (piece: Piece, id: string, name: string): Piece => ({
  ...piece,
  groups: piece.groups.map((group) => (group.id === id ? { ...group, name } : group)),
});

/** The window that writes a line in the frames in which its strokes are written now, off too where they all leave. */
function lineWindow(strokes: readonly Stroke[]): WindowKeys {
  const spans = strokes.map(onSpan).filter((span) => span !== null);
  if (spans.length === 0) return mannerWindow(mannerOf({ kind: 'on' }), false, { onAt: 0, offAt: 0 });
  const [from, to] = [Math.min(...spans.map((s) => s.from)), Math.max(...spans.map((s) => s.to))];
  const leaving = strokes.flatMap(({ window }) => {
    const arrived = onSpan({ window })?.to ?? to;
    const later = [window.head, window.tail].flatMap((value) => keysOf(value).map((key) => key.frame));
    return later.filter((frame) => frame > arrived);
  });
  const onFrames = Math.max(1, Math.round(to - from));
  const times = {
    onAt: Math.round(from),
    offAt: Math.max(from + onFrames, Math.round(Math.min(...leaving))),
  };
  if (leaving.length === 0)
    return mannerWindow(mannerOf({ kind: 'on', onFrames }), false, { ...times, offAt: 0 });
  const offFrames = Math.max(1, Math.round(Math.max(...leaving) - times.offAt));
  return mannerWindow(mannerOf({ kind: 'both', onFrames, offFrames }), false, times);
}

/**
 * Times the strokes of a group as one, all together or one after another, or each by itself again. A new line is written
 * on, and off, in the frames in which the strokes were; together they share what the first of them had.
 */
export function setLine(piece: Piece, id: string, how: LineOfStrokes['how'] | null): Piece {
  const strokes = strokesOf({ layers: membersOf(piece, id) });
  const [first] = strokes;
  const pace = first?.pace && first.pace.kind !== 'written' ? { pace: first.pace } : {};
  const fresh = (): WindowKeys => (how === 'together' && first ? first.window : lineWindow(strokes));
  return {
    ...piece,
    groups: piece.groups.map((group) => {
      if (group.id !== id) return group;
      if (how === null) return changed(group, { line: undefined });
      return { ...group, line: group.line ? { ...group.line, how } : { how, window: fresh(), ...pace } };
    }),
  };
}

/**
 * Lets layers that were moved in the order belong where they now stand: between two of a group they join it, beyond its
 * ends they leave it.
 */
export function joinedWhereTheyStand(piece: Piece, ids: readonly string[]): Piece {
  const first = piece.layers.findIndex((layer) => ids.includes(layer.id));
  const last = piece.layers.findLastIndex((layer) => ids.includes(layer.id));
  const [above, below] = [piece.layers[first - 1]?.group, piece.layers[last + 1]?.group];
  return updateLayers(piece, ids, (layer) => {
    const whole =
      layer.group !== undefined && membersOf(piece, layer.group).every((other) => ids.includes(other.id));
    // A group moved as a whole stays one.
    const into =
      above !== undefined && above === below
        ? above
        : whole || layer.group === above || layer.group === below
          ? layer.group
          : undefined;
    return into === layer.group ? layer : changed<Layer>(layer, { group: into });
  });
}

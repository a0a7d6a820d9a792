import {
  lineLength,
  markColour,
  windowAt,
  windowOf,
  type Group,
  type Keyed,
  type Layer,
  type Stroke,
} from '@/core/document';
import type { InkWindow } from '@/core/ink';

/** What a lane shows and whose keys it holds: a stroke, or the line of several timed as one. */
export interface LaneOwner {
  readonly id: string;
  readonly name: string;
  readonly locked: boolean;
  readonly hidden: boolean;
  readonly colour: string;
  readonly keyed: Keyed;
  /** The layers that are chosen with it. */
  readonly layers: readonly string[];
  /** Its keys are not its own: the line it belongs to times it. */
  readonly led: boolean;
  readonly window: (frame: number) => InkWindow;
}

const made = new WeakMap<Stroke, LaneOwner>();

/** The owner of a stroke's lanes: the same as long as it is the same stroke. */
export function strokeOwner(stroke: Stroke, led: boolean): LaneOwner {
  const known = made.get(stroke);
  if (known?.led === led) return known;
  const owner = ownerOfStroke(stroke, led);
  made.set(stroke, owner);
  return owner;
}

const ownerOfStroke = (stroke: Stroke, led: boolean): LaneOwner => ({
  id: stroke.id,
  name: stroke.name,
  locked: stroke.locked,
  hidden: stroke.hidden,
  colour: markColour(stroke.ink),
  keyed: stroke,
  layers: [stroke.id],
  led,
  window: (frame) => windowAt(stroke, frame),
});

/** The owner of a group's lane, where its strokes are timed as one. */
export function lineOwner(group: Group, members: readonly Layer[]): LaneOwner | null {
  if (!group.line) return null;
  const { window } = group.line;
  const strokes = members.filter((layer): layer is Stroke => layer.type === 'stroke');
  const length = lineLength(strokes);
  return {
    id: group.id,
    name: group.name,
    locked: strokes.every((stroke) => stroke.locked),
    hidden: strokes.every((stroke) => stroke.hidden),
    colour: strokes[0] ? markColour(strokes[0].ink) : '#a79f8e',
    keyed: { window },
    layers: members.map((layer) => layer.id),
    led: false,
    window: (frame) => windowOf(window, length, null, frame),
  };
}

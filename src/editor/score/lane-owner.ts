import {
  kindOf,
  lineLength,
  swatchColour,
  windowAt,
  windowOf,
  type Group,
  type Keyed,
  type KeyedPart,
  type Layer,
  strokesOf,
} from '@/core/document';
import type { InkWindow } from '@/core/ink';

/** What a lane shows and whose keys it holds: a layer, or a group. */
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
  /** What of it is inked at a frame; null for what is no ink. */
  readonly window: ((frame: number) => InkWindow) | null;
  /** The keyed part that stands for it in its own lane where it has no window. */
  readonly lead: KeyedPart | null;
}

const made = new WeakMap<Layer, LaneOwner>();

/** The owner of a layer's lanes: the same as long as it is the same layer. */
export function layerOwner(layer: Layer, led: boolean): LaneOwner {
  const known = made.get(layer);
  if (known?.led === led) return known;
  const owner = ownerOfLayer(layer, led);
  made.set(layer, owner);
  return owner;
}

/** Colour of what has none of its own. */
const PLAIN = '#a79f8e';

/** The owner of the lanes of what is neither layer nor group. */
export const otherOwner = (id: string, name: string, keyed: Keyed): LaneOwner => ({
  id,
  name,
  locked: false,
  hidden: false,
  colour: PLAIN,
  keyed,
  layers: [],
  led: false,
  window: null,
  lead: null,
});

const ownerOfLayer = (layer: Layer, led: boolean): LaneOwner => ({
  id: layer.id,
  name: layer.name,
  locked: layer.locked,
  hidden: layer.hidden,
  colour: kindOf(layer).colour(layer) ?? PLAIN,
  keyed: layer,
  layers: [layer.id],
  led,
  window: layer.type === 'stroke' ? (frame) => windowAt(layer, frame) : null,
  lead: kindOf(layer).lead(layer),
});

/** The owner of a group's lanes; its window is its line's, where its strokes are timed as one. */
export function groupOwner(group: Group, members: readonly Layer[], keyed: Keyed): LaneOwner {
  const strokes = strokesOf({ layers: members });
  const window = group.line?.window;
  const length = window ? lineLength(strokes) : 0;
  return {
    id: group.id,
    name: group.name,
    locked: members.every((layer) => layer.locked),
    hidden: members.every((layer) => layer.hidden),
    colour: strokes[0] ? swatchColour(strokes[0].ink) : PLAIN,
    keyed,
    layers: members.map((layer) => layer.id),
    led: false,
    window: window ? (frame) => windowOf(window, length, null, frame) : null,
    lead: null,
  };
}

import type { FillItem, GroupItem, StrokeItem } from '../../draw';
import type { ColourRibbon, PlainColouring } from '../../ink';

/** A shape in colours that formats know. */
export type TrackShape = (StrokeItem | FillItem) & { readonly colour: PlainColouring };

/** A group, and colours that lie under its items, for one of them to keep its shape of. */
export interface TrackGroup extends Omit<GroupItem, 'items'> {
  readonly items: readonly TrackItem[];
  readonly ground?: ColourRibbon;
}

export type TrackItem = TrackShape | TrackGroup;

/**
 * One thing of a picture through time: what it is at each frame, null where it is not there. Of a track all items are of one
 * kind, meet what they lie in alike, and differ only in what formats can move: their path, one colour, width, opacity, and the
 * numbers of their filters.
 */
export interface ShapeTrack {
  readonly kind: 'shape';
  readonly items: readonly (TrackShape | null)[];
}

/** A group through time, and what lies in it. */
export interface GroupTrack {
  readonly kind: 'group';
  readonly items: readonly (TrackGroup | null)[];
  readonly children: readonly Track[];
}

export type Track = ShapeTrack | GroupTrack;

/** What all items of a track have in common: any of them. */
export const sampleOf = <T extends Track>(track: T): NonNullable<T['items'][number]> =>
  track.items.find((item) => item !== null)!;

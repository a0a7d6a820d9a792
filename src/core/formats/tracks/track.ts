import type { GroupItem, ShapeItem } from '../../draw';

/**
 * One thing of a picture through time: what it is at each frame, null where it is not there. Of a track all items are of one
 * kind, meet what they lie in alike, and differ only in what formats can move: their path, one colour, width, opacity, and the
 * numbers of their filters.
 */
export interface ShapeTrack {
  readonly kind: 'shape';
  readonly items: readonly (ShapeItem | null)[];
}

/** A group through time, and what lies in it. */
export interface GroupTrack {
  readonly kind: 'group';
  readonly items: readonly (GroupItem | null)[];
  readonly children: readonly Track[];
}

export type Track = ShapeTrack | GroupTrack;

/** What all items of a track have in common: any of them. */
export const sampleOf = <T extends Track>(track: T): NonNullable<T['items'][number]> =>
  track.items.find((item) => item !== null)!;

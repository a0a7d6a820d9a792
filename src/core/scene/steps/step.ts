import type { DrawItem } from '../../draw';
import type { Layer, Part, Piece } from '../../document';
import type { Variant } from '../../effects';
import type { Exposure } from '../exposure';

export type Items = readonly DrawItem[];

/** A moment at which a part is asked for, and how its strokes are shown otherwise than they are. */
export interface When {
  readonly frame: number;
  readonly variant: Variant | null;
  /** How motion is blurred; null where it is not. */
  readonly shutter: Exposure | null;
}

/** What a part is asked for as: to be seen, or as the matte of another. */
export type As = 'seen' | 'matte';

/** What a layer shows by itself at a frame, in its own coordinates; the same items while nothing of it changes. */
export type Own = (layer: Layer, frame: number, variant: Variant | null) => Items;

/** A piece while one frame of it is made. */
export interface Scene {
  readonly piece: Piece;
  readonly own: Own;
  /** Ids of layers that are only mattes of others. */
  readonly onlyThrough: ReadonlySet<string>;
  /** What a layer or group shows after all steps. */
  readonly show: (part: Part, when: When, as: As) => Items;
  /** Makes something once for this frame, by a name that tells it apart. */
  readonly once: (key: string, make: () => Items) => Items;
}

/** What a step is asked for. */
export interface Ask {
  readonly scene: Scene;
  readonly part: Part;
  readonly when: When;
  readonly as: As;
}

/**
 * One step of a layer or group on its way into the picture.
 * @param before what the steps before it give: at the moment that is asked for, or at another.
 */
export type Step = (ask: Ask, before: (when?: When) => Items) => Items;

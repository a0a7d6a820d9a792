import { pathBounds } from '../../geometry';
import { scaled } from '../../properties';
import { isKeyed } from '../../timing';
import { movePoints } from '../parts';
import { layerSchema, swatchColour, type Stroke } from '../schema';
import { PLAIN, type LayerKind } from './kind';

/** One pen movement. */
export const STROKE_KIND: LayerKind<Stroke> = {
  ...PLAIN,
  box: ({ path }) => pathBounds(path),
  path: ({ path }) => path,
  hasCorners: false,
  grown: (stroke, _number, share) => ({
    ...stroke,
    window: { ...stroke.window, head: share(stroke.window.head), tail: share(stroke.window.tail) },
  }),
  moved: (stroke, by) => ({ ...stroke, path: movePoints(stroke.path, by) }),
  scaled: (stroke, factor, about) => scaled(layerSchema, stroke, factor, about),
  colour: ({ ink }) => swatchColour(ink),
  ownColour: ({ ink }) => (isKeyed(ink.colour) ? null : ink.colour),
  recoloured: (stroke, colour) => ({ ...stroke, ink: { ...stroke.ink, colour } }),
  retimed: (stroke, _at, factor) =>
    stroke.cue
      ? { ...stroke, cue: { ...stroke.cue, offset: Math.round(stroke.cue.offset * factor) } }
      : stroke,
};

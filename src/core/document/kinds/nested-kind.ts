import { mapValues, valueAt, type Animated } from '../../timing';
import { contentOf, placementAbout, type Nested, type Placement } from '../schema';
import { PLAIN, type LayerKind } from './kind';

/** How a nested piece is placed; where nothing was said, about its middle. */
function placeOf(nested: Nested): Placement {
  const { width, height } = contentOf(nested).size;
  return nested.place ?? placementAbout({ x: width / 2, y: height / 2 });
}

/** A piece within a piece: it is moved and scaled by its placement, and stays itself. */
export const NESTED_KIND: LayerKind<Nested> = {
  ...PLAIN,
  movesByPlacement: true,
  hasCorners: false,
  box(nested) {
    const { width, height } = contentOf(nested).size;
    return { left: 0, top: 0, right: width, bottom: height };
  },
  moved(nested, by) {
    const place = placeOf(nested);
    const x = mapValues(place.x, (v) => v + by.x);
    const y = mapValues(place.y, (v) => v + by.y);
    return { ...nested, place: { ...place, x, y } };
  },
  /** Its placement keeps its pivot where it was made. */
  scaled(nested, factor, about) {
    const place = placeOf(nested);
    const times = (value: Animated): Animated => mapValues(value, (v) => v * factor);
    const shifted = (value: Animated, pivot: Animated, to: number): Animated =>
      mapValues(value, (v) => to + (v + valueAt(pivot, 0) - to) * factor - valueAt(pivot, 0));
    return {
      ...nested,
      place: {
        ...place,
        scaleX: times(place.scaleX),
        scaleY: times(place.scaleY),
        x: shifted(place.x, place.pivotX, about.x),
        y: shifted(place.y, place.pivotY, about.y),
      },
    };
  },
  colour: () => null,
  retimed: (nested, at) => ({ ...nested, start: at(nested.start) }),
};

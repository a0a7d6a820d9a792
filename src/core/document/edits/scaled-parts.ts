import { mapValues, type Animated } from '../../timing';
import type { Arrival } from '../arrival-schema';
import type { Fitted } from '../fitted-schema';
import type { Mask, MaskShape } from '../mask-schema';
import type { Path, Point } from '../../geometry';
import { transformPath } from '../../geometry';
import type { Placement } from '../placement-schema';
import type { Part } from '../schema';

/** How lengths and places change where everything is scaled about a point. */
interface Scale {
  readonly factor: number;
  readonly about: Point;
}

const lengths = (value: Animated, { factor }: Scale): Animated => mapValues(value, (v) => v * factor);
const along = (value: Animated, { factor, about }: Scale, axis: 'x' | 'y'): Animated =>
  mapValues(value, (v) => about[axis] + (v - about[axis]) * factor);
const placed = (p: Point, { factor, about }: Scale): Point => ({
  x: about.x + (p.x - about.x) * factor,
  y: about.y + (p.y - about.y) * factor,
});

function scaledShape(shape: MaskShape, scale: Scale): MaskShape {
  switch (shape.kind) {
    case 'rectangle':
      return {
        ...shape,
        x: along(shape.x, scale, 'x'),
        y: along(shape.y, scale, 'y'),
        width: lengths(shape.width, scale),
        height: lengths(shape.height, scale),
        radius: lengths(shape.radius, scale),
      };
    case 'ellipse':
      return {
        ...shape,
        x: along(shape.x, scale, 'x'),
        y: along(shape.y, scale, 'y'),
        radiusX: lengths(shape.radiusX, scale),
        radiusY: lengths(shape.radiusY, scale),
      };
    case 'path': {
      const { factor: k, about } = scale;
      const path = (p: Path): Path => transformPath(p, [k, 0, 0, k, about.x * (1 - k), about.y * (1 - k)]);
      return { ...shape, path: mapValues(shape.path, path) };
    }
    case 'linear wipe':
      return { ...shape, from: placed(shape.from, scale), to: placed(shape.to, scale) };
    case 'radial wipe':
    case 'clock wipe':
      return { ...shape, centre: placed(shape.centre, scale), reach: lengths(shape.reach, scale) };
  }
}

const scaledMask = (mask: Mask, scale: Scale): Mask => ({
  ...mask,
  shape: scaledShape(mask.shape, scale),
  feather: mapValues(mask.feather, (v) => Math.min(4000, v * scale.factor)),
  expansion: mapValues(mask.expansion, (v) => Math.max(-4000, Math.min(4000, v * scale.factor))),
  x: lengths(mask.x, scale),
  y: lengths(mask.y, scale),
});

const scaledPlace = (place: Placement, scale: Scale): Placement => ({
  ...place,
  x: lengths(place.x, scale),
  y: lengths(place.y, scale),
  pivotX: along(place.pivotX, scale, 'x'),
  pivotY: along(place.pivotY, scale, 'y'),
});

const held = (value: number, most: number): number => Math.min(most, Math.max(-most, value));

const scaledFitted = (fitted: Fitted, { factor }: Scale): Fitted => ({
  ...fitted,
  padX: held(fitted.padX * factor, 4000),
  padY: held(fitted.padY * factor, 4000),
  radius: held(fitted.radius * factor, 4000),
});

const scaledArrival = (arrival: Arrival, { factor }: Scale): Arrival => ({
  ...arrival,
  margin: held(arrival.margin * factor, 4000),
});

/** What layers and groups have beside what they are made of, where all of it is scaled by a factor about a point. */
export function withScaledParts<P extends Part>(part: P, factor: number, about: Point): P {
  const scale: Scale = { factor, about };
  const { masks, place, reveal } = part;
  const fitted = 'fitted' in part ? part.fitted : undefined;
  const arrival = 'arrival' in part ? part.arrival : undefined;
  if (!masks && !place && !reveal && !fitted && !arrival) return part;
  return {
    ...part,
    ...(masks && { masks: masks.map((mask) => scaledMask(mask, scale)) }),
    ...(place && { place: scaledPlace(place, scale) }),
    ...(reveal && { reveal: { ...reveal, feather: Math.min(2000, reveal.feather * factor) } }),
    ...(fitted && { fitted: scaledFitted(fitted, scale) }),
    ...(arrival && { arrival: scaledArrival(arrival, scale) }),
  };
}

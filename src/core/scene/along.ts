import { placesAlong, shapeAlong, type Lettering } from '../document';
import { rememberedOf } from '../keep';

/** Lettering as its face stands at some places of its axes; as many are kept as are seen in a few seconds. */
const variedTo = rememberedOf(200, (lettering: Lettering, places: string): Lettering => ({
  ...lettering,
  set: shapeAlong(lettering.set.along!, places.split(' ').map(Number)),
}));

/** Lettering as its face stands at a frame; itself where no axis of it follows keys. The same one for the same places. */
export function variedAt(lettering: Lettering, frame: number): Lettering {
  return lettering.set.along ? variedTo(lettering, placesAlong(lettering, frame).join(' ')) : lettering;
}

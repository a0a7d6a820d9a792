import { placesAlong, shapeAlong, type Lettering } from '../document';

const made = new WeakMap<Lettering, Map<string, Lettering>>();

/** Shapes that are kept made: as many as are seen in a few seconds. */
const KEPT = 200;

/** Lettering as its face stands at a frame; itself where no axis of it follows keys. The same one for the same places. */
export function variedAt(lettering: Lettering, frame: number): Lettering {
  const { along } = lettering.set;
  if (!along) return lettering;
  const at = placesAlong(lettering, frame);
  let known = made.get(lettering);
  if (!known) made.set(lettering, (known = new Map()));
  const name = at.join(' ');
  let result = known.get(name);
  if (!result) {
    if (known.size >= KEPT) known.clear();
    known.set(name, (result = { ...lettering, set: shapeAlong(along, at) }));
  }
  return result;
}

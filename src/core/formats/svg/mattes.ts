import type { ArtGroup, ArtShape } from '../../document';
import { compose, IDENTITY, type Bounds, type Matrix } from '../../geometry';
import { computed } from './properties';
import {
  boxIn,
  dissolve,
  drawWithin,
  inheritedAt,
  localId,
  openGroup,
  type Place,
  type Reading,
} from './reading';
import { lengthOf, transformOf } from './values';
import type { Element } from './xml';

type Matte = NonNullable<ArtGroup['matte']>;

const ofBox = ({ left, top, right, bottom }: Bounds): Matrix => [right - left, 0, 0, bottom - top, left, top];

/** How what something is seen through is drawn: into a list of its own, as it stands in the file. */
const apart = (reading: Reading, element: Element, place: Place, into: ArtShape[]): Place => ({
  ...place,
  inherited: inheritedAt(reading, element),
  into,
  group: undefined,
  using: new Set([...place.using, element]),
});

/** Draws something into a group that is seen through a matte, which is made once the group stands before all that it needs. */
function drawBehind(
  reading: Reading,
  place: Place,
  make: () => Matte | null,
  draw: (place: Place) => void,
): void {
  const from = place.into.length;
  const index = openGroup(reading, { opacity: 1 });
  draw({ ...place, group: index });
  const matte = make();
  if (matte) reading.groups[index] = { opacity: 1, matte };
  else dissolve(reading, index, place.into, from);
}

/**
 * What a clipping path lets through (CSS Masking 1, 5); null where it does not clip.
 * @param box of what is clipped, in the units of `place.matrix`.
 */
export function clipMatte(
  reading: Reading,
  reference: string,
  place: Place,
  box: Bounds | null,
): Matte | null {
  const target = reading.byId.get(localId(reference) ?? '');
  if (target?.name !== 'clipPath') {
    if (!reference.startsWith('url(')) reading.leftOut.add('clipping by CSS shapes');
    return null;
  }
  if (place.using.has(target)) return null;
  const shapes: ArtShape[] = [];
  const { own } = computed(reading.cascade(target), inheritedAt(reading, target));
  const units =
    target.attributes.clipPathUnits === 'objectBoundingBox' ? (box ? ofBox(box) : null) : IDENTITY;
  if (!units) return { by: 'shape', shapes };
  const matrix = compose(place.matrix, compose(units, transformOf(own.transform, place.view) ?? IDENTITY));
  const inner: Place = { ...apart(reading, target, place, shapes), matrix, clips: true };
  const all = (at: Place): void => target.children.forEach((child) => reading.draw(child, at));
  const further = own['clip-path'];
  if (further && further !== 'none')
    drawBehind(reading, inner, () => clipMatte(reading, further, inner, box), all);
  else all(inner);
  return { by: 'shape', shapes };
}

/** What a mask lets through (CSS Masking 1, 7); null where it does not mask. */
export function maskMatte(
  reading: Reading,
  reference: string,
  place: Place,
  box: Bounds | null,
): Matte | null {
  const target = reading.byId.get(localId(reference) ?? '');
  if (target?.name !== 'mask') {
    if (!reference.startsWith('url(#')) reading.leftOut.add('masks by pictures');
    return null;
  }
  if (place.using.has(target)) return null;
  const { attributes: a } = target;
  const { own } = computed(reading.cascade(target), inheritedAt(reading, target));
  const shapes: ArtShape[] = [];
  const by = own['mask-type'] === 'alpha' ? ('shape' as const) : ('brightness' as const);
  const regionOfBox = a.maskUnits !== 'userSpaceOnUse';
  const contentOfBox = a.maskContentUnits === 'objectBoundingBox';
  if ((regionOfBox || contentOfBox) && !box) return { by, shapes };
  const whole = regionOfBox ? { width: 1, height: 1 } : place.view;
  const region = {
    left: lengthOf(a.x ?? '-10%', whole.width) ?? 0,
    top: lengthOf(a.y ?? '-10%', whole.height) ?? 0,
    width: lengthOf(a.width ?? '120%', whole.width) ?? 0,
    height: lengthOf(a.height ?? '120%', whole.height) ?? 0,
  };
  if (!(region.width > 0 && region.height > 0)) return { by, shapes };
  const edges = {
    left: region.left,
    top: region.top,
    right: region.left + region.width,
    bottom: region.top + region.height,
  };
  const inner: Place = {
    ...apart(reading, target, place, shapes),
    matrix: contentOfBox ? compose(place.matrix, ofBox(box!)) : place.matrix,
    clips: false,
  };
  drawWithin(reading, inner, edges, regionOfBox ? compose(place.matrix, ofBox(box!)) : place.matrix, (at) =>
    target.children.forEach((child) => reading.draw(child, at)),
  );
  return { by, shapes };
}

/** The box of what was drawn from one shape on, in the units of a place. */
export const drawnBox = (place: Place, from: number): Bounds | null =>
  boxIn(place.matrix, place.into.slice(from));

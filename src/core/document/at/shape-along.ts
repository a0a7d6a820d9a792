import { isKeyed, valueAt } from '../../timing';
import { changed, mixedText } from '../parts';
import type { Lettering, Piece, SetText, TextSetting, TextShape } from '../schema';

type Along = NonNullable<SetText['along']>;

/** Where a place lies among others that grow: the one before it, and the share of the way to the next. */
function between(places: readonly number[], place: number): readonly [index: number, share: number] {
  const next = places.findIndex((other) => other > place);
  if (next === 0 || places.length === 1) return [0, 0];
  const i = next < 0 ? places.length - 2 : next - 1;
  return [i, Math.min(1, (place - places[i]!) / (places[i + 1]! - places[i]!))];
}

/** The shape of a text at a place of each axis along which it is set: of two next to one another, what lies between them. */
export function shapeAlong({ axes, shapes }: Along, at: readonly number[], axis = 0, from = 0): TextShape {
  if (axis === axes.length) return shapes[from]!;
  const { places } = axes[axis]!;
  const [i, share] = between(places, at[axis]!);
  const here = shapeAlong({ axes, shapes }, at, axis + 1, from * places.length + i);
  if (share === 0) return here;
  return mixedText(here, shapeAlong({ axes, shapes }, at, axis + 1, from * places.length + i + 1), share);
}

/** The places of a text on the axes along which it is set, at a frame. */
export const placesAlong = ({ axes = {}, set, setting: { face } }: Lettering, frame: number): number[] =>
  (set.along?.axes ?? []).map(({ tag, places }) => {
    const still = tag === 'wght' ? face.weight : (face.axes?.[tag] ?? places[0]!);
    return valueAt(axes[tag] ?? still, frame);
  });

/** A face that stands at places of axes and is set along none. */
function stillFace(face: TextSetting['face'], along: Along, at: readonly number[]): TextSetting['face'] {
  const places = Object.fromEntries(along.axes.map(({ tag }, i) => [tag, at[i]!]));
  const { wght, ...others } = places;
  const axes = { ...face.axes, ...others };
  return changed<TextSetting['face']>(face, {
    along: undefined,
    ...(wght !== undefined && { weight: wght }),
    ...(Object.keys(axes).length > 0 && { axes }),
  });
}

function still(lettering: Lettering): Lettering {
  const { axes = {}, set, setting } = lettering;
  if (!set.along || Object.values(axes).some(isKeyed)) return lettering;
  const at = placesAlong(lettering, 0);
  return changed<Lettering>(lettering, {
    axes: undefined,
    set: shapeAlong(set.along, at),
    setting: { ...setting, face: stillFace(setting.face, set.along, at) },
  });
}

/** A piece in which texts none of whose axes has keys any more are set at the places these have, as if they never had. */
export function settleAxes(piece: Piece): Piece {
  const layers = piece.layers.map((layer) => (layer.type === 'lettering' ? still(layer) : layer));
  return layers.every((layer, i) => layer === piece.layers[i]) ? piece : { ...piece, layers };
}

import { lineShape } from '../../geometry';
import { changed, layersOf, updateStrokes } from '../parts';
import { cutName, newStroke, partWithId, type Fitted, type Ink, type Piece, type Stroke } from '../schema';
import { addLayers } from './layers';

/** What is drawn round a text: a rule under or over it, one at its side, a border, or a box filled in slices. */
export type Surround = 'under' | 'over' | 'before' | 'after' | 'box' | 'slice';

/** Changes how strokes keep to the size of something; null lets them stay as they are. */
export const setFitted = (
  piece: Piece,
  ids: readonly string[],
  change: (fitted: Fitted | undefined) => Fitted | null,
): Piece =>
  updateStrokes(piece, ids, (stroke) =>
    changed<Stroke>(stroke, { fitted: change(stroke.fitted) ?? undefined }),
  );

const NAMES: Record<Surround, string> = {
  under: 'Rule under',
  over: 'Rule over',
  before: 'Rule before',
  after: 'Rule after',
  box: 'Border round',
  slice: 'Box behind',
};

/** A path to begin with; settling makes it keep to what it is fitted to. */
const ANY = lineShape({ x: 0, y: 0 }, { x: 1, y: 0 });

/**
 * Draws strokes that keep to the size of a layer or group, in the group it lies in: one, or as many slices as fill a box
 * behind it.
 * @param ids of the strokes to be made, as many as slices (one for all else).
 */
export function surround(
  piece: Piece,
  to: { readonly id: string; readonly name: string },
  as: Surround,
  ids: readonly string[],
  ink: Ink,
  part: Partial<Omit<Fitted, 'to' | 'as' | 'slice'>> & {
    readonly way?: NonNullable<Fitted['slice']>['way'];
  } = {},
): Piece {
  const { way = 'down', ...rest } = part;
  const around = partWithId(piece, to.id)?.group;
  const strokes = ids.map((id, index): Stroke => {
    const name = cutName(`${NAMES[as]} ${to.name}${ids.length > 1 ? `, ${index + 1}` : ''}`);
    return {
      ...newStroke(id, name, ANY, ink),
      ...(around !== undefined && { group: around }),
      fitted: {
        to: to.id,
        as,
        padX: as === 'under' || as === 'over' ? 0 : 24,
        padY: 18,
        from: 'left',
        radius: 0,
        ...rest,
        ...(as === 'slice' && { slice: { index, of: ids.length, way } }),
      },
    };
  });
  if (as !== 'slice') return addLayers(piece, strokes);
  // A box lies behind what it is round.
  const [first] = layersOf(piece, to.id);
  const at = piece.layers.findIndex((layer) => layer.id === first);
  return { ...piece, layers: [...piece.layers.slice(0, at), ...strokes, ...piece.layers.slice(at)] };
}

import {
  inkOf,
  applyManner,
  arriving,
  changeEffects,
  groupLayers,
  markOf,
  newArrival,
  newPiece,
  newStroke,
  revealThrough,
  setArrival,
  setKey,
  setReveal,
  settlePiece,
  strokeById,
  writeInSequence,
  addLayers,
  type Arrival,
  type ArrivalTimes,
  type Field,
  type Fitted,
  type Ink,
  type Layer,
  type MannerParts,
  type MannerTimes,
  type Piece,
  type Stroke,
} from '@/core/document';
import type { Effect } from '@/core/effects';
import { lineShape, transformPath, type Path } from '@/core/geometry';
import { landingEasing, reversedEasing } from '@/core/timing';
import { DUSK, handOf, lettering, settingOf, type HANDWRITTEN } from './texts';

/** Light letters over a light shot are read by the dark round them, at SD too. */
const DARK_ROUND: Effect = {
  on: true,
  is: { kind: 'glow', size: 9, gain: 2.6, colour: '#101714', opacity: 0.85 },
};

/** Texts that stand on the shot itself, readable over whatever it shows. */
export const readable = (piece: Piece, ids: readonly string[]): Piece =>
  changeEffects(piece, ids, (effects) => [...effects, DARK_ROUND]);

/** An empty piece of a length in frames, 1080p at 25 a second. */
export const blank = (name: string, length: number): Piece => ({
  ...newPiece(name, { width: 1920, height: 1080 }, { numerator: 25, denominator: 1 }, length),
  over: DUSK,
});

/** Flat ends and sharp corners: rules, borders and boxes. */
export const rule = (width: number, colour: string, part: Partial<Ink> = {}): Ink =>
  inkOf(width, colour, { cap: 'flat', join: 'miter', ...part });

/** A stroke that keeps to the size of something; where it lies follows from that. */
export const fitted = (
  id: string,
  name: string,
  look: Ink,
  keeps: Partial<Fitted> & Pick<Fitted, 'to' | 'as'>,
): Stroke => ({
  ...newStroke(id, name, lineShape({ x: 0, y: 0 }, { x: 1, y: 0 }), look),
  fitted: { padX: 0, padY: 0, from: 'left', radius: 0, ...keeps },
});

/** As many slices as fill a box behind something. */
export const slices = (
  id: string,
  name: string,
  count: number,
  look: Ink,
  keeps: Pick<Fitted, 'to' | 'padX' | 'padY'>,
  way: NonNullable<Fitted['slice']>['way'],
): Stroke[] =>
  Array.from({ length: count }, (_, index) => ({
    ...fitted(`${id}-${index + 1}`, `${name}, ${index + 1}`, look, { ...keeps, as: 'slice' }),
    fitted: {
      from: 'left' as const,
      radius: 0,
      ...keeps,
      as: 'slice' as const,
      slice: { index, of: count, way },
    },
  }));

export const put = (piece: Piece, layers: readonly Layer[]): Piece =>
  settlePiece(piece, addLayers(piece, layers));

export const group = (piece: Piece, id: string, name: string, ids: readonly string[]): Piece =>
  settlePiece(piece, groupLayers(piece, ids, { id, name }));

/** Draws strokes on, and off where `offAt` is given. */
export const drawn = (
  piece: Piece,
  ids: readonly string[],
  parts: Omit<MannerParts, 'kind'> & Partial<MannerTimes>,
): Piece => applyManner(piece, ids, { kind: parts.offAt === undefined ? 'on' : 'both', ...parts }, 'Drawn');

export const comes = (piece: Piece, id: string, how: Partial<Arrival>, times: ArrivalTimes): Piece =>
  arriving(
    setArrival(piece, [id], () => newArrival(how)),
    [id],
    times,
  );

/** Makes text there from a frame on and gone from another, faded. */
export const fades = (piece: Piece, id: string, times: ArrivalTimes, how: Partial<Arrival> = {}): Piece =>
  comes(piece, id, { from: null, fade: true, ...how }, times);

/** A field of one part of a layer, as a colour of an effect. */
export const partField = (name: string, kind: Field['kind'], part: string, of: string): Field => ({
  name,
  kind,
  of: [of],
  part,
});
export const field = (name: string, kind: Field['kind'], ...of: string[]): Field => ({ name, kind, of });

interface Wave {
  readonly id: string;
  readonly colour: string;
  /** Frames in which it is written, and in which it leaves. */
  readonly on: readonly [number, number];
  readonly off?: readonly [number, number];
}

const moved = (path: Path, x: number, y: number): Path => transformPath(path, [1, 0, 0, 1, x, y]);

/** A handwritten text, seen through the strokes of a hand of its own. */
export function handwritten(
  piece: Piece,
  key: (typeof HANDWRITTEN)[number],
  x: number,
  y: number,
  { id, colour, on, off }: Wave,
): Piece {
  const text = { ...lettering(id, key, x, y, colour), written: settingOf(key) };
  const strokes = handOf(key).map(({ name, path, ink: look, traced }, i): Stroke => {
    const own = moved(path, x, y);
    return {
      ...newStroke(`${id}-${i + 1}`, name, own, { ...look, colour }),
      pace: { kind: 'hand', strength: 1, soft: 0.4 },
      traced: { ...traced!, from: id, mark: markOf(own) },
    };
  });
  const ids = strokes.map((stroke) => stroke.id);
  const hand = `${id}-hand`;
  let made = addLayers(piece, [text, ...strokes]);
  made = groupLayers(made, ids, { id: hand, name: `${text.name}, hand` });
  made = setReveal(made, [id], revealThrough([hand], { confined: true }));
  made = writeInSequence(made, ids, on[0], on[1]);
  if (off) made = leaving(made, ids, off[0], off[1]);
  return settlePiece(piece, made);
}

/** Frames after a text that a repeat of it follows, and frames before it in which that has left. */
interface Follower {
  readonly colour: string;
  readonly later: number;
  readonly earlier: number;
}

/** A text with a wake of recoloured repeats over it. */
export const withWake = (piece: Piece, id: string, followers: readonly Follower[]): Piece =>
  changeEffects(piece, [id], () => [
    {
      on: true,
      is: {
        kind: 'wake',
        repeats: followers.map(({ colour, later, earlier }) => ({
          delay: later,
          recoloured: true,
          colour,
          opacity: 1,
          width: 1,
          x: 0,
          y: 0,
          lies: 'over',
          reach: 1,
          sooner: later + earlier,
        })),
      },
    },
  ]);

/** Lets strokes leave one after another as they came, each the faster the less is left of it: slow ends would stay as crumbs. */
export function leaving(piece: Piece, ids: readonly string[], from: number, to: number): Piece {
  const each = Math.max(4, Math.round((to - from) * 0.6));
  const away = reversedEasing(landingEasing(0.6));
  return ids.reduce((result, id, i) => {
    if (!strokeById(result, id)) return result;
    const start = Math.round(from + ((to - from - each) * i) / Math.max(1, ids.length - 1));
    return setKey(setKey(result, id, 'tail', start, 0, away), id, 'tail', start + each, 1, away);
  }, piece);
}

export const withFields = (piece: Piece, ...fields: Field[]): Piece => ({ ...piece, fields });
export const withHold = (piece: Piece, from: number, to: number): Piece => ({ ...piece, hold: { from, to } });

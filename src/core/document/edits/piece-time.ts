import { framesPerSecond, keysOf, mapValues, type Animated, type Rate } from '../../timing';
import { changed } from '../changed';
import { keyedParts, mapKeyed, partOf, withAllRetimed, type Keyed } from '../keyed-parts';
import { LIMITS, type Marker, type Piece } from '../schema';
import type { Travel } from '../window-schema';

/** What a change of the rate leaves as it is. */
export type Kept = 'seconds' | 'frames';

const travelTimed = (travel: Travel, factor: number): Travel =>
  travel.unit === 'frames'
    ? { ...travel, length: mapValues(travel.length, (frames) => frames * factor) }
    : travel;

function timed<K extends Keyed>(keyed: K, factor: number): K {
  const moved = mapKeyed(keyed, (value) => withAllRetimed(value, (frame) => frame * factor));
  const { travel } = moved.window;
  return travel ? { ...moved, window: { ...moved.window, travel: travelTimed(travel, factor) } } : moved;
}

/** Everything in a piece that has a place in time, spread or squeezed by a factor; its length too. */
function spreadInTime(piece: Piece, factor: number): Piece {
  const at = (frame: number): number => Math.round(frame * factor);
  const markers = piece.markers.map((marker) => ({ ...marker, frame: at(marker.frame) }));
  const { workRange } = piece;
  return changed<Piece>(piece, {
    length: Math.min(LIMITS.frames, Math.max(1, at(piece.length))),
    layers: piece.layers.map((layer) => {
      if (layer.type !== 'stroke') return layer;
      const stroke = timed(layer, factor);
      return stroke.cue ? { ...stroke, cue: { ...stroke.cue, offset: at(stroke.cue.offset) } } : stroke;
    }),
    groups: piece.groups.map((group) => (group.line ? { ...group, line: timed(group.line, factor) } : group)),
    markers: markers.filter((marker, i) => i === markers.length - 1 || marker.frame < markers[i + 1]!.frame),
    ...(workRange && {
      workRange: { from: at(workRange.from), to: Math.max(at(workRange.from) + 1, at(workRange.to)) },
    }),
  });
}

/** A piece at another rate: kept seconds move every key to the nearest frame there, kept frames make all of it run quicker or slower. */
export function withRate(piece: Piece, rate: Rate, keep: Kept): Piece {
  const factor = framesPerSecond(rate) / framesPerSecond(piece.rate);
  return { ...(keep === 'seconds' && factor !== 1 ? spreadInTime(piece, factor) : piece), rate };
}

/** A piece of another length, in frames; what is keyed stays where it is, or is spread over the new length. */
export function withLength(piece: Piece, length: number, spread: boolean): Piece {
  const now = Math.min(LIMITS.frames, Math.max(1, Math.round(length)));
  if (!spread) return { ...piece, length: now };
  return { ...spreadInTime(piece, now / piece.length), length: now };
}

/** The last frame that is keyed anywhere; 0 where none is. */
export function lastKeyedFrame(piece: Piece): number {
  const owners: Keyed[] = [
    ...piece.layers.flatMap((layer) => (layer.type === 'stroke' ? [layer] : [])),
    ...piece.groups.flatMap((group) => (group.line ? [group.line] : [])),
  ];
  return owners.reduce(
    (last, keyed) =>
      keyedParts(keyed).reduce(
        (most, part) => Math.max(most, keysOf(partOf(keyed, part) as Animated).at(-1)!.frame),
        last,
      ),
    0,
  );
}

/** Puts a marker at its frame; one that was there gives place. */
export const putMarker = (piece: Piece, marker: Marker): Piece => ({
  ...piece,
  markers: [...piece.markers.filter((other) => other.frame !== marker.frame), marker].sort(
    (a, b) => a.frame - b.frame,
  ),
});

export const removeMarker = (piece: Piece, frame: number): Piece => ({
  ...piece,
  markers: piece.markers.filter((marker) => marker.frame !== frame),
});

/** Moves a marker; where another stands it takes its place. */
export function moveMarker(piece: Piece, from: number, to: number): Piece {
  const marker = piece.markers.find((other) => other.frame === from);
  const frame = Math.min(LIMITS.frames, Math.max(0, Math.round(to)));
  return marker && frame !== from ? putMarker(removeMarker(piece, from), { ...marker, frame }) : piece;
}

/** Sets the frames that are played while working; null for all of them. */
export const setWorkRange = (piece: Piece, range: Piece['workRange'] | null): Piece =>
  changed<Piece>(piece, { workRange: range ?? undefined });

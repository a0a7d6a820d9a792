import { clamp } from '../../numbers';
import { framesPerSecond, keysOf, mapValues, type Animated, type Rate } from '../../timing';
import { allKeyed, spanOfKeys, updateKeyed } from '../keys';
import { kindOf } from '../kinds';
import {
  changed,
  keyedParts,
  longestDelay,
  mapKeyed,
  partOf,
  sameValue,
  withAllRetimed,
  type Keyed,
  type KeyValue,
} from '../parts';
import { LIMITS, type Marker, type Piece, type Travel } from '../schema';

/** What a change of the rate leaves as it is. */
export type Kept = 'seconds' | 'frames';

/** What a change of the length does to what is keyed: leaves it, spreads it over the new length, or stretches the hold alone. */
export type Stretch = 'stays' | 'spread' | 'hold';

const travelTimed = (travel: Travel, factor: number): Travel =>
  travel.unit === 'frames'
    ? { ...travel, length: mapValues(travel.length, (frames) => frames * factor) }
    : travel;

/** Everything keyed, at the frames that a rule gives; what counts in frames without a place in time grows by the factor. */
function timed<K extends Keyed>(keyed: K, at: (frame: number) => number, factor: number): K {
  const moved = mapKeyed(keyed, (value) => withAllRetimed(value, at));
  const { window, arrival } = moved;
  return {
    ...moved,
    ...(window?.travel && { window: { ...window, travel: travelTimed(window.travel, factor) } }),
    ...(arrival && {
      arrival: {
        ...arrival,
        gap: arrival.gap * factor,
        ...(arrival.within !== undefined && { within: arrival.within * factor }),
      },
    }),
  };
}

/** Everything in a piece that has a place in time, at the frames that a rule gives; its length is left alone. */
function retimed(piece: Piece, at: (frame: number) => number, factor: number): Piece {
  const whole = (frame: number): number => clamp(Math.round(at(frame)), 0, LIMITS.frames);
  const markers = piece.markers.map((marker) => ({ ...marker, frame: whole(marker.frame) }));
  const range = (now: { from: number; to: number }) => ({
    from: whole(now.from),
    to: Math.max(whole(now.from) + 1, whole(now.to)),
  });
  const ids = allKeyed(piece).map(({ id }) => id);
  const moved = updateKeyed(piece, ids, (keyed) => timed(keyed, at, factor));
  return changed<Piece>(moved, {
    layers: moved.layers.map((layer) => kindOf(layer).retimed(layer, at, factor)),
    markers: markers.filter((marker, i) => i === markers.length - 1 || marker.frame < markers[i + 1]!.frame),
    ...(piece.workRange && { workRange: range(piece.workRange) }),
    ...(piece.hold && { hold: range(piece.hold) }),
    ...(piece.poster !== undefined && { poster: whole(piece.poster) }),
  });
}

/** Everything in a piece that has a place in time, spread or squeezed by a factor; its length too. */
const spreadInTime = (piece: Piece, factor: number): Piece => ({
  ...retimed(piece, (frame) => frame * factor, factor),
  length: clamp(Math.round(piece.length * factor), 1, LIMITS.frames),
});

/** A piece at another rate: kept seconds move every key to the nearest frame there, kept frames make all of it run quicker or slower. */
export function withRate(piece: Piece, rate: Rate, keep: Kept): Piece {
  const factor = framesPerSecond(rate) / framesPerSecond(piece.rate);
  return { ...(keep === 'seconds' && factor !== 1 ? spreadInTime(piece, factor) : piece), rate };
}

/** The rule that leaves what comes before and after a hold as quick as it is, and stretches the hold by some frames. */
function holdRule(hold: NonNullable<Piece['hold']>, by: number): (frame: number) => number {
  const grown = (hold.to - hold.from + by) / (hold.to - hold.from);
  return (frame) =>
    frame <= hold.from ? frame : frame >= hold.to ? frame + by : hold.from + (frame - hold.from) * grown;
}

/** The shortest a piece can be made by its hold alone: a frame of it is left. */
export const shortestByHold = (piece: Pick<Piece, 'length' | 'hold'>): number =>
  piece.hold ? piece.length - (piece.hold.to - piece.hold.from) + 1 : piece.length;

/** A piece of another length, in frames. Where only the hold is stretched, it is never less than a frame. */
export function withLength(piece: Piece, length: number, stretch: Stretch): Piece {
  const now = clamp(Math.round(length), 1, LIMITS.frames);
  if (stretch === 'hold' && piece.hold) {
    const held = Math.max(now, shortestByHold(piece));
    return { ...retimed(piece, holdRule(piece.hold, held - piece.length), 1), length: held };
  }
  if (stretch !== 'spread') return { ...piece, length: now };
  return { ...spreadInTime(piece, now / piece.length), length: now };
}

/** Protects what comes before and after some frames from changes of the length; null for no such frames. */
export const setHold = (piece: Piece, hold: Piece['hold'] | null): Piece =>
  changed<Piece>(piece, { hold: hold ?? undefined });

/**
 * The longest stretch of a piece in which nothing that is keyed moves, as its hold: from the frame after the last key of
 * coming to the first of leaving; null where there is none of two frames.
 */
export function restOf(piece: Piece): NonNullable<Piece['hold']> | null {
  const delays = new Map(
    piece.layers.map((layer) => [layer.id, layer.type === 'lettering' ? longestDelay(layer) : 0]),
  );
  // Between two keys that hold the same nothing moves, so only stretches that change something count.
  const busy = allKeyed(piece).flatMap(({ id, keyed }) => {
    const later = delays.get(id) ?? 0;
    return keyedParts(keyed).flatMap((part) => {
      const keys = keysOf(partOf(keyed, part) as Animated<KeyValue>);
      return keys.flatMap((key, i) => {
        const next = keys[i + 1];
        return next && !sameValue(next.value, key.value) ? [{ from: key.frame, to: next.frame + later }] : [];
      });
    });
  });
  if (busy.length === 0) return null;
  const sorted = busy.sort((a, b) => a.from - b.from);
  let best: NonNullable<Piece['hold']> | null = null;
  let end = sorted[0]!.to;
  for (const { from, to } of sorted.slice(1)) {
    const gap = { from: Math.ceil(end), to: Math.floor(from) };
    if (gap.to - gap.from >= 2 && gap.to - gap.from > (best ? best.to - best.from : 0)) best = gap;
    end = Math.max(end, to);
  }
  return best;
}

/** The last frame that is keyed anywhere; 0 where none is. */
export const lastKeyedFrame = (piece: Piece): number =>
  Math.max(0, ...allKeyed(piece).map(({ keyed }) => spanOfKeys(keyed)?.last ?? 0));

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
  const frame = clamp(Math.round(to), 0, LIMITS.frames);
  return marker && frame !== from ? putMarker(removeMarker(piece, from), { ...marker, frame }) : piece;
}

/** Sets the frames that are played while working; null for all of them. */
export const setWorkRange = (piece: Piece, range: Piece['workRange'] | null): Piece =>
  changed<Piece>(piece, { workRange: range ?? undefined });

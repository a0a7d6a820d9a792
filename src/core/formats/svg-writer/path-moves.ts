import { compactPathData, type PathCommand } from '../../geometry';
import { sampleOf, trimOf, type ShapeTrack } from '../tracks';
import { gliding, held, stepping, type Clock } from './clock';
import { short } from './element';

/** The path of a shape through time: one that is trimmed by its dashes where its frames are parts of it, else path by path. */
export function pathMoves(
  clock: Clock,
  { items }: ShapeTrack,
): { attributes: Record<string, string>; moves: string } {
  const first = sampleOf({ kind: 'shape', items });
  const trim =
    first.kind === 'stroke' && !first.dashes && !first.transform
      ? trimOf(items.map((one) => one?.path ?? null))
      : null;
  if (!trim) {
    const texts = new Map<readonly PathCommand[], string>();
    const data = held(
      items.map((item) => {
        if (!item) return null;
        let text = texts.get(item.path);
        if (text === undefined) texts.set(item.path, (text = compactPathData(item.path, 3)));
        return text;
      }),
    );
    const { value, moves } = stepping(clock, 'd', data);
    return { attributes: { d: value }, moves };
  }
  const gap = Math.ceil(trim.length) + 10;
  // A dash that is longer than its path hides where it ends: that of the whole path has no end to be seen.
  const dash = gliding(
    clock,
    'stroke-dasharray',
    trim.spans.map(
      (span) => span && [span.to - span.from + (span.to >= trim.length && span.from <= 0 ? 5 : 0)],
    ),
    0.05,
    ([length]) => `${short(length!)} ${gap}`,
  );
  const offset = gliding(
    clock,
    'stroke-dashoffset',
    trim.spans.map((span) => span && [-span.from]),
    0.05,
    ([from]) => short(from!),
  );
  return {
    attributes: {
      d: compactPathData(trim.path, 3),
      'stroke-dasharray': dash.value,
      ...((offset.moves || offset.value !== '0') && { 'stroke-dashoffset': offset.value }),
    },
    moves: dash.moves + offset.moves,
  };
}

import { itemBounds, kept, transformed } from '../../draw';
import {
  isArtwork,
  revealersOf,
  windowAt,
  withinGroup,
  type Artwork,
  type Part,
  type Reveal,
  type Stroke,
} from '../../document';
import { boundsMeet, commandsBounds, unite, type PathCommand } from '../../geometry';
import { partItems } from '../art-items';
import { MASK } from '../laid-ink';
import { masked } from '../mask-shapes';
import { heldOutIn, layersThrough, ownersIn, strokesThrough, through } from '../reveal';
import { toMasked } from './mask';
import type { Ask, Items, Step } from './step';

/** Whether all of a stroke is inked. */
function isWritten(stroke: Stroke, frame: number): boolean {
  const { head, tail } = windowAt(stroke, frame);
  return head - tail >= 1;
}

/** What a stroke uncovers of a letter, less what it must leave to the others that write it. */
function leaving(items: Items, held: readonly PathCommand[]): Items {
  const box = unite(items.map(itemBounds).filter((one) => one !== null));
  if (!box || !boundsMeet(box, commandsBounds(held)!)) return items;
  return kept(held, 'leaving', items, (): Items => [
    {
      kind: 'group',
      items: [...items, { kind: 'fill', path: held, colour: MASK, opacity: 1, operator: 'erase' }],
      opacity: 1,
    },
  ]);
}

/** Art or lettering whose letters strokes uncover one by one; text that comes in parts or counts is uncovered as a whole. */
const isLetterByLetter = (part: Part): part is Artwork =>
  'type' in part && isArtwork(part) && !(part.type === 'lettering' && (part.arrival || part.count));

/** Letter by letter, each only through the strokes that run along it; what is no stroke uncovers all of them. */
function uncoverLetters(layer: Artwork, base: Items, reveal: Reveal, { scene, when }: Ask): Items {
  const { piece } = scene;
  const { frame } = when;
  const strokes = strokesThrough(piece, reveal);
  const mattes = strokes.map((one) => scene.show(one, when, 'matte'));
  const written = strokes.map((one) => isWritten(one, frame));
  const others = layersThrough(piece, reveal)
    .filter((one) => one.type !== 'stroke')
    .map((one) => scene.show(one, when, 'matte'));
  const held = heldOutIn(layer, strokes);
  return kept(layer, 'uncovered', [base, held, ...mattes, ...written, ...others], () => {
    const of = ownersIn(layer, strokes);
    const m = withinGroup(piece, layer, frame);
    const back = toMasked(piece, layer, frame);
    return partItems(layer).flatMap((items, i) => {
      // A letter that is written needs nothing held out: each of its strokes covers what the others left to it.
      const whole = of[i]!.every((k) => written[k]!);
      const uncovering = of[i]!.flatMap((k, n) => {
        const left = whole ? null : held[i]![n]!;
        return left ? leaving(mattes[k]!, left) : mattes[k]!;
      });
      const shown = [...uncovering, ...others.flat()];
      // A letter whose strokes stand still is the very same item, which painting knows again.
      return kept(items, 'letter', [base, reveal, ...shown], () => {
        const left = layer.masks?.length ? masked(items, layer.masks, frame, back) : items;
        return through(
          left.map((item) => transformed(item, m)),
          shown,
          reveal,
        );
      });
    });
  });
}

/** What is seen of a part through others. */
export const uncover: Step = (ask, before) => {
  const base = before();
  const { scene, part, when, as } = ask;
  const { reveal } = part;
  if (!reveal) return base;
  const revealers = revealersOf(scene.piece, reveal);
  // What all is gone that it was seen through is seen as it is.
  if (revealers.length === 0) return base;
  if (reveal.confined && isLetterByLetter(part) && strokesThrough(scene.piece, reveal).length > 0)
    return uncoverLetters(part, base, reveal, ask);
  const mattes = revealers.map((one) => scene.show(one, when, 'matte'));
  return kept(part, `uncovered ${as}`, [base, ...mattes], () => through(base, mattes.flat(), reveal));
};

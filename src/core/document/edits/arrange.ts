import { applyMatrix, compose, inverse, unite, type Bounds, type Matrix, type Point } from '../../geometry';
import { valueAt } from '../../timing';
import { boxOf, mappedBox, worldOf } from '../at';
import { membersOf } from '../parts';
import { partWithId, placementMatrix, type Piece, type PlacementPart } from '../schema';
import { placementOf, setPlace } from './place';

/** Sides and middles that boxes can be aligned by. */
export type AlignBy = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom';
export type Axis = 'x' | 'y';

/** The upright box of a layer or group as it stands in the picture at a frame; null where there is nothing to be seen of it. */
export function standingBox(piece: Piece, id: string, frame: number): Bounds | null {
  const layer = piece.layers.find((one) => one.id === id);
  if (!layer)
    return unite(membersOf(piece, id).flatMap((member) => standingBox(piece, member.id, frame) ?? []));
  const box = boxOf(piece, id);
  return box && mappedBox(box, worldOf(piece, layer, frame));
}

/** Where a box lies along an axis: its ends and its middle, px. */
const spanOf = (box: Bounds, axis: Axis) => {
  const [from, to] = axis === 'x' ? [box.left, box.right] : [box.top, box.bottom];
  return { from, to, middle: (from + to) / 2, size: to - from };
};

/** From the coordinates a placement is told in to the picture's; null where something is flat. */
function outerOf(piece: Piece, id: string, frame: number): Matrix | null {
  const part = partWithId(piece, id);
  const back = inverse(placementMatrix(placementOf(piece, id, frame), frame));
  return part && back ? compose(worldOf(piece, part, frame), back) : null;
}

/** Moves a layer or group by a way in the picture. */
function moved(piece: Piece, id: string, frame: number, by: Point): Piece {
  const outer = outerOf(piece, id, frame);
  const back = outer && inverse(outer);
  if (!back) return piece;
  const [a, b, c, d] = back;
  const way = applyMatrix([a, b, c, d, 0, 0], by);
  const { x, y } = placementOf(piece, id, frame);
  return setPlace(piece, id, frame, { x: valueAt(x, frame) + way.x, y: valueAt(y, frame) + way.y });
}

/** Something that is carried by another that is moved too is put right again: so many rounds at most. */
const ROUNDS = 8;
const NEAR = 1e-6;

/** Moves each so that its box begins where it is wanted along an axis. */
function movedTo(piece: Piece, frame: number, axis: Axis, wanted: ReadonlyMap<string, number>): Piece {
  let now = piece;
  for (let round = 0; round < ROUNDS; round++) {
    let still = true;
    for (const [id, to] of wanted) {
      const box = standingBox(now, id, frame);
      const by = box ? to - spanOf(box, axis).from : 0;
      if (Math.abs(by) < NEAR) continue;
      still = false;
      now = moved(now, id, frame, axis === 'x' ? { x: by, y: 0 } : { x: 0, y: by });
    }
    if (still) break;
  }
  return now;
}

/** Each id with the box that it stands in; those without are left out. */
const standingBoxes = (piece: Piece, ids: readonly string[], frame: number) =>
  ids.flatMap((id) => {
    const box = standingBox(piece, id, frame);
    return box ? [{ id, box }] : [];
  });

/**
 * Aligns layers and groups by a side or middle, as they stand at a frame: to one another's common box, or to the box that is
 * given. What is keyed gets a key there.
 */
export function alignParts(
  piece: Piece,
  ids: readonly string[],
  frame: number,
  by: AlignBy,
  to: Bounds | null = null,
): Piece {
  const axis: Axis = by === 'left' || by === 'centre' || by === 'right' ? 'x' : 'y';
  const all = standingBoxes(piece, ids, frame);
  const around = to ?? unite(all.map(({ box }) => box));
  if (!around) return piece;
  const goal = spanOf(around, axis);
  const wanted = all.map(({ id, box }): [string, number] => {
    const { size } = spanOf(box, axis);
    if (by === 'left' || by === 'top') return [id, goal.from];
    return [id, by === 'centre' || by === 'middle' ? goal.middle - size / 2 : goal.to - size];
  });
  return movedTo(piece, frame, axis, new Map(wanted));
}

/**
 * Distributes three or more layers and groups between the two outermost, which stay: their middles evenly, or with equal gaps
 * between them.
 */
export function distributeParts(
  piece: Piece,
  ids: readonly string[],
  frame: number,
  axis: Axis,
  what: 'middles' | 'gaps',
): Piece {
  const all = standingBoxes(piece, ids, frame)
    .map(({ id, box }) => ({ id, ...spanOf(box, axis) }))
    .sort((a, b) => a.middle - b.middle);
  if (all.length < 3) return piece;
  const [first, last] = [all[0]!, all.at(-1)!];
  const wanted = new Map<string, number>();
  if (what === 'middles') {
    const step = (last.middle - first.middle) / (all.length - 1);
    all.forEach((one, i) => wanted.set(one.id, first.middle + i * step - one.size / 2));
  } else {
    const sizes = all.reduce((sum, one) => sum + one.size, 0);
    const gap = (last.to - first.from - sizes) / (all.length - 1);
    let at = first.from;
    for (const one of all) {
      wanted.set(one.id, at);
      at += one.size + gap;
    }
  }
  return movedTo(piece, frame, axis, wanted);
}

/** Scales a layer or group about a place in the picture, as a whole: by one factor for both of its axes. */
function scaled(piece: Piece, id: string, frame: number, factor: number, about: Point): Piece {
  const outer = outerOf(piece, id, frame);
  const back = outer && inverse(outer);
  if (!back) return piece;
  const c = applyMatrix(back, about);
  const place = placementOf(piece, id, frame);
  const at = (part: 'x' | 'y' | 'pivotX' | 'pivotY' | 'scaleX' | 'scaleY') => valueAt(place[part], frame);
  const [px, py] = [at('pivotX'), at('pivotY')];
  return setPlace(piece, id, frame, {
    scaleX: at('scaleX') * factor,
    scaleY: at('scaleY') * factor,
    x: c.x + factor * (px + at('x') - c.x) - px,
    y: c.y + factor * (py + at('y') - c.y) - py,
  });
}

/** Gives layers and groups the width or height of the first of them, each in its own proportions about its own middle. */
export function sameSize(piece: Piece, ids: readonly string[], frame: number, axis: Axis): Piece {
  const [first, ...rest] = standingBoxes(piece, ids, frame);
  if (!first) return piece;
  const goal = spanOf(first.box, axis).size;
  return rest.reduce((now, { id }) => {
    const box = standingBox(now, id, frame);
    const { size } = box ? spanOf(box, axis) : { size: 0 };
    if (!box || size === 0 || goal === 0) return now;
    const about = { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 };
    return scaled(now, id, frame, goal / size, about);
  }, piece);
}

/** Makes layers and groups together so wide or high, px, in their own proportions; their left upper corner stays. */
export function sizedTo(piece: Piece, ids: readonly string[], frame: number, axis: Axis, to: number): Piece {
  const around = unite(standingBoxes(piece, ids, frame).map(({ box }) => box));
  const size = around ? spanOf(around, axis).size : 0;
  if (!around || size === 0 || to <= 0) return piece;
  const about = { x: around.left, y: around.top };
  return ids.reduce((now, id) => scaled(now, id, frame, to / size, about), piece);
}

/**
 * Flips layers and groups as one about the middle of their common box: left and right, or top and bottom, change places.
 * Within a group that is turned, it is the group's own left and right.
 */
export function flipParts(piece: Piece, ids: readonly string[], frame: number, axis: Axis): Piece {
  const around = unite(standingBoxes(piece, ids, frame).map(({ box }) => box));
  if (!around) return piece;
  const about = { x: (around.left + around.right) / 2, y: (around.top + around.bottom) / 2 };
  return ids.reduce((now, id) => {
    const outer = outerOf(now, id, frame);
    const back = outer && inverse(outer);
    if (!back) return now;
    const c = applyMatrix(back, about);
    const place = placementOf(now, id, frame);
    const at = (part: Exclude<PlacementPart, 'opacity'>) => valueAt(place[part], frame);
    // A mirror image of something turned and slanted is turned and slanted the other way.
    const mirrored = {
      rotation: -at('rotation'),
      skewX: -at('skewX'),
      skewY: -at('skewY'),
    };
    return axis === 'x'
      ? setPlace(now, id, frame, {
          ...mirrored,
          scaleX: -at('scaleX'),
          x: 2 * c.x - 2 * at('pivotX') - at('x'),
        })
      : setPlace(now, id, frame, {
          ...mirrored,
          scaleY: -at('scaleY'),
          y: 2 * c.y - 2 * at('pivotY') - at('y'),
        });
  }, piece);
}

// Whether a picture shows how it was come to: by playing, jumping, editing, undoing or zooming.
import { applyManner, removeLayers, setInk, strokesOf, type Piece } from '../document';
import { paint, picturePainter, type MakeCanvas, type PaintContext, type Placement } from '../paint';
import { evaluate } from '../scene';
import { seeded } from './families';
import { randomEffects, randomPiece, randomPlaced, randomReveals } from './random-pieces';

/** Piece pixels to canvas pixels: small, so that many can be looked at. */
const SCALE = 0.25;

/** Something that is looked at: a piece as it is at one moment, at a frame, from some distance. */
export interface Look {
  readonly piece: Piece;
  readonly frame: number;
  readonly placement: Placement;
}

/** A random piece that is written and leaves again, and what is looked at of it, one look after another. */
export function randomHistory(seed: number): Look[] {
  const random = seeded(9000 + seed);
  // Effects take longest to be painted.
  const make = seed % 8 === 3 ? randomEffects : [randomPiece, randomReveals, randomPlaced][seed % 3]!;
  const still = make(seed);
  const ids = strokesOf(still).map(({ id }) => id);
  const written = ids.reduce(
    (piece, id, i) =>
      applyManner(piece, [id], {
        kind: 'both',
        from: 'start',
        onAt: i * 2,
        onFrames: 12,
        offAt: 50,
        offFrames: 12,
      }),
    still,
  );
  const edited = setInk(written, [ids[Math.floor(random() * ids.length)]!], () => ({
    width: 3 + random() * 20,
  }));
  const less = removeLayers(written, [ids[Math.floor(random() * ids.length)]!]);
  const near = { x: 0, y: 0, scale: SCALE };
  const far = { x: 10.3, y: -7.5, scale: SCALE * 1.2 };
  const at = Math.floor(random() * 55);
  return [
    { piece: written, frame: at, placement: near },
    { piece: written, frame: at + 1, placement: near },
    { piece: edited, frame: at + 1, placement: near },
    { piece: written, frame: at + 1, placement: near },
    { piece: less, frame: at + 2, placement: near },
    { piece: written, frame: Math.floor(random() * 60), placement: far },
    { piece: written, frame: at, placement: far },
    { piece: written, frame: at + 1, placement: near },
  ];
}

/**
 * The first look at which a canvas that is kept up to date does not hold the very pixels of one that is painted afresh, or the
 * boxes that are said to have changed leave out one that did; null where there is none.
 */
export function historyFault(looks: readonly Look[], make: MakeCanvas): string | null {
  const first = looks[0]!.piece.size;
  const [width, height] = [Math.round(first.width * SCALE), Math.round(first.height * SCALE)];
  const context = (): PaintContext => make(width, height).getContext('2d') as PaintContext;
  const read = (one: PaintContext): Uint8ClampedArray => one.getImageData(0, 0, width, height).data;
  const [kept, apart] = [context(), context()];
  const painters = [picturePainter(kept, make), picturePainter(apart, make, true)] as const;
  /** What a reader holds who takes only what is said to have changed. */
  let taken = new Uint8ClampedArray(width * height * 4);
  let from: Placement | null = null;
  for (const [i, { piece, frame, placement }] of looks.entries()) {
    const list = evaluate(piece, frame, 6);
    // With canvases of its own, and nothing kept of any picture before.
    const anew: MakeCanvas = (w, h) => make(w, h);
    const fresh = context();
    const whole = { left: 0, top: 0, right: width, bottom: height };
    const box = {
      left: Math.max(0, Math.round(placement.x)),
      top: Math.max(0, Math.round(placement.y)),
      right: Math.min(width, Math.round(placement.x + piece.size.width * placement.scale)),
      bottom: Math.min(height, Math.round(placement.y + piece.size.height * placement.scale)),
    };
    if (Object.entries(whole).some(([side, value]) => box[side as keyof typeof box] !== value)) {
      fresh.beginPath();
      fresh.rect(box.left, box.top, box.right - box.left, box.bottom - box.top);
      fresh.clip();
    }
    fresh.setTransform(1, 0, 0, 1, placement.x, placement.y);
    paint(list, fresh, anew, placement.scale);
    const expected = read(fresh);
    painters[0].paint(list, placement);
    const places = painters[1].paint(list, placement);
    if (from !== placement) taken = new Uint8ClampedArray(width * height * 4);
    from = placement;
    for (const { left, top, right, bottom } of places) {
      const { data } = apart.getImageData(left, top, right - left, bottom - top);
      const across = (right - left) * 4;
      for (let y = top; y < bottom; y++)
        taken.set(data.subarray((y - top) * across, (y - top + 1) * across), (y * width + left) * 4);
    }
    const own = read(kept);
    for (const [name, pixels] of [
      ['kept', own],
      ['taken', taken],
    ] as const) {
      const k = pixels.findIndex((value, at) => value !== expected[at]);
      if (k >= 0) {
        const pixel = Math.floor(k / 4);
        return `look ${i}, frame ${frame}, ${name}: ${pixels[k]} for ${expected[k]} at ${pixel % width}, ${Math.floor(pixel / width)}`;
      }
    }
  }
  return null;
}

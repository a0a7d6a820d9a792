import {
  addLayers,
  applyManner,
  DEFAULT_INK,
  newPiece,
  newStroke,
  revealThrough,
  setInk,
  setReveal,
  strokesOf,
  writeInSequence,
  type Art,
  type ArtShape,
  type Ink,
  type Piece,
} from '../../src/core/document';
import { parallelPath, pathData, reversePath, smooth, wholePath, type Path } from '../../src/core/geometry';
import { seeded } from '../../src/core/testing/families';
import { LINEAR } from '../../src/core/timing';

/** A 1080p piece of n wavy strokes of five points that write on one after another and off again. */
export function waves(n: number, length = 100): Piece {
  const random = seeded(n);
  const strokes = Array.from({ length: n }, (_, i) => {
    const y = 80 + (920 * i) / n;
    const points = Array.from({ length: 5 }, (_, k) =>
      smooth(160 + k * 390, y + random() * 120 - 60, { x: 90 + random() * 60, y: random() * 120 - 60 }),
    );
    return newStroke(`s${i}`, `Wave ${i + 1}`, { closed: false, points });
  });
  const piece = addLayers(newPiece(`${n} waves`, undefined, undefined, length), strokes);
  return strokes.reduce(
    (result, stroke, i) =>
      applyManner(result, [stroke.id], {
        kind: 'both',
        from: 'start',
        onAt: Math.round((i / n) * 30),
        onFrames: 30,
        offAt: 70,
        offFrames: 20,
      }),
    piece,
  );
}

/** What a title in full ink wears: fine ends on what shows, a bright head that fades to its tail, dashes. */
export const FULL_INK: Partial<Ink> = {
  taper: {
    start: { length: 0.3, unit: 'share', tip: 0, curve: LINEAR },
    end: { length: 0.3, unit: 'share', tip: 0, curve: LINEAR },
    over: 'visible',
  },
  gradient: {
    along: 'visible',
    from: { x: 0, y: 0 },
    to: { x: 0, y: 0 },
    stops: [
      { at: 0, colour: '#ff6b3d', opacity: 0 },
      { at: 0.6, colour: '#ff6b3d', opacity: 1 },
      { at: 1, colour: '#ffe9c9', opacity: 1 },
    ],
  },
  dashes: {
    pattern: [3, 2],
    unit: 'widths',
    phase: 0,
    flow: 'stay',
    speed: { value: 0, unit: 'px', seamless: true },
    fit: false,
    corners: false,
    grow: 0,
  },
};

/** The strokes of a piece written one after another through nearly all of its length, as a hand does. */
export const inOrder = (piece: Piece): Piece =>
  writeInSequence(
    piece,
    strokesOf(piece).map(({ id }) => id),
    2,
    piece.length - 6,
  );

/** The outline of a pen's way, in some dozen curves as letters of a face have. */
function letterOf(path: Path, width: number): string {
  const [left, right] = [parallelPath(path, width / 2), reversePath(parallelPath(path, -width / 2))];
  return pathData(wholePath({ closed: true, points: [...left.points, ...right.points] }));
}

/** A title of n letters as art, each revealed by a stroke of its own that is a little wider. */
export function revealedTitle(n: number): Piece {
  const piece = title(n);
  const strokes = strokesOf(piece);
  const shapes = strokes.map(({ path, ink }): ArtShape => ({
    data: letterOf(path, ink.width as number),
    fill: '#ede6d8',
    fillOpacity: 1,
    rule: 'nonzero',
    line: null,
    transform: [1, 0, 0, 1, 0, 0],
  }));
  const art: Art = {
    type: 'art',
    id: 'art',
    name: 'Letters',
    hidden: false,
    locked: false,
    opacity: 1,
    transform: [1, 0, 0, 1, 0, 0],
    shapes,
  };
  const ids = strokes.map(({ id }) => id);
  const wider = setInk(addLayers(piece, [art]), ids, ({ width }) => ({ width: (width as number) * 1.3 }));
  return setReveal(wider, ['art'], revealThrough(ids, { confined: true }));
}

/** A 1080p title: n looped strokes of about 400 px, as letters are, all of them growing at once for most of the time. */
export function title(n: number, ink: Partial<Ink> = {}): Piece {
  const random = seeded(n + 5);
  const columns = Math.ceil(Math.sqrt(n * 2.4));
  const [w, h] = [1700 / columns, 900 / Math.ceil(n / columns)];
  const strokes = Array.from({ length: n }, (_, i) => {
    const [x, y] = [110 + (i % columns) * w, 120 + Math.floor(i / columns) * h];
    const k = w / 200;
    const points = [
      smooth(x, y + 90 * k, { x: 70 * k, y: -40 * k }),
      smooth(x + 110 * k, y - 40 * k, { x: -50 * k, y: (-20 - random() * 20) * k }),
      smooth(x + 70 * k, y + 80 * k, { x: 40 * k, y: 30 * k }),
      smooth(x + 190 * k, y + 60 * k, { x: 30 * k, y: -40 * k }),
    ];
    return newStroke(
      `s${i}`,
      `Letter ${i + 1}`,
      { closed: false, points },
      { ...DEFAULT_INK, width: 14 * k, ...ink },
    );
  });
  const piece = addLayers(newPiece(`Title of ${n}`), strokes);
  const keys = (i: number) => [
    { frame: i / n, value: 0, easing: LINEAR },
    { frame: 98 + i / n, value: 1, easing: LINEAR },
  ];
  return {
    ...piece,
    layers: strokes.map((stroke, i) => ({
      ...stroke,
      window: { head: { keys: keys(i) }, tail: 0, slide: 0 },
    })),
  };
}

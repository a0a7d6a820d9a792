// What each effect costs, as a ratio to the same piece without it, on the server and in Chromium's page at 1080p.
import {
  changeEffects,
  newPiece,
  newStroke,
  addLayers,
  applyManner,
  setInk,
  setPlace,
  SHUTTER,
  strokesOf,
  type Piece,
} from '../../src/core/document';
import { EFFECT_KINDS, newEffect } from '../../src/core/effects';
import { smooth } from '../../src/core/geometry';
import { LINEAR } from '../../src/core/timing';
import { evaluate } from '../../src/core/scene';
import { measureBoth, type Times } from './both';
import { waves } from './pieces';
import { middle, ms, report, times, type Row } from './table';

const ids = (piece: Piece): string[] => strokesOf(piece).map(({ id }) => id);

/** A piece with one effect on each of its strokes. */
function withEffect(piece: Piece, name: string, values: object = {}): Piece {
  const { on, is } = newEffect(
    EFFECT_KINDS.find((kind) => kind.name === name)!,
    1,
  );
  return changeEffects(piece, ids(piece), () => [{ on, is: { ...is, ...values } }]);
}

/** The strokes stand all the time. */
const standing = (piece: Piece): Piece => ({
  ...piece,
  layers: strokesOf(piece).map((stroke) => ({ ...stroke, window: { head: 1, tail: 0, slide: 0 } })),
});

const repeat = (delay: number, colour: string) => ({
  delay,
  recoloured: true,
  colour,
  opacity: 1,
  width: 1,
  x: 0,
  y: 0,
  lies: 'under',
  reach: 1,
  sooner: 0,
});
const wake = { repeats: [repeat(3, '#ff6b3d'), repeat(6, '#d9a441'), repeat(9, '#43b3a0')] };
const ring = {
  arrangement: { shape: 'ring', count: 8, radius: 120, from: 0, arc: Math.PI * 2, facing: 'outwards' },
};

/** One wide line across the picture, on its way. */
function wideLine(): Piece {
  const points = Array.from({ length: 5 }, (_, i) =>
    smooth(-50 + i * 500, 540 + (i % 2 ? 80 : -80), { x: 180, y: 0 }),
  );
  const piece = addLayers(newPiece('Line'), [newStroke('s0', 'Line', { closed: false, points })]);
  return applyManner(setInk(piece, ['s0'], { width: 50 }), ['s0'], {
    kind: 'pass',
    onAt: 0,
    onFrames: 100,
    length: { value: 0.5, unit: 'share' },
  });
}

/** Three of thirty standing strokes move, all of it seen through a shutter. */
function moving(shutter: boolean): Piece {
  const still = standing(waves(30));
  const x = { keys: [0, 100].map((frame) => ({ frame, value: frame * 24, easing: LINEAR })) };
  const made = ['s3', 's14', 's25'].reduce((piece, id) => {
    const placed = setPlace(piece, id, 0, {});
    return {
      ...placed,
      layers: placed.layers.map((layer) =>
        layer.id === id ? { ...layer, place: { ...layer.place!, x } } : layer,
      ),
    };
  }, still);
  return shutter ? { ...made, shutter: SHUTTER } : made;
}

const growing = waves(30);
const still = standing(waves(30));
const PIECES: Record<string, Piece> = {
  growing,
  wake: withEffect(growing, 'Wake', wake),
  ring: withEffect(growing, 'Copies', ring),
  glint: withEffect(growing, 'Glint', { at: 0.5 }),
  still,
  'wobble, drawn anew': withEffect(still, 'Wobble', { held: 0.3 }),
  'wobble, held': withEffect(still, 'Wobble', { held: 1000 }),
  'rough edge, drawn anew': withEffect(still, 'Rough edge', { held: 0.3 }),
  'rough edge, held': withEffect(still, 'Rough edge', { held: 1000 }),
  line: wideLine(),
  'fluid ink': withEffect(wideLine(), 'Fluid ink'),
  moving: moving(false),
  'motion blur': moving(true),
  'growing, motion blur': { ...growing, shutter: SHUTTER },
};
const { server, page } = await measureBoth(
  PIECES,
  Array.from({ length: 8 }, (_, i) => 14 + i * 9),
);

const [blurred] = evaluate(PIECES['motion blur']!, 40).items.filter((item) => item.kind === 'group');
const samples = blurred?.kind === 'group' ? blurred.items.length : 0;

type Way = 'all' | 'anew';

const row =
  (where: string, t: Times) =>
  (name: string, to: string, what: string, note: string, way: Way = 'anew'): Row => {
    const [a, b] = [middle(t[name]![way]), middle(t[to]![way])];
    return { what: `${what}, ${where}`, ours: ms(a), other: `without ${ms(b)}`, ratio: times(a / b), note };
  };
report(
  (
    [
      ['server', server],
      ['Chromium', page],
    ] as const
  ).flatMap(([where, t]) => {
    const made = row(where, t);
    return [
      made('wake', 'growing', 'Wake of three on each of 30 strokes', 'aim ≤ 3.3×'),
      made('ring', 'growing', 'Ring of eight of each of 30 strokes', 'aim ≤ 8×'),
      made('glint', 'growing', 'Glint on each of 30 strokes', 'aim ≤ 1.3×'),
      made('wobble, drawn anew', 'still', 'Wobble on 30 strokes, a drawing anew', 'aim ≤ 1.5×'),
      made('wobble, held', 'still', 'Wobble on 30 strokes, held', 'aim ≤ 1.05×', 'all'),
      made('rough edge, drawn anew', 'still', 'Rough edges on 30 strokes, a drawing anew', 'aim ≤ 1.5×'),
      made('rough edge, held', 'still', 'Rough edges on 30 strokes, held', 'aim ≤ 1.05×', 'all'),
      made('fluid ink', 'line', 'Fluid ink, a line 50 px wide across the picture', 'aim ≤ 16 ms in Chromium'),
      made(
        'motion blur',
        'moving',
        `Motion blur of ${samples} samples, 3 of 30 strokes move`,
        'aim ≤ samples × what moves',
      ),
      made(
        'growing, motion blur',
        'growing',
        'Motion blur of 30 strokes that are written',
        'only the heads move',
      ),
    ];
  }),
);

import { inkOf, applyManner, changeEffects, setInk, setKey, type Piece } from '@/core/document';
import { newEffect, EFFECT_KINDS, type Effect } from '@/core/effects';
import { lineShape, smooth, type Path, type PathPoint } from '@/core/geometry';
import { WIDTH_PRESETS } from '@/core/ink';
import { landingEasing } from '@/core/timing';
import { blank, COLOURS, MIDDLE, stroke } from './drawn';

const { x: MX, y: MY } = MIDDLE;
const FULL = Math.PI * 2;

/** An effect of a kind with the values it takes in a picture 1080 high, but for those given. */
function effect(name: string, values: object): Effect {
  const { on, is } = newEffect(
    EFFECT_KINDS.find((kind) => kind.name === name)!,
    1,
  );
  return { on, is: { ...is, ...values } };
}
const withEffects = (piece: Piece, id: string, ...effects: Effect[]): Piece =>
  changeEffects(piece, [id], () => effects);

const ring = (count: number, radius: number, from: number, arc: number) => ({
  shape: 'ring',
  count,
  radius,
  from,
  arc,
  facing: 'outwards',
});

/** An upright line through the middle. */
const upright = (length: number): Path =>
  lineShape({ x: MX, y: MY + length / 2 }, { x: MX, y: MY - length / 2 });

const LIVELY = landingEasing(0.85);
const on = (onFrames: number, offAt: number, offFrames: number) =>
  ({
    kind: 'both',
    from: 'start',
    onAt: 0,
    onFrames,
    offAt,
    offFrames,
    easing: LIVELY,
    offEasing: LIVELY,
  }) as const;

/** Three short ticks over something, one after another. */
function threeTicks(): Piece {
  let piece = stroke(blank('Three ticks', 24, 8), 'tick', 'Tick', upright(70), inkOf(16, COLOURS.minium));
  piece = applyManner(piece, ['tick'], on(5, 12, 6));
  const arrangement = ring(3, 110, -Math.PI / 2 - 0.6, 1.2);
  return withEffects(piece, 'tick', effect('Copies', { arrangement, delay: 2 }));
}

/** Rays that run outward all round. */
function burst(): Piece {
  let piece = stroke(blank('Burst', 24, 6), 'ray', 'Ray', upright(150), inkOf(12, COLOURS.reed));
  piece = applyManner(piece, ['ray'], {
    kind: 'pass',
    onAt: 0,
    onFrames: 14,
    length: { value: 0.5, unit: 'share' },
    easing: LIVELY,
  });
  return withEffects(piece, 'ray', effect('Copies', { arrangement: ring(12, 150, -Math.PI / 2, FULL) }));
}

/** A circle about the middle, from a direction on. */
function circle(radius: number, from: number, arc: number): Path {
  const steps = Math.max(2, Math.ceil((Math.abs(arc) / FULL) * 6));
  const handle = radius * (4 / 3) * Math.tan(arc / steps / 4);
  const points = Array.from({ length: steps + 1 }, (_, i): PathPoint => {
    const a = from + (arc * i) / steps;
    return smooth(MX + radius * Math.cos(a), MY + radius * Math.sin(a), {
      x: -Math.sin(a) * handle,
      y: Math.cos(a) * handle,
    });
  });
  return { closed: false, points };
}

/** Arcs that chase one another outward, fainter each. */
function echoingArcs(): Piece {
  let piece = stroke(
    blank('Echoing arcs', 44, 16),
    'arc',
    'Arc',
    circle(170, -Math.PI / 2, FULL),
    inkOf(12, COLOURS.verdigris),
  );
  piece = applyManner(piece, ['arc'], on(16, 20, 12));
  for (const part of ['place.scaleX', 'place.scaleY']) {
    piece = setKey(piece, 'arc', part, 0, 0.45, LIVELY);
    piece = setKey(piece, 'arc', part, 30, 1.25, LIVELY);
  }
  const repeat = (delay: number, opacity: number) => ({
    delay,
    recoloured: false,
    colour: COLOURS.verdigris,
    opacity,
    width: 0.8,
    x: 0,
    y: 0,
    lies: 'under',
    reach: 1,
    sooner: 0,
  });
  return withEffects(piece, 'arc', effect('Wake', { repeats: [repeat(4, 0.6), repeat(8, 0.3)] }));
}

/** Three waves, one under another. */
function waveMarks(): Piece {
  const points = Array.from({ length: 7 }, (_, i) =>
    smooth(MX - 180 + i * 60, MY - 50 + (i % 2 ? 18 : -18), { x: 26, y: 0 }),
  );
  let piece = stroke(
    blank('Wave marks', 40, 16),
    'wave',
    'Wave',
    { closed: false, points },
    inkOf(12, COLOURS.verdigris),
  );
  piece = applyManner(piece, ['wave'], on(12, 22, 10));
  const arrangement = { shape: 'row', count: 3, x: 0, y: 50 };
  return withEffects(piece, 'wave', effect('Copies', { arrangement, delay: 3, scale: 0.86 }));
}

/** A ring drawn round something by hand: a little more than once round. */
function handRing(): Piece {
  const turn = (k: number, grown: number): PathPoint => {
    const a = -2.5 + k * (FULL / 6);
    const [rx, ry] = [300 * grown, 130 * grown];
    return smooth(MX + rx * Math.cos(a), MY + ry * Math.sin(a), {
      x: -rx * Math.sin(a) * 0.36,
      y: ry * Math.cos(a) * 0.36,
    });
  };
  const points = Array.from({ length: 8 }, (_, k) => turn(k, 0.97 + 0.012 * k));
  const look = inkOf(13, COLOURS.minium, { widths: WIDTH_PRESETS.brush });
  let piece = stroke(blank('Ring by hand', 70, 30), 'ring', 'Ring', { closed: false, points }, look);
  piece = applyManner(piece, ['ring'], {
    ...on(22, 56, 12),
    pace: { kind: 'hand', strength: 1, soft: 0.5 },
  });
  return withEffects(piece, 'ring', effect('Wobble', { amount: 2.5, grain: 120, held: 3 }));
}

/** A swash under a word. */
function swash(): Piece {
  const points = [
    smooth(MX - 300, MY - 20, { x: 60, y: 40 }, 60),
    smooth(MX - 60, MY + 6, { x: 120, y: -18 }),
    smooth(MX + 310, MY - 24, { x: 60, y: -14 }, 60),
  ];
  const look = inkOf(20, COLOURS.minium, { widths: WIDTH_PRESETS.brush });
  const piece = stroke(blank('Underline swash', 60, 24), 'swash', 'Swash', { closed: false, points }, look);
  return applyManner(piece, ['swash'], {
    ...on(14, 46, 10),
    pace: { kind: 'hand', strength: 0.8, soft: 0.5 },
  });
}

/** An arrow that swings round and points at the middle. */
function arrow(): Piece {
  const points = [smooth(MX - 330, MY - 190, { x: 40, y: 160 }), smooth(MX - 20, MY, { x: 120, y: 4 })];
  const look = inkOf(13, COLOURS.reed, { ends: { head: { shape: 'open arrow', size: 5 } } });
  const piece = stroke(blank('Arrow', 60, 24), 'arrow', 'Arrow', { closed: false, points }, look);
  return applyManner(piece, ['arrow'], on(16, 46, 10));
}

/** A spark that opens and closes, and a lesser one beside it. */
function sparkle(): Piece {
  const taper = { length: 0.9, unit: 'share', tip: 0, curve: { type: 'linear' } } as const;
  const look = inkOf(24, COLOURS.vellum, { cap: 'flat' });
  let piece = stroke(blank('Sparkle', 32, 9), 'spark', 'Spark', upright(150), look);
  piece = setInk(piece, ['spark'], { taper: { end: taper, over: 'whole' } });
  piece = applyManner(piece, ['spark'], { ...on(8, 12, 10), leaves: 'back' });
  const rays = effect('Copies', { arrangement: ring(4, 75, -Math.PI / 2, FULL) });
  const beside = effect('Copies', {
    arrangement: { shape: 'row', count: 2, x: 150, y: -110 },
    delay: 6,
    scale: 0.5,
  });
  return withEffects(piece, 'spark', rays, beside);
}

export const ACCENTS: readonly { readonly id: string; readonly piece: Piece }[] = [
  { id: 'three-ticks', piece: threeTicks() },
  { id: 'burst', piece: burst() },
  { id: 'echoing-arcs', piece: echoingArcs() },
  { id: 'wave-marks', piece: waveMarks() },
  { id: 'hand-ring', piece: handRing() },
  { id: 'swash', piece: swash() },
  { id: 'arrow', piece: arrow() },
  { id: 'sparkle', piece: sparkle() },
];

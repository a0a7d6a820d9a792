import { z } from 'zod';
import { overlaid } from '../colour';
import { itemBounds, type DrawItem, type FillItem, type StrokeItem } from '../draw';
import { boxCommands, IDENTITY, inverse, measurePath, subPath, unite, type Bounds } from '../geometry';
import { colourRibbon, mappedGradient, type LinearGradient } from '../ink';
import { choice, keyedColour, keyedNumber, keyedOpacity, number, reference } from '../properties';
import { effectKind, type Items, type StrokeNow, type Subject } from './effect';
import { asOne } from './laid-over';
import type { Now } from './now';

const schema = z.strictObject({
  kind: z.literal('glint'),
  way: choice('Passes', ['across', 'along the stroke']),
  /** Where it is on its way: at 0 it is about to come, at 1 it has gone. */
  at: keyedNumber({
    name: 'Position',
    unit: 'share',
    min: -1,
    max: 2,
    typed: [0, 1],
    initial: 0.5,
    shows: 'under way',
  }),
  angle: keyedNumber({ name: 'Angle', unit: 'angle', min: -10_000, max: 10_000, initial: Math.PI / 9 }),
  width: keyedNumber({ name: 'Width', unit: 'px', min: 1, max: 8000, scales: 'size', initial: 160 }),
  softness: keyedNumber({ name: 'Softness', unit: 'share', min: 0, max: 1, initial: 1 }),
  strength: keyedOpacity(0.9),
  colour: keyedColour('Colour', '#fff8e8'),
  /** The stroke at whose arrival it sets out; where absent its position says where it is. */
  after: reference('Sets out after', 'stroke').exactOptional(),
  lasts: number({ name: 'Lasts', unit: 'frames', min: 1, max: 10_000, initial: 20 }),
});
type Glint = Now<z.infer<typeof schema>>;

/** How strong it is from one edge of its band to the other. */
const bandOf = ({ colour, softness }: Glint) => [
  { at: 0, colour, opacity: 0 },
  ...(softness > 0 ? [{ at: softness / 2, colour, opacity: 1 }] : [{ at: 0, colour, opacity: 1 }]),
  ...(softness > 0 ? [{ at: 1 - softness / 2, colour, opacity: 1 }] : [{ at: 1, colour, opacity: 1 }]),
  { at: 1, colour, opacity: 0 },
];

/** The light of a band across a box, where it is on its way from one side to the other. */
function across(effect: Glint, at: number, { left, top, right, bottom }: Bounds): LinearGradient {
  const [ux, uy] = [Math.cos(effect.angle), Math.sin(effect.angle)];
  const ends = [left, right].flatMap((x) => [top, bottom].map((y) => x * ux + y * uy));
  const [low, high] = [Math.min(...ends), Math.max(...ends)];
  const from = low - effect.width + at * (high - low + effect.width);
  // The line of the gradient may lie anywhere along the band: through the middle of the box.
  const [mx, my] = [(left + right) / 2, (top + bottom) / 2];
  const beside = mx * -uy + my * ux;
  const place = (d: number) => ({ x: d * ux - beside * uy, y: d * uy + beside * ux });
  return { from: place(from), to: place(from + effect.width), stops: bandOf(effect) };
}

/** A box filled with light. */
const lightIn = (box: Bounds, colour: LinearGradient, opacity: number): FillItem => ({
  kind: 'fill',
  path: boxCommands(box),
  colour,
  opacity,
});

/**
 * Items lit by a band, shape by shape: a colour under light is a gradient of the two, and needs no canvas of its own. Null where
 * light on the parts is not the light on the whole.
 */
function litByShapes(items: Items, light: LinearGradient, strength: number): Items | null {
  const lit: DrawItem[] = [];
  for (const item of items) {
    const one = litItem(item, light, strength);
    if (!one) return null;
    lit.push(one);
  }
  return lit;
}

function litItem(item: DrawItem, light: LinearGradient, strength: number): DrawItem | null {
  if (item.operator === 'keep' || item.operator === 'erase') return item;
  if (item.operator || item.blend) return null;
  if (item.kind === 'group') {
    if (item.filters?.length) return null;
    const items = litByShapes(item.items, light, strength);
    return items && { ...item, items };
  }
  const under = item.colour;
  if (typeof under !== 'string') return null;
  const stops = light.stops.map(({ at, colour, opacity }) => ({
    at,
    colour: overlaid(under, colour, opacity * strength),
    opacity: 1,
  }));
  const back = item.kind === 'stroke' && item.transform ? inverse(item.transform) : IDENTITY;
  return back && { ...item, colour: mappedGradient({ ...light, stops }, back) };
}

/** Light on a part of a stroke, where it is on its way along it. */
function along(effect: Glint, at: number, { path, width }: StrokeNow): StrokeItem {
  const m = measurePath(path);
  const { length } = m;
  const from = -effect.width + at * (length + effect.width);
  const inked = { from: Math.max(0, from), to: Math.min(length, from + effect.width) };
  // Beyond the pen's own edge, and beyond its caps.
  const half = width / 2 + 2;
  const span = { from, to: from + effect.width };
  return {
    kind: 'stroke',
    path: subPath(m, inked.from, inked.to),
    width: 2 * half,
    // At the ends of the stroke it lies on caps as well; where it ends before it has no strength there.
    cap: 'square',
    join: 'round',
    colour: colourRibbon(path, null, half, half * Math.SQRT2 + 1, bandOf(effect), inked, span),
    opacity: effect.strength,
  };
}

/** How far on its way it is; beyond 0..1 there is nothing of it. */
function placeOf(effect: Glint, { frame, arrival }: Subject): number {
  const from = effect.after === undefined ? null : arrival(effect.after);
  return from === null ? effect.at : (frame - from) / effect.lasts;
}

/** A highlight passing over ink, held to its alpha. */
export const GLINT = effectKind({
  name: 'Glint',
  about: 'A highlight that passes over it.',
  touches: 'look',
  isSoft: false,
  redraws: true,
  schema,
  apply(effect, subject) {
    const { frame, items, kept, stroke } = subject;
    const now = items(frame);
    const at = placeOf(effect, subject);
    if (at <= 0 || at >= 1 || effect.strength <= 0 || now.length === 0) return now;
    const on = effect.way === 'along the stroke' ? stroke(frame) : null;
    return kept([effect, at, now, on?.path, on?.width], (): Items => {
      const box = unite(now.flatMap((item) => itemBounds(item) ?? []));
      if (!box) return now;
      const { strength } = effect;
      if (on && on.width > 0) return [asOne([...now, { ...along(effect, at, on), operator: 'atop' }])];
      const light = across(effect, at, box);
      return (
        litByShapes(now, light, strength) ?? [
          asOne([...now, { ...lightIn(box, light, strength), operator: 'atop' }]),
        ]
      );
    });
  },
});

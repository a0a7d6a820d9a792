import { convertLrgbToRgb, convertOklabToLrgb, convertRgbToOklab, parseHex } from 'culori/fn';
import { remembered } from '../keep';
import { clamp } from '../numbers';
import { blendAt, type Animated } from '../timing';

/** A colour in OKLab (Ottosson 2020; CSS Color 4, 9.1): lightness 0..1 and two opponent axes. */
interface Oklab {
  readonly l: number;
  readonly a: number;
  readonly b: number;
}

/** OKLab of #rrggbb. */
export const oklabOf: (colour: string) => Oklab = remembered({ most: 4000 }, (colour: string) => {
  const rgb = parseHex(colour);
  const { l, a, b } = rgb ? convertRgbToOklab(rgb) : { l: 0, a: 0, b: 0 };
  return { l, a, b };
});

/** #rrggbb of red, green and blue, 0..1; what lies beyond is clipped channel by channel. */
export function hexOfRgb(...channels: readonly [r: number, g: number, b: number]): string {
  const two = (share: number): string =>
    Math.round(clamp(share, 0, 1) * 255)
      .toString(16)
      .padStart(2, '0');
  return `#${channels.map(two).join('')}`;
}

/** #rrggbb of an OKLab colour; what sRGB lacks is clipped channel by channel. */
export function hexOf(lab: Oklab): string {
  const { r, g, b } = convertLrgbToRgb(convertOklabToLrgb(lab));
  return hexOfRgb(r, g, b);
}

const between = (a: number, b: number, t: number): number => a + (b - a) * t;

/** The colour a share `t` of the way from one to the other, in OKLab. */
export function mixColours(from: string, to: string, t: number): string {
  if (t === 0 || from === to) return from;
  if (t === 1) return to;
  const [p, q] = [oklabOf(from), oklabOf(to)];
  return hexOf({ l: clamp(between(p.l, q.l, t), 0, 1), a: between(p.a, q.a, t), b: between(p.b, q.b, t) });
}

/** The colour seen where one that is so opaque lies over another: mixed in sRGB, as pictures are (W3C Compositing, 5.1). */
export function overlaid(under: string, over: string, opacity: number): string {
  const [a, b] = [parseHex(under), parseHex(over)];
  if (!a || !b) return under;
  const mixed = (k: 'r' | 'g' | 'b'): number => between(a[k], b[k], opacity);
  return hexOfRgb(mixed('r'), mixed('g'), mixed('b'));
}

/** A keyed colour at a frame. */
export const colourAt = (animated: Animated<string>, frame: number): string =>
  blendAt(animated, frame, mixColours);

/** A colour made lighter or darker: its OKLab lightness times `factor`, plus `offset` (of 1). */
export function relit(colour: string, factor: number, offset: number): string {
  if (factor === 1 && offset === 0) return colour;
  const lab = oklabOf(colour);
  return hexOf({ ...lab, l: clamp(lab.l * factor + offset, 0, 1) });
}

import { converter, formatHex, parse } from 'culori';
import { compose, IDENTITY, rotation, scaling, translation, type Matrix } from '../../geometry';

/** CSS pixels in a unit: CSS Values and Units 4, 6.2; em and ex as of a 16 px font. */
const UNITS: Record<string, number> = {
  '': 1,
  px: 1,
  pt: 4 / 3,
  pc: 16,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  q: 96 / 101.6,
  em: 16,
  rem: 16,
  ex: 8,
};

/** A length in user units; `whole` is what 100 % means. Null where it can't be read. */
export function lengthOf(text: string | undefined, whole: number): number | null {
  const match = /^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*([a-z%]*)\s*$/i.exec(text ?? '');
  if (!match) return null;
  const value = Number(match[1]);
  if (!Number.isFinite(value)) return null;
  const unit = match[2]!.toLowerCase();
  if (unit === '%') return (value / 100) * whole;
  return unit in UNITS ? value * UNITS[unit]! : null;
}

export const numbersIn = (text: string | undefined): number[] =>
  (text ?? '').match(/[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/gi)?.map(Number) ?? [];

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** The matrix of a transform list (CSS Transforms 1, 8); null where it is in error. */
export function transformOf(text: string | undefined): Matrix | null {
  if (!text || text.trim() === '' || text.trim() === 'none') return IDENTITY;
  let m: Matrix = IDENTITY;
  const pattern = /\s*,?\s*([a-zA-Z]+)\s*\(([^)]*)\)/y;
  let at = 0;
  while (at < text.trimEnd().length) {
    pattern.lastIndex = at;
    const found = pattern.exec(text);
    if (!found) return null;
    at = pattern.lastIndex;
    const one = transformFunction(found[1]!, numbersIn(found[2]));
    if (!one) return null;
    m = compose(m, one);
  }
  return m;
}

function transformFunction(name: string, n: number[]): Matrix | null {
  const [a = 0, b, c] = n;
  switch (name) {
    case 'matrix':
      return n.length === 6 ? (n as unknown as Matrix) : null;
    case 'translate':
    case 'translateX':
      return translation(a, b ?? 0);
    case 'translateY':
      return translation(0, a);
    case 'scale':
      return n.length > 0 ? scaling(a, b ?? a) : null;
    case 'rotate':
      if (b === undefined || c === undefined) return rotation(radians(a));
      return compose(compose(translation(b, c), rotation(radians(a))), translation(-b, -c));
    case 'skewX':
      return [1, 0, Math.tan(radians(a)), 1, 0, 0];
    case 'skewY':
      return [1, Math.tan(radians(a)), 0, 1, 0, 0];
    default:
      return null;
  }
}

export interface Paint {
  /** #rrggbb */
  readonly colour: string;
  readonly opacity: number;
}

const toRgb = converter('rgb');

/** A CSS colour as six digits and an opacity; null for none and for what can't be read. */
export function colourOf(text: string): Paint | null {
  const parsed = parse(text.trim());
  if (!parsed) return null;
  const rgb = toRgb(parsed);
  const held = (v: number) => Math.min(1, Math.max(0, v));
  const colour = formatHex({ mode: 'rgb', r: held(rgb.r), g: held(rgb.g), b: held(rgb.b) });
  return { colour, opacity: rgb.alpha ?? 1 };
}

/** The matrix that fits a viewBox into a viewport (SVG 2, 8.2 and 8.6). */
export function viewBoxMatrix(
  viewBox: readonly number[],
  width: number,
  height: number,
  preserve: string | undefined,
): Matrix {
  const [x, y, w, h] = viewBox as [number, number, number, number];
  const [align = 'xMidYMid', meet = 'meet'] = (preserve ?? '').trim().split(/\s+/).filter(Boolean);
  let [sx, sy] = [width / w, height / h];
  if (align !== 'none') sx = sy = meet === 'slice' ? Math.max(sx, sy) : Math.min(sx, sy);
  const place = (share: string, room: number): number =>
    share === 'Min' ? 0 : share === 'Max' ? room : room / 2;
  const dx = align === 'none' ? 0 : place(align.slice(1, 4), width - w * sx);
  const dy = align === 'none' ? 0 : place(align.slice(5, 8), height - h * sy);
  return [sx, 0, 0, sy, dx - x * sx, dy - y * sy];
}

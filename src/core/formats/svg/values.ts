import { converter, formatHex, parse } from 'culori';
import { compose, IDENTITY, rotation, scaling, translation, type Matrix } from '../../geometry';
import { clamp } from '../../numbers';

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
  const match = /^([+-]?(?:\d+(?:\.\d*)?|\.\d+)(?:e[+-]?\d+)?)\s*([a-z%]*)$/i.exec((text ?? '').trim());
  if (!match) return null;
  const value = Number(match[1]);
  if (!Number.isFinite(value)) return null;
  const unit = match[2]!.toLowerCase();
  if (unit === '%') return (value / 100) * whole;
  return unit in UNITS ? value * UNITS[unit]! : null;
}

/** The numbers of a list, up to one that is out of range: what stands before an error is drawn (SVG 2, 9.5.2). */
export function numbersIn(text: string | undefined): readonly number[] {
  const all = (text ?? '').match(/[+-]?(?:\d+(?:\.\d*)?|\.\d+)(?:e[+-]?\d+)?/gi)?.map(Number) ?? [];
  const end = all.findIndex((value) => !Number.isFinite(value));
  return end < 0 ? all : all.slice(0, end);
}

/** The box that a viewBox attribute gives: left, top, width, height (SVG 2, 8.6); null where it gives none with an area. */
export function viewBoxOf(text: string | undefined): readonly [number, number, number, number] | null {
  const [left, top, width, height, ...more] = numbersIn(text);
  const isBox = height !== undefined && more.length === 0 && width! > 0 && height > 0;
  return isBox ? [left!, top!, width!, height] : null;
}

/** Radians in a unit of angle: CSS Values and Units 4, 7.1; without one, degrees. */
const ANGLES: Record<string, number> = {
  '': Math.PI / 180,
  deg: Math.PI / 180,
  grad: Math.PI / 200,
  rad: 1,
  turn: 2 * Math.PI,
};

/** What percentages of a transform are of. */
export interface Whole {
  readonly width: number;
  readonly height: number;
}

/** The arguments of one transform function, each a number with its unit. */
const argumentsIn = (text: string): { value: number; unit: string }[] =>
  [...text.matchAll(/([+-]?(?:\d+(?:\.\d*)?|\.\d+)(?:e[+-]?\d+)?)\s*([a-z%]*)/gi)].map(([, value, unit]) => ({
    value: Number(value),
    unit: unit!.toLowerCase(),
  }));

/** The matrix of a transform list (CSS Transforms 1, 8); null where it is in error. */
export function transformOf(text: string | undefined, whole: Whole): Matrix | null {
  if (!text || text.trim() === '' || text.trim() === 'none') return IDENTITY;
  let m: Matrix = IDENTITY;
  const pattern = /\s*(?:,\s*)?([a-zA-Z]+)\s*\(([^)]*)\)/y;
  let at = 0;
  while (at < text.trimEnd().length) {
    pattern.lastIndex = at;
    const found = pattern.exec(text);
    if (!found) return null;
    at = pattern.lastIndex;
    const one = transformFunction(found[1]!, found[2]!, whole);
    if (!one) return null;
    m = compose(m, one);
  }
  return m;
}

function transformFunction(name: string, text: string, whole: Whole): Matrix | null {
  const given = argumentsIn(text);
  const angle = (i: number): number => (given[i] ? given[i].value * (ANGLES[given[i].unit] ?? NaN) : 0);
  const share = (i: number): number => (given[i] ? given[i].value / (given[i].unit === '%' ? 100 : 1) : NaN);
  const length = (i: number, of: number): number =>
    given[i] ? (lengthOf(`${given[i].value}${given[i].unit}`, of) ?? NaN) : 0;
  const m = ((): Matrix | null => {
    switch (name) {
      case 'matrix':
        return given.length === 6 ? (given.map(({ value }) => value) as unknown as Matrix) : null;
      case 'translate':
        return translation(length(0, whole.width), length(1, whole.height));
      case 'translateX':
        return translation(length(0, whole.width), 0);
      case 'translateY':
        return translation(0, length(0, whole.height));
      case 'scale':
        return given.length > 0 ? scaling(share(0), given.length > 1 ? share(1) : share(0)) : null;
      case 'scaleX':
        return scaling(share(0), 1);
      case 'scaleY':
        return scaling(1, share(0));
      case 'rotate': {
        const [x, y] = [given[1]?.value, given[2]?.value];
        const turn = rotation(angle(0));
        return x === undefined || y === undefined ? turn : about(turn, x, y);
      }
      case 'skew':
        return [1, Math.tan(angle(1)), Math.tan(angle(0)), 1, 0, 0];
      case 'skewX':
        return [1, 0, Math.tan(angle(0)), 1, 0, 0];
      case 'skewY':
        return [1, Math.tan(angle(0)), 0, 1, 0, 0];
      default:
        return null;
    }
  })();
  return m && m.every(Number.isFinite) ? m : null;
}

/** A map about another place than the origin. */
export const about = (m: Matrix, x: number, y: number): Matrix =>
  compose(compose(translation(x, y), m), translation(-x, -y));

const KEYWORDS: Record<string, number> = { left: 0, top: 0, center: 50, right: 100, bottom: 100 };

/** The place that transforms are about (CSS Transforms 1, 6), within a box. */
export function originOf(
  text: string | undefined,
  box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number },
): { x: number; y: number } {
  const words = (text ?? '').trim().toLowerCase().split(/\s+/).filter(Boolean);
  // Keywords may stand the other way round: a vertical one first means that they do.
  if (/^(top|bottom)$/.test(words[0] ?? '') || /^(left|right)$/.test(words[1] ?? ''))
    [words[0], words[1]] = [words[1] ?? 'center', words[0]!];
  const place = (word: string | undefined, of: number): number => {
    const share = KEYWORDS[word ?? 'center'];
    return share === undefined ? (lengthOf(word, of) ?? 0) : (share / 100) * of;
  };
  return { x: box.x + place(words[0], box.width), y: box.y + place(words[1], box.height) };
}

/** A colour with how far it covers. */
export interface Paint {
  /** #rrggbb */
  readonly colour: string;
  readonly opacity: number;
}

const toRgb = converter('rgb');
/** Characters that a colour may have. */
const MOST_COLOUR = 200;

/** A CSS colour as six digits and an opacity; null for none and for what can't be read. */
export function colourOf(text: string): Paint | null {
  // No colour takes more to say, and what reads them is not made for megabytes.
  const parsed = text.length > MOST_COLOUR ? undefined : parse(text.trim());
  if (!parsed) return null;
  const rgb = toRgb(parsed);
  const channel = (v: number) => clamp(v, 0, 1);
  const colour = formatHex({ mode: 'rgb', r: channel(rgb.r), g: channel(rgb.g), b: channel(rgb.b) });
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

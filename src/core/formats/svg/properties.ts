import { colourOf, lengthOf } from './values';

/** Properties that children take over from their parents, with their initial values (SVG 2, 13; CSS). */
const INITIAL = {
  fill: 'black',
  stroke: 'none',
  color: 'black',
  'fill-rule': 'nonzero',
  'clip-rule': 'nonzero',
  'fill-opacity': '1',
  'stroke-opacity': '1',
  'stroke-width': '1',
  'stroke-linecap': 'butt',
  'stroke-linejoin': 'miter',
  'stroke-miterlimit': '4',
  'stroke-dasharray': 'none',
  'stroke-dashoffset': '0',
  'paint-order': 'normal',
  visibility: 'visible',
} as const;

/** Values of the inherited properties. */
export type Style = { readonly [P in keyof typeof INITIAL]: string };

/** Words that any property may have in the place of a value. */
const WIDE = /^(inherit|initial|unset|revert|revert-layer)$/i;

const isNumber = (value: string): boolean => lengthOf(value, 1) !== null;
const isLength = (value: string): boolean => (lengthOf(value, 1) ?? -1) >= 0;
const isColour = (value: string): boolean => /^currentcolor$/i.test(value) || colourOf(value) !== null;
const isPaint = (value: string): boolean =>
  /^(none|context-fill|context-stroke)$/i.test(value) || value.startsWith('url(') || isColour(value);
const oneOf = (...words: string[]) => {
  const known = new Set(words);
  return (value: string): boolean => known.has(value.toLowerCase());
};

/** What values are valid; properties that are not here may have any. */
const CHECKS: Record<string, (value: string) => boolean> = {
  fill: isPaint,
  stroke: isPaint,
  color: isColour,
  'stop-color': isColour,
  'fill-rule': oneOf('nonzero', 'evenodd'),
  'clip-rule': oneOf('nonzero', 'evenodd'),
  'fill-opacity': isNumber,
  'stroke-opacity': isNumber,
  'stop-opacity': isNumber,
  opacity: isNumber,
  'stroke-width': isLength,
  'stroke-linecap': oneOf('butt', 'round', 'square'),
  'stroke-linejoin': oneOf('miter', 'round', 'bevel'),
  'stroke-miterlimit': (value) => (lengthOf(value, 1) ?? 0) >= 1,
  'stroke-dasharray': (value) => value === 'none' || value.split(/[\s,]+/).every(isLength),
  'stroke-dashoffset': isNumber,
  visibility: oneOf('visible', 'hidden', 'collapse'),
};

/** Whether a value of a property is valid (CSS Syntax 3): one that is not is as if it were not said at all. */
export function isValid(property: string, value: string): boolean {
  const check = CHECKS[property];
  const text = value.trim();
  return check === undefined || WIDE.test(text) || text.includes('var(') || check(text);
}

/** Custom properties of CSS, by their names with both dashes. */
type Custom = Readonly<Record<string, string>>;

/** What an element takes over from what it stands in. */
export interface Inherited {
  readonly style: Style;
  readonly custom: Custom;
}
export const FIRST: Inherited = { style: INITIAL, custom: {} };

const MOST_CHARACTERS = 20_000;

/** A value with every var() replaced by what it names, or by its fallback; null where one has neither. */
function withVariables(text: string, custom: Custom, depth = 0): string | null {
  const at = text.indexOf('var(');
  if (at < 0) return text;
  if (depth > 20) return null;
  let level = 0;
  let end = at + 3;
  for (; end < text.length; end++) {
    if (text[end] === '(') level++;
    else if (text[end] === ')' && --level === 0) break;
  }
  const inside = text.slice(at + 4, end);
  const comma = inside.indexOf(',');
  const name = (comma < 0 ? inside : inside.slice(0, comma)).trim();
  const said = custom[name] ?? (comma < 0 ? undefined : inside.slice(comma + 1).trim());
  const value = said === undefined ? null : withVariables(said, custom, depth + 1);
  const rest = withVariables(text.slice(end + 1), custom, depth + 1);
  if (value === null || rest === null) return null;
  const whole = text.slice(0, at) + value + rest;
  return whole.length > MOST_CHARACTERS ? null : whole;
}

/** An element's own declarations with variables resolved, and what its children take over from it. */
export function computed(
  declared: Readonly<Record<string, string>>,
  from: Inherited,
): { readonly own: Readonly<Record<string, string>>; readonly inherited: Inherited } {
  let custom = from.custom;
  for (const [property, value] of Object.entries(declared))
    if (property.startsWith('--')) custom = { ...custom, [property]: value };
  const own: Record<string, string> = {};
  for (const [property, value] of Object.entries(declared)) {
    const text = value.includes('var(') ? withVariables(value, custom) : value;
    if (text !== null && isValid(property, text)) own[property] = text;
  }
  const style = Object.fromEntries(
    Object.entries(from.style).map(([property, before]) => {
      const said = own[property]?.trim();
      if (said === undefined || said === '') return [property, before];
      if (/^initial$/i.test(said)) return [property, INITIAL[property as keyof Style]];
      if (WIDE.test(said) || (property === 'color' && /^currentcolor$/i.test(said)))
        return [property, before];
      return [property, said];
    }),
  ) as unknown as Style;
  return { own, inherited: { style, custom } };
}

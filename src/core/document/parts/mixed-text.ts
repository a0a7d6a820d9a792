import type { TextShape } from '../schema';

const NUMBER = /-?\d+(?:\.\d+)?/g;

const rounded = (n: number): number => Math.round(n * 1000) / 1000;

/** Path data with its numbers between those of two; that of the nearer one where they are not drawn alike. */
function mixedData(a: string, b: string, share: number): string {
  if (a === b) return a;
  if (a.replace(NUMBER, '') !== b.replace(NUMBER, '')) return share < 0.5 ? a : b;
  const to = b.match(NUMBER)!;
  let i = 0;
  return a.replace(NUMBER, (n) => String(rounded(Number(n) + (Number(to[i++]) - Number(n)) * share)));
}

function mixed(a: unknown, b: unknown, share: number): unknown {
  if (typeof a === 'number' && typeof b === 'number') return a + (b - a) * share;
  if (typeof a === 'string' && typeof b === 'string') return mixedData(a, b, share);
  const [of, other] = [Object.entries(a as object), b as Record<string, unknown>];
  const alike = of.length === Object.keys(other).length && of.every(([key]) => Object.hasOwn(other, key));
  if (!alike) return share < 0.5 ? a : b;
  const parts = of.map(([key, part]) => [key, mixed(part, other[key], share)] as const);
  return Array.isArray(a) ? parts.map(([, part]) => part) : Object.fromEntries(parts);
}

/**
 * One text as it was set at two places of an axis, mixed: outlines, places and sizes in proportion, as faces themselves are varied
 * between their masters (OpenType 1.9, font variations overview). What is not drawn alike in both is as the nearer one has it.
 */
export const mixedText = (a: TextShape, b: TextShape, share: number): TextShape =>
  share === 0 ? a : share === 1 ? b : (mixed(a, b, share) as TextShape);

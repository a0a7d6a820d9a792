import { letterOutlines, type Art, type Lettering, type Underlay } from '../../document';
import { commandsBounds, pathBounds, type Path } from '../../geometry';

/** Letters of lettering with the stretch of the line each takes up. */
function letterSpans(
  lettering: Lettering,
): { letter: string; left: number; right: number; top: number; bottom: number }[] {
  const outlines = letterOutlines(lettering);
  return lettering.set.glyphs.flatMap(({ cluster }, i) => {
    const bounds = commandsBounds(outlines[i]!);
    const letter = String.fromCodePoint(lettering.setting.text.codePointAt(cluster) ?? 0x20);
    return bounds ? [{ letter, ...bounds }] : [];
  });
}

/** Names for traced strokes: of lettering by the letters they lie on, else by the source's name and a number. */
export function namesFor(
  source: Art | Lettering | Underlay,
  strokes: readonly {
    readonly path: Path;
    readonly glyph?: number;
    readonly traced?: { readonly glyph?: number };
  }[],
): (i: number) => string {
  if (!('type' in source) || source.type !== 'lettering') {
    return (i) => (strokes.length > 1 ? `${source.name} ${i + 1}` : source.name);
  }
  const spans = letterSpans(source);
  const named = strokes.map((stroke) => {
    const glyph = source.set.glyphs[stroke.glyph ?? stroke.traced?.glyph ?? -1];
    if (glyph) return String.fromCodePoint(source.setting.text.codePointAt(glyph.cluster) ?? 0x20);
    const b = pathBounds(stroke.path)!;
    const on = spans.filter((s) => {
      const shared = Math.min(s.right, b.right) - Math.max(s.left, b.left);
      const tall = Math.min(s.bottom, b.bottom) - Math.max(s.top, b.top);
      return tall >= 0 && shared > 0.45 * Math.min(s.right - s.left, Math.max(1, b.right - b.left));
    });
    return on.map((s) => s.letter).join('') || source.name;
  });
  const count = new Map<string, number>();
  for (const name of named) count.set(name, (count.get(name) ?? 0) + 1);
  const seen = new Map<string, number>();
  const unique = named.map((name) => {
    if (count.get(name) === 1) return name;
    const n = (seen.get(name) ?? 0) + 1;
    seen.set(name, n);
    return `${name}, ${n}`;
  });
  return (i) => unique[i]!;
}

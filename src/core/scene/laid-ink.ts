import type { DrawItem, FillItem, GroupItem, StrokeItem } from '../draw';
import type { Ink } from '../document';
import {
  pointAtLength,
  subPath,
  tangentAtLength,
  transformCommands,
  wholePath,
  type MeasuredPath,
  type PathCommand,
} from '../geometry';
import { capsOf, disc, MITER_LIMIT, square, sweptOutline, type Caps, type PenWidth, type Span } from '../ink';

export const CANVAS_CAPS = { flat: 'butt', round: 'round', square: 'square' } as const;

/** So long is drawn a dash without length, px: enough for a canvas to know where its cap looks. */
const DOT = 0.02;
/** The colour of shapes that only lend their alpha. */
export const MASK = '#000000';

type Paint = Pick<FillItem, 'colour' | 'opacity'>;

/** A stroke's ink where it lies at one moment: what all its parts are drawn from. */
export interface Laid {
  readonly m: MeasuredPath;
  readonly ink: Ink;
  readonly width: number;
  /** Where ink lies after ends have taken their place, px along the path. */
  readonly inked: Span;
  readonly spans: readonly Span[];
  /** Null for an even pen. */
  readonly pen: PenWidth | null;
}

export const isWhole = (m: MeasuredPath, span: Span): boolean =>
  m.path.closed && span.to - span.from >= m.length - 1e-9;

/** The pen's way along a span; a dash without length becomes one that caps can stand on. */
function way(m: MeasuredPath, span: Span): readonly PathCommand[] {
  if (isWhole(m, span)) return wholePath(m.path);
  if (span.to - span.from > DOT) return subPath(m, span.from, span.to);
  const s = (span.from + span.to) / 2;
  const on = m.path.closed ? s % m.length : s;
  const [p, t] = [pointAtLength(m, on), tangentAtLength(m, on)];
  return [
    ['M', p.x - (t.x * DOT) / 2, p.y - (t.y * DOT) / 2],
    ['L', p.x + (t.x * DOT) / 2, p.y + (t.y * DOT) / 2],
  ];
}

const FLAT: Caps = { start: 'flat', end: 'flat' };
const SQUARE: Caps = { start: 'square', end: 'square' };

/** The cap that a dash without length shows: a flat one shows nothing. */
export const capOfDot = ({ start, end }: Caps) => (start === 'flat' ? end : start);

/** The shape of a pen along spans: `width` px wide where it is even, in that proportion where it changes. */
function penShape(
  laid: Laid,
  width: number,
  spans: readonly Span[],
  caps: Caps,
  look: Paint,
): StrokeItem | FillItem {
  const { m, ink, pen } = laid;
  const miterLimit = ink.miterLimit ?? MITER_LIMIT;
  // A canvas has one cap for both ends.
  if (!pen && caps.start === caps.end) {
    return {
      kind: 'stroke',
      path: spans.flatMap((span) =>
        caps.start === 'flat' && span.to - span.from <= DOT ? [] : way(m, span),
      ),
      ...look,
      width,
      cap: CANVAS_CAPS[caps.start],
      join: ink.join,
      ...(ink.miterLimit !== undefined && { miterLimit }),
    };
  }
  const k = laid.width > 0 ? width / laid.width : 0;
  const scaled: PenWidth = pen
    ? { at: (s) => pen.at(s) * k, widest: pen.widest * k, breaks: pen.breaks }
    : { at: () => width, widest: width, breaks: [] };
  const dot = capOfDot(caps);
  const swept = (span: Span): readonly PathCommand[] => {
    if (span.to - span.from > DOT) {
      return sweptOutline(m.path, scaled, span.from, span.to, { caps, join: ink.join, miterLimit });
    }
    const on = m.path.closed ? span.from % m.length : span.from;
    const [p, t, r] = [pointAtLength(m, on), tangentAtLength(m, on), scaled.at(on) / 2];
    if (dot === 'flat' || r <= 0) return [];
    if (dot === 'round') return disc(p.x, p.y, r);
    return transformCommands(square(0, 0, r), [t.x, t.y, -t.y, t.x, p.x, p.y]);
  };
  // Command by command: many dashes have many, and flattening their lists takes longer than making them.
  const path: PathCommand[] = [];
  for (const span of spans) for (const command of swept(span)) path.push(command);
  return { kind: 'fill', path, ...look };
}

/** Caps of the two rails of a double line, set at the ends of every span. */
function railCaps(laid: Laid, distance: number, rail: number): PathCommand[] {
  const { m, ink, pen } = laid;
  const caps = capsOf(ink);
  return laid.spans.flatMap((span) => {
    if (isWhole(m, span)) return [];
    return ([-1, 1] as const).flatMap((end) => {
      const cap = end < 0 ? caps.start : caps.end;
      if (cap === 'flat') return [];
      const s = end < 0 ? span.from : span.to;
      const on = m.path.closed && s > m.length ? s - m.length : s;
      const [p, t] = [pointAtLength(m, on), tangentAtLength(m, on)];
      const k = pen && laid.width > 0 ? pen.at(on) / laid.width : 1;
      return ([-1, 1] as const).flatMap((side): readonly PathCommand[] => {
        const [x, y] = [p.x - (t.y * side * k * distance) / 2, p.y + (t.x * side * k * distance) / 2];
        const r = (rail * k) / 2;
        return cap === 'round'
          ? disc(x, y, r)
          : transformCommands(square(0, 0, r), [t.x, t.y, -t.y, t.x, x, y]);
      });
    });
  });
}

/** Full width of all of a stroke, both rails of a double line included. */
export const wholeWidth = (ink: Ink, width: number): number =>
  ink.line?.kind === 'double' ? ink.line.distance + width : width;

/** The shape of a stroke's line, single, double or hollow, in one colour or gradient. */
export function lineShape(laid: Laid, look: Paint): DrawItem {
  const { ink, width, spans, m } = laid;
  const { line } = ink;
  const caps = capsOf(ink);
  if (!line) return penShape(laid, width, spans, caps, look);
  const cut = { colour: MASK, opacity: 1 };
  const group = (items: DrawItem[]): GroupItem => ({ kind: 'group', items, opacity: look.opacity });
  const opaque = { ...look, opacity: 1 };
  if (line.kind === 'hollow') {
    const inner = width - 2 * line.thickness;
    const outer = penShape(laid, width, spans, caps, opaque);
    if (inner <= 0) return { ...outer, opacity: look.opacity };
    // A flat end is closed by a line across it, as thick as the rest.
    const [before, after] = [caps.start, caps.end].map((cap) => (cap === 'flat' ? line.thickness : 0));
    const within = spans
      .map((s) => (isWhole(m, s) ? s : { from: s.from + before!, to: s.to - after! }))
      .filter((s) => s.to > s.from || before! + after! === 0);
    return group([outer, { ...penShape(laid, inner, within, caps, cut), operator: 'erase' }]);
  }
  const [wide, narrow] = [line.distance + width, line.distance - width];
  const rails = penShape(laid, wide, spans, FLAT, opaque);
  if (narrow <= 0) return { ...rails, opacity: look.opacity };
  const railEnds = railCaps(laid, line.distance, width);
  // What is cut out reaches past the ends, so that they stay open.
  const open = { ...penShape(laid, narrow, spans, SQUARE, cut), operator: 'erase' as const };
  return group([
    rails,
    open,
    ...(railEnds.length > 0 ? [{ kind: 'fill' as const, path: railEnds, ...opaque }] : []),
  ]);
}

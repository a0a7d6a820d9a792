import { colourAt, denseStops, rampAt, type Stop } from '../colour';
import { changed, type Ink, type ShadowLine, type Stroke } from '../document';
import {
  cornersOf,
  measurePath,
  parallelPath,
  pointAtLength,
  subPath,
  tangentAtLength,
  transformCommands,
  translation,
  wholePath,
  type MeasuredPath,
  type Path,
  type PathCommand,
} from '../geometry';
import {
  colourRibbon,
  dashSpans,
  disc,
  inkedLengths,
  isOneLine,
  runsOf,
  MITER_LIMIT,
  penWidth,
  placeEnd,
  square,
  sweptOutline,
  type InkWindow,
  type PenWidth,
  type PlacedEnd,
  type Span,
  type StrokeEnd,
} from '../ink';
import { valueAt } from '../timing';
import type { DrawItem, FillItem, GroupItem, StrokeItem } from './draw-list';
import { dashesAt, stopsAt, tapersAt } from './ink-now';
import type { Moment } from './moment';
import { transformed } from './transformed';

export const CANVAS_CAPS = { flat: 'butt', round: 'round', square: 'square' } as const;

/** So long is drawn a dash without length, px: enough for a canvas to know where its cap looks. */
const DOT = 0.02;
/** The colour of shapes that only lend their alpha. */
const MASK = '#000000';

type Paint = Pick<FillItem, 'colour' | 'opacity'>;

/** A stroke's ink where it lies at one moment: what all its parts are drawn from. */
interface Laid {
  readonly m: MeasuredPath;
  readonly ink: Ink;
  readonly width: number;
  /** Where ink lies after ends have taken their place, px along the path. */
  readonly inked: Span;
  readonly spans: readonly Span[];
  /** Null for an even pen. */
  readonly pen: PenWidth | null;
}

const isWhole = (m: MeasuredPath, span: Span): boolean =>
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

/** The shape of a pen along spans: `width` px wide where it is even, in that proportion where it changes. */
function penShape(
  laid: Laid,
  width: number,
  spans: readonly Span[],
  cap: Ink['cap'],
  look: Paint,
): StrokeItem | FillItem {
  const { m, ink, pen } = laid;
  const miterLimit = ink.miterLimit ?? MITER_LIMIT;
  if (!pen) {
    return {
      kind: 'stroke',
      path: spans.flatMap((span) => (cap === 'flat' && span.to - span.from <= DOT ? [] : way(m, span))),
      ...look,
      width,
      cap: CANVAS_CAPS[cap],
      join: ink.join,
      ...(ink.miterLimit !== undefined && { miterLimit }),
    };
  }
  const k = laid.width > 0 ? width / laid.width : 0;
  const scaled: PenWidth = { at: (s) => pen.at(s) * k, widest: pen.widest * k, breaks: pen.breaks };
  const path = spans.flatMap((span): readonly PathCommand[] => {
    if (span.to - span.from > DOT) {
      return sweptOutline(m.path, scaled, span.from, span.to, { cap, join: ink.join, miterLimit });
    }
    const on = m.path.closed ? span.from % m.length : span.from;
    const [p, t, r] = [pointAtLength(m, on), tangentAtLength(m, on), scaled.at(on) / 2];
    if (cap === 'flat' || r <= 0) return [];
    if (cap === 'round') return disc(p.x, p.y, r);
    return transformCommands(square(0, 0, r), [t.x, t.y, -t.y, t.x, p.x, p.y]);
  });
  return { kind: 'fill', path, ...look };
}

/** Caps of the two rails of a double line, set at the ends of every span. */
function railCaps(laid: Laid, distance: number, rail: number): PathCommand[] {
  const { m, ink, pen } = laid;
  if (ink.cap === 'flat') return [];
  return laid.spans.flatMap((span) => {
    if (isWhole(m, span)) return [];
    return ([-1, 1] as const).flatMap((end) => {
      const s = end < 0 ? span.from : span.to;
      const on = m.path.closed && s > m.length ? s - m.length : s;
      const [p, t] = [pointAtLength(m, on), tangentAtLength(m, on)];
      const k = pen && laid.width > 0 ? pen.at(on) / laid.width : 1;
      return ([-1, 1] as const).flatMap((side): readonly PathCommand[] => {
        const [x, y] = [p.x - (t.y * side * k * distance) / 2, p.y + (t.x * side * k * distance) / 2];
        const r = (rail * k) / 2;
        return ink.cap === 'round'
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
function lineShape(laid: Laid, look: Paint): DrawItem {
  const { ink, width, spans, m } = laid;
  const { line } = ink;
  if (!line) return penShape(laid, width, spans, ink.cap, look);
  const cut = { colour: MASK, opacity: 1 };
  const group = (items: DrawItem[]): GroupItem => ({ kind: 'group', items, opacity: look.opacity });
  const opaque = { ...look, opacity: 1 };
  if (line.kind === 'hollow') {
    const inner = width - 2 * line.thickness;
    const outer = penShape(laid, width, spans, ink.cap, opaque);
    if (inner <= 0) return { ...outer, opacity: look.opacity };
    // A flat end is closed by a line across it, as thick as the rest.
    const inset = ink.cap === 'flat' ? line.thickness : 0;
    const within = spans
      .map((s) => (isWhole(m, s) ? s : { from: s.from + inset, to: s.to - inset }))
      .filter((s) => s.to > s.from || inset === 0);
    return group([outer, { ...penShape(laid, inner, within, ink.cap, cut), operator: 'erase' }]);
  }
  const [wide, narrow] = [line.distance + width, line.distance - width];
  const rails = penShape(laid, wide, spans, 'flat', opaque);
  if (narrow <= 0) return { ...rails, opacity: look.opacity };
  const caps = railCaps(laid, line.distance, width);
  // What is cut out reaches past the ends, so that they stay open.
  const open = { ...penShape(laid, narrow, spans, 'square', cut), operator: 'erase' as const };
  return group([rails, open, ...(caps.length > 0 ? [{ kind: 'fill' as const, path: caps, ...opaque }] : [])]);
}

/** A line whose colours run along it: coloured ground, of which the line's shape is kept. */
function colouredAlong(
  laid: Laid,
  stops: readonly Stop[],
  over: 'whole' | 'visible',
  opacity: number,
): DrawItem {
  const { m, ink, width, inked } = laid;
  const widest = ink.widths ? Math.max(...ink.widths.map((w) => w.scale)) : 1;
  const half = (wholeWidth(ink, width) / 2) * Math.max(1, widest);
  const join = ink.join === 'miter' ? (ink.miterLimit ?? MITER_LIMIT) : 1;
  const reach = half * Math.max(join, ink.cap === 'square' ? Math.SQRT2 : 1) + 1;
  const even = stops.every((stop) => stop.opacity === stops[0]!.opacity);
  const shown = even ? stops.map((stop) => ({ ...stop, opacity: 1 })) : stops;
  const strength = even ? opacity * stops[0]!.opacity : opacity;
  const { pen } = laid;
  const wider = wholeWidth(ink, width) / width;
  const halfAt = pen ? (s: number) => (pen.at(s) * wider) / 2 : () => half;
  const span = over === 'whole' ? { from: 0, to: m.length } : laid.inked;
  if (isOneLine(m.path) && !ink.line) {
    const at = (s: number) => ({ ...pointAtLength(m, s) });
    const gradient = { from: at(span.from), to: at(span.to), stops: denseStops(shown) };
    return lineShape(laid, { colour: gradient, opacity: strength });
  }
  return {
    kind: 'group',
    opacity: strength,
    ground: colourRibbon(m.path, halfAt, half, reach, shown, inked, span),
    items: [{ ...lineShape(laid, { colour: MASK, opacity: 1 }), operator: 'keep' }],
  };
}

/** Ends of a stroke set on its path, and the ink left between them. */
function placedEnds(
  m: MeasuredPath,
  ink: Ink,
  width: number,
  inked: Span,
): { readonly head: PlacedEnd | null; readonly tail: PlacedEnd | null; readonly rest: Span } {
  const { ends } = ink;
  if (!ends || isWhole(m, inked)) return { head: null, tail: null, rest: inked };
  const visible = inked.to - inked.from;
  const room = ends.head && ends.tail ? visible / 2 : visible;
  const whole = wholeWidth(ink, width);
  const place = (end: NonNullable<Ink['ends']>['head'], at: number, inward: 1 | -1): PlacedEnd | null =>
    end ? placeEnd(m, end, at, inward, room, whole) : null;
  const head = place(ends.head, inked.to, -1);
  const tail = place(ends.tail, inked.from, 1);
  // A cap would carry the line further into the end.
  const cap = ink.cap === 'flat' ? 0 : width / 2;
  const rest = {
    from: inked.from + (tail ? Math.min(room, tail.stop + cap) : 0),
    to: inked.to - (head ? Math.min(room, head.stop + cap) : 0),
  };
  return { head, tail, rest };
}

/** A stroke's line and ends, without what lies under and over it. */
function body(stroke: Stroke, ink: Ink, window: InkWindow, moment: Moment): DrawItem[] {
  const { frame } = moment;
  const width = valueAt(ink.width, frame);
  const opacity = valueAt(ink.opacity, frame);
  const m = measurePath(stroke.path);
  if (width <= 0 || opacity <= 0) return [];
  const solid = colourAt(ink.colour, frame);
  const stops = ink.gradient ? stopsAt(ink.gradient, frame) : null;
  if (m.length === 0) {
    const path = capAlone(stroke.path, ink, width, window);
    const first = stops ? rampAt(stops, 0) : { colour: solid, opacity: 1 };
    return path.length > 0
      ? [{ kind: 'fill', path, colour: first.colour, opacity: opacity * first.opacity }]
      : [];
  }
  const inked = inkedLengths(window, m.length, stroke.path.closed);
  if (!inked) return [];
  const { head, tail, rest } = placedEnds(m, ink, width, inked);
  const items: DrawItem[] = [];
  const laid = rest.to > rest.from ? layInk(m, ink, width, inked, rest, moment) : null;
  if (laid && laid.spans.length > 0) {
    if (!ink.gradient || !stops) items.push(lineShape(laid, { colour: solid, opacity }));
    else if (ink.gradient.along === 'picture') {
      const { from, to } = ink.gradient;
      items.push(lineShape(laid, { colour: { from, to, stops: denseStops(stops) }, opacity }));
    } else items.push(colouredAlong(laid, stops, ink.gradient.along, opacity));
  }
  const along = ink.gradient && ink.gradient.along !== 'picture' ? ink.gradient.along : null;
  for (const [end, placed, s] of [
    ['tail', tail, inked.from],
    ['head', head, inked.to],
  ] as const) {
    if (!placed) continue;
    const at =
      along === 'whole' ? (s % m.length || (s > 0 ? m.length : 0)) / m.length : end === 'head' ? 1 : 0;
    const own = ink.ends![end]!.colour;
    const ramp = along && stops ? rampAt(stops, at) : null;
    const colour =
      own ??
      ramp?.colour ??
      (ink.gradient && stops
        ? { from: ink.gradient.from, to: ink.gradient.to, stops: denseStops(stops) }
        : solid);
    items.push({
      kind: 'fill',
      path: placed.outline,
      colour,
      opacity: opacity * (own ? 1 : (ramp?.opacity ?? 1)),
    });
  }
  return merged(items, opacity);
}

/** Line and ends as one: where they are translucent, none shows through another. */
function merged(items: readonly DrawItem[], opacity: number): DrawItem[] {
  if (items.length < 2 || items.every((item) => item.opacity === 1)) return [...items];
  const parts = items.flatMap((item, i): DrawItem[] => {
    const own = { ...item, opacity: Math.min(1, item.opacity / opacity) };
    if (i === 0 || own.opacity === 1) return [own];
    return [
      { ...(own as FillItem), colour: MASK, opacity: 1, operator: 'erase' },
      { ...own, operator: 'add' },
    ];
  });
  return [{ kind: 'group', items: parts, opacity }];
}

/** A stroke's line and ends, in as many runs as its ink has. Where two runs meet, translucent ink is not doubled. */
function runs(stroke: Stroke, ink: Ink, window: InkWindow, moment: Moment): DrawItem[] {
  const [first, ...more] = runsOf(window, stroke.path.closed);
  if (more.length === 0) return body(stroke, ink, first!, moment);
  const opacity = valueAt(ink.opacity, moment.frame);
  const full = opacity < 1 ? { ...ink, opacity: 1 } : ink;
  const items = [first!, ...more].flatMap((run) => body(stroke, full, run, moment));
  return opacity < 1 && items.length > 0 ? [{ kind: 'group', items, opacity }] : items;
}

function layInk(m: MeasuredPath, ink: Ink, width: number, inked: Span, rest: Span, moment: Moment): Laid {
  const { dashes, taper } = ink;
  let spans: Span[] = [rest];
  if (dashes) {
    const now = dashesAt(dashes, width, m.length, moment);
    if (!now) spans = [];
    else {
      const corners = cornersOf(m.path).map(({ s }) => s);
      const from = now.flow === 'ride' ? inked.from : rest.from;
      spans = dashSpans(now, m.length, m.path.closed, { from, to: rest.to }, corners)
        .map((s) => ({ from: Math.max(s.from, rest.from), to: s.to }))
        .filter((s) => s.to >= s.from);
    }
  }
  const span = taper?.over === 'visible' ? rest : { from: 0, to: m.length };
  const tapers = taper ? tapersAt(taper, span.to - span.from, moment.frame) : null;
  const pen = ink.widths || tapers ? penWidth(width, m.length, ink.widths, tapers, span) : null;
  return { m, ink, width, inked: rest, spans, pen };
}

/** A stroke without length shows as its cap alone, as SVG 2 (13.5.4) has it; a flat cap shows nothing. */
function capAlone(path: Path, ink: Ink, width: number, window: InkWindow): readonly PathCommand[] {
  const point = path.points[0]!;
  if (!inkedLengths(window, 1, false) || ink.cap === 'flat') return [];
  return (ink.cap === 'round' ? disc : square)(point.x, point.y, width / 2);
}

/** The ink of a shadow line: all of it, ends included, in one colour. */
function shadowInk(ink: Ink, line: ShadowLine, frame: number): Ink {
  const plain = (end: StrokeEnd | undefined) => end && { shape: end.shape, size: end.size };
  const { dashes } = ink;
  const width = valueAt(ink.width, frame);
  const [head, tail] = [plain(ink.ends?.head), plain(ink.ends?.tail)];
  return {
    ...changed(ink, { gradient: undefined }),
    ...(ink.ends && { ends: { ...(head && { head }), ...(tail && { tail }) } }),
    width: width * line.width,
    ...(dashes?.unit === 'widths' && {
      // Dash for dash under the stroke, whatever the copy's own width.
      dashes: {
        ...dashes,
        unit: 'px' as const,
        pattern: dashes.pattern.map((length) => length * width),
        phase: valueAt(dashes.phase, frame) * width,
      },
    }),
    colour: line.colour,
    opacity: valueAt(ink.opacity, frame) * line.opacity,
  };
}

const asOne = (items: readonly DrawItem[]): GroupItem => ({ kind: 'group', items, opacity: 1 });

/** Everything a stroke shows at a moment, from below to above: shadow line, shadow, glow, the stroke, the glow within. */
export function strokeItems(stroke: Stroke, window: InkWindow, moment: Moment): readonly DrawItem[] {
  const { ink } = stroke;
  if (stroke.hidden) return [];
  const main = runs(stroke, ink, window, moment);
  const out: DrawItem[] = [];
  const { shadowLine, shadow, glow, innerGlow } = ink;
  if (shadowLine && shadowLine.opacity > 0) {
    const under = shadowInk(ink, shadowLine, moment.frame);
    const path = parallelPath(stroke.path, shadowLine.aside);
    out.push(
      ...runs({ ...stroke, path }, under, window, moment).map((item) =>
        transformed(item, translation(shadowLine.x, shadowLine.y)),
      ),
    );
  }
  if (main.length === 0) return out;
  if (shadow && shadow.opacity > 0) {
    out.push({
      ...asOne(main),
      tint: shadow.colour,
      ...(shadow.blur > 0 && { blur: shadow.blur / 2 }),
      shift: { x: shadow.x, y: shadow.y },
      opacity: shadow.opacity,
    });
  }
  if (glow && glow.opacity > 0 && glow.gain > 0) {
    out.push({
      ...asOne(main),
      tint: glow.colour,
      ...(glow.size > 0 && { blur: glow.size / 2 }),
      gain: glow.gain,
      opacity: glow.opacity,
    });
  }
  out.push(...main);
  if (innerGlow && innerGlow.opacity > 0 && innerGlow.gain > 0) {
    // What lies within the stroke but not under its own blur is near its edge.
    const edge: GroupItem = {
      kind: 'group',
      items: [
        { ...asOne(main), tint: innerGlow.colour },
        { ...asOne(main), ...(innerGlow.size > 0 && { blur: innerGlow.size / 2 }), operator: 'erase' },
      ],
      gain: innerGlow.gain,
      opacity: 1,
    };
    out.push({
      kind: 'group',
      items: [edge, { ...asOne(main), operator: 'keep' }],
      opacity: innerGlow.opacity,
    });
  }
  return out;
}

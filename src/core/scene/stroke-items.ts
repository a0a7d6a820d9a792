import { itemBounds, transformed, type DrawItem, type FillItem } from '../draw';
import { colourAt, denseStops, rampAt, type Stop } from '../colour';
import { changed, type Ink, type ShadowLine, type Stroke } from '../document';
import { glowUnder, glowWithin, nowOf, shadowUnder } from '../effects';
import {
  boxCommands,
  cornersOf,
  measurePath,
  parallelPath,
  pointAtLength,
  translation,
  type MeasuredPath,
  type Path,
  type PathCommand,
} from '../geometry';
import {
  capsOf,
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
  type InkWindow,
  type PlacedEnd,
  type Span,
  type StrokeEnd,
} from '../ink';
import { valueAt } from '../timing';
import { dashesAt, stopsAt, tapersAt } from './ink-now';
import type { Moment } from './moment';
import { capOfDot, MASK, type Laid, isWhole, wholeWidth, lineShape } from './laid-ink';

/** A line whose colours run along it. */
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
  const reach = half * Math.max(join, ink.cap === 'square' || ink.endCap === 'square' ? Math.SQRT2 : 1) + 1;
  const even = stops.every((stop) => stop.opacity === stops[0]!.opacity);
  const shown = even ? stops.map((stop) => ({ ...stop, opacity: 1 })) : stops;
  const strength = even ? opacity * stops[0]!.opacity : opacity;
  const { pen } = laid;
  const wider = wholeWidth(ink, width) / width;
  const halfAt = pen && ((s: number) => (pen.at(s) * wider) / 2);
  const span = over === 'whole' ? { from: 0, to: m.length } : laid.inked;
  if (isOneLine(m.path) && !ink.line) {
    const at = (s: number) => ({ ...pointAtLength(m, s) });
    const gradient = { from: at(span.from), to: at(span.to), stops: denseStops(shown) };
    return lineShape(laid, { colour: gradient, opacity: strength });
  }
  const ribbon = colourRibbon(m.path, halfAt, half, reach, shown, inked, span);
  if (!ink.line || even) return lineShape(laid, { colour: ribbon, opacity: strength });
  // Rails and their caps lie over one another: see-through colours are laid once, and the shape of all is kept of them.
  const shape = lineShape(laid, { colour: MASK, opacity: 1 });
  const box = itemBounds(shape);
  return {
    kind: 'group',
    opacity: strength,
    items: [
      ...(box ? [{ kind: 'fill' as const, path: boxCommands(box), colour: ribbon, opacity: 1 }] : []),
      { ...shape, operator: 'keep' },
    ],
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
  const caps = capsOf(ink);
  const beyond = (cap: Ink['cap']): number => (cap === 'flat' ? 0 : width / 2);
  const rest = {
    from: inked.from + (tail ? Math.min(room, tail.stop + beyond(caps.start)) : 0),
    to: inked.to - (head ? Math.min(room, head.stop + beyond(caps.end)) : 0),
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
  const cap = capOfDot(capsOf(ink));
  if (!inkedLengths(window, 1, false) || cap === 'flat') return [];
  return (cap === 'round' ? disc : square)(point.x, point.y, width / 2);
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
  if (shadow) out.push(...shadowUnder(main, nowOf(shadow, moment.frame)));
  if (glow) out.push(...glowUnder(main, nowOf(glow, moment.frame)));
  out.push(...main);
  if (innerGlow) out.push(...glowWithin(main, nowOf(innerGlow, moment.frame)));
  return out;
}

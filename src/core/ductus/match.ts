import { distance, type Point } from '../geometry';
import { clamp } from '../numbers';
import { evenPlaces, type Form } from './form';
import { stretchOf, told, turnedRound, type Told } from './stretch';

/** A line of a letter: places in order. A closed one comes back to its first place. */
export interface LetterLine {
  readonly places: readonly Point[];
  readonly closed: boolean;
  /** Whether it comes back to where it left another line: a hand may begin or end anywhere on it. */
  readonly isLoop: boolean;
  /** A piece of ink as wide as high, which has no line. */
  readonly isDot: boolean;
}

/** Where a line lies in a form, and so when and which way a hand writes it. */
export interface Laid {
  /** Which of the form's movements it is part of. */
  readonly movement: number;
  /** The stretch of that movement, shares of its length: where the hand begins the line, and where it ends it. */
  readonly from: number;
  readonly to: number;
  /** Whether the hand goes against the order in which the line's places stand. */
  readonly turned: boolean;
  /** Where a hand begins a closed line: share of the way round from its first place, in their order. */
  readonly start: number;
  /** Where a loop is better cut in two: the share of its length, and where its second part lies. */
  readonly cutAt: number;
  readonly rest: Laid | null;
}

/** A letter's lines laid over a form. */
export interface Match {
  readonly form: Form;
  readonly laid: readonly Laid[];
  /** How unlike the form they are: mean distance in sizes of the letter, with what either has too much. */
  readonly cost: number;
}

/** Slants that are tried: how far to the right a letter leans for each unit up. */
const SLANTS = [0, 0.2, 0.4, 0.6];
/** What is told of a line: places for a length of the whole letter, at least and at most so many. */
const PLACES = 18;
const LEAST = 6;
const MOST = 24;
/** What counts of a form that no line lies on, and of lines that lie on the same stretch. */
const MISSING = 0.3;
const DOUBLE = 0.1;
/** A later stretch of a form must fit better by so much than an earlier one. */
const LATER = 0.012;
/** What it costs to take a dot for a bit of a letter's body, where the letter has dots. */
const NO_DOT = 0.25;
/** So often a letter is moved and sized to lie better on its form. */
const REFINED = 2;
/** Forms that are looked at closely, each at the slants that suit it best at first look. */
const LOOKED_AT = 4;
const SLANTS_OF_EACH = 2;
/** A flourish must be more like a letter by so much than a plain form. */
const FLOURISH = 0.07;
/** A letter narrower than this share of its height is not stretched to the form's width. */
const NARROW = 0.2;

interface Frame {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

function frameOf(points: readonly Point[]): Frame {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { x, y } of points) {
    left = Math.min(left, x);
    right = Math.max(right, x);
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  }
  return { x: (left + right) / 2, y: (top + bottom) / 2, width: right - left, height: bottom - top };
}

interface LaidLine extends Laid {
  readonly cost: number;
  readonly rest: LaidLine | null;
  readonly line: Told;
  readonly on: readonly number[];
}

/** Rings are begun at any of so many places. */
const BEGINNINGS = 12;

/** @param dear what it costs besides to be on each way, where that costs anything. */
function laidOn(line: Told, closed: boolean, ways: readonly Told[], dear: readonly number[] = []): LaidLine {
  let best: LaidLine | null = null;
  const n = line.x.length;
  const offer = (told: Told, turned: boolean, start: number): void => {
    ways.forEach((way, movement) => {
      const besides = LATER * movement + (dear[movement] ?? 0);
      // A hair more than what is the best so far, for numbers that are rounded.
      const found = stretchOf(told, way, (best?.cost ?? Infinity) - besides + 1e-9);
      if (!found) return;
      const { cost, from, to, on } = found;
      const open = closed ? 0.15 * (from + 1 - to) : 0;
      const whole = cost + open + LATER * from + besides;
      if (!best || whole < best.cost)
        best = { movement, from, to, turned, start, cost: whole, line: told, on, cutAt: 1, rest: null };
    });
  };
  if (!closed) {
    offer(line, false, 0);
    offer(turnedRound(line), true, 0);
    return best!;
  }
  // The last place of a ring is its first again.
  const ring = n - 1;
  for (let k = 0; k < BEGINNINGS; k++) {
    const start = Math.round((k * ring) / BEGINNINGS) % ring;
    const begun = (v: readonly number[]) => Array.from({ length: n }, (_, i) => v[(start + i) % ring]!);
    const from: Told = { x: begun(line.x), y: begun(line.y), dx: begun(line.dx), dy: begun(line.dy) };
    offer(from, false, start / ring);
    offer(turnedRound(from), true, start / ring);
  }
  return best!;
}

/** A loop is cut where that makes it more like the form by so much. */
const CUT = 0.015;
/** Places at which a loop may be cut. */
const CUTS = 8;

const partOf = ({ x, y, dx, dy }: Told, from: number, to: number): Told => ({
  x: x.slice(from, to),
  y: y.slice(from, to),
  dx: dx.slice(from, to),
  dy: dy.slice(from, to),
});

/** A loop laid as one line, or cut in two where that is more like the form. */
function laidLoop(line: Told, ways: readonly Told[]): LaidLine {
  const n = line.x.length;
  let best = laidOn(line, false, ways);
  let least = best.cost - CUT;
  for (let k = 1; k < CUTS; k++) {
    const i = Math.round((k * (n - 1)) / CUTS);
    if (i < 3 || i > n - 4) continue;
    const [a, b] = [laidOn(partOf(line, 0, i + 1), false, ways), laidOn(partOf(line, i, n), false, ways)];
    const cost = (a.cost * i + b.cost * (n - 1 - i)) / (n - 1);
    if (cost >= least) continue;
    least = cost;
    best = { ...a, cost, cutAt: i / (n - 1), rest: b };
  }
  return best;
}

/** A movement begins on a line that passes within this of its beginning, and is cut there if that is hardly less like the form. */
const BEGINS = 0.1;
const HARDLY = 0.01;
/** Not on a line that lies on nothing of the form. */
const ALIKE = 0.12;

/** A line through whose midst a movement begins, as a ring written from its top that goes on within, cut in two there. */
function begunWithin(line: Told, laid: LaidLine, ways: readonly Told[]): LaidLine {
  const n = line.x.length;
  const { x, y } = ways[laid.movement]!;
  const away = (i: number): number => Math.hypot(line.x[i]! - x[0]!, line.y[i]! - y[0]!);
  let i = 3;
  for (let k = 4; k < n - 3; k++) if (away(k) < away(i)) i = k;
  if (laid.rest || n < 8 || laid.cost > ALIKE || away(i) > BEGINS) return laid;
  const [a, b] = [laidOn(partOf(line, 0, i + 1), false, ways), laidOn(partOf(line, i, n), false, ways)];
  const cost = (a.cost * i + b.cost * (n - 1 - i)) / (n - 1);
  const begins = [a.turned ? a : null, b.turned ? null : b].some(
    (part) => part && part.movement === laid.movement && part.from < 0.07,
  );
  return begins && cost < laid.cost + HARDLY ? { ...a, cost, cutAt: i / (n - 1), rest: b } : laid;
}

interface Fit {
  readonly slant: number;
  readonly x: number;
  readonly y: number;
  readonly scaleX: number;
  readonly scaleY: number;
}

/** A better size and place for lines so laid, side by side and up and down each by least squares; not by more than a little. */
function refined(fit: Fit, laid: readonly LaidLine[], ways: readonly Told[]): Fit {
  const axis = (of: 'x' | 'y'): [number, number] => {
    let [n, a, b, aa, ab] = [0, 0, 0, 0, 0];
    for (const { line, on, movement } of laid.flatMap((one) => (one.rest ? [one, one.rest] : [one]))) {
      line[of].forEach((v, i) => {
        const w = ways[movement]![of][on[i]!]!;
        n++;
        a += v;
        b += w;
        aa += v * v;
        ab += v * w;
      });
    }
    const spread = aa - (a * a) / n;
    const scale = spread > 1e-4 * n ? clamp((ab - (a * b) / n) / spread, 0.75, 1.35) : 1;
    return [scale, (b - scale * a) / n];
  };
  const [[kx, ox], [ky, oy]] = [axis('x'), axis('y')];
  return {
    slant: fit.slant,
    x: fit.x * kx + ox,
    y: fit.y * ky + oy,
    scaleX: fit.scaleX * kx,
    scaleY: fit.scaleY * ky,
  };
}

/** @param isFirstLook whether the letter is only laid where it stands, to tell the forms it may be from those that it is not. */
function match(form: Form, lines: readonly LetterLine[], slant: number, isFirstLook: boolean): Match {
  const upright = lines.map(({ places }) => places.map(({ x, y }) => ({ x: x + slant * y, y })));
  const [own, wanted] = [frameOf(upright.flat()), frameOf(form.movements.flatMap(({ way }) => way))];
  const size = Math.max(own.width, own.height, 1e-6);
  // The form is sized to the letter, so that lengths are shares of the letter's greater side.
  const narrow = own.width < NARROW * own.height || wanted.width < NARROW * wanted.height;
  const kx = narrow ? own.height / Math.max(1e-6, wanted.height) : own.width / Math.max(1e-6, wanted.width);
  const ky =
    own.height < NARROW * own.width || wanted.height < NARROW * wanted.width
      ? kx
      : own.height / Math.max(1e-6, wanted.height);
  const ways = form.movements.map(({ way }) =>
    told(way.map((p) => ({ x: ((p.x - wanted.x) * kx) / size, y: ((p.y - wanted.y) * ky) / size }))),
  );
  let fit: Fit = { slant, x: -own.x / size, y: -own.y / size, scaleX: 1 / size, scaleY: 1 / size };
  let laid: LaidLine[] = [];
  const counts = lines.map((_, i) => {
    const long = upright[i]!.reduce((sum, p, k, all) => sum + distance(p, all[k - 1] ?? p), 0);
    return { long, count: clamp(Math.round((PLACES * long) / size), LEAST, MOST) };
  });
  const marks = form.movements.map(({ isMark }) => isMark);
  const notDots = marks.includes(true) ? marks.map((isMark) => (isMark ? 0 : NO_DOT)) : [];
  const rounds = isFirstLook ? 0 : REFINED;
  for (let round = 0; round <= rounds; round++) {
    laid = upright.map((places, i) => {
      const { closed, isLoop, isDot } = lines[i]!;
      const way = closed ? [...places, places[0]!] : places;
      const even = evenPlaces(way, counts[i]!.count).map(({ x, y }) => ({
        x: x * fit.scaleX + fit.x,
        y: y * fit.scaleY + fit.y,
      }));
      const line = told(even);
      const one =
        isLoop && !isFirstLook ? laidLoop(line, ways) : laidOn(line, closed, ways, isDot ? notDots : []);
      return round < rounds || closed || isFirstLook ? one : begunWithin(line, one, ways);
    });
    if (round < rounds) fit = refined(fit, laid, ways);
  }
  const whole = counts.reduce((sum, { long }) => sum + long, 0) || 1;
  const off = laid.reduce((sum, { cost }, i) => sum + (cost * counts[i]!.long) / whole, 0);
  return { form, laid, cost: off + amiss(laid, ways) };
}

/** What of a form's ways has no line, and what has several, as a share of all of it. */
function amiss(laid: readonly LaidLine[], ways: readonly Told[]): number {
  let [all, missing, double] = [0, 0, 0];
  ways.forEach((way, movement) => {
    const n = way.x.length;
    const count = new Uint8Array(n);
    for (const one of laid.flatMap((each) => (each.rest ? [each, each.rest] : [each]))) {
      if (one.movement !== movement) continue;
      for (let j = Math.round(one.from * (n - 1)); j <= Math.round(one.to * (n - 1)); j++) count[j]!++;
    }
    let long = 0;
    for (let j = 1; j < n; j++) long += Math.hypot(way.x[j]! - way.x[j - 1]!, way.y[j]! - way.y[j - 1]!);
    const step = (long + 0.02) / n;
    for (let j = 0; j < n; j++) {
      // A gap of one or two places lies between two lines.
      const near = count.subarray(Math.max(0, j - 2), j + 3).some((c) => c > 0);
      all += step;
      if (!near) missing += step;
      if (count[j]! > 1) double += step * (count[j]! - 1);
    }
  });
  return (MISSING * missing + DOUBLE * double) / (all || 1);
}

/**
 * Lays the lines of a letter over the forms in which a hand writes it, and takes the one they are most like.
 * @returns null where there is nothing to lay or no form.
 */
export function matchForms(forms: readonly Form[], lines: readonly LetterLine[]): Match | null {
  if (forms.length === 0 || lines.length === 0) return null;
  const weighed = ({ form, cost }: { form: Form; cost: number }) => cost + (form.isFlourish ? FLOURISH : 0);
  return forms
    .map((form) =>
      SLANTS.map((slant) => ({ form, slant, cost: match(form, lines, slant, true).cost })).sort(
        (a, b) => a.cost - b.cost,
      ),
    )
    .sort((a, b) => weighed(a[0]!) - weighed(b[0]!))
    .slice(0, LOOKED_AT)
    .flatMap((looked) => looked.slice(0, SLANTS_OF_EACH))
    .map(({ form, slant }) => match(form, lines, slant, false))
    .reduce((best, found) => (weighed(found) < weighed(best) ? found : best));
}

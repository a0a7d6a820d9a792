import { remembered } from '../keep';
import { arcCubics, svgArc } from './arc';
import type { PathCommand } from './commands';
import { smoothHandles } from './fit';
import type { Path, PathPoint } from './path';

/** What was read of path data: everything up to the first fault, and where that is (characters from the start). */
interface ReadPathData {
  readonly commands: PathCommand[];
  readonly faultAt: number | null;
}

const NUMBER = /[+-]?(?:\d+(?:\.\d*)?|\.\d+)(?:[eE][+-]?\d+)?/y;
const GAP = /[\s,]*/y;
const SPACE = /\s*/y;
/** Numbers each command takes. */
const ARITY: Record<string, number> = { m: 2, l: 2, h: 1, v: 1, c: 6, s: 4, q: 4, t: 2, a: 7, z: 0 };

/**
 * Reads SVG path data into absolute moves, lines and cubics: the grammar of SVG 2, 9.3.9, with implicit commands,
 * flags without separators and arcs. On a fault everything before it stands, as SVG 2, 9.5.4 asks.
 * Quadratic curves are raised to cubics, arcs become cubics within 3e-4 of their radius.
 * @param most so many commands are read; what comes after the first beyond that is not looked at.
 */
export function readPathData(text: string, most = Infinity): ReadPathData {
  const commands: PathCommand[] = [];
  let at = 0;
  const skip = (pattern: RegExp): void => {
    pattern.lastIndex = at;
    pattern.exec(text);
    at = pattern.lastIndex;
  };
  const number = (): number | null => {
    skip(GAP);
    NUMBER.lastIndex = at;
    const found = NUMBER.exec(text);
    if (!found) return null;
    at = NUMBER.lastIndex;
    const value = Number(found[0]);
    return Number.isFinite(value) ? value : null;
  };
  const flag = (): number | null => {
    skip(GAP);
    const c = text[at];
    if (c !== '0' && c !== '1') return null;
    at++;
    return Number(c);
  };
  let [x, y, startX, startY] = [0, 0, 0, 0];
  /** The last control point, for the smooth commands; the current point when the last command was none of that kind. */
  let [cubicX, cubicY, quadX, quadY] = [0, 0, 0, 0];
  let open = false;
  const begin = (): void => {
    // After a close without a move, the next piece starts where the last one did.
    if (!open) commands.push(['M', x, y]);
    open = true;
  };
  const curve = (x1: number, y1: number, x2: number, y2: number, ex: number, ey: number): void => {
    begin();
    commands.push(['C', x1, y1, x2, y2, ex, ey]);
    [x, y] = [ex, ey];
  };
  const lineTo = (ex: number, ey: number): void => {
    begin();
    commands.push(['L', ex, ey]);
    [x, y] = [ex, ey];
  };
  const run = (kind: string, relative: boolean, n: number[]): void => {
    const [ox, oy] = relative ? [x, y] : [0, 0];
    const [px, py] = [x, y];
    let keeps: 'cubic' | 'quad' | null = null;
    if (kind === 'm') {
      [x, y] = [n[0]! + ox, n[1]! + oy];
      [startX, startY] = [x, y];
      commands.push(['M', x, y]);
      open = true;
    } else if (kind === 'l') lineTo(n[0]! + ox, n[1]! + oy);
    else if (kind === 'h') lineTo(n[0]! + ox, y);
    else if (kind === 'v') lineTo(x, n[0]! + oy);
    else if (kind === 'c' || kind === 's') {
      const short = kind === 's';
      const [x1, y1] = short ? [2 * x - cubicX, 2 * y - cubicY] : [n[0]! + ox, n[1]! + oy];
      const [x2, y2, ex, ey] = (short ? n : n.slice(2)) as [number, number, number, number];
      curve(x1, y1, x2 + ox, y2 + oy, ex + ox, ey + oy);
      [cubicX, cubicY] = [x2 + ox, y2 + oy];
      keeps = 'cubic';
    } else if (kind === 'q' || kind === 't') {
      const short = kind === 't';
      const [qx, qy] = short ? [2 * x - quadX, 2 * y - quadY] : [n[0]! + ox, n[1]! + oy];
      const [ex, ey] = [(short ? n[0]! : n[2]!) + ox, (short ? n[1]! : n[3]!) + oy];
      curve(
        px + ((qx - px) * 2) / 3,
        py + ((qy - py) * 2) / 3,
        ex + ((qx - ex) * 2) / 3,
        ey + ((qy - ey) * 2) / 3,
        ex,
        ey,
      );
      [quadX, quadY] = [qx, qy];
      keeps = 'quad';
    } else if (kind === 'a') {
      const to = { x: n[5]! + ox, y: n[6]! + oy };
      const arc = svgArc({ x, y }, n[0]!, n[1]!, n[2]!, n[3] === 1, n[4] === 1, to);
      if (arc) {
        const cubics = arcCubics(arc);
        cubics.forEach((c, i) => {
          const last = i === cubics.length - 1;
          curve(c[2], c[3], c[4], c[5], last ? to.x : c[6], last ? to.y : c[7]);
        });
      } else if (to.x !== x || to.y !== y) lineTo(to.x, to.y);
    } else {
      if (open) commands.push(['Z']);
      open = false;
      [x, y] = [startX, startY];
    }
    if (keeps !== 'cubic') [cubicX, cubicY] = [x, y];
    if (keeps !== 'quad') [quadX, quadY] = [x, y];
  };
  let command = '';
  for (;;) {
    skip(SPACE);
    if (at >= text.length || commands.length > most) return { commands, faultAt: null };
    const before = at;
    const letter = text[at]!;
    let implicit = false;
    if (/[a-zA-Z]/.test(letter)) {
      if (ARITY[letter.toLowerCase()] === undefined) return { commands, faultAt: before };
      command = letter;
      at++;
    } else {
      // Further numbers repeat the command; after a move they are lines.
      if (command === '' || command.toLowerCase() === 'z') return { commands, faultAt: before };
      if (command === 'm') command = 'l';
      if (command === 'M') command = 'L';
      implicit = true;
    }
    const kind = command.toLowerCase();
    if (commands.length === 0 && kind !== 'm') return { commands, faultAt: before };
    if (implicit) skip(GAP);
    const n: number[] = [];
    for (let i = 0; i < ARITY[kind]!; i++) {
      const value = kind === 'a' && (i === 3 || i === 4) ? flag() : number();
      if (value === null) return { commands, faultAt: before };
      n.push(value);
    }
    run(kind, command === kind, n);
  }
}

/**
 * Path data of commands.
 * @param digits after the point; two are a hundredth of a pixel.
 */
export function pathData(commands: readonly PathCommand[], digits = 2): string {
  const power = 10 ** digits;
  const short = (n: number): string => String(Math.round(n * power) / power + 0);
  return commands
    .map(
      (c) =>
        c[0] +
        c
          .slice(1)
          .map((n) => short(n as number))
          .join(' '),
    )
    .join('');
}

/** Characters of path data whose commands are kept: more than any document holds. */
const MOST_TEXT = 16e6;

/** The commands of path data that the document holds; the same text is read once. */
export const commandsOf: (data: string) => readonly PathCommand[] = remembered(
  { mostInAll: MOST_TEXT, sizeOf: (data: string) => data.length },
  (data) => readPathData(data).commands,
);

/** Each piece of drawing commands as a path of points; a closing line of no length is left out. */
export function pathsOf(commands: readonly PathCommand[]): Path[] {
  const paths: Path[] = [];
  let points: PathPoint[] = [];
  const finish = (closed: boolean): void => {
    if (points.length === 0) return;
    let all = points;
    const [first, last] = [all[0]!, all.at(-1)!];
    if (closed && all.length > 1 && Math.hypot(first.x - last.x, first.y - last.y) < 1e-6) {
      all = [{ ...first, in: last.in }, ...all.slice(1, -1)];
    }
    const kinds = all.map((p): PathPoint => ({
      ...p,
      kind: smoothHandles(p.in, p.out) ? 'smooth' : 'corner',
    }));
    paths.push({ closed: closed && kinds.length > 1, points: kinds });
    points = [];
  };
  const none = { x: 0, y: 0 };
  for (const c of commands) {
    if (c[0] === 'Z') {
      finish(true);
      continue;
    }
    const [x, y] = c.slice(-2) as [number, number];
    if (c[0] === 'M') finish(false);
    let into = none;
    if (c[0] === 'C') {
      const before = points.at(-1)!;
      points[points.length - 1] = { ...before, out: { x: c[1] - before.x, y: c[2] - before.y } };
      into = { x: c[3] - x, y: c[4] - y };
    }
    points.push({ x, y, in: into, out: none, kind: 'corner' });
  }
  finish(false);
  return paths;
}

import type { Point } from '../geometry';
import type { Position } from './position';

/** One part of a letter: a movement of the pen from where it begins to where it ends. */
export interface Movement {
  readonly name: string;
  /** Places on its way, evenly spread, across and downward in shares of the letter's height. */
  readonly way: readonly Point[];
  /** A dot, bar or accent: it may wait until the word is written. */
  readonly isMark: boolean;
  /** A stretch of the line that a word hangs on: it is written when all the word is. */
  readonly isHeadLine: boolean;
  /** Whether a hand that joins letters goes on to it without lifting the pen. */
  readonly runsOn: boolean;
}

/** One way of writing a letter. */
export interface Form {
  readonly name: string;
  /** A form of flourished hands: a letter must be much more like it than like plain ones. */
  readonly isFlourish: boolean;
  /** Where in a run of joined letters a letter has this form, if it has another elsewhere. */
  readonly position?: Position;
  readonly movements: readonly Movement[];
}

/** Places in which the way of a movement is told. */
const PLACES = 32;
/** Straight pieces between two given places of a bend. */
const PIECES = 8;

interface Given extends Point {
  readonly isCorner: boolean;
}

/** A curve through places that bends evenly at each but corners: a Catmull–Rom spline, as short straight pieces. */
function bent(given: readonly Given[]): Point[] {
  const out: Point[] = [given[0]!];
  for (let i = 1; i < given.length; i++) {
    const [p, q] = [given[i - 1]!, given[i]!];
    const before = p.isCorner ? p : (given[i - 2] ?? p);
    const after = q.isCorner ? q : (given[i + 1] ?? q);
    for (let k = 1; k <= PIECES; k++) {
      const t = k / PIECES;
      const at = (a: number, b: number, c: number, d: number): number =>
        b + 0.5 * t * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a)));
      out.push({ x: at(before.x, p.x, q.x, after.x), y: at(before.y, p.y, q.y, after.y) });
    }
  }
  return out;
}

/** So many places at even distances along straight pieces, the ends among them. */
export function evenPlaces(way: readonly Point[], count: number): Point[] {
  const s = [0];
  for (let i = 1; i < way.length; i++)
    s.push(s[i - 1]! + Math.hypot(way[i]!.x - way[i - 1]!.x, way[i]!.y - way[i - 1]!.y));
  const whole = s.at(-1)!;
  let at = 1;
  return Array.from({ length: count }, (_, k) => {
    const wanted = (whole * k) / (count - 1);
    while (at < way.length - 1 && s[at]! < wanted) at++;
    const [p, q] = [way[at - 1]!, way[at] ?? way[at - 1]!];
    const t = (wanted - s[at - 1]!) / ((s[at] ?? 0) - s[at - 1]! || 1);
    return { x: p.x + (q.x - p.x) * t, y: p.y + (q.y - p.y) * t };
  });
}

function movementOf(text: string): Movement {
  const plain = text.trim();
  const sign = /^[+•‾] /.exec(plain)?.[0] ?? '';
  // A name, then places.
  const first = plain.search(/ -?\d+,-?\d/);
  if (first < sign.length) throw new Error(`A movement can't be read: “${text}”.`);
  const places = plain.slice(first + 1).split(/\s+/);
  const given = places.map((place): Given => {
    const read = /^(-?\d+),(-?\d+)(!)?$/.exec(place);
    if (!read) throw new Error(`A place can't be read: “${place}” in “${text}”.`);
    return { x: Number(read[1]) / 100, y: -Number(read[2]) / 100, isCorner: read[3] === '!' };
  });
  return {
    name: plain.slice(sign.length, first),
    way: evenPlaces(bent(given), PLACES),
    isMark: sign === '• ',
    isHeadLine: sign === '‾ ',
    runsOn: sign === '+ ',
  };
}

/** Reads a table of forms: letter, name and movements in each line, two spaces between them. Letters without a line have none. */
export function readForms(table: string): Map<string, readonly Form[]> {
  const forms = new Map<string, Form[]>();
  for (const line of table.split('\n').filter((one) => one.trim() !== '')) {
    const [letter, name, movements] = line.split(/ {2,}/) as [string, string, string];
    const form = {
      name: name.replace(/^~ /, ''),
      isFlourish: name.startsWith('~ '),
      movements: movements.split(' ; ').map(movementOf),
    };
    forms.set(letter, [...(forms.get(letter) ?? []), form]);
  }
  return forms;
}

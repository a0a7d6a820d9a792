import type { Point } from '../geometry';
import { seeded } from '../testing/families';
import { formsOf, matchForms, type Form, type Laid, type LetterLine } from '.';
import { times } from '../testing/cases';

interface Piece extends LetterLine {
  readonly movement: number;
  readonly from: number;
  readonly isTurned: boolean;
}

/** A form as a face might draw it: sized, slanted and bent a little, its movements cut into pieces, some the other way round, in any order. */
function drawn(form: Form, random: () => number): Piece[] {
  const slant = 0.5 * random();
  const [wide, high] = [60 + 60 * random(), 80 + 60 * random()];
  const bend = () => 0.025 * (random() - 0.5);
  const [bx, by, cx] = [bend(), bend(), 6 * random()];
  const placed = ({ x, y }: Point): Point => {
    const [u, v] = [x + bx * Math.sin(3 * y + cx), y + by * Math.sin(4 * x + cx)];
    return { x: 300 + wide * u - slant * high * v, y: 200 + high * v };
  };
  const pieces = form.movements.flatMap(({ way }, movement): Piece[] => {
    const n = way.length;
    const cuts = n > 20 && random() < 0.6 ? [Math.round(n * (0.35 + 0.3 * random()))] : [];
    const ends = [0, ...cuts, n - 1];
    return ends.slice(1).map((end, k) => {
      const places = way.slice(ends[k], end + 1).map(placed);
      const isTurned = random() < 0.5;
      return {
        places: isTurned ? places.reverse() : places,
        closed: false,
        isLoop: false,
        isDot: false,
        movement,
        from: ends[k]! / (n - 1),
        isTurned,
      };
    });
  });
  return pieces.sort(() => random() - 0.5);
}

const order = (laid: readonly Pick<Laid, 'movement' | 'from'>[]): number[] =>
  laid
    .map(({ movement, from }, i) => ({ i, key: movement + Math.min(0.99, from) }))
    .sort((a, b) => a.key - b.key)
    .map(({ i }) => i);

const length = ({ places }: LetterLine): number =>
  places.reduce(
    (sum, p, i) => (i === 0 ? 0 : sum + Math.hypot(p.x - places[i - 1]!.x, p.y - places[i - 1]!.y)),
    0,
  );

test('letters drawn after a form, whatever their size and slant, are laid in its order and direction', () => {
  const random = seeded(31);
  let [lines, right, letters, inOrder] = [0, 0, 0, 0];
  for (const letter of 'abcdefghijklmnopqrstuvwxyzABCDEFGHJKLMNPRSTUVWXYZ234579') {
    for (const form of formsOf(letter)) {
      for (let k = 0; k < times(1, 20); k++) {
        const pieces = drawn(form, random);
        const found = matchForms(formsOf(letter), pieces)!;
        letters++;
        const wanted = order(pieces);
        if (found.form === form && order(found.laid).every((i, at) => i === wanted[at])) inOrder++;
        pieces.forEach((piece, i) => {
          // A dot has no direction.
          if (length(piece) < 8) return;
          lines++;
          if (found.laid[i]!.turned === piece.isTurned) right++;
        });
      }
    }
  }
  expect(right / lines).toBeGreaterThan(0.97);
  expect(inOrder / letters).toBeGreaterThan(0.85);
});

test('a ring is begun where its form begins, and goes as it does, from whatever place its outline was followed', () => {
  const random = seeded(7);
  const [form] = formsOf('o');
  const { way } = form!.movements[0]!;
  for (let k = 0; k < 24; k++) {
    const shift = Math.floor(random() * (way.length - 1));
    const ring = way.slice(0, -1);
    const turned = random() < 0.5;
    const begun = [...ring.slice(shift), ...ring.slice(0, shift)].map(({ x, y }) => ({
      x: 90 * x,
      y: 110 * y,
    }));
    const places = turned ? begun.reverse() : begun;
    const { laid } = matchForms(formsOf('o'), [{ places, closed: true, isLoop: false, isDot: false }])!;
    expect(laid[0]!.turned).toBe(turned);
    const at = places[Math.round(laid[0]!.start * places.length) % places.length]!;
    expect(Math.hypot(at.x - 90 * way[0]!.x, at.y - 110 * way[0]!.y)).toBeLessThan(30);
  }
});

test('a scribble is like no letter, and nothing is like a letter that is not known', () => {
  const scribble: LetterLine[] = [0, 1, 2, 3, 4].map((k) => ({
    closed: false,
    isLoop: false,
    isDot: false,
    places: Array.from({ length: 9 }, (_, i) => ({ x: 20 * i, y: 25 * k + (i % 2) * 30 })),
  }));
  // Half the letters of faces are nearer to their forms than 0.08, nine in ten than 0.25.
  expect(matchForms(formsOf('l'), scribble)!.cost).toBeGreaterThan(0.2);
  expect(matchForms(formsOf('好'), scribble)).toBeNull();
});

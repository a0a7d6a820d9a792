import type { Point } from '../geometry';
import { formsOf, readForms, type Form, type Movement } from '.';

const SMALL = 'abcdefghijklmnopqrstuvwxyz';
const LETTERS = [...SMALL, ...SMALL.toUpperCase(), ...'0123456789'];

/** Twice the area a way goes round: positive with the clock, as y goes down. */
const turned = (way: readonly Point[]): number =>
  way.reduce((sum, p, i) => {
    const q = way[(i + 1) % way.length]!;
    return sum + p.x * q.y - q.x * p.y;
  }, 0);
const named = (form: Form, name: string): Movement[] =>
  form.movements.filter((movement) => movement.name.includes(name));
/** The plain forms of letters: flourished capitals follow models of their own. */
const plain = (letter: string): Form[] => formsOf(letter).filter(({ isFlourish }) => !isFlourish);
const each = (letters: string, check: (form: Form, letter: string) => void): void => {
  for (const letter of letters) for (const form of plain(letter)) check(form, letter);
};

test('every Latin letter, figure and accented letter of Western Europe has a form', () => {
  const accented = 'àáâãäåçèéêëìíîïñòóôõöøùúûüýÿœæßčšžğąęłőűÀÉÎÖÜÇŠ';
  const without = [...LETTERS, ...accented].filter((letter) => formsOf(letter).length === 0);
  // The stroke through l is no accent that is written over another letter.
  expect(without).toEqual(['ł']);
  expect(formsOf('é')[0]!.movements.at(-1)).toMatchObject({ name: 'accent', isMark: true });
  // An i under an accent has no dot of its own.
  expect(formsOf('ï')[0]!.movements.map(({ name }) => name)).toEqual(['stem', 'first dot', 'second dot']);
  expect(formsOf('好')).toEqual([]);
  // Flourishes come beside a plain form, never in its place, and are told by their mark alone.
  for (const letter of LETTERS) expect([letter, plain(letter).length > 0]).toEqual([letter, true]);
  const flourished = formsOf('Q').filter(({ isFlourish }) => isFlourish);
  expect(flourished.map(({ name }) => name)).toEqual(['as a 2', 'as a 2, wide below']);
});

test('bowls of a, d, g, q, o, c and e go against the clock, those of b, p, B, D, P and R with it', () => {
  each('adgqoOQ', (form, letter) => {
    const [first] = named(
      form,
      letter === 'a' && form.name.includes('storeys') ? 'bowl' : form.movements[0]!.name,
    );
    expect([letter, form.name, turned(first!.way) < 0]).toEqual([letter, form.name, true]);
  });
  each('cCe', (form, letter) =>
    expect([letter, form.name, turned(form.movements[0]!.way) < 0]).toEqual([letter, form.name, true]),
  );
  each('bpBDPR', (form, letter) => {
    const bowl = named(form, 'bowl')[0];
    if (bowl) expect([letter, form.name, turned(bowl.way) > 0]).toEqual([letter, form.name, true]);
  });
});

test('stems go down and come before the bowls and bars that hang on them; bars go from the left', () => {
  for (const letter of LETTERS) {
    for (const form of plain(letter)) {
      for (const { name, way, isMark } of form.movements) {
        const [a, b] = [way[0]!, way.at(-1)!];
        if (/stem$|leg$/.test(name) && !/loop|joined|shouldered|,/.test(form.name))
          expect([letter, form.name, name, b.y > a.y]).toEqual([letter, form.name, name, true]);
        if (/^bar$|^top$|^foot$/.test(name) && !/r/.test(letter))
          expect([letter, form.name, name, b.x > a.x]).toEqual([letter, form.name, name, true]);
        if (isMark && form.movements.length > 1) expect(form.movements[0]!.isMark).toBe(false);
      }
    }
  }
  each('bpBDPRhnmkr', (form, letter) => {
    expect([letter, form.name, /stem|loop/.test(form.movements[0]!.name)]).toEqual([letter, form.name, true]);
  });
});

test('s, c, e, z, 2, 3, 5 and 7 begin where a hand begins them', () => {
  const begin = (letter: string): Point => formsOf(letter)[0]!.movements[0]!.way[0]!;
  for (const letter of 'scCSG') expect(begin(letter)).toMatchObject({ x: expect.closeTo(0.95, 1) as number });
  for (const letter of 'zZ2375') expect([letter, begin(letter).x < 0.2]).toEqual([letter, true]);
  expect(begin('e').y).toBeCloseTo(-0.5, 1);
});

test('a table that can’t be read says where', () => {
  expect(() => readForms('q  plain  stem 1,2 3;4')).toThrow('3;4');
  expect(() => readForms('q  plain  nothing')).toThrow('“nothing”');
});

import fc from 'fast-check';
import { arithmetic } from './arithmetic';
import { percent, pixels, writtenWith } from './written';

test.each([
  ['10+5', 15],
  ['1920/3', 640],
  ['2+3*4', 14],
  ['(2+3)*4', 20],
  ['−7,5 × 2', -15],
  ['10 - -4', 14],
  ['8÷4÷2', 1],
  ['.5+.25', 0.75],
])('%s comes to %d', (text, value) => {
  expect(arithmetic(text)).toBeCloseTo(value, 12);
});

test.each(['', '+', '5+', '(5', '5)', '1 2', '1/0', 'abc', '3 apples', '2^3', '1e3'])(
  '%p is no sum',
  (text) => {
    expect(arithmetic(text)).toBeNull();
  },
);

test('any sum comes to what the language itself makes of it', () => {
  const sums = fc.letrec((tie) => ({
    sum: fc.oneof(
      { depthSize: 'small' },
      fc.nat(999).map(String),
      fc.tuple(tie('sum'), fc.constantFrom('+', '-', '*', '/'), tie('sum')).map((parts) => parts.join('')),
      tie('sum').map((inner) => `(${inner})`),
    ),
  })).sum;
  fc.assert(
    fc.property(sums, (text) => {
      const own = Function(`return ${text}`)() as number;
      const read = arithmetic(text);
      return Number.isFinite(own) ? Math.abs(read! - own) <= Math.abs(own) * 1e-9 : read === null;
    }),
  );
});

test('fields read sums, with their unit or without', () => {
  expect(pixels.parse('1920/3 px')).toBe(640);
  expect(pixels.parse('1920 px / 3')).toBe(640);
  expect(percent.parse('50+25 %')).toBe(0.75);
  expect(writtenWith('fr', 0).parse('12+8')).toBe(20);
  for (const text of ['12 px', '5 +', 'soon']) expect(percent.parse(text)).toBeNull();
});

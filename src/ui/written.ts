import { arithmetic } from './arithmetic';

/** How a number is written for people, and read from what they type; null where it can't be read. */
export interface Written {
  readonly format: (value: number) => string;
  readonly parse: (text: string) => number | null;
}

/**
 * Numbers with a unit after them, which need not be typed; sums are reckoned.
 * @param digits after the point, at most.
 * @param per how many of the unit one is: 100 % to a share of one.
 */
export const writtenWith = (unit: string, digits: number, per = 1): Written => ({
  format: (value) =>
    `${Number((value * per).toFixed(digits))}${unit === '' || unit === '°' ? unit : ` ${unit}`}`,
  parse(text) {
    // The unit may stand after each number of a sum.
    const value = arithmetic(unit === '' ? text : text.replaceAll(unit, ' '));
    return value === null ? null : value / per;
  },
});

export const pixels = writtenWith('px', 1);
export const pixelsASecond = writtenWith('px/s', 2);
/** Shares of one. */
export const percent = writtenWith('%', 1, 100);
/** Radians. */
export const degrees = writtenWith('°', 1, 180 / Math.PI);
/** Angles that are kept in degrees. */
export const wholeDegrees = writtenWith('°', 0);
export const factors = writtenWith('×', 2);
export const plain = writtenWith('', 2);
export const whole = writtenWith('', 0);

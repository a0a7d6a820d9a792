/**
 * In how many steps a length is gone through: at least one, and never more than `most`, however small the step or large the length is
 * (or where neither is a number). Where that is too few the steps are longer, and what is made by them is rougher.
 */
export const stepsIn = (length: number, step: number, most: number): number => {
  const count = Math.ceil(length / step);
  return count >= 1 ? Math.min(count, most) : 1;
};

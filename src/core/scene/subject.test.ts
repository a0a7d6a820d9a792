import { varied } from './subject';

test('ways of showing strokes otherwise add up: widths multiply, the shorter reach holds, nothing said is nothing', () => {
  expect(varied(null, undefined)).toBeNull();
  expect(varied({ width: 2, reach: 0.5 }, undefined)).toEqual({ width: 2, reach: 0.5 });
  expect(varied(null, { width: 0.5, reach: 0.75 })).toEqual({ width: 0.5, reach: 0.75 });
  expect(varied({ width: 2, reach: 0.5 }, { width: 3, reach: 0.75 })).toEqual({ width: 6, reach: 0.5 });
  expect(varied({ width: 2, reach: 1 }, { width: 0.5, reach: 1 })).toBeNull();
});

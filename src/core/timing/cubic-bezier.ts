/**
 * The CSS easing function cubic-bezier(x1, y1, x2, y2): progress out for progress in.
 * Source: CSS Easing Functions Level 1, section 2.3. x1 and x2 lie in 0..1, so x(t) rises and has one inverse;
 * outside 0..1 the curve goes on along its end tangents, as the standard asks.
 * @returns y for x, exact to about 1e-12.
 */
export function cubicBezier(x1: number, y1: number, x2: number, y2: number): (x: number) => number {
  const ax = 1 - 3 * x2 + 3 * x1;
  const bx = 3 * x2 - 6 * x1;
  const cx = 3 * x1;
  const ay = 1 - 3 * y2 + 3 * y1;
  const by = 3 * y2 - 6 * y1;
  const cy = 3 * y1;
  const slopeAtStart =
    x1 > 0 ? y1 / x1 : y1 === 0 && x2 > 0 ? y2 / x2 : x2 === 0 && y1 === 0 && y2 === 0 ? 1 : 0;
  const slopeAtEnd =
    x2 < 1
      ? (1 - y2) / (1 - x2)
      : y2 === 1 && x1 < 1
        ? (1 - y1) / (1 - x1)
        : x1 === 1 && y2 === 1 && y1 === 1
          ? 1
          : 0;

  return (x) => {
    if (x <= 0) return slopeAtStart * x;
    if (x >= 1) return 1 + slopeAtEnd * (x - 1);
    let low = 0;
    let high = 1;
    let t = x;
    for (let step = 0; step < 64; step++) {
      const miss = ((ax * t + bx) * t + cx) * t - x;
      if (Math.abs(miss) < 1e-14) break;
      if (miss > 0) high = t;
      else low = t;
      const slope = (3 * ax * t + 2 * bx) * t + cx;
      const newton = t - miss / slope;
      t = newton > low && newton < high ? newton : (low + high) / 2;
    }
    return ((ay * t + by) * t + cy) * t;
  };
}

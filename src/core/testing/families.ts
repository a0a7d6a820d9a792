import type { Cubic } from '../geometry';

export { seeded } from '../effects';

/** Families of cubics that strain a length: ordinary ones, cusps, loops, straight, doubled-back and degenerate ones. */
export function cubicFamilies(random: () => number, each: number): [family: string, cubic: Cubic][] {
  const r = () => random() * 1000;
  const out: [string, Cubic][] = [];
  for (let i = 0; i < each; i++) {
    const [x, y, w, h] = [r(), r(), r() + 1, r() + 1];
    out.push(['any', [r(), r(), r(), r(), r(), r(), r(), r()]]);
    // Handles that cross to the opposite corner make an exact cusp at the middle.
    out.push(['cusp', [x, y, x + w, y + h, x, y + h, x + w, y]]);
    out.push(['near cusp', [x, y, x + w * (1 + random() * 1e-3), y + h, x, y + h, x + w, y]]);
    out.push(['loop', [x, y, x + 2 * w, y + h, x - w, y + h, x + w, y]]);
    const [a, b] = [random(), random()];
    out.push(['straight', [x, y, x + w * a, y + h * a, x + w * b, y + h * b, x + w, y + h]]);
    out.push(['doubled back', [x, y, x + w * 2, y + h * 2, x - w, y - h, x + w, y + h]]);
    out.push(['one handle', [x, y, x, y, r(), r(), x + w, y + h]]);
    out.push(['start is end', [x, y, r(), r(), r(), r(), x, y]]);
    out.push(['tiny', [x, y, x + 1e-4 * a, y, x, y + 1e-4 * b, x + 1e-4, y]]);
  }
  out.push(['point', [5, 5, 5, 5, 5, 5, 5, 5]]);
  return out;
}

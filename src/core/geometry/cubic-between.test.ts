import { cases } from '../testing/cases';
import { seeded } from '../testing/families';
import { isNearCubic } from './cubic-between';

test('what is near a cubic that turns little is what is near the nearest of many of its places', () => {
  for (const seed of cases(40, 600)) {
    const random = seeded(seed);
    const between = (a: number, b: number) => a + (b - a) * random();
    // Handles of about a third of the chord, off it by at most a quarter.
    const [x, y] = [between(-500, 500), between(-500, 500)];
    const [dx, dy] = [between(-200, 200), between(100, 300)];
    const off = (share: number, aside: number): [number, number] => [
      x + dx * share - dy * aside,
      y + dy * share + dx * aside,
    ];
    const c = [
      ...[x, y],
      ...off(between(0.25, 0.4), between(-0.25, 0.25)),
      ...off(between(0.6, 0.75), between(-0.25, 0.25)),
      ...[x + dx, y + dy],
    ] as unknown as Parameters<typeof isNearCubic>[0];
    const at = (t: number): [number, number] => {
      const u = 1 - t;
      const [a, b, d, e] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
      return [a * c[0] + b * c[2] + d * c[4] + e * c[6], a * c[1] + b * c[3] + d * c[5] + e * c[7]];
    };
    const places = Array.from({ length: 2001 }, (_, i) => at(i / 2000));
    for (let k = 0; k < 20; k++) {
      const [px, py] = places[200 + Math.floor(random() * 1600)]!;
      const [qx, qy] = [px + between(-4, 4), py + between(-4, 4)];
      const distance = Math.min(...places.map(([a, b]) => Math.hypot(a - qx, b - qy)));
      // Its places lie 0.1 px apart.
      if (distance < 0.5) continue;
      for (const reach of [0.5 * distance, 0.95 * distance, 1.05 * distance + 0.1, 2 * distance + 0.1])
        expect([seed, k, reach, isNearCubic(c, qx, qy, reach)]).toEqual([seed, k, reach, reach > distance]);
    }
  }
});

import fc from 'fast-check';
import { cutLoop, leave, mend, splitAtCorners } from './corner-splits';
import { endsAt } from './prune';
import type { Chain, ChainGraph } from './skeleton';

/** A run through places, one at each pixel, with a half width of two. */
function run(places: readonly (readonly [number, number])[], part: Partial<Chain> = {}): Chain {
  const [x, y]: [number[], number[]] = [[], []];
  places.forEach(([px, py], i) => {
    const [qx, qy] = places[i + 1] ?? [px, py];
    const steps = Math.max(1, Math.round(Math.hypot(qx - px, qy - py)));
    for (let k = 0; k < (i + 1 < places.length ? steps : 1); k++) {
      x.push(px + ((qx - px) * k) / steps);
      y.push(py + ((qy - py) * k) / steps);
    }
  });
  return { x, y, r: x.map(() => 2), from: null, to: null, closed: false, piece: 1, ...part };
}
const graphOf = (...chains: Chain[]): ChainGraph => ({ chains, forks: new Map() });
const placesOf = ({ x, y }: Chain): string[] => x.map((at, i) => `${at.toFixed(6)} ${y[i]!.toFixed(6)}`);

const ZIGZAG = run([
  [0, 0],
  [40, 0],
  [0, 50],
  [40, 50],
]);

test('a run is cut at its corners and nowhere else; each cut is a fork of two ends', () => {
  const graph = graphOf(ZIGZAG);
  const cuts = splitAtCorners(graph);
  expect(cuts).toHaveLength(2);
  expect(graph.chains).toHaveLength(3);
  for (const { fork } of cuts) {
    expect(endsAt(graph, fork)).toHaveLength(2);
    const { x, y } = graph.forks.get(fork)!;
    const corner = Math.min(Math.hypot(x - 40, y), Math.hypot(x, y - 50));
    expect(corner).toBeLessThan(3);
  }
  const bend = run(
    Array.from({ length: 40 }, (_, i) => [30 * Math.cos(i / 13), 30 * Math.sin(i / 13)] as const),
  );
  expect(splitAtCorners(graphOf(bend))).toEqual([]);
});

test('mended, in whatever order, a cut run is what it was; its corners are remembered', () => {
  fc.assert(
    fc.property(fc.boolean(), fc.boolean(), (turned, backward) => {
      const corners = [{ x: 40, y: 0 }];
      const whole = turned
        ? { ...ZIGZAG, x: [...ZIGZAG.x].reverse(), y: [...ZIGZAG.y].reverse(), corners }
        : { ...ZIGZAG, corners };
      const graph = graphOf(whole);
      const cuts = splitAtCorners(graph);
      for (const cut of backward ? [...cuts].reverse() : cuts) mend(graph, cut);
      expect(graph.chains).toHaveLength(1);
      expect(graph.forks.size).toBe(0);
      const [made] = graph.chains;
      const there = placesOf(made!).join();
      expect([placesOf(whole).join(), placesOf(whole).reverse().join()]).toContain(there);
      expect(made!.corners).toEqual(corners);
    }),
  );
});

test('a cut that is left gives two runs with free ends', () => {
  const graph = graphOf(ZIGZAG);
  for (const cut of splitAtCorners(graph)) leave(graph, cut);
  expect(graph.forks.size).toBe(0);
  expect(graph.chains.every(({ from, to }) => from === null && to === null)).toBe(true);
});

test('a ring of two corners comes apart and together again; one that turns at a single place stays a ring', () => {
  const half = (side: 1 | -1): [number, number][] => [
    [0, 0],
    [30, 20 * side],
    [60, 0],
  ];
  const lens = run([...half(-1), ...half(1).reverse().slice(1)], { closed: true });
  const graph = graphOf(lens);
  const cuts = splitAtCorners(graph).filter(({ fork }) => {
    const { x } = graph.forks.get(fork)!;
    return x < 5 || x > 55;
  });
  expect(cuts.length).toBeGreaterThanOrEqual(2);
  const drop = run(
    [
      [0, 0],
      ...Array.from({ length: 25 }, (_, i): [number, number] => [
        40 - 25 * Math.cos((i / 24 - 0.5) * 4.4 + Math.PI),
        25 * Math.sin((i / 24 - 0.5) * 4.4),
      ]),
      [0, 0],
    ],
    { closed: true },
  );
  const ring = graphOf(drop);
  expect(splitAtCorners(ring)).toEqual([]);
  expect(ring.chains[0]!.closed).toBe(true);
});

test('a loop is cut where it is asked for, and both parts come back to its fork', () => {
  const loop = run(
    [
      [0, 0],
      [30, 30],
      [0, 60],
      [-30, 30],
      [0, 0],
    ],
    { from: 7, to: 7 },
  );
  const graph = graphOf(loop);
  graph.forks.set(7, { x: 0, y: 0, r: 2 });
  const { cut, first, second } = cutLoop(graph, loop, 0.25);
  expect([first.from, first.to, second.from, second.to]).toEqual([7, cut.fork, cut.fork, 7]);
  expect([...placesOf(first), ...placesOf(second).slice(1)]).toEqual(placesOf(loop));
  expect(first.x.length / loop.x.length).toBeCloseTo(0.25, 1);
});

// Writes the pen movements that the stand-in for a tablet plays. They are invented: a name nobody bears, in the strokes
// that Obelus finds in a script face, moved along as a hand would move (two-thirds power law, minimum jerk at both ends,
// pressure that grows down strokes, a little unsteadiness), from a seed. Run once; the recordings are kept in the tree.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { measurePath, pointAtLength, tangentAtLength, type Path } from '../src/core/geometry';
import { clamp } from '../src/core/numbers';
import { seeded } from '../src/core/testing/families';
import { traceInk } from '../src/core/trace';
import { inkOf } from '../src/core/testing/judge-ink';
import { TRACE_OPTIONS } from '../src/core/trace';
import { outlinesOf } from './bench/trace-faces';

/** Reports a second, as tablets send them, kept to every second one. */
const RATE = 66;

/** Reports of a pen along a path: [ms, x, y, pressure, tiltX, tiltY]. */
function written(path: Path, from: number, speed: number, random: () => number): number[][] {
  const m = measurePath(path);
  const STEPS = Math.max(24, Math.ceil(m.length / 3));
  const curvature = (s: number): number => {
    const [a, b] = [tangentAtLength(m, s - 4), tangentAtLength(m, s + 4)];
    return Math.abs(Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y)) / 8;
  };
  // v ∝ κ^(−1/3) (Lacquaniti, Terzuolo & Viviani 1983), eased in and out over the first and last tenth.
  const times = [0];
  for (let i = 1; i <= STEPS; i++) {
    const s = ((i - 0.5) / STEPS) * m.length;
    const bend = Math.min(1.8, (0.012 / Math.max(0.0012, curvature(s))) ** (1 / 3));
    const ends = Math.min(
      1,
      0.25 + 0.75 * Math.sin(Math.min(1, (Math.min(s, m.length - s) / m.length) * 8) * (Math.PI / 2)),
    );
    times.push(times[i - 1]! + (m.length / STEPS / (speed * bend * ends)) * 1000);
  }
  const whole = times.at(-1)!;
  const [phase, drift] = [random() * 6, random() * 6];
  const count = Math.max(6, Math.ceil((whole / 1000) * RATE));
  let k = 0;
  return Array.from({ length: count + 1 }, (_, i) => {
    const t = (whole * i) / count;
    while (k < STEPS && times[k + 1]! < t) k++;
    const share = (k + (t - times[k]!) / Math.max(1e-6, times[k + 1]! - times[k]!)) / STEPS;
    const s = Math.min(m.length, share * m.length);
    const [p, d] = [pointAtLength(m, s), tangentAtLength(m, s)];
    // Tremor of about 8 Hz and a slower drift, both under a pixel.
    const shake =
      0.45 * Math.sin((t / 1000) * 2 * Math.PI * 8 + phase) +
      0.5 * Math.sin((t / 1000) * 2 * Math.PI * 1.7 + drift);
    const edge = Math.min(1, Math.min(s, m.length - s) / Math.min(40, m.length / 3 || 1));
    const pressure =
      (0.34 + 0.34 * Math.max(-0.6, d.y) + 0.04 * Math.sin(t / 130 + phase)) * (0.35 + 0.65 * edge);
    return [
      Math.round(from + t),
      Math.round((p.x - d.y * shake) * 10) / 10,
      Math.round((p.y + d.x * shake) * 10) / 10,
      Math.round(clamp(pressure, 0.05, 1) * 100) / 100,
      Math.round(24 + 5 * Math.sin(t / 500)),
      Math.round(-18 + 4 * Math.cos(t / 700)),
    ];
  });
}

async function record(
  id: string,
  name: string,
  text: string,
  face: string,
  size: number,
  seed: number,
): Promise<void> {
  const outlines = (await outlinesOf(face, text, size)).flat();
  const source = inkOf(outlines);
  const { left, right, top, bottom } = source.bounds;
  const [dx, dy] = [960 - (left + right) / 2, 540 - (top + bottom) / 2];
  const strokes = traceInk(source, TRACE_OPTIONS)!.filter((s) => s.path.points.length > 1);
  const random = seeded(seed);
  let now = 0;
  const movements = strokes.map(({ path }) => {
    const moved: Path = { ...path, points: path.points.map((p) => ({ ...p, x: p.x + dx, y: p.y + dy })) };
    const reports = written(moved, now, 1150, random);
    now = reports.at(-1)![0]! + 70 + Math.round(random() * 60);
    return reports;
  });
  const file = join(import.meta.dirname, `../src/editor/tablet/recordings/${id}.json`);
  writeFileSync(file, `${JSON.stringify({ id, name, movements })}\n`);
  console.log(
    `${id}: ${movements.length} movements, ${movements.flat().length} reports, ${(now / 1000).toFixed(1)} s`,
  );
}

async function main(): Promise<void> {
  await record('narrator', 'The narrator’s signature', 'Oda Merrow', 'allura', 330, 11);
  await record('reeds', 'Three reeds', 'lll', 'sacramento', 420, 5);
}
void main();

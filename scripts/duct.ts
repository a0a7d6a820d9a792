import { readFileSync } from 'node:fs';
import { createCanvas } from '@napi-rs/canvas';
import { setText } from '@/core/lettering';
import { loadFace } from '@/server/lettering/harfbuzz';
import { SHIPPED_FACES } from '@/server/lettering/shipped-faces';
import { commandsBounds, measurePath, pointAtLength } from '@/core/geometry';
import { letterOutlines, type Lettering } from '@/core/document';
import { traceLetters } from '@/core/trace';
import { TRACE_OPTIONS } from '@/core/testing/judge-ink';
import { judgeWord } from '@/core/testing/words-written';
import { faceFile } from '/work/main/scripts/bench/trace-faces';
export const WORDS =
  'Marshlight Tidekeeper Windward Quicksand Foxglove Bramble Jetty Kelp Zephyr Halyard Oystercatcher Ebbtide Vixen Grebe Lapwing Nightjar Umber Pilgrim Saltworks Causeway Driftwood Yarrow Redshank Bulrush Fenland Herring Wavelength Mudflat Sandpiper Chapter Episode Estuary Anchorage Beacon Lagoon Thicket Quayside Velvet Journey Almanac'.split(
    ' ',
  );
const make = (w: number, h: number) => createCanvas(w, h) as never;
export async function faceOf(id: string) {
  const shaper = await loadFace(readFileSync(faceFile(id)));
  const text = (t: string, size = 120, tracking = 0): Lettering =>
    ({
      type: 'lettering',
      id: 't',
      name: t,
      hidden: false,
      locked: false,
      opacity: 1,
      colour: '#000000',
      x: 0,
      y: 0,
      setting: { text: t, face: { id, weight: 400 }, size, tracking, leading: 1.2, align: 'left' },
      set: setText(
        { text: t, face: { id, weight: 400 }, size, tracking, leading: 1.2, align: 'left' },
        shaper,
      ),
    }) as never;
  const h = (t: string) => -commandsBounds(letterOutlines(text(t)).flat())!.top / 120;
  const steep: [number, number][] = [];
  for (const stroke of traceLetters(text('hillminnut'), TRACE_OPTIONS, make)!) {
    const m = measurePath(stroke.path);
    const n = Math.max(2, Math.ceil(m.length / 3));
    const pts = Array.from({ length: n }, (_, i) => pointAtLength(m, (m.length * i) / (n - 1)));
    for (let i = 1; i < n; i++) {
      const dx = pts[i]!.x - pts[i - 1]!.x,
        dy = pts[i]!.y - pts[i - 1]!.y;
      if (dy > Math.abs(dx) && dy > 0.5) steep.push([-dx / dy, dy]);
    }
  }
  steep.sort((a, b) => a[0] - b[0]);
  const total = steep.reduce((s, v) => s + v[1], 0);
  let acc = 0;
  let slant = 0;
  for (const [k, w] of steep) {
    acc += w;
    if (acc > total / 2) {
      slant = k;
      break;
    }
  }
  return { text, measures: { small: h('x'), capital: h('H'), slant } };
}
async function main() {
  const ids = process.argv[2]
    ? process.argv[2].split(',')
    : SHIPPED_FACES.filter((f) => f.kind !== 'arabic' && f.kind !== 'indic').map((f) => f.id);
  const words =
    process.argv[3] === 'abc'
      ? [...'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789']
      : process.argv[3]
        ? process.argv[3].split(',')
        : WORDS;
  let all = 0,
    good = 0;
  for (const id of ids) {
    const face = await faceOf(id);
    let ok = 0,
      lifts = 0,
      letters = 0,
      ms = 0;
    const bad: Record<string, number> = {},
      early: string[] = [],
      bare: string[] = [];
    for (const w of words) {
      const layer = face.text(w);
      const t = performance.now();
      const strokes = traceLetters(layer, TRACE_OPTIONS, make)!;
      ms += performance.now() - t;
      const j = judgeWord(layer, strokes, face.measures);
      if (j.bare.length + j.otherwise.length + j.early.length === 0) ok++;
      for (const c of j.otherwise) bad[c] = (bad[c] ?? 0) + 1;
      early.push(...j.early);
      bare.push(...j.bare);
      lifts += j.lifts;
      letters += j.letters;
    }
    all += words.length;
    good += ok;
    console.log(
      id.padEnd(18),
      `${ok}/${words.length}`,
      `lifts ${(lifts / letters).toFixed(2)}`,
      `${(ms / letters).toFixed(0)} ms/letter`,
      `slant ${face.measures.slant.toFixed(2)}`,
      Object.entries(bad)
        .sort((a, b) => b[1] - a[1])
        .map(([c, n]) => c + n)
        .join(' '),
      'early',
      early.join(''),
      'bare',
      bare.join(''),
    );
  }
  console.log(good, all, ((100 * good) / all).toFixed(1));
}
if (process.argv[1]?.endsWith('duct.ts')) void main();

// `npm run bench:trace`: how well ink is traced back, over families of letters and faces; a table into docs/tracing.md and
// a picture beside it.
import { createCanvas } from '@napi-rs/canvas';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { wholePath, type PathCommand } from '../../src/core/geometry';
import { tracePath } from '../../src/core/paint';
import { drawLetter, judge, LETTERS } from '../../src/core/testing/drawn-letters';
import { LINE_FACES, lineLetters } from '../../src/core/testing/hershey';
import { inkOf, judgeStrokes, paintedOutline, type FaceResult } from '../../src/core/testing/judge-ink';
import { makeCanvas } from '../../src/core/testing/face-measures';
import { letterOutlines } from '../../src/core/document';
import { TRACE_OPTIONS, traceInk, traceLetters, traceScale } from '../../src/core/trace';
import { SHIPPED_FACES } from '../../src/server/lettering/shipped-faces';
import { writeFigures } from '../lib/written.mjs';
import { handTables, setter } from './hand';

const docs = join(import.meta.dirname, '../../docs');
const mean = (v: readonly number[]): number => v.reduce((a, b) => a + b, 0) / v.length;
const at = (v: readonly number[], share: number): number =>
  [...v].sort((a, b) => a - b)[Math.min(v.length - 1, Math.floor(v.length * share))]!;
const per = (n: number): string => `${(n * 100).toFixed(2)} %`;

function lines(): string[] {
  const rows = [
    '| face | stroke | mean | 95th | ends within 0.5 | topology right |',
    '| --- | --- | --- | --- | --- | --- |',
  ];
  for (const face of LINE_FACES) {
    for (const share of [0.04, 0.08, 0.12]) {
      // The figures of this face are drawn with two lines: no single centre-line is known for them.
      const letters = face === 'HersheyScript1' ? LETTERS.replace(/\d/g, '') : LETTERS;
      const results = lineLetters(face, letters).map((letter) =>
        judge(letter.letter, drawLetter(letter, share)),
      );
      const distances = results.flatMap((r) => r.distances);
      const ends = results.flatMap((r) => r.endDistances);
      const right = results.filter((r) => r.topology).length;
      const wrong = results.filter((r) => !r.topology).map((r) => r.name);
      rows.push(
        `| ${face} | ${share * 100} % | ${mean(distances).toFixed(3)} | ${at(distances, 0.95).toFixed(3)} | ${per(
          ends.filter((d) => d <= 0.5).length / ends.length,
        )} | ${right} of ${results.length}${wrong.length > 0 ? ` (not ${wrong.join(' ')})` : ''} |`,
      );
    }
  }
  return rows;
}

const SAMPLE: Partial<Record<(typeof SHIPPED_FACES)[number]['kind'], string>> = {
  arabic: 'مد البحر نهر',
  indic: 'ज्वार नदी पानी',
};

/** Letters over their traced strokes, a row a face. */
function picture(
  all: readonly { name: string; outlines: readonly PathCommand[]; result: FaceResult }[],
): Buffer {
  const [width, row] = [1180, 96];
  const canvas = createCanvas(width, Math.ceil(all.length / 2) * row);
  const c = canvas.getContext('2d');
  c.fillStyle = '#f6f0e4';
  c.fillRect(0, 0, canvas.width, canvas.height);
  all.forEach(({ name, outlines, result }, i) => {
    c.save();
    c.translate((i % 2) * (width / 2) + 120, Math.floor(i / 2) * row + 8);
    c.fillStyle = '#665c4b';
    c.font = '12px sans-serif';
    c.fillText(name, -110, 44);
    const b = result.source.bounds;
    const k = Math.min(450 / (b.right - b.left), (row - 16) / (b.bottom - b.top));
    c.scale(k, k);
    c.translate(-b.left, -b.top);
    c.fillStyle = '#c8431a';
    c.beginPath();
    tracePath(c, outlines);
    c.fill();
    c.fillStyle = '#cfc4ae';
    for (const stroke of result.strokes) {
      c.beginPath();
      tracePath(c, paintedOutline(stroke));
      c.fill();
    }
    c.strokeStyle = '#1d7566';
    c.lineWidth = 1.4 / k;
    for (const stroke of result.strokes) {
      c.beginPath();
      tracePath(c, wholePath(stroke.path));
      c.stroke();
    }
    c.restore();
  });
  return canvas.toBuffer('image/png');
}

async function faces(): Promise<{ rows: string[]; picture: Buffer }> {
  const rows = ['| face | covered | spill | strokes | points |', '| --- | --- | --- | --- | --- |'];
  const all = [];
  for (const { id, name, kind } of SHIPPED_FACES) {
    const layer = (await setter({ id }))(SAMPLE[kind] ?? 'Saltmarsh Almanac');
    const outlines = letterOutlines(layer).flat();
    // As the application traces a text: letter by letter.
    const result = judgeStrokes(outlines, traceLetters(layer, TRACE_OPTIONS, makeCanvas)!);
    const points = result.strokes.reduce((sum, s) => sum + s.path.points.length, 0);
    rows.push(
      `| ${name} | ${per(result.covered)} | ${per(result.spill)} | ${result.strokes.length} | ${points} |`,
    );
    all.push({ name, outlines, result });
  }
  const covered = all.map(({ result }) => result.covered);
  rows.push(`| **mean, worst** | **${per(mean(covered))}, ${per(Math.min(...covered))}** | | | |`);
  return { rows, picture: picture(all) };
}

async function speed(): Promise<string[]> {
  const word = await setter({ id: 'sacramento' });
  const rows = [
    '| letters | area, Mpx | as ink, ms | letter by letter, ms | ms a letter |',
    '| --- | --- | --- | --- | --- |',
  ];
  for (const text of [
    'Saltma',
    'Saltmarshing',
    'SaltmarshingSaltmarshing',
    'SaltmarshingSaltmarshingSaltmarshingSaltmarshing',
  ]) {
    const layer = word(text, 200);
    const source = inkOf(letterOutlines(layer).flat());
    const least = (run: () => unknown): number => {
      run();
      const times = Array.from({ length: 3 }, () => {
        const began = performance.now();
        run();
        return performance.now() - began;
      });
      return Math.min(...times);
    };
    const ink = least(() => traceInk(source, TRACE_OPTIONS));
    const ms = least(() => traceLetters(layer, TRACE_OPTIONS, makeCanvas));
    const k = traceScale(source);
    const { left, right, top, bottom } = source.bounds;
    const area = ((right - left) * (bottom - top) * k * k) / 1e6;
    rows.push(
      `| ${text.length} | ${area.toFixed(2)} | ${ink.toFixed(0)} | ${ms.toFixed(0)} | ${(ms / text.length).toFixed(1)} |`,
    );
  }
  return rows;
}

async function main(): Promise<void> {
  const traced = lines();
  const covered = await faces();
  const timed = await speed();
  const { hand, joined, written } = await handTables();
  writeFileSync(join(docs, 'tracing.png'), covered.picture);
  const text = [
    'Distances in widths of the line.',
    '### Known centre-lines, stroked and traced back',
    traced.join('\n'),
    '### Forty words in each Latin face, by the rules of a hand',
    hand.join('\n'),
    '### Words in Arabic and Devanagari, by the rules of their hands',
    joined.join('\n'),
    '### Set and made to write themselves by one action',
    written.join('\n'),
    '### Letters of the shipped faces, painted again with the traced widths',
    covered.rows.join('\n'),
    '![Faces and their traced strokes: covered ink grey, uncovered red](tracing.png)',
    '### Time, on the thread it runs on (Node)',
    timed.join('\n'),
  ].join('\n\n');
  await writeFigures(join(docs, 'tracing.md'), text);
  console.log(text);
}
void main();

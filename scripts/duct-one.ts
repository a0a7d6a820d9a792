import { traceLetters } from '@/core/trace';
import { TRACE_OPTIONS } from '@/core/testing/judge-ink';
import { createCanvas } from '@napi-rs/canvas';
import { faceOf } from './duct';
import { judgeWord } from '@/core/testing/words-written';
import { commandsBounds, measurePath, pointAtLength, wholePath } from '@/core/geometry';
import { letterOutlines } from '@/core/document';
import { tracePath } from '@/core/paint';
import { writeFileSync } from 'node:fs';
const [, , id, word, out] = process.argv as [string, string, string, string, string];
(async () => {
  const words = word.split(',');
  const ids = id.split(',');
  const W = 1280,
    rowH = Number(process.argv[6] ?? 190);
  const rows = id.includes(':')
    ? ids.flatMap((p) => {
        const [i, l] = p.split(':') as [string, string];
        return [...l].map((w) => [i, w] as const);
      })
    : ids.flatMap((i) => words.map((w) => [i, w] as const));
  const cols = Number(process.argv[5] ?? 1);
  const c = createCanvas(W, Math.ceil(rows.length / cols) * rowH);
  const g = c.getContext('2d');
  g.fillStyle = '#f6f0e4';
  g.fillRect(0, 0, c.width, c.height);
  for (const [r, [face, w]] of rows.entries()) {
    const f = await faceOf(face);
    const layer = f.text(w, 300);
    const t = performance.now();
    const strokes = traceLetters(layer, TRACE_OPTIONS, (a, b) => createCanvas(a, b) as never)!;
    const j = judgeWord(layer, strokes, f.measures);
    if (j.otherwise.length + j.bare.length)
      console.log(
        face,
        w,
        JSON.stringify(j.otherwise),
        (performance.now() - t).toFixed(0) + 'ms',
        'slant',
        f.measures.slant.toFixed(2),
      );
    const b = commandsBounds(letterOutlines(layer).flat())!;
    const k = Math.min((W / cols - 30) / (b.right - b.left), (rowH - 40) / (b.bottom - b.top));
    g.save();
    g.translate((r % cols) * (W / cols) + 15, Math.floor(r / cols) * rowH + 25);
    g.scale(k, k);
    g.translate(-b.left, -b.top);
    g.fillStyle = '#ded3bd';
    g.beginPath();
    tracePath(g as never, letterOutlines(layer).flat());
    g.fill();
    const hue = ['#c8431a', '#1d7566', '#4b3aa8', '#a0266b', '#8a6d00', '#22659a'];
    strokes.forEach((s, i) => {
      g.strokeStyle = hue[i % 6]!;
      g.lineWidth = 1.6 / k;
      g.beginPath();
      tracePath(g as never, wholePath(s.path));
      g.stroke();
      const m = measurePath(s.path);
      const p = pointAtLength(m, 0);
      g.fillStyle = hue[i % 6]!;
      g.beginPath();
      g.arc(p.x, p.y, 3.2 / k, 0, 7);
      g.fill();
      g.font = `bold ${13 / k}px sans-serif`;
      g.fillText(String(i + 1) + (s.written?.isMark ? '•' : ''), p.x + 4 / k, p.y - 4 / k);
      for (const sh of [0.3, 0.6, 0.9]) {
        const a = pointAtLength(m, m.length * sh),
          q = pointAtLength(m, Math.min(m.length, m.length * sh + 1));
        const ang = Math.atan2(q.y - a.y, q.x - a.x);
        g.save();
        g.translate(a.x, a.y);
        g.rotate(ang);
        g.beginPath();
        g.moveTo(5 / k, 0);
        g.lineTo(-4 / k, 3.5 / k);
        g.lineTo(-4 / k, -3.5 / k);
        g.fill();
        g.restore();
      }
    });
    g.restore();
  }
  writeFileSync(out, c.toBuffer('image/png'));
})();

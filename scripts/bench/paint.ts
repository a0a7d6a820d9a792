// Evaluate and paint a 1080p frame of 30 strokes, against the bare painting of the same paths.
import { createCanvas } from '@napi-rs/canvas';
import { paint } from '../../src/core/paint';
import { evaluate } from '../../src/core/scene';
import { middle, ms, report, times } from './table';
import { waves } from './pieces';

const piece = waves(30);
const canvas = createCanvas(1920, 1080);
const context = canvas.getContext('2d');
const pixel = () => context.getImageData(0, 0, 1, 1).data[0]!;
let sink = 0;

/** The least that could be done: the finished commands, straight into the context. */
function bare(frame: ReturnType<typeof evaluate>): void {
  for (const item of frame.items) {
    if (item.kind !== 'stroke') continue;
    context.beginPath();
    for (const c of item.path) {
      if (c[0] === 'C') context.bezierCurveTo(c[1], c[2], c[3], c[4], c[5], c[6]);
      else if (c[0] === 'L') context.lineTo(c[1], c[2]);
      else if (c[0] === 'M') context.moveTo(c[1], c[2]);
    }
    context.strokeStyle = item.colour as string;
    context.lineWidth = item.width;
    context.lineCap = item.cap;
    context.lineJoin = item.join;
    context.stroke();
  }
}

const lists = Array.from({ length: piece.length }, (_, frame) => evaluate(piece, frame));
const ours: number[] = [];
const theirs: number[] = [];
const evaluating: number[] = [];
for (let round = 0; round < 8; round++) {
  for (let frame = 20; frame < 85; frame += 3) {
    context.clearRect(0, 0, 1920, 1080);
    sink += pixel();
    let began = performance.now();
    bare(lists[frame]!);
    sink += pixel();
    if (round > 1) theirs.push(performance.now() - began);
    context.clearRect(0, 0, 1920, 1080);
    sink += pixel();
    began = performance.now();
    const list = evaluate(piece, frame);
    if (round > 1) evaluating.push(performance.now() - began);
    paint(list, context, createCanvas);
    sink += pixel();
    if (round > 1) ours.push(performance.now() - began);
  }
}
report([
  {
    what: 'Evaluate and paint, 30 strokes, 1080p, server',
    ours: ms(middle(ours)),
    other: `painting alone ${ms(middle(theirs))}`,
    ratio: times(middle(ours) / middle(theirs)),
    note: `aim ≤ 1.3; evaluate takes ${ms(middle(evaluating))} of it`,
  },
]);
if (!Number.isFinite(sink)) throw new Error('no result');

// Traces the lettering of the sample world with the very code the application runs, and keeps what it finds in
// demo/traced.json: shaping needs WebAssembly and tracing a canvas, which the sample documents are to do without.
import { createCanvas } from '@napi-rs/canvas';
import { join } from 'node:path';
import type { TextSetting } from '../src/core/document';
import { pathData, readPathData } from '../src/core/geometry';
import { markOf, newLettering } from '../src/core/document';
import { namesFor, traceArtwork } from '../src/core/trace';
import { setLettering } from '../src/server/lettering';
import { TRACE_OPTIONS } from '../src/core/trace';
import { short, shortPath } from './lib/short';
import { writeFormatted } from './lib/written.mjs';

interface Word {
  readonly id: string;
  readonly text: string;
  readonly face: string;
  readonly weight?: number;
  readonly size: number;
  readonly x: number;
  readonly y: number;
  readonly tracking?: number;
  readonly colour: string;
}

const WORDS: readonly Word[] = [
  {
    id: 'almanac',
    text: 'ALMANAC',
    face: 'quicksand',
    weight: 500,
    size: 64,
    x: 910,
    y: 812,
    tracking: 420,
    colour: '#43b3a0',
  },
  { id: 'chapter', text: 'Chapter Two', face: 'sacramento', size: 150, x: 960, y: 446, colour: '#d9a441' },
  {
    id: 'turning',
    text: 'The Turning Tide',
    face: 'comfortaa',
    weight: 400,
    size: 118,
    x: 960,
    y: 630,
    colour: '#ede6d8',
  },
  {
    id: 'hour',
    text: 'Marsh Hour',
    face: 'comfortaa',
    weight: 400,
    size: 132,
    x: 960,
    y: 580,
    colour: '#ede6d8',
  },
  {
    id: 'from',
    text: 'Skerrow Mouth',
    face: 'nunito',
    weight: 400,
    size: 46,
    x: 1640,
    y: 962,
    colour: '#2c2416',
  },
  {
    id: 'to',
    text: 'Weir of Ammet',
    face: 'nunito',
    weight: 400,
    size: 46,
    x: 640,
    y: 132,
    colour: '#2c2416',
  },
];

async function main(): Promise<void> {
  const out: Record<string, unknown> = {};
  for (const word of WORDS) {
    const setting: TextSetting = {
      text: word.text,
      face: { id: word.face, weight: word.weight ?? 400 },
      size: word.size,
      tracking: word.tracking ?? 0,
      leading: 1.2,
      align: 'centre',
    };
    const set = await setLettering(setting);
    const outlines = Object.fromEntries(
      Object.entries(set.outlines).map(([key, data]) => [key, pathData(readPathData(data).commands, 0)]),
    );
    const { colour, x, y } = word;
    const lettering = newLettering(
      word.id,
      word.text,
      setting,
      { ...set, outlines },
      { hidden: true, colour, x, y },
    );
    const strokes = traceArtwork(lettering, TRACE_OPTIONS, createCanvas)!;
    const name = namesFor(lettering, strokes);
    out[word.id] = {
      lettering,
      strokes: strokes.map((stroke, i) => {
        const path = shortPath(stroke.path);
        return {
          name: name(i),
          path,
          mark: markOf(path),
          ...(stroke.glyph !== undefined && { glyph: stroke.glyph }),
          width: short(stroke.width),
          ...(stroke.widths && {
            widths: stroke.widths.map((w) => ({ at: short(w.at, 4), scale: short(w.scale, 3) })),
          }),
          cap: stroke.cap,
        };
      }),
    };
    console.log(
      `${word.text}: ${strokes.length} strokes, ${strokes.reduce((n, s) => n + s.path.points.length, 0)} points`,
    );
  }
  await writeFormatted(join(import.meta.dirname, '../demo/traced.json'), JSON.stringify(out));
}
void main();

// `npm run render`: a piece made into a file from the command line, without a browser or a running server.
import { existsSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { z } from 'zod';
import {
  exportedFrames,
  exportSettingsSchema,
  FORMAT_IDS,
  formatOf,
  isSingle,
  RECEIVERS,
  wholeSettings,
  type ReceiverId,
} from '../src/contract';
import { faultsOf, readPiece, type Piece } from '../src/core/document';
import { fileNameOf, fileStem } from '../src/server/exports';
import { WRITE } from '../src/server/exports/formats';
import { filledPiece } from '../src/server/filled-piece';
import { piecesOfFile } from '../src/server/project-file';

/** What may be asked of a format beside its size and frames, as the dialog asks it. */
const ASKED = Object.entries(exportSettingsSchema.shape).filter(
  ([name]) => !['format', 'scale', 'first', 'last'].includes(name),
);

/** What settings without choices are. */
const SAID: Record<string, string> = {
  over: 'the colour beneath, as #15604e',
  number: 'of the first picture of a sequence',
};

/** A line of help for a setting: its choices, where it has some. */
function helpOf([name, schema]: (typeof ASKED)[number]): string {
  const inner = schema instanceof z.ZodOptional ? schema.unwrap() : schema;
  const choices = inner instanceof z.ZodEnum ? inner.options.join(', ') : '';
  return `  ${`--${name}`.padEnd(22)}${choices || SAID[name]}`;
}

const HELP = `npm run render -- FILE [options]

FILE is a project file (name.obelus) or the document of a piece (JSON).

  --piece NAME          which piece of the file; where absent the first
  --for PLACE           where it goes: ${Object.keys(RECEIVERS).join(', ')}
  --format FORMAT       ${FORMAT_IDS.join(', ')}
  --scale NUMBER        pixels of the file to one of the piece: 0.25, 0.5, 1 or 2
  --frames A-B, --frame N
${ASKED.map(helpOf).join('\n')}
  --set FIELD=VALUE     fills a field; as often as there are fields
  --out FILE            where the file is written
`;

/** A file as whoever asks names it: npm itself runs scripts at the root of the project. */
const named = (file: string): string => resolve(process.env.INIT_CWD ?? '.', file);

/** Ends with words. */
class Stop extends Error {}

async function pieceOf(file: string, name: string | undefined): Promise<Piece> {
  if (!existsSync(named(file))) throw new Stop(`${file} is not there.`);
  const bytes = readFileSync(named(file));
  if (bytes.subarray(0, 2).toString() === 'PK') {
    const pieces = await piecesOfFile(named(file));
    const found = name === undefined ? pieces[0] : pieces.find((piece) => piece.name === name);
    if (!found)
      throw new Stop(`${file} holds ${pieces.map((piece) => `“${piece.name}”`).join(', ') || 'no piece'}.`);
    return found;
  }
  let data: unknown;
  try {
    data = JSON.parse(bytes.toString());
  } catch {
    throw new Stop(`${file} is neither a project file nor the document of a piece.`);
  }
  const read = readPiece(data);
  if (read.ok) return read.piece;
  throw new Stop(`${file} has a fault at ${read.faults[0]!.path || 'its top'}: ${read.faults[0]!.message}.`);
}

function framesOf(text: string | undefined, end: number): { first: number; last: number } {
  if (text === undefined) return { first: 0, last: end };
  const match = /^(\d+)(?:-(\d+))?$/.exec(text);
  if (!match) throw new Stop(`“${text}” are no frames such as 0-99.`);
  return { first: Number(match[1]), last: Number(match[2] ?? match[1]) };
}

const OPTIONS = {
  piece: { type: 'string' },
  for: { type: 'string' },
  format: { type: 'string' },
  ...(Object.fromEntries(ASKED.map(([name]) => [name, { type: 'string' }])) as Record<
    string,
    { readonly type: 'string' }
  >),
  scale: { type: 'string' },
  frames: { type: 'string' },
  frame: { type: 'string' },
  set: { type: 'string', multiple: true },
  out: { type: 'string' },
  help: { type: 'boolean' },
} as const;

async function main(): Promise<void> {
  const { values, positionals } = parseArgs({ options: OPTIONS, allowPositionals: true });
  const [file, ...more] = positionals;
  if (values.help || !file) {
    console.log(HELP);
    return;
  }
  if (more.length > 0) throw new Stop(`One file at a time: ${[file, ...more].join(', ')} are several.`);
  const receiver = values.for === undefined ? undefined : RECEIVERS[values.for as ReceiverId];
  if (values.for !== undefined && !receiver)
    throw new Stop(`“${values.for}” is none of ${Object.keys(RECEIVERS).join(', ')}.`);
  const plain = await pieceOf(file, values.piece);
  const pairs = (values.set ?? []).map((text): [string, string] => {
    const at = text.indexOf('=');
    if (at < 1) throw new Stop(`“${text}” is no field with a value, such as title=Reed.`);
    return [text.slice(0, at), text.slice(at + 1)];
  });
  const piece = await filledPiece(plain, Object.fromEntries(pairs));
  const chosen = Object.fromEntries(
    ASKED.flatMap(([name]) => {
      const value = (values as Record<string, string | undefined>)[name];
      return value === undefined ? [] : [[name, name === 'number' ? Number(value) : value]];
    }),
  );
  const format = values.format ?? receiver?.sent.format ?? 'webm';
  const range = framesOf(values.frame ?? values.frames, piece.length - 1);
  const single = FORMAT_IDS.includes(format as never) && isSingle(formatOf(format as never));
  const asked = exportSettingsSchema.safeParse({
    ...receiver?.sent,
    ...{ format, scale: Number(values.scale ?? 1), ...range },
    ...(single && { last: range.first }),
    ...chosen,
  });
  if (!asked.success) {
    const [fault] = faultsOf(asked.error);
    throw new Stop(`${fault!.path || 'It'} ${fault!.message}.`);
  }
  if (asked.data.last >= piece.length) throw new Stop(`The last frame of the piece is ${piece.length - 1}.`);
  const settings = wholeSettings(asked.data);
  const stem = fileStem(piece.name);
  const out = values.out ?? fileNameOf(piece.name, settings);
  const total = exportedFrames(settings, piece.rate).length;
  if (!existsSync(dirname(named(out)))) throw new Stop(`There is no folder ${dirname(out)}.`);
  // It has its name only once all of it is there.
  const part = `${named(out)}.part`;
  try {
    await WRITE[settings.format]({
      ...{ piece, settings, stem, file: part },
      progress(done) {
        if (process.stderr.isTTY) process.stderr.write(`\r${done} of ${total} frames`);
        return true;
      },
    });
    renameSync(part, named(out));
  } finally {
    rmSync(part, { force: true });
  }
  console.log(out);
}

main().catch((error: Error) => {
  const words = error instanceof Stop || 'status' in error || 'code' in error;
  console.error(words ? error.message : error);
  process.exit(1);
});

import { FACES, STORE_PICTURE, type FaceSummary } from '@/contract';
import { create } from 'zustand';
import {
  cutName,
  addLayers,
  addUnderlay,
  DEFAULT_INK,
  LIMITS,
  fittedUnderlay,
  newStroke,
  newArt,
  type Stroke,
} from '@/core/document';
import type { ReadSvg } from '@/core/formats';
import { IDENTITY, type Matrix } from '@/core/geometry';
import { framesPerSecond, keysOf } from '@/core/timing';
import { notify } from '@/ui';
import { pageSignal, sayWhenSlow, startJob, type Job } from '../jobs';
import { openProjectFile } from '../open-project-file';
import { queries } from '../queries';
import { sendBytes, useSaving } from '../saving';
import { edit, newId, select, selectUnderlay, useEditor } from '../state';
import { fetchReaders } from './readers';

/** An SVG file that was read and waits for a word on what to do with it. */
export interface WaitingSvg {
  readonly name: string;
  readonly file: Blob;
  readonly read: ReadSvg;
  /** Lines it would give as strokes. */
  readonly lines: number;
}

export const useImporting = create<{
  svg: WaitingSvg | null;
  /** What is being sent. */
  busy: { readonly name: string; readonly job: Job<unknown> } | null;
}>(() => ({
  svg: null,
  busy: null,
}));

/** Bytes a file may have, told before it is sent. */
const MOST_BYTES = 50 * 1024 * 1024;
/** An SVG file that is read in the page has so many bytes at most. */
export const MOST_SVG = 8 * 1024 * 1024;

const stem = (name: string): string => cutName(name.replace(/\.[a-z0-9]+$/i, ''), 100, 'Picture');

/** Puts a picture under the piece, as large as fits. */
async function takePicture(file: Blob, name: string): Promise<void> {
  if (file.size > MOST_BYTES) {
    notify(`${name} is larger than ${MOST_BYTES / 1024 / 1024} MB. Nothing was changed.`);
    return;
  }
  const job = startJob(({ signal }) => sendBytes(STORE_PICTURE, {}, file, { signal }));
  // It is shown once it is there.
  void sayWhenSlow(
    job,
    () => `${name} is under the piece.`,
    () => true,
  );
  useImporting.setState({ busy: { name, job } });
  const end = await job.settled;
  if (useImporting.getState().busy?.job === job) useImporting.setState({ busy: null });
  if (end.status === 'failed') notify(end.error.message);
  // The page it was sent from may be gone: the picture belongs to no other.
  if (end.status !== 'done') return;
  const stored = end.value;
  const { size } = useEditor.getState().piece;
  const id = newId();
  edit((piece) =>
    addUnderlay(piece, {
      id,
      name: stem(name),
      hidden: false,
      locked: false,
      asset: stored.hash,
      width: stored.width,
      height: stored.height,
      ...fittedUnderlay(size, stored),
      opacity: 0.6,
    }),
  );
  useEditor.setState({ step: 'underlay' });
  selectUnderlay(id);
}

/** Reads SVG text and asks what it is to become. */
async function takeSvg(file: Blob, name: string): Promise<void> {
  if (file.size > MOST_SVG) {
    notify(`${name} is larger than ${MOST_SVG / 1024 / 1024} MB. Nothing was changed.`);
    return;
  }
  const end = await startJob(async () => {
    const { readSvg, strokesFromShapes } = await fetchReaders();
    const read = readSvg(await file.text());
    return { read, lines: strokesFromShapes(read, IDENTITY).length };
  }).settled;
  if (end.status === 'failed') notify(notRead(name, end.error));
  if (end.status !== 'done') return;
  const { read, lines } = end.value;
  if (read.shapes.length === 0) {
    const why = read.leftOut.length > 0 ? ` It holds only ${read.leftOut.join(', ')}.` : '';
    notify(`${name} draws nothing that could be used.${why} Nothing was changed.`);
    return;
  }
  useImporting.setState({ svg: { name: stem(name), file, read, lines } });
}

/** Why a file was not read, in the words of its reader. */
const notRead = (name: string, { message }: Error): string =>
  `${name} can’t be read. ${message} Nothing was changed.`;

/** Puts strokes into the piece, which is made as long as they take, and selects them. */
function takeStrokes(strokes: readonly Stroke[]): void {
  const windows = strokes.map(({ window }) => window);
  const last = Math.max(
    0,
    ...windows.flatMap(({ head, tail }) => [head, tail].flatMap(keysOf).map((key) => key.frame)),
  );
  edit((piece) => {
    const long = Math.min(LIMITS.frames, Math.ceil(last) + 1);
    return addLayers(long > piece.length ? { ...piece, length: long } : piece, strokes);
  });
  select({ layers: strokes.map((stroke) => stroke.id) });
}

/** Takes the strokes of a vector animation with their timing, and says what of it did not come in. */
async function takeMotion(file: Blob, name: string): Promise<void> {
  const end = await startJob(async () => {
    const readers = await fetchReaders();
    return { ...readers, read: readers.readLottie(await file.text()) };
  }).settled;
  if (end.status === 'failed') notify(notRead(name, end.error));
  if (end.status !== 'done') return;
  const { read, isTimed, strokeOfMoving } = end.value;
  const { strokes, leftOut, framesPerSecond: rate } = read;
  const missing = leftOut.length > 0 ? ` Left out: ${leftOut.join(', ')}.` : '';
  if (strokes.length === 0) {
    notify(`${name} has no strokes.${missing} Nothing was changed.`);
    return;
  }
  const factor = framesPerSecond(useEditor.getState().piece.rate) / rate;
  takeStrokes(strokes.map((stroke) => strokeOfMoving(newId(), stroke, placing(read), factor)));
  useEditor.setState({ step: 'time' });
  const timed = strokes.filter(isTimed).length;
  notify(
    `${strokes.length} ${strokes.length === 1 ? 'stroke' : 'strokes'} of ${name} came in, ${timed} with ${timed === 1 ? 'its' : 'their'} timing.${missing}`,
  );
}

/** Where a picture of a size lies that fills most of the piece, in its middle; small ones are not enlarged tenfold. */
function placing(read: { readonly width: number; readonly height: number }): Matrix {
  const { size } = useEditor.getState().piece;
  const k = 0.8 * Math.min(size.width / read.width, size.height / read.height);
  return [k, 0, 0, k, (size.width - read.width * k) / 2, (size.height - read.height * k) / 2];
}

/** Makes of a waiting SVG what was chosen. */
export async function finishSvg(as: 'art' | 'strokes' | 'underlay' | null): Promise<void> {
  const { svg } = useImporting.getState();
  useImporting.setState({ svg: null });
  if (!svg || !as) return;
  if (as === 'underlay') {
    await takePicture(svg.file, svg.name);
    return;
  }
  const { read, name } = svg;
  const transform = placing(read);
  if (as === 'art') {
    const art = newArt(newId(), name, read, transform);
    edit((piece) => addLayers(piece, [art]));
    select({ layers: [art.id] });
  } else {
    const readers = await startJob(fetchReaders).settled;
    if (readers.status === 'failed') notify(notRead(name, readers.error));
    if (readers.status !== 'done') return;
    const { strokesFromShapes, windowAtRate } = readers.value;
    const strokes = strokesFromShapes(read, transform).map(({ path, ink, window }, i) => ({
      ...newStroke(newId(), `${name} ${i + 1}`, path, {
        ...DEFAULT_INK,
        ...ink,
        width: Math.max(0.5, ink.width),
      }),
      ...(window && { window: windowAtRate(window, framesPerSecond(useEditor.getState().piece.rate)) }),
    }));
    takeStrokes(strokes);
  }
  useEditor.setState({ step: 'trace' });
}

/** What a dialog that asks for pictures and vectors offers. */
export const PICTURE_FILES =
  '.png,.jpg,.jpeg,.webp,.svg,.json,application/json,image/png,image/jpeg,image/webp,image/svg+xml';

const isSvg = (file: File): boolean => file.type === 'image/svg+xml' || /\.svg$/i.test(file.name);
const isJson = (file: File): boolean => file.type === 'application/json' || /\.json$/i.test(file.name);
const isFont = (file: File): boolean =>
  /\.(ttf|otf|woff2?|ttc)$/i.test(file.name) || file.type.startsWith('font/');

/** Takes in files of any kind that Obelus knows. Their names and types only choose the reader; the bytes decide. */
export async function takeFiles(files: readonly File[]): Promise<void> {
  const page = pageSignal();
  for (const file of files.slice(0, 20)) {
    // They were given to the piece that was open then.
    if (page.aborted) return;
    if (isSvg(file)) await takeSvg(file, file.name);
    else if (isJson(file)) await takeMotion(file, file.name);
    else if (isFont(file)) await takeFont(file);
    else await takePicture(file, file.name || 'Pasted picture');
  }
}

/** Takes a font into the project. */
export async function takeFont(file: File): Promise<FaceSummary | null> {
  const project = useSaving.getState().open?.projectId;
  if (!project) return null;
  try {
    const face = await sendBytes(FACES.add, { id: project }, file, { name: stem(file.name) });
    void queries.invalidateQueries({ queryKey: ['faces'] });
    notify(`${face.name} is now one of the project’s faces.`);
    return face;
  } catch (error) {
    notify((error as Error).message);
    return null;
  }
}

/** Takes files that were dropped on the page; a project file is opened beside what there is. */
export function takeDropped(files: readonly File[]): void {
  const whole = files.filter((file) => /\.obelus$/i.test(file.name));
  void takeFiles(files.filter((file) => !whole.includes(file)));
  for (const file of whole) void openProjectFile(file).catch((error: Error) => notify(error.message));
}

/** What is pasted from outside: files, or SVG as text. Answers whether there was any. */
export function takePasted(data: DataTransfer): boolean {
  if (data.files.length > 0) {
    void takeFiles([...data.files]);
    return true;
  }
  const text = data.getData('text/plain').trimStart();
  if (!/^<(\?xml|svg|!DOCTYPE svg)/i.test(text)) return false;
  void takeSvg(new Blob([text], { type: 'image/svg+xml' }), 'Pasted SVG');
  return true;
}

import { LETTERING } from '@/contract';
import { proxy } from 'comlink';
import { create } from 'zustand';
import {
  isArtwork,
  isBehind,
  lettersBehind,
  pieceWithin,
  withNews,
  withPieceWithin,
  type Artwork,
  type Behind,
  type Lettering,
  type Piece,
} from '@/core/document';
import { WRITTEN_BY } from '@/core/trace';
import { notify } from '@/ui';
import { sayWhenSlow, startJob, type Job, type Work } from '../jobs';
import { call, isOutage } from '../saving';
import { amend, edit, select, showFrame, useEditor } from '../state';
import { useTracing } from '../tracing';
import { coverWorker } from './cover-client';

/** Lettering whose strokes are being found, and how far that is. */
interface Writing {
  readonly of: string | null;
  readonly done: number;
  readonly stage: string;
  /** Which of how many, counted from 1. */
  readonly at: number;
  readonly total: number;
  /** Lettering whose strokes could not be made to follow, and why; tried again when it changes, or on request. */
  readonly failed: { readonly of: string; readonly why: string } | null;
}

const IDLE: Omit<Writing, 'failed'> = { of: null, done: 0, stage: '', at: 0, total: 0 };
export const useWriting = create<Writing & { job: Job<unknown> | null }>(() => ({
  ...IDLE,
  failed: null,
  job: null,
}));

const layerOf = (piece: Piece, id: string): Artwork => {
  const layer = piece.layers.find((one) => one.id === id);
  if (!layer || !isArtwork(layer)) throw new Error('It is not there any more.');
  return layer;
};

/** Whether a step is shown that says how far writing is. */
const isWatched = (): boolean => ['trace', 'reveal'].includes(useEditor.getState().step);

/** The piece with one of its layers made to write itself, or its strokes to follow it. */
async function written(piece: Piece, id: string, its: Work): Promise<Piece> {
  const layer = layerOf(piece, id);
  let before: Lettering | null = null;
  if (layer.type === 'lettering' && isBehind(piece, layer)) {
    // Where its letters lay is said by the setting its strokes were found for.
    const setting = layer.written!;
    before = { ...layer, setting, set: await call(LETTERING.set, { body: setting }) };
  }
  const heard = proxy((done: number, stage: string) => its.progress(done, stage));
  const { options } = useTracing.getState();
  const news = await coverWorker.run((remote) => remote.write(piece, id, options, before, heard), its.signal);
  return withNews(piece, news);
}

/** Gets the worker ready to make a text write itself that is likely to be asked to. */
export const prepareToWrite = (layer: Lettering): Promise<void> =>
  coverWorker.prepare((remote) => remote.warmUp(layer, useTracing.getState().options));

const noteProgress = (done: number, stage?: string): void =>
  useWriting.setState({ done, ...(stage !== undefined && { stage }) });

/** Stops what is under way; nothing of it is taken. */
export const stopWriting = (): void => useWriting.getState().job?.abort();

/**
 * Makes lettering or art write itself: its strokes are found, made as wide as they must be, timed in writing order, and it
 * is seen through them. What was there before from it keeps style and timing. Answers whether it does.
 */
export async function writeItself(id: string): Promise<boolean> {
  stopWriting();
  const start = () => useEditor.getState().piece;
  const isFirst = !layerOf(start(), id).reveal;
  const job = startJob(async (its) => {
    for (;;) {
      const piece = start();
      const made = await written(piece, id, its);
      // Something may have been changed meanwhile: what was made no longer fits it, so it is made once more.
      if (start() === piece) return made;
    }
  }, noteProgress);
  void sayWhenSlow(job, (piece) => `“${layerOf(piece, id).name}” writes itself now.`, isWatched);
  useWriting.setState({ ...IDLE, of: id, job, at: 1, total: 1, failed: null });
  const end = await job.settled;
  if (useWriting.getState().job !== job) return false;
  const why = end.status === 'failed' ? end.error.message : 'It was stopped.';
  useWriting.setState({ ...IDLE, job: null, failed: end.status === 'done' ? null : { of: id, why } });
  if (end.status === 'failed')
    notify(`It could not be made to write itself: ${end.error.message} Nothing was changed.`);
  if (end.status !== 'done') return false;
  edit(() => end.value);
  select({ layers: [id] });
  if (isFirst) showFrame(Math.round(end.value.length * WRITTEN_BY));
  return true;
}

/** Changes of a text come letter by letter: its strokes are made anew so long after the last, ms. */
const SETTLED = 450;
/** With the server away it is tried again after so long, ms. */
const AWAY = 4000;

/** Resolves when nothing is dragged: a document is put right between drags. */
const untilDragEnds = (signal: AbortSignal): Promise<void> =>
  new Promise((resolve) => {
    if (!useEditor.getState().base) return resolve();
    const end = useEditor.subscribe(({ base }) => {
      if (base) return;
      end();
      resolve();
    });
    signal.addEventListener('abort', end);
  });

/** Makes the strokes of one lettering follow it. Resolves when they do, or when it is gone or needs it no more. */
async function catchUp({ within, id }: Behind, its: Work): Promise<void> {
  for (;;) {
    await untilDragEnds(its.signal);
    const whole = useEditor.getState().piece;
    const inner = pieceWithin(whole, within);
    const layer = inner?.layers.find((one) => one.id === id);
    if (!inner || !layer || !isBehind(inner, layer)) return;
    const made = await written(inner, id, its);
    await untilDragEnds(its.signal);
    if (its.signal.aborted) return;
    const now = useEditor.getState().piece;
    // What lies around it may have changed; only a change of the piece it is in makes it be done again.
    if (pieceWithin(now, within) === inner) amend((piece) => withPieceWithin(piece, within, made));
  }
}

/**
 * Looks after lettering whose strokes have not followed it, however that came about: text that was just typed, a page left in
 * the middle of it, a layout that was filled, a nested piece. Answers with a function that stops.
 */
export function watchTexts(): () => void {
  let waiting: ReturnType<typeof setTimeout> | undefined;
  /** The document in which catching up failed or was stopped: it is not tried again until it changes. */
  let given: Piece | null = null;

  const ask = (): void => {
    clearTimeout(waiting);
    waiting = setTimeout(() => void run(), SETTLED);
  };

  async function run(): Promise<void> {
    const { piece } = useEditor.getState();
    if (useWriting.getState().job || piece === given || lettersBehind(piece).length === 0) return;
    let last = null as Behind | null;
    const job = startJob(async (its) => {
      for (let at = 1; ; at++) {
        const [next, ...more] = lettersBehind(useEditor.getState().piece);
        if (!next) return;
        last = next;
        useWriting.setState({ of: next.id, at, total: at + more.length });
        await catchUp(next, its);
      }
    }, noteProgress);
    void sayWhenSlow(job, () => 'Strokes follow their text again.', isWatched);
    useWriting.setState({ ...IDLE, of: lettersBehind(piece)[0]!.id, job, at: 1 });
    const end = await job.settled;
    // Stopped for another, or with the page: what comes of it is no news.
    if (useWriting.getState().job !== job) return;
    const { failed: before } = useWriting.getState();
    const why = end.status === 'failed' ? end.error.message : 'It was stopped.';
    const failed = end.status === 'done' ? null : { of: last?.id ?? lettersBehind(piece)[0]!.id, why };
    useWriting.setState({ ...IDLE, job: null, failed });
    if (end.status === 'done') return;
    if (end.status === 'failed' && isOutage(end.error)) {
      // A server that is away comes back by itself; it is said once.
      clearTimeout(waiting);
      waiting = setTimeout(() => void run(), AWAY);
      if (before?.why === why) return;
    } else given = useEditor.getState().piece;
    if (end.status === 'failed')
      notify(`The strokes could not follow their text: ${why} The text is as you set it.`);
  }

  ask();
  const unsubscribe = useEditor.subscribe((now, before) => {
    if (now.piece !== before.piece) ask();
  });
  return () => {
    unsubscribe();
    clearTimeout(waiting);
    stopWriting();
    useWriting.setState({ ...IDLE, failed: null, job: null });
  };
}

/** Resolves when all strokes have followed their text; to false where some could not. */
export function textsFollowed(): Promise<boolean> {
  return new Promise((resolve) => {
    const ends: (() => void)[] = [];
    const look = (): void => {
      const behind = lettersBehind(useEditor.getState().piece).length > 0;
      const { failed, job } = useWriting.getState();
      if (behind && (job || !failed)) return;
      ends.forEach((end) => end());
      resolve(!behind);
    };
    ends.push(useEditor.subscribe(look), useWriting.subscribe(look));
    look();
  });
}

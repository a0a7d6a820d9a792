import { proxy } from 'comlink';
import type { Artwork, Lettering, Piece, Stroke, Underlay } from '@/core/document';
import {
  kindOf,
  isArtwork,
  addLayers,
  cutName,
  newStroke,
  writeInSequence,
  DEFAULT_INK,
} from '@/core/document';
import { namesFor, retrace, type Pixels, type TracedStroke } from '@/core/trace';
import { amount, notify } from '@/ui';
import type { TraceSubject, TraceWorker } from '@/workers/trace.worker';
import { sayWhenSlow, startJob, workerLine, type Job, type Work } from '../jobs';
import { pictureAddress } from '@/contract';
import { edit, newId, select, showFrame, useEditor } from '../state';
import { useTracing, type TraceRun } from './trace-state';

/** The worker that traces; one trace after another. */
const tracer = workerLine<TraceWorker>(
  () => new Worker(new URL('../../workers/trace.worker.ts', import.meta.url)),
);

/** Ends the trace that is shown, or leaves what it found. */
export function leaveTrace(): void {
  useTracing.getState().run?.job.abort();
  useTracing.setState({ run: null });
}

/** What is traced: art, lettering, or the ink in an underlay. */
export type Traceable = Artwork | Underlay;

export const isUnderlay = (source: Traceable): source is Underlay => 'asset' in source;

const pixelsKept = new Map<string, Promise<Pixels>>();

/** The pixels of a stored picture. */
function pixelsOf(underlay: Underlay): Promise<Pixels> {
  let pixels = pixelsKept.get(underlay.asset);
  if (!pixels) {
    pixels = (async () => {
      const response = await fetch(pictureAddress(underlay.asset));
      if (!response.ok) throw new Error('The picture could not be fetched from the server.');
      const bitmap = await createImageBitmap(await response.blob());
      const context = new OffscreenCanvas(bitmap.width, bitmap.height).getContext('2d', {
        willReadFrequently: true,
      })!;
      context.drawImage(bitmap, 0, 0);
      const { data } = context.getImageData(0, 0, bitmap.width, bitmap.height);
      return { width: bitmap.width, height: bitmap.height, data };
    })();
    pixels.catch(() => pixelsKept.delete(underlay.asset));
    pixelsKept.clear();
    pixelsKept.set(underlay.asset, pixels);
  }
  return pixels;
}

async function subjectOf(source: Traceable): Promise<TraceSubject> {
  if (isUnderlay(source)) {
    const { x, y, scale } = source;
    return {
      kind: 'picture',
      pixels: await pixelsOf(source),
      x,
      y,
      scale,
      threshold: useTracing.getState().threshold,
    };
  }
  return { kind: 'artwork', layer: source };
}

const inTrace = (): boolean => useEditor.getState().step === 'trace';

/** Traces a source; the strokes wait as a preview until they are taken or left. */
export async function traceSource(source: Traceable): Promise<void> {
  leaveTrace();
  const began = performance.now();
  const show = (part: Partial<TraceRun>): void =>
    useTracing.setState(({ run }) => (run?.job === job ? { run: { ...run, ...part } } : {}));
  const job: Job<TracedStroke[]> = startJob(
    (its) => strokesFoundIn(source, its),
    (done) => show({ done }),
  );
  void sayWhenSlow(
    job,
    (strokes) =>
      strokes.length > 0
        ? `${amount(strokes.length, 'stroke was', 'strokes were')} found in ${source.name}; Trace shows ${strokes.length === 1 ? 'it' : 'them'}.`
        : null,
    inTrace,
  );
  useTracing.setState({ run: { job, source: source.id, done: 0, strokes: null, ms: 0 } });
  const end = await job.settled;
  if (end.status === 'done' && end.value.length > 0) {
    show({ done: 1, strokes: end.value, ms: performance.now() - began });
    return;
  }
  if (end.status === 'done') notify('There is no ink to follow here.');
  else if (end.status === 'failed') notify(`Tracing failed: ${end.error.message} Nothing was changed.`);
  // Aborted, another trace may stand in its place already.
  if (useTracing.getState().run?.job === job) useTracing.setState({ run: null });
}

/** Gets the worker ready to trace a text that is likely to be traced. */
export const prepareToTrace = (layer: Lettering): Promise<void> =>
  tracer.prepare((remote) => remote.warmUp(layer, useTracing.getState().options));

/** The strokes of art, lettering or a scan, as part of a job. */
async function strokesFoundIn(source: Traceable, { signal, progress }: Work): Promise<TracedStroke[]> {
  const subject = await subjectOf(source);
  const { options } = useTracing.getState();
  const heard = proxy((done: number) => progress(done));
  return tracer.run((remote) => remote.centreLines(subject, options, heard), signal);
}

/** What taking the waiting trace would do, without doing it. */
export function foreseeTrace(piece: Piece): ReturnType<typeof retrace> | null {
  const { run, keepWidths } = useTracing.getState();
  if (!run?.strokes) return null;
  const source = sourceById(piece, run.source);
  if (!source) return null;
  return retrace(piece, run.strokes, {
    source: run.source,
    colour: colourOf(source),
    keepWidths,
    name: namesFor(source, run.strokes),
    newId,
  });
}

const colourOf = (source: Traceable): string => {
  if (isUnderlay(source)) return DEFAULT_INK.colour;
  return kindOf(source).colour(source) ?? DEFAULT_INK.colour;
};

export function sourceById(piece: Piece, id: string): Traceable | null {
  const layer = piece.layers.find((l) => l.id === id);
  if (layer && isArtwork(layer)) return layer;
  return piece.underlays.find((underlay) => underlay.id === id) ?? null;
}

/** Puts the waiting strokes into the piece, and hides the art they follow so that they are seen. */
export function takeTrace(): void {
  const foreseen = foreseeTrace(useEditor.getState().piece);
  const { run, writeOn } = useTracing.getState();
  if (!foreseen || !run) return;
  const { length } = foreseen.piece;
  const timed = writeOn && foreseen.kept === 0;
  const piece = timed
    ? writeInSequence(foreseen.piece, foreseen.ids, 0, Math.round(length * 0.6))
    : foreseen.piece;
  edit(() => ({
    ...piece,
    layers: piece.layers.map((layer) =>
      layer.id === run.source && isArtwork(layer) ? { ...layer, hidden: true } : layer,
    ),
  }));
  useTracing.setState({ run: null, ink: null });
  select({ layers: foreseen.ids });
  // At the first frame nothing would be written yet.
  if (timed) showFrame(Math.round(length * 0.6));
}

/** Shows the ink that would be traced in an underlay, over it. */
export async function previewInk(underlay: Underlay | null): Promise<void> {
  if (!underlay) {
    useTracing.setState({ ink: null });
    return;
  }
  const asked = useTracing.getState().threshold;
  const job = startJob(async ({ signal }) => {
    const pixels = await pixelsOf(underlay);
    return tracer.run((remote) => remote.ink(pixels, asked), signal);
  });
  const end = await job.settled;
  if (end.status === 'failed') notify(`The ink could not be told from the paper: ${end.error.message}`);
  if (end.status === 'done' && useTracing.getState().threshold === asked)
    useTracing.setState({ ink: { underlay: underlay.id, mask: end.value } });
}

/** The edge of art, lettering or the ink of an underlay as closed strokes. */
export async function addOutlines(source: Traceable, offset: number): Promise<void> {
  const job = startJob(async ({ signal }) => {
    const subject = await subjectOf(source);
    return tracer.run((remote) => remote.outlines(subject, offset, 0.25), signal);
  });
  void sayWhenSlow(
    job,
    (edges) => (edges.length > 0 ? `The edge of ${source.name} is there as strokes.` : null),
    inTrace,
  );
  const end = await job.settled;
  if (end.status === 'aborted') return;
  if (end.status === 'failed') {
    notify(`The edge could not be followed: ${end.error.message} Nothing was changed.`);
    return;
  }
  if (end.value.length === 0) {
    notify('There is no edge to follow here.');
    return;
  }
  const strokes = end.value.map((path, i): Stroke =>
    newStroke(newId(), cutName(`${source.name}, edge ${i + 1}`), path, {
      ...DEFAULT_INK,
      width: 4,
      colour: colourOf(source),
    }),
  );
  edit((piece) => addLayers(piece, strokes));
  select({ layers: strokes.map((stroke) => stroke.id) });
}

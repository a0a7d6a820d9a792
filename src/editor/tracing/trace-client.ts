import { proxy, wrap, type Remote } from 'comlink';
import type { Artwork, Piece, Stroke, Underlay } from '@/core/document';
import { isArtwork, addLayers, newStroke, writeInSequence, DEFAULT_INK } from '@/core/document';
import { artItems } from '@/core/scene';
import { retrace, type Pixels, type TracedStroke } from '@/core/trace';
import { notify } from '@/ui';
import type { TraceSubject, TraceWorker } from '@/workers/trace.worker';
import { pictureUrl } from '../canvas/underlay-images';
import { edit, newId, select, showFrame, useEditor } from '../state';
import { namesFor } from './stroke-names';
import { useTracing } from './trace-state';

interface Running {
  readonly worker: Worker;
  readonly remote: Remote<TraceWorker>;
}

let running: Running | null = null;

/** The worker, started when it is first needed. */
function start(): Running {
  if (!running) {
    const worker = new Worker(new URL('../../workers/trace.worker.ts', import.meta.url));
    running = { worker, remote: wrap<TraceWorker>(worker) };
  }
  return running;
}

/** Stops what runs: the worker is ended, and a new one is started for the next trace. */
export function stopTracing(): void {
  running?.worker.terminate();
  running = null;
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
      const response = await fetch(pictureUrl(underlay.asset));
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
  return { kind: 'shapes', items: artItems(source.hidden ? { ...source, hidden: false } : source) };
}

/** Traces a source; the strokes wait as a preview until they are taken or left. */
export async function traceSource(source: Traceable): Promise<void> {
  stopTracing();
  const { remote } = start();
  const mine = running;
  useTracing.setState({ run: { source: source.id, done: 0, strokes: null, ms: 0 } });
  const began = performance.now();
  try {
    const subject = await subjectOf(source);
    const strokes = await remote.centreLines(
      subject,
      useTracing.getState().options,
      proxy((done: number) => {
        const { run } = useTracing.getState();
        if (running === mine && run && !run.strokes) useTracing.setState({ run: { ...run, done } });
      }),
    );
    if (running !== mine) return;
    useTracing.setState({ run: { source: source.id, done: 1, strokes, ms: performance.now() - began } });
    if (strokes.length === 0) {
      notify('There is no ink to follow here.');
      useTracing.setState({ run: null });
    }
  } catch (error) {
    if (running !== mine) return;
    useTracing.setState({ run: null });
    notify(`Tracing failed: ${(error as Error).message} Nothing was changed.`);
  }
}

/** The strokes of art or lettering, found without showing them. */
export async function strokesFoundIn(
  source: Artwork,
  onProgress: (done: number) => void,
): Promise<TracedStroke[]> {
  stopTracing();
  const { remote } = start();
  return remote.centreLines(await subjectOf(source), useTracing.getState().options, proxy(onProgress));
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
  if (source.type === 'lettering') return source.colour;
  return (
    source.shapes.find((s) => s.fill)?.fill ??
    source.shapes.find((s) => s.line)?.line?.colour ??
    DEFAULT_INK.colour
  );
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

export const leaveTrace = (): void => stopTracing();

/** Shows the ink that would be traced in an underlay, over it. */
export async function previewInk(underlay: Underlay | null): Promise<void> {
  if (!underlay) {
    useTracing.setState({ ink: null });
    return;
  }
  const { remote } = start();
  const asked = useTracing.getState().threshold;
  try {
    const pixels = await pixelsOf(underlay);
    const mask = await remote.ink(pixels, asked);
    if (useTracing.getState().threshold === asked)
      useTracing.setState({ ink: { underlay: underlay.id, mask } });
  } catch (error) {
    notify(`The ink could not be told from the paper: ${(error as Error).message}`);
  }
}

/** The edge of art, lettering or the ink of an underlay as closed strokes. */
export async function addOutlines(source: Traceable, offset: number): Promise<void> {
  const { remote } = start();
  try {
    const paths = await remote.outlines(await subjectOf(source), offset, 0.25);
    if (paths.length === 0) {
      notify('There is no edge to follow here.');
      return;
    }
    const strokes = paths.map((path, i): Stroke =>
      newStroke(newId(), `${source.name}, edge ${i + 1}`.slice(0, 120), path, {
        ...DEFAULT_INK,
        width: 4,
        colour: colourOf(source),
      }),
    );
    edit((piece) => addLayers(piece, strokes));
    select({ layers: strokes.map((stroke) => stroke.id) });
  } catch (error) {
    notify(`The edge could not be followed: ${(error as Error).message} Nothing was changed.`);
  }
}

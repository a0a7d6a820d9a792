import { groupsAround, type Piece } from '@/core/document';
import type { CoverWorker } from '@/workers/cover.worker';
import { startJob, workerLine, type Job } from '../jobs';
import { useEditor, type EditorState } from '../state';
import { useCovering } from './cover-state';

/** The worker that measures how strokes uncover things, and fits them. */
export const coverWorker = workerLine<CoverWorker>(
  () => new Worker(new URL('../../workers/cover.worker.ts', import.meta.url)),
);

/** The revealed art or lettering that the selection is about: it itself, or what its strokes uncover. */
function revealedLayer({ piece, selection }: Pick<EditorState, 'piece' | 'selection'>): string | null {
  const chosen = piece.layers.filter((layer) => selection.layers.includes(layer.id));
  const own = chosen.find((layer) => layer.type !== 'stroke' && layer.reveal);
  if (own) return own.id;
  const ways = new Set(
    chosen.flatMap((layer) => [layer.id, ...groupsAround(piece, layer).map((group) => group.id)]),
  );
  const uncovered = piece.layers.find(
    (layer) => layer.type !== 'stroke' && layer.reveal?.through.some((id) => ways.has(id)),
  );
  return uncovered?.id ?? null;
}

/** Measuring begins so long after the last change, ms. */
const REST = 120;

/** Measures anew whenever what is looked at changes; answers with a function that stops. */
export function watchCoverage(): () => void {
  let waiting: ReturnType<typeof setTimeout> | undefined;
  let job: Job<unknown> | null = null;
  let measured: { piece: Piece; of: string } | null = null;

  const ask = (): void => {
    clearTimeout(waiting);
    waiting = setTimeout(() => void measure(), REST);
  };

  async function measure(): Promise<void> {
    const state = useEditor.getState();
    const of = state.step === 'reveal' ? revealedLayer(state) : null;
    if (!of) {
      measured = null;
      useCovering.setState({ of: null, coverage: null });
      return;
    }
    if (measured?.piece === state.piece && measured.of === of) return;
    // What is being measured may be out of date already, but ending it would cost its worker.
    if (job) return ask();
    measured = { piece: state.piece, of };
    useCovering.setState({
      of,
      running: true,
      ...(useCovering.getState().of !== of && { coverage: null }),
    });
    const began = performance.now();
    const mine = startJob(({ signal }) =>
      coverWorker.run((remote) => remote.measure(state.piece, of), signal),
    );
    job = mine;
    const end = await mine.settled;
    job = null;
    useCovering.setState({ running: false });
    if (end.status === 'done') useCovering.setState({ coverage: end.value, ms: performance.now() - began });
    // The next change measures anew.
    else measured = null;
  }

  ask();
  const unsubscribe = useEditor.subscribe((now, before) => {
    if (now.piece !== before.piece || now.selection !== before.selection || now.step !== before.step) ask();
  });
  return () => {
    unsubscribe();
    clearTimeout(waiting);
    job?.abort();
  };
}

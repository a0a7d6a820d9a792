import { wrap, type Remote } from 'comlink';
import { groupsAround, type Piece, type Stroke } from '@/core/document';
import type { CoverWorker } from '@/workers/cover.worker';
import { useEditor, type EditorState } from '../state';
import { useCovering } from './cover-state';

let remote: Remote<CoverWorker> | null = null;

/** The worker, started when it is first needed. */
export function coverWorker(): Remote<CoverWorker> {
  remote ??= wrap<CoverWorker>(new Worker(new URL('../../workers/cover.worker.ts', import.meta.url)));
  return remote;
}

/** The revealed art or lettering that the selection is about: it itself, or what its strokes uncover. */
export function revealedLayer({ piece, selection }: Pick<EditorState, 'piece' | 'selection'>): string | null {
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
let waiting: ReturnType<typeof setTimeout> | null = null;
let measured: { piece: Piece; of: string } | null = null;

async function measure(): Promise<void> {
  waiting = null;
  const state = useEditor.getState();
  const of = state.step === 'reveal' ? revealedLayer(state) : null;
  if (!of) {
    measured = null;
    useCovering.setState({ of: null, coverage: null });
    return;
  }
  if (measured?.piece === state.piece && measured.of === of) return;
  if (useCovering.getState().running) {
    ask();
    return;
  }
  measured = { piece: state.piece, of };
  useCovering.setState({ of, running: true, ...(useCovering.getState().of !== of && { coverage: null }) });
  const began = performance.now();
  try {
    const coverage = await coverWorker().measure(state.piece, of);
    useCovering.setState({ coverage, ms: performance.now() - began });
  } finally {
    useCovering.setState({ running: false });
  }
}

function ask(): void {
  if (waiting !== null) clearTimeout(waiting);
  waiting = setTimeout(() => void measure(), REST);
}

/** Measures anew whenever what is looked at changes; answers with a function that stops. */
export function watchCoverage(): () => void {
  ask();
  return useEditor.subscribe((now, before) => {
    if (now.piece !== before.piece || now.selection !== before.selection || now.step !== before.step) ask();
  });
}

/** A piece in which strokes have become what a worker made of them. */
export function withStrokes(piece: Piece, strokes: readonly Stroke[]): Piece {
  const made = new Map(strokes.map((stroke) => [stroke.id, stroke]));
  return {
    ...piece,
    layers: piece.layers.map((layer) => (layer.type === 'stroke' ? (made.get(layer.id) ?? layer) : layer)),
  };
}

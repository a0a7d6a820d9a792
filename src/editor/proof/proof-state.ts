import { create } from 'zustand';
import type { Piece } from '@/core/document';
import { proof, uncoveringFindings, type Backdrop, type Finding } from '@/core/proof';
import type { Coverage } from '@/core/trace';
import { startJob, type Job } from '../jobs';
import { coverWorker } from '../reveal';
import { useEditor } from '../state';
import { onUnderlayLoaded, underlayImage } from '../underlays';

interface ProofState {
  readonly open: boolean;
  readonly findings: readonly Finding[];
  /** How each revealed layer is uncovered, as far as it was measured. */
  readonly measuring: boolean;
  /** The finding that was gone to last, by its id. */
  readonly chosen: string | null;
}

export const useProof = create<ProofState>(() => ({
  open: false,
  findings: [],
  measuring: false,
  chosen: null,
}));

/** Opens or closes the list of findings. */
export const showProof = (open: boolean): void => useProof.setState({ open, ...(!open && { chosen: null }) });

/** Places across a box at which the ground is looked at. */
const GRID = 12;

/** Looks at the colours under boxes: of the pictures that lie under the piece, over the colour it is looked at over. */
function backdropReader(): (piece: Piece) => Backdrop {
  const canvas = Object.assign(document.createElement('canvas'), { width: GRID, height: GRID });
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  return (piece) => (box) => {
    const shown = piece.underlays.filter((u) => !u.hidden && u.opacity > 0);
    const pictures = shown.flatMap((u) => {
      const image = underlayImage(u);
      return image ? [{ u, image }] : [];
    });
    if (pictures.length === 0) return piece.over === null ? null : [piece.over];
    const [w, h] = [Math.max(1, box.right - box.left), Math.max(1, box.bottom - box.top)];
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.fillStyle = piece.over ?? '#808080';
    context.fillRect(0, 0, GRID, GRID);
    context.setTransform(GRID / w, 0, 0, GRID / h, (-box.left * GRID) / w, (-box.top * GRID) / h);
    for (const { u, image } of pictures) {
      context.globalAlpha = u.opacity;
      context.drawImage(image, u.x, u.y, u.width * u.scale, u.height * u.scale);
      context.globalAlpha = 1;
    }
    const { data } = context.getImageData(0, 0, GRID, GRID);
    return Array.from(
      { length: GRID * GRID },
      (_, i) => `#${[0, 1, 2].map((k) => data[i * 4 + k]!.toString(16).padStart(2, '0')).join('')}`,
    );
  };
}

/** A check begins so long after the last change, ms; what must be measured waits a little longer while nobody looks at the list. */
const REST = 350;
const UNSEEN_REST = 1200;

/** The layers whose uncovering is measured: art and lettering seen through strokes. */
const revealed = (piece: Piece): string[] =>
  piece.layers.flatMap((layer) =>
    (layer.type === 'lettering' || layer.type === 'art') &&
    layer.reveal &&
    !layer.reveal.inverted &&
    !layer.hidden
      ? [layer.id]
      : [],
  );

/** Checks the piece from its opening on, whenever it changed; answers with a function that stops. */
export function watchProof(): () => void {
  const backdropOf = backdropReader();
  let backdrop: { piece: Piece; of: Backdrop } | null = null;
  let measured: { piece: Piece; coverage: ReadonlyMap<string, Coverage> } | null = null;
  let waiting: ReturnType<typeof setTimeout> | undefined;
  let later: ReturnType<typeof setTimeout> | undefined;
  let job: Job<ReadonlyMap<string, Coverage>> | null = null;

  const busy = (): boolean => {
    const { base, playing } = useEditor.getState();
    return base !== null || playing;
  };

  function list(piece: Piece): void {
    if (backdrop?.piece !== piece) backdrop = { piece, of: backdropOf(piece) };
    const coverage = measured?.piece === piece ? measured.coverage : new Map<string, Coverage>();
    useProof.setState({
      // Until what is revealed was measured, nothing to mend is not yet nothing found.
      measuring: measured?.piece !== piece && revealed(piece).length > 0,
      findings: [
        ...[...coverage].flatMap(([of, found]) => uncoveringFindings(piece, of, found)),
        ...proof(piece, backdrop.of),
      ],
    });
  }

  function check(): void {
    const { piece } = useEditor.getState();
    // Drags and playing have the machine to themselves.
    if (busy()) return ask();
    list(piece);
    clearTimeout(later);
    if (measured?.piece !== piece)
      later = setTimeout(() => void measure(), useProof.getState().open ? 0 : UNSEEN_REST);
  }

  async function measure(): Promise<void> {
    const { piece } = useEditor.getState();
    if (busy()) return ask();
    // What runs is about an older document; it goes on to its end, since ending it would cost its worker.
    if (job) return ask();
    job = startJob(async ({ signal }) => {
      const coverage = new Map<string, Coverage>();
      for (const id of revealed(piece)) {
        const found = await coverWorker.run((remote) => remote.measure(piece, id), signal);
        if (found) coverage.set(id, found);
        if (useEditor.getState().piece !== piece) break;
      }
      return coverage;
    });
    const end = await job.settled;
    job = null;
    if (end.status !== 'done') {
      useProof.setState({ measuring: false });
      return;
    }
    if (useEditor.getState().piece !== piece) return ask();
    measured = { piece, coverage: end.value };
    list(piece);
  }

  function ask(): void {
    clearTimeout(waiting);
    waiting = setTimeout(check, REST);
  }

  ask();
  const ends = [
    useEditor.subscribe((now, before) => {
      if (now.piece !== before.piece) ask();
    }),
    useProof.subscribe((now, before) => {
      if (now.open && !before.open) ask();
    }),
    onUnderlayLoaded(() => {
      backdrop = null;
      ask();
    }),
  ];
  return () => {
    ends.forEach((end) => end());
    clearTimeout(waiting);
    clearTimeout(later);
    job?.abort();
    useProof.setState({ findings: [], measuring: false, chosen: null, open: false });
  };
}

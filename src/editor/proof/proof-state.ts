import { create } from 'zustand';
import type { Piece } from '@/core/document';
import { proof, uncoveringFindings, type Backdrop, type Finding } from '@/core/proof';
import type { Coverage } from '@/core/trace';
import { coverWorker } from '../reveal';
import { useEditor } from '../state';
import { onUnderlayLoaded, underlayImage } from '../canvas/underlay-images';

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

/** Places across a box at which the ground is looked at. */
const GRID = 12;
let sampler: CanvasRenderingContext2D | null = null;
let version = 0;

/** The colours under a box: of the pictures that lie under the piece, over the colour it is looked at over. */
function backdropOf(piece: Piece): Backdrop {
  return (box) => {
    const shown = piece.underlays.filter((u) => !u.hidden && u.opacity > 0);
    const pictures = shown.flatMap((u) => {
      const image = underlayImage(u);
      return image ? [{ u, image }] : [];
    });
    if (pictures.length === 0) return piece.over === null ? null : [piece.over];
    sampler ??= Object.assign(document.createElement('canvas'), { width: GRID, height: GRID }).getContext(
      '2d',
      {
        willReadFrequently: true,
      },
    );
    const context = sampler!;
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

let backdrop: { piece: Piece; version: number; of: Backdrop } | null = null;
function backdropNow(piece: Piece): Backdrop {
  if (backdrop?.piece !== piece || backdrop.version !== version)
    backdrop = { piece, version, of: backdropOf(piece) };
  return backdrop.of;
}

/** A check begins so long after the last change, ms: first what needs no measuring, then, where the list is open, the rest. */
const REST = 350;
let waiting: ReturnType<typeof setTimeout> | null = null;
let measured: { piece: Piece; coverage: ReadonlyMap<string, Coverage> } | null = null;
let running = false;

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

function listed(piece: Piece): readonly Finding[] {
  const coverage = measured?.piece === piece ? measured.coverage : new Map<string, Coverage>();
  return [
    ...[...coverage].flatMap(([of, found]) => uncoveringFindings(piece, of, found)),
    ...proof(piece, backdropNow(piece)),
  ];
}

async function check(): Promise<void> {
  waiting = null;
  const { piece, base, playing } = useEditor.getState();
  // Drags and playing have the machine to themselves.
  if (base || playing) {
    ask();
    return;
  }
  useProof.setState({ findings: listed(piece) });
  if (!useProof.getState().open || running || measured?.piece === piece) return;
  running = true;
  useProof.setState({ measuring: true });
  try {
    const coverage = new Map<string, Coverage>();
    for (const id of revealed(piece)) {
      const found = await coverWorker().measure(piece, id);
      if (found) coverage.set(id, found);
      if (useEditor.getState().piece !== piece) break;
    }
    if (useEditor.getState().piece === piece) {
      measured = { piece, coverage };
      useProof.setState({ findings: listed(piece) });
    } else ask();
  } finally {
    running = false;
    useProof.setState({ measuring: false });
  }
}

function ask(): void {
  if (waiting !== null) clearTimeout(waiting);
  waiting = setTimeout(() => void check(), REST);
}

/** Checks the piece whenever it changed; answers with a function that stops. */
export function watchProof(): () => void {
  ask();
  const ends = [
    useEditor.subscribe((now, before) => {
      if (now.piece !== before.piece) ask();
    }),
    useProof.subscribe((now, before) => {
      if (now.open && !before.open) ask();
    }),
    onUnderlayLoaded(() => {
      version++;
      ask();
    }),
  ];
  return () => {
    ends.forEach((end) => end());
    if (waiting !== null) clearTimeout(waiting);
    waiting = null;
  };
}

import type { DrawList } from '@/core/draw';
import { isArtwork, type Piece } from '@/core/document';
import { picturePainter, type Placement } from '@/core/paint';
import { artItems, evaluate, roughOf, weightOf } from '@/core/scene';
import { framesPerSecond } from '@/core/timing';
import { newCanvas } from '@/workers/new-canvas';
import type { PictureWorker } from '@/workers/picture.worker';
import { wrap } from 'comlink';
import { notify } from '@/ui';
import { countOvertaken } from '../playback';
import { shownPiece, type EditorState } from '../state';
import { underlayImage } from '../underlays';
import { paintGround } from './ground';
import { onionItems } from './onion';
import { frameAhead } from './painted-ahead';
import { picturesAfar, type PicturesAfar } from './pictures-afar';
import type { View } from './view';

/** What strokes follow, without the strokes. */
const artAlone = (piece: Piece): DrawList => ({
  ...piece.size,
  items: piece.layers.flatMap((layer) => (isArtwork(layer) ? artItems(layer) : [])),
});

/** Samples that motion blur is made of while it plays: what is quick enough for it. */
const SAMPLES_PLAYING = 6;

/** The draw list of what is seen of a piece: the frame, or the art alone, with the frames around it where they are wanted. */
function listOf({ frame, onion, linesOnly, playing }: EditorState, piece: Piece): DrawList {
  const now = linesOnly ? artAlone(piece) : evaluate(piece, frame, playing ? SAMPLES_PLAYING : undefined);
  const faint = onion.shown && !playing && !linesOnly ? onionItems(piece, frame, onion) : [];
  return faint.length > 0 ? { ...now, items: [...faint, ...now.items] } : now;
}

/** The picture on the stage, on two canvases one over the other: what the piece lies over, and the piece. */
interface StagePicture {
  /** Has it painted anew where anything of it changed. */
  paint(state: EditorState, view: View, ratio: number): void;
  /** The canvas below was emptied. */
  forget(): void;
  /** The colour that is seen at a place, canvas px: #rrggbb. */
  colourAt(x: number, y: number): string;
  end(): void;
}

/**
 * So many pictures, one after another, that took longer than their frames last, and those that follow are painted beside the
 * page. What the page can show at its rate plays more smoothly without the way to a worker and back; and the first few take
 * long while an engine compiles.
 */
const HEAVY = 12;
/** Commands in a picture from which on it takes about a second: the page would not answer meanwhile, so it is never painted there. */
const TOO_HEAVY = 400_000;
/** Commands in what is shown of such a piece meanwhile: some tenths of a second where all of them are of pens that change. */
const ROUGH = 20_000;

/**
 * The piece has a canvas to itself, over nothing: so it is the picture that leaves, also where its layers blend with what lies
 * under them, and what stands still of it can be kept. Pieces that are light are painted in the page, at once; those whose pictures
 * take too long by a worker, whose pixels are laid onto the same canvas when they are there, the newest first. Of those that take a second
 * or more a rougher picture is painted in the page meanwhile.
 * @param shown hears which frame is seen.
 * @param failedAfar hears that the picture must be painted once more.
 */
export function stagePicture(
  under: HTMLCanvasElement,
  picture: HTMLCanvasElement,
  shown: (frame: number) => void,
  failedAfar: () => void,
): StagePicture {
  const below = under.getContext('2d')!;
  const above = picture.getContext('2d')!;
  const painter = picturePainter(above, newCanvas);
  /** What the canvas below shows. */
  let grounded = '';
  let heavy = 0;
  /** The piece last weighed, and what is shown of it meanwhile where it is too heavy for the page. */
  let weighed: { readonly piece: Piece; readonly rough: Piece | null } | null = null;
  /** The picture of a heavy piece that is seen, rough or whole. */
  let seenOf: { readonly piece: Piece; readonly frame: number } | null = null;
  let saidHeavy = false;
  let worker: Worker | null = null;
  let afar: PicturesAfar | null = null;
  /** Whose pixels the canvas holds. */
  let isFromAfar = false;
  /** Where the piece is to be seen on the canvas, and where the picture on it has it. */
  let [wanted, seen]: [Placement | null, Placement | null] = [null, null];

  /** A picture of another view stands in for the one that is on its way. */
  function place(ratio: number): void {
    const k = wanted && seen ? wanted.scale / seen.scale : 1;
    const [x, y] = wanted && seen ? [wanted.x - seen.x * k, wanted.y - seen.y * k] : [0, 0];
    const moved = k !== 1 || x !== 0 || y !== 0;
    picture.style.transform = moved ? `matrix(${k}, 0, 0, ${k}, ${x / ratio}, ${y / ratio})` : '';
  }

  function size(width: number, height: number): void {
    if (picture.width === width && picture.height === height) return;
    [picture.width, picture.height] = [width, height];
    painter.forget();
  }

  function begin(): void {
    const begun = new Worker(new URL('../../workers/picture.worker.ts', import.meta.url));
    const failed = (): void => {
      // The page paints again, as it did, and goes on doing so.
      begun.terminate();
      [afar, isFromAfar] = [null, false];
      painter.forget();
      failedAfar();
    };
    begun.addEventListener('error', failed);
    worker = begun;
    afar = picturesAfar(wrap<PictureWorker>(begun), {
      painted(parts, { piece, frame, placement, width, height }, whole) {
        size(width, height);
        if (whole) above.clearRect(0, 0, width, height);
        for (const { left, top, bitmap } of parts) {
          above.clearRect(left, top, bitmap.width, bitmap.height);
          above.drawImage(bitmap, left, top);
          bitmap.close();
        }
        isFromAfar = true;
        picture.dataset.picture = 'afar';
        [seen, seenOf] = [placement, { piece, frame }];
        place(window.devicePixelRatio || 1);
        shown(frame);
      },
      overtaken: (_, by) => countOvertaken(by.frame),
      failed,
    });
  }

  /** What is shown of a piece until its own picture is there; null where the page may paint that at once. */
  function roughIn(piece: Piece): Piece | null {
    if (weighed?.piece !== piece)
      weighed = { piece, rough: weightOf(piece) > TOO_HEAVY ? roughOf(piece, ROUGH) : null };
    if (weighed.rough && !saidHeavy) {
      saidHeavy = true;
      notify('This piece is heavy. A rougher picture of it is shown until the whole one is made.');
      if (!worker) begin();
    }
    return weighed.rough;
  }

  /** What the page paints itself is what the canvas shows from then on. */
  function paintHere(width: number, height: number, put: () => void): void {
    size(width, height);
    if (isFromAfar) {
      painter.forget();
      isFromAfar = false;
    }
    afar?.forget();
    picture.dataset.picture = 'here';
    put();
    [seen, seenOf] = [wanted, null];
    place(1);
  }

  return {
    forget: () => void (grounded = ''),
    end: () => worker?.terminate(),
    paint(state, view, ratio) {
      const piece = shownPiece(state);
      const underlays = piece.underlays.filter((underlay) => !underlay.hidden && underlay.opacity > 0);
      const images = underlays.map(underlayImage);
      const { width, height } = piece.size;
      const [x, y, zoom] = [view.x * ratio, view.y * ratio, view.zoom * ratio];
      const key = [
        ...[x, y, zoom, under.width, under.height, piece.over, width, height],
        ...underlays.map((u, i) => [u.asset, u.x, u.y, u.scale, u.opacity, images[i] !== null].join()),
      ].join();
      if (grounded !== key) {
        grounded = key;
        below.clearRect(0, 0, under.width, under.height);
        // On whole pixels, as the piece is: its edge is an edge.
        const [left, top] = [Math.round(x), Math.round(y)];
        paintGround(
          below,
          left,
          top,
          Math.round(x + width * zoom) - left,
          Math.round(y + height * zoom) - top,
          piece.over,
        );
        underlays.forEach((u, i) => {
          const image = images[i];
          if (!image) return;
          below.globalAlpha = u.opacity;
          const k = u.scale * zoom;
          below.drawImage(image, x + u.x * zoom, y + u.y * zoom, u.width * k, u.height * k);
          below.globalAlpha = 1;
        });
      }
      const rough = roughIn(piece);
      const { frame, playing, linesOnly, onion } = state;
      const placement = { x, y, scale: zoom };
      wanted = placement;
      const kept = playing && !linesOnly ? frameAhead(frame) : null;
      const isPlain = !kept && !linesOnly && (!onion.shown || playing);
      if (afar && isPlain) {
        if (rough && (seenOf?.piece !== piece || seenOf.frame !== frame)) {
          paintHere(under.width, under.height, () => painter.paint(listOf(state, rough), placement));
          picture.dataset.picture = 'rough';
          seenOf = { piece, frame };
          shown(frame);
        }
        const samples = playing ? SAMPLES_PLAYING : undefined;
        place(ratio);
        afar.want({ piece, frame, samples, placement, width: under.width, height: under.height });
        return;
      }
      paintHere(under.width, under.height, () => {
        if (kept) {
          above.clearRect(0, 0, picture.width, picture.height);
          above.drawImage(kept.canvas, kept.left, kept.top);
          painter.forget();
          return;
        }
        const began = performance.now();
        const changed = painter.paint(listOf(state, rough ?? piece), placement);
        const took = performance.now() - began;
        if (changed.length > 0) heavy = took * framesPerSecond(piece.rate) > 1000 ? heavy + 1 : 0;
      });
      if (heavy >= HEAVY && !worker) begin();
      shown(frame);
    },
    colourAt(x, y) {
      const one = new OffscreenCanvas(1, 1).getContext('2d')!;
      for (const canvas of [under, picture]) one.drawImage(canvas, -x, -y);
      const [r, g, b] = one.getImageData(0, 0, 1, 1).data;
      return `#${[r, g, b].map((v) => v!.toString(16).padStart(2, '0')).join('')}`;
    },
  };
}

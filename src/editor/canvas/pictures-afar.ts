import { newsOf, type Piece } from '@/core/document';
import type { PaintedParts, PictureWanted } from '@/workers/picture.worker';

/** A picture of a piece that is wanted. */
export type Wanted = PictureWanted & { readonly piece: Piece };

/** What paints pictures beside the page, one at a time. */
interface Painter {
  paint(news: ReturnType<typeof newsOf>, wanted: PictureWanted, whole: boolean): Promise<PaintedParts>;
}

/** Who hears of pictures. */
interface Hearers {
  /** A picture is there. @param whole it is all of it, to be laid onto an empty canvas. */
  painted(parts: PaintedParts, of: Wanted, whole: boolean): void;
  /** A picture was never painted: a newer one was wanted before its turn. @param by the one that was in hand meanwhile. */
  overtaken(wanted: Wanted, by: Wanted): void;
  /** It can't paint any more. */
  failed(): void;
}

/** Pictures painted beside the page. */
export interface PicturesAfar {
  /** Wants a picture; of those wanted while one is in hand only the newest is painted. */
  want(wanted: Wanted): void;
  /** What was painted is not seen any more: the next picture is a whole one. */
  forget(): void;
}

const same = (a: Wanted, b: Wanted): boolean =>
  a.piece === b.piece &&
  a.frame === b.frame &&
  a.samples === b.samples &&
  a.width === b.width &&
  a.height === b.height &&
  a.placement.x === b.placement.x &&
  a.placement.y === b.placement.y &&
  a.placement.scale === b.placement.scale;

/** Has pictures painted elsewhere, one after another. */
export function picturesAfar(painter: Painter, { painted, overtaken, failed }: Hearers): PicturesAfar {
  /** The piece as the painter knows it. */
  let told: Piece | null = null;
  let inHand: Wanted | null = null;
  let next: Wanted | null = null;
  /** The last one that was painted or is in hand, where it is still seen. */
  let last: Wanted | null = null;

  async function begin(wanted: Wanted): Promise<void> {
    const { piece, frame, samples, placement, width, height } = wanted;
    const whole = !last || last.width !== width || last.height !== height;
    const news = newsOf(told, piece);
    [inHand, told, last] = [wanted, piece, wanted];
    try {
      const parts = await painter.paint(news, { frame, samples, placement, width, height }, whole);
      // Forgotten meanwhile, it would be laid onto another picture.
      if (last === wanted) painted(parts, wanted, whole);
      else for (const { bitmap } of parts) bitmap.close();
    } catch {
      failed();
    }
    inHand = null;
    const waiting = next;
    next = null;
    if (waiting) void begin(waiting);
  }

  return {
    want(wanted) {
      if (next && same(next, wanted)) return;
      if (!inHand) {
        if (!last || !same(last, wanted)) void begin(wanted);
        return;
      }
      if (next && next.frame !== wanted.frame) overtaken(next, inHand);
      next = last && same(last, wanted) ? null : wanted;
    },
    forget() {
      last = null;
      next = null;
    },
  };
}

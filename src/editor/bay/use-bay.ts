import { useEffect, useMemo, useRef, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { BAY, EXPORTS, PIECES, type ListedExport, type Received } from '@/contract';
import { readPiece, type Piece } from '@/core/document';
import type { Pixels, Way } from '@/core/bay';
import { inkBounds } from '@/core/draw';
import { evaluate, posterFrame } from '@/core/scene';
import { call, sendBytes } from '../saving';
import { compose, knownNature, MEANT, type Composed } from './compose';
import { frameStore } from './frame-store';
import { groundPixels, type Ground } from './grounds';
import { groundWithin, pieceFrame, piecePixels } from './piece-frame';

/** The exports of all projects; the same that their page shows. */
export const useListed = (): readonly ListedExport[] =>
  useQuery({ queryKey: ['exports'], queryFn: () => call(EXPORTS.all, {}) }).data?.exports ?? [];

/** The revision that the piece of an exported file is at now; null where there is none. */
export const useRevisionNow = ({ export: from }: Received): number | null =>
  useListed().find(({ id }) => id === from?.id)?.revisionNow ?? null;

/** Which state of the piece a file is compared with. */
export type Against = 'made' | 'now';

/** The file in the bay, or why there is none. */
interface InBay {
  readonly received: Received | null;
  readonly error: string;
  readonly waiting: boolean;
  take(file: File): Promise<void>;
}

/** The file that the bay has: of an export, or one that was brought. */
export function useReceived(exportId: string | null): InBay {
  const [state, setState] = useState<Omit<InBay, 'take'>>({
    received: null,
    error: '',
    waiting: exportId !== null,
  });
  const fetching = async (work: () => Promise<Received>, isWanted: () => boolean) => {
    setState((now) => ({ ...now, error: '', waiting: true }));
    try {
      const received = await work();
      if (isWanted()) setState({ received, error: '', waiting: false });
    } catch (error) {
      if (isWanted()) setState({ received: null, error: (error as Error).message, waiting: false });
    }
  };
  useEffect(() => {
    if (exportId === null) return;
    let wanted = true;
    void fetching(
      () => call(BAY.open, { params: { id: exportId } }),
      () => wanted,
    );
    return () => {
      wanted = false;
    };
  }, [exportId]);
  return {
    ...state,
    take: (file) =>
      fetching(
        () => sendBytes(BAY.take, {}, file, { name: file.name }),
        () => true,
      ),
  };
}

/** The piece that an exported file is of, as it was made or as it is now; null for files from outside, and where it is gone. */
export function usePieceOf(received: Received | null, against: Against): Piece | null {
  const [piece, setPiece] = useState<Piece | null>(null);
  const from = received?.export ?? null;
  useEffect(() => {
    setPiece(null);
    if (!from) return;
    let wanted = true;
    const asked =
      against === 'made'
        ? call(EXPORTS.document, { params: { id: from.id } })
        : call(PIECES.open, { params: { id: from.pieceId } });
    asked
      .then(({ document }) => {
        const read = readPiece(document);
        if (wanted) setPiece(read.ok ? read.piece : null);
      })
      .catch(() => {});
    return () => {
      wanted = false;
    };
  }, [from, against]);
  return piece;
}

const MIDDLE = [0.5, 0.5] as const;

/** Where most ink of a piece has its middle, as shares of the picture: what one goes near to look at. */
export function useInkMiddle(piece: Piece | null, received: Received): readonly [number, number] {
  return useMemo(() => {
    if (!piece || received.shows !== 'frames') return MIDDLE;
    const { width, height } = piece.size;
    const ink = inkBounds(evaluate(piece, posterFrame(piece)), width, height);
    return ink ? [(ink.left + ink.right) / 2 / width, (ink.top + ink.bottom) / 2 / height] : MIDDLE;
  }, [piece, received]);
}

interface Looked {
  readonly received: Received;
  readonly piece: Piece | null;
  readonly frame: number;
  readonly way: Way;
  readonly ground: Ground;
  readonly gain: number;
}

/** What is seen of a file of frames; the last that was composed while the next is on its way. */
export function useComposed({ received, piece, frame, way, ground, gain }: Looked): {
  readonly composed: Composed | null;
  readonly error: string;
} {
  const [composed, setComposed] = useState<Composed | null>(null);
  const [error, setError] = useState('');
  const store = useMemo(() => frameStore(received), [received]);
  const { width, height } = received;
  const beneath = useMemo(() => groundPixels(ground, width, height), [ground, width, height]);
  const within = useMemo((): Pixels | null => {
    const colour = groundWithin(received);
    return colour === null ? null : groundPixels({ kind: 'colour', colour, picture: null }, width, height);
  }, [received, width, height]);
  const turn = useRef(0);
  useEffect(() => {
    const mine = ++turn.current;
    // Vectors are no pixels until the page paints them.
    if (received.shows !== 'frames') return;
    const look = async () => {
      const [picture, matte] = await Promise.all([
        store.get(frame, 'picture'),
        received.hasMatte ? store.get(frame, 'matte') : null,
      ]);
      // A newer frame overtakes an older one.
      if (mine !== turn.current) return;
      const own = piece && piecePixels(piece, pieceFrame(received, piece, frame), received);
      setComposed(
        compose({
          picture,
          matte,
          way,
          ground: beneath,
          within,
          piece: own,
          gain,
          known: knownNature(received),
        }),
      );
      setError('');
    };
    look().catch((problem: Error) => {
      if (mine === turn.current) setError(problem.message);
    });
  }, [store, received, piece, frame, way, beneath, within, gain]);
  return { composed, error };
}

/** How a file is taken at first: as it is meant, as far as that is known. */
export function firstWay(received: Received): Way {
  const nature = knownNature(received);
  if (nature) return MEANT[nature];
  if (received.hasMatte) return 'matte';
  return received.alpha ? 'straight' : 'ignored';
}

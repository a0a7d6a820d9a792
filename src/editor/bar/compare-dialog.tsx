'use client';
import { useEffect, useRef, useState } from 'react';
import { PIECES } from '@/contract';
import { useQuery } from '@tanstack/react-query';
import { Pause, Play } from 'lucide-react';
import styled from 'styled-components';
import { readPiece, type Piece } from '@/core/document';
import { paint } from '@/core/paint';
import { evaluate } from '@/core/scene';
import { framesPerSecond, timecode } from '@/core/timing';
import { Dialog, IconButton } from '@/ui';
import { newCanvas } from '@/workers/new-canvas';
import { paintGround } from '../canvas';
import { call, useSaving } from '../saving';
import { useEditor } from '../state';

const Sides = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  figure {
    margin: 0;
    min-width: 0;
  }
  canvas {
    display: block;
    width: 100%;
    border: 1px solid var(--rule);
    border-radius: 6px;
  }
  figcaption {
    margin-top: 6px;
    color: var(--quiet);
  }
`;
const Moment = styled.div`
  display: flex;
  align-items: center;
  gap: 10px;
  margin-top: 12px;
  input {
    flex: 1;
    accent-color: var(--head);
  }
  span {
    min-width: 170px;
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
`;

const WIDE = 640;

/** One piece at a frame, over what it is looked at over. */
function Picture({ piece, frame, label }: { piece: Piece; frame: number; label: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const scale = WIDE / piece.size.width;
  const height = Math.max(1, Math.round(piece.size.height * scale));
  useEffect(() => {
    const context = canvas.current!.getContext('2d')!;
    context.setTransform(1, 0, 0, 1, 0, 0);
    paintGround(context, 0, 0, WIDE, height, piece.over);
    paint(evaluate(piece, Math.min(frame, piece.length - 1)), context, newCanvas, scale);
  }, [piece, frame, height, scale]);
  return (
    <figure>
      <canvas
        ref={canvas}
        width={WIDE}
        height={height}
        role="img"
        aria-label={`${label}, frame ${frame}`}
        data-compare={label}
      />
      <figcaption>
        {label} · {piece.length} fr
      </figcaption>
    </figure>
  );
}

/** An earlier revision beside the piece as it is now, both at the same frame. */
export function CompareDialog({ revision, onClose }: { revision: number; onClose: () => void }) {
  const open = useSaving((s) => s.open);
  const now = useEditor((s) => s.piece);
  const [frame, setFrame] = useState(() => Math.round(useEditor.getState().frame));
  const [playing, setPlaying] = useState(false);
  const then = useQuery({
    queryKey: ['revision', open?.id, revision],
    queryFn: async () => {
      const { document } = await call(PIECES.readRevision, { params: { id: open!.id, revision } });
      const read = readPiece(document);
      if (!read.ok) throw new Error('This revision holds something that this Obelus cannot read.');
      return read.piece;
    },
    enabled: open !== null,
  });
  const length = Math.max(now.length, then.data?.length ?? 1);
  const fps = framesPerSecond(now.rate);
  useEffect(() => {
    if (!playing) return;
    const began = performance.now();
    let asked = requestAnimationFrame(function next(at) {
      setFrame(Math.floor(((at - began) / 1000) * fps) % length);
      asked = requestAnimationFrame(next);
    });
    return () => cancelAnimationFrame(asked);
  }, [playing, fps, length]);
  return (
    <Dialog title={`Revision ${revision} and now`} isOpen onClose={onClose} width={1060}>
      {then.isError && <p role="alert">This revision cannot be shown: {then.error.message}</p>}
      {then.data && (
        <>
          <Sides>
            <Picture piece={then.data} frame={frame} label={`Revision ${revision}`} />
            <Picture piece={now} frame={frame} label="Now" />
          </Sides>
          <Moment>
            <IconButton label={playing ? 'Stop' : 'Play both'} onPress={() => setPlaying(!playing)}>
              {playing ? <Pause /> : <Play />}
            </IconButton>
            <input
              type="range"
              aria-label="Frame of both"
              min={0}
              max={length - 1}
              value={Math.min(frame, length - 1)}
              onChange={(event) => {
                setPlaying(false);
                setFrame(Number(event.currentTarget.value));
              }}
            />
            <span>
              {timecode(frame, now.rate)} · frame {frame}
            </span>
          </Moment>
        </>
      )}
    </Dialog>
  );
}
